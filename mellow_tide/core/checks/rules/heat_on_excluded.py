"""CAU07: heat where a place is to be kept away from."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.brief import ClientFacts, Excluded
from mellow_tide.core.phrases.book import say

TOWEL: ExampleStrokes = (*ARC[:4], ("hot_towel_press", "settle", 1), ARC[4])


def check(case: Case) -> Iterator[Found]:
    """Heat on a region in which some zone is excluded: a towel covers more than the hand means it to."""
    for s, i, _, stroke in case.all_steps():
        if not stroke.heat:
            continue
        for x in case.restrictions.excluded:
            if x.zone is not None and x.holds(s.region, s.side):
                zone = case.region(s).name_zone(x.zone)
                what = say("findings.heat_on_excluded", stroke=stroke.name, place=case.place(s), zone=zone)
                yield Found(what, s, i, leave_out(case, s, i))


CHECK = Check(
    code="CAU07",
    name="heat near a place to leave alone",
    severity="refuse",
    summary="No hot towel on a region with skin that is broken, inflamed, numb or otherwise to be left alone.",
    rationale="A towel lies over the whole region, and heat makes what is inflamed or broken worse.",
    bad=lambda c: flow(c, part(c, "back", strokes=TOWEL)),
    good=lambda c: flow(c, part(c, "back")),
    client=ClientFacts(excluded=(Excluded(region="back", zone="mid_back", because="sunburn"),)),
    check=check,
)
