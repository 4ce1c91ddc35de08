"""TIM05: a focus region that gets less than its neutral share."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say

TOLERATED = 25
"""Seconds by which rounding and passes may miss a share on each side."""


def check(case: Case) -> Iterator[Found]:
    """Focus regions that are missing, or get less for their size than what was not asked for.

    Size is the body's surface, weighed as the school does. A region that already has its most sensible time is not
    short, nor is one beside which all others have their least, nor one that the client wants worked through the sheet:
    few strokes work there.
    """
    if case.kind.open_ended:
        return
    focus = case.flow.brief.focus
    sheeted = {case.catalogue.consents[id].region for id in case.client.through_cloth}
    parts = list(case.worked())
    others = [s for s in parts if s.region not in focus]
    for wanted in focus:
        own = [s for s in parts if s.region == wanted]
        region = case.catalogue.regions[wanted]
        if not own:
            yield Found(say("findings.focus_missing", many=region.plural, region=region.whole))
            continue
        seconds = sum(case.counted(s) for s in own)
        full = all(case.counted(s) >= case.bounds(s)[1] - TOLERATED for s in own)
        bare = all(case.counted(s) <= case.bounds(s)[0] + TOLERATED for s in others)
        if full or bare or wanted in sheeted:
            continue
        neutral = _size(case, own) * sum(case.counted(s) for s in others) / _size(case, others)
        if seconds < neutral - TOLERATED * len(own):
            yield Found(say("findings.focus_short", region=region.whole, seconds=seconds), own[0])


def _size(case: Case, parts: list[Part]) -> float:
    weights = case.catalogue.schools[case.flow.brief.school].weights
    return sum(
        case.region(s).share * weights.get(s.region, 1.0) / (2 if case.halved(s) else 1) for s in parts
    )


CHECK = Check(
    code="TIM05",
    name="focus cut short",
    severity="caution",
    summary="A focus region gets at least as much, for its size, as what was not asked for.",
    rationale="What was asked for is what the client came for.",
    bad=lambda c: flow(c, part(c, "back", times=1), *both(c, "thigh_back"), focus=("back",)),
    good=lambda c: flow(c, part(c, "back", times=14), *both(c, "thigh_back"), focus=("back",)),
    check=check,
)
