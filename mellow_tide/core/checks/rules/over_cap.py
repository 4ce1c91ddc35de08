"""HLT04: deeper than a condition allows."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.checks.repairs import deeper_than
from mellow_tide.core.flow.brief import ClientFacts

LIGHT = (*ARC[:2], ("kneading", "knead", 2), *ARC[3:])


def check(case: Case) -> Iterator[Found]:
    """Steps deeper than the cap of their region, where it is not the pregnancy that caps it."""
    for s in case.flow.parts:
        cap = case.restrictions.capped(s.region)
        if cap and not cap.in_pregnancy:
            yield from deeper_than(case, s, cap)


CHECK = Check(
    code="HLT04",
    name="deeper than health allows",
    severity="refuse",
    summary="No stroke is deeper than the client's conditions allow on its region.",
    rationale="Vessels, bones and skin that are weaker than usual do not say so in time.",
    bad=lambda c: flow(c, part(c, "back")),
    good=lambda c: flow(c, part(c, "back", strokes=LIGHT)),
    client=ClientFacts(conditions=frozenset({"anticoagulants"})),
    check=check,
)
