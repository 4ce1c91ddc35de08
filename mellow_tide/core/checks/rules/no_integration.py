"""BAL03: long work in one place with nothing that brings back the whole."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.edits import InsertPart
from mellow_tide.core.flow.flow import Flow, Part, Step
from mellow_tide.core.phrases.book import say

LONG = 900
"""Seconds on one region, both sides together (from experience)."""


def check(case: Case) -> Iterator[Found]:
    """Regions worked for over 15 min without any work, hold or long stroke in the other half of the body after them."""
    seconds: dict[str, int] = {}
    for s in case.worked():
        seconds[s.region] = seconds.get(s.region, 0) + case.seconds(s)
    for region, taken in seconds.items():
        last = max(i for i, s in enumerate(case.flow.parts) if s.role == "work" and s.region == region)
        half = case.catalogue.regions[region].lower
        if taken <= LONG or any(case.region(s).lower != half for s in case.flow.parts[last + 1 :]):
            continue
        s = case.flow.parts[last]
        far = "head" if half else "feet"
        repair = Repair(
            words=say("repairs.rest_hands_at_after", far=far), edits=(_far_hold(s, half, last + 1),)
        )
        what = say("findings.no_integration", seconds=taken, region=case.region(s).whole)
        yield Found(what, s, None, (repair,))


def _far_hold(s: Part, from_lower: bool, at: int) -> InsertPart:
    hold = Part(
        id=f"{s.id}-whole",
        role="integrate",
        region="scalp" if from_lower else "foot",
        side="mid" if from_lower else "both",
        position=s.position,
        window="none",
        medium="clothed",
        steps=(Step(stroke="resting_hold", slot="settle", tool="palms", depth=1, passes=3),),
    )
    return InsertPart(at=at, part=hold)


def _long_back(c: Catalogue, integrated: bool) -> Flow:
    back = part(c, "back", times=20)
    made = flow(c, back)
    if not integrated:
        return made
    return made.model_copy(
        update={"parts": (*made.parts[:2], _far_hold(back, False, 2).part, *made.parts[2:])}
    )


CHECK = Check(
    code="BAL03",
    name="nothing makes it whole",
    severity="advice",
    summary="After over 15 min in one place comes a hold at the far end, or work elsewhere.",
    rationale="Long work in one place gathers all attention there; a still hand far away gives the whole body back.",
    bad=lambda c: _long_back(c, integrated=False),
    good=lambda c: _long_back(c, integrated=True),
    check=check,
)
