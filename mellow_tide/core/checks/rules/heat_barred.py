"""HLT05: heat where it must not be."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Strokes that bring heat, for a client who must have none."""
    for s, i, _, stroke in case.all_steps():
        barred = (
            [x for x in case.restrictions.avoid_heat(s.region) if not x.in_pregnancy] if stroke.heat else []
        )
        if barred:
            why = barred[0].because
            what = say("findings.heat_barred", stroke=stroke.name, place=case.place(s), because=why)
            yield Found(what, s, i, leave_out(case, s, i))


WITH_TOWEL: ExampleStrokes = (*ARC[:4], ("hot_towel_press", "settle", 1), ARC[4])

CHECK = Check(
    code="HLT05",
    name="no heat",
    severity="refuse",
    summary="No heat where feeling is lost, or while tissue is being treated.",
    rationale="A burn is not felt in time where feeling is weak.",
    bad=lambda c: flow(c, part(c, "back", strokes=WITH_TOWEL)),
    good=lambda c: flow(c, part(c, "back")),
    client=ClientFacts(conditions=frozenset({"numb_area"})),
    check=check,
)
