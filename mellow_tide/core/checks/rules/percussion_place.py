"""CAU02: percussion where there must be none."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Percussion on a region or a zone that bears none."""
    for s in case.flow.parts:
        for i, x in enumerate(s.steps):
            if case.stroke(x).family != "percussion":
                continue
            zones = [p.name for p in case.catalogue.places.values() if x.zone in p.zones.get(s.region, ())]
            region = case.region(s)
            # A light tap that names its place, as on the forehead, is meant for it.
            bears = region.percussion or x.zone in case.stroke(x).zones.get(s.region, ())
            where = zones[0] if zones else None if bears else f"the {region.whole}"
            if where:
                yield Found(
                    say("findings.percussion_place", stroke=case.stroke(x).name, where=where),
                    s,
                    i,
                    leave_out(case, s, i),
                )


def _hacking(zone: str, c: Catalogue) -> Flow:
    return back_with(c, step(c, "hacking", "rouse", 2).model_copy(update={"zone": zone}))


CHECK = Check(
    code="CAU02",
    name="percussion on a forbidden place",
    severity="refuse",
    summary="No percussion on spine, kidneys, abdomen, back of the knee or bone.",
    rationale="Percussion carries into what lies beneath: kidneys, vessels, thin bone.",
    bad=lambda c: _hacking("ribs", c),
    good=lambda c: _hacking("upper_back", c),
    check=check,
)
