"""CAU06: pressure behind the knee."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part, step
from mellow_tide.core.checks.repairs import leave_out, work_at
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say

PLACE = "back_of_knee"


def check(case: Case) -> Iterator[Found]:
    """Steps behind the knee deeper than the house's school allows."""
    place = case.catalogue.places[PLACE]
    for s, i, x, stroke in case.all_steps():
        if x.zone in place.zones.get(s.region, ()) and x.depth > place.most_depth:
            what = say("findings.behind_knee", stroke=stroke.name, depth=x.depth, most=place.most_depth)
            yield Found(what, s, i, work_at(case, s, i, place.most_depth) or leave_out(case, s, i))


def _circles(c: Catalogue, zone: str) -> Flow:
    circles = step(c, "circular_friction", "specific", 2).model_copy(update={"zone": zone})
    calf = part(c, "lower_leg_back", "right", ARC)
    return flow(c, calf.model_copy(update={"steps": (*calf.steps[:3], circles, *calf.steps[3:])}))


CHECK = Check(
    code="CAU06",
    name="behind the knee",
    severity="refuse",
    summary="Behind the knee hands pass over lightly.",
    rationale="Vessels and a nerve lie there without cover. Schools differ: some avoid it, some circle lightly for "
    "drainage.",
    bad=lambda c: _circles(c, PLACE),
    good=lambda c: _circles(c, "calf"),
    check=check,
)
