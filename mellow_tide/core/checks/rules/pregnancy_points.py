"""PRG04: pressure on a place that tradition leaves alone in pregnancy."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part, step
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say

PRESSES = frozenset({"point", "friction"})
DEEP = 3


def check(case: Case) -> Iterator[Found]:
    """Holds and friction on a listed point, and anything there at depth 3 or more, unless the house disregards them."""
    if case.client.gestation_days is None or case.chosen("prenatal_points") == "disregard":
        return
    for s, i, x, stroke in case.all_steps():
        if stroke.family not in PRESSES and x.depth < DEEP:
            continue
        for point in case.catalogue.prenatal_points.values():
            if x.zone in point.zones.get(s.region, ()):
                what = say("findings.pregnancy_points", stroke=stroke.name, point=point.name)
                yield Found(what, s, i, leave_out(case, s, i))


def _neck_and(c: Catalogue, zone: str) -> Flow:
    kneading = step(c, "kneading", "knead", 3).model_copy(update={"zone": zone})
    shoulder = part(c, "shoulders", "right", position="side_left")
    return flow(
        c, shoulder.model_copy(update={"steps": (*shoulder.steps[:2], kneading, *shoulder.steps[3:])})
    )


CHECK = Check(
    code="PRG04",
    name="point to avoid in pregnancy",
    severity="caution",
    summary="Inner ankle, web of the hand and top of the shoulder get no points, no friction, nothing firm.",
    rationale="By tradition they are said to stir labour. Schools differ: some avoid them, some disregard the list.",
    bad=lambda c: _neck_and(c, "upper_trapezius"),
    good=lambda c: _neck_and(c, "deltoid_top"),
    client=ClientFacts(gestation_days=170),
    check=check,
)
