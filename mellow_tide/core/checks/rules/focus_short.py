"""TIM05: a focus region that gets less than its neutral share."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow, stop
from mellow_tide.core.checks.words import span

TOLERATED = 15
"""Seconds by which rounding may miss a share."""


def check(case: Case) -> Iterator[Found]:
    """Focus regions that are missing, or whose part of the work is below their neutral share of what is worked.

    The neutral share is the body's surface, weighed as the school does. A region that already has its most
    sensible time is not short.
    """
    stops = list(case.worked())
    work = sum(case.seconds(s) for s in stops)
    weights = case.catalogue.schools[case.flow.brief.school].weights
    weight = {
        s.id: case.region(s).share * weights.get(s.region, 1.0) / (2 if case.halved(s) else 1) for s in stops
    }
    for wanted in case.flow.brief.focus:
        own = [s for s in stops if s.region == wanted]
        whole = case.catalogue.regions[wanted].whole
        if not own:
            yield Found(f"The {whole} should get more, but get nothing.")
            continue
        seconds = sum(case.seconds(s) for s in own)
        neutral = work * sum(weight[s.id] for s in own) / sum(weight.values())
        full = all(case.seconds(s) >= case.bounds(s)[1] - TOLERATED for s in own)
        if seconds < neutral - TOLERATED and not full:
            yield Found(
                f"The {whole} should get more, but {span(seconds)} is less than without asking.", own[0]
            )


CHECK = Check(
    code="TIM05",
    name="focus cut short",
    severity="caution",
    summary="A focus region gets at least its neutral share of the work.",
    rationale="What was asked for is what the client came for.",
    bad=lambda c: flow(c, stop(c, "back", times=1), *both(c, "thigh_back"), focus=("back",)),
    good=lambda c: flow(c, stop(c, "back", times=8), *both(c, "thigh_back"), focus=("back",)),
    check=check,
)
