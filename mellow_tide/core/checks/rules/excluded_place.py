"""HLT07: work on a place the client asked to keep away from."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, both, flow
from mellow_tide.core.checks.repairs import leave_out, leave_part_out
from mellow_tide.core.flow.brief import ClientFacts, Excluded
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Parts on an excluded side of a region, and steps on an excluded zone."""
    if not case.restrictions.excluded:
        return
    for s in case.flow.parts:
        whole = case.restrictions.kept_off(s.region, s.side)
        if whole:
            what = say("findings.excluded_part", place=case.place(s), why=whole.because)
            yield Found(what, s, None, leave_part_out(case, s))
            continue
        zones = {x.zone: x for x in case.restrictions.excluded if x.holds(s.region, s.side)}
        for i, x in enumerate(s.steps):
            if x.zone in zones:
                zone = case.region(s).name_zone(x.zone or "")
                stroke, why = case.stroke(x).name, zones[x.zone].because
                what = say("findings.excluded_zone", stroke=stroke, zone=zone, place=case.place(s), why=why)
                yield Found(what, s, i, leave_out(case, s, i))


WITH_TOES: ExampleStrokes = (
    ("oil_spread", "spread", 1),
    ("foot_circles", "warm", 2),
    ("thumb_criss_cross", "knead", 2),
    ("toe_work", "mobilise", 2),
    ("effleurage", "settle", 1),
)


def _feet(c: Catalogue) -> Flow:
    right, left = both(c, "foot", WITH_TOES, "supine")
    toes = left.steps[3].model_copy(update={"zone": "toes"})
    left = left.model_copy(update={"steps": (*left.steps[:3], toes, *left.steps[4:])})
    return flow(c, right, left)


CHECK = Check(
    code="HLT07",
    name="place to leave alone",
    severity="refuse",
    summary="No work on a place that the client, or a plaster, a bruise or a sunburn, keeps hands away from.",
    rationale="What was asked for on the day goes before any plan.",
    bad=_feet,
    good=_feet,
    client=ClientFacts(
        excluded=(Excluded(region="foot", side="left", zone="toes", because="a plaster on the big toe"),)
    ),
    check=check,
)
