"""HLT05: heat where it must not be."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, Strokes, flow, stop
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.brief import ClientFacts


def check(case: Case) -> Iterator[Found]:
    """Strokes that bring heat, for a client who must have none."""
    if case.restrictions.heat:
        return
    for s in case.worked():
        for i, x in enumerate(s.steps):
            if case.stroke(x).heat:
                what = f"{case.stroke(x).name} on the {case.place(s)}: no heat for this client."
                yield Found(what, s, i, leave_out(case, s, i))


WITH_TOWEL: Strokes = (*ARC[:4], ("hot_towel_press", "settle", 1), ARC[4])

CHECK = Check(
    code="HLT05",
    name="no heat",
    severity="stop",
    summary="No heat where feeling is lost, in pregnancy, or while tissue is being treated.",
    rationale="A burn is not felt in time where feeling is weak, and heat is not for the belly of a pregnancy.",
    bad=lambda c: flow(c, stop(c, "back", strokes=WITH_TOWEL)),
    good=lambda c: flow(c, stop(c, "back")),
    client=ClientFacts(conditions=frozenset({"numb_area"})),
    check=check,
)
