"""HLT04: deeper than a condition allows."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, stop
from mellow_tide.core.checks.repairs import leave_out, work_at
from mellow_tide.core.flow.brief import ClientFacts

LIGHT = (*ARC[:2], ("kneading", "knead", 2), *ARC[3:])


def check(case: Case) -> Iterator[Found]:
    """Steps deeper than the cap of their region."""
    for s in case.worked():
        cap = case.restrictions.cap(s.region)
        for i, x in enumerate(s.steps):
            if x.depth <= cap:
                continue
            why = case.restrictions.why_capped(s.region)
            what = (
                f"{case.stroke(x).name} at depth {x.depth} on the {case.place(s)}: {cap} is the most ({why})."
            )
            yield Found(what, s, i, work_at(case, s, i, cap) or leave_out(case, s, i))


CHECK = Check(
    code="HLT04",
    name="deeper than health allows",
    severity="stop",
    summary="No stroke is deeper than the client's conditions allow on its region.",
    rationale="Vessels, bones and skin that are weaker than usual do not say so in time.",
    bad=lambda c: flow(c, stop(c, "back")),
    good=lambda c: flow(c, stop(c, "back", strokes=LIGHT)),
    client=ClientFacts(conditions=frozenset({"anticoagulants"})),
    check=check,
)
