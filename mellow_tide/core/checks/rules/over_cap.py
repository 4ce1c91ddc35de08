"""HLT04: deeper than a condition allows."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, stop
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.edits import ChangeStep, RemoveStep

LIGHT = (*ARC[:2], ("kneading", "knead", 2), *ARC[3:])


def check(case: Case) -> Iterator[Found]:
    """Steps deeper than the cap of their region."""
    for s in case.worked():
        cap = case.restrictions.cap(s.region)
        for i, x in enumerate(s.steps):
            if x.depth <= cap:
                continue
            stroke = case.stroke(x)
            if stroke.depth[0] <= cap:
                repair = Repair(
                    words=f"Work it at depth {cap}", edits=(ChangeStep(stop_id=s.id, step=i, depth=cap),)
                )
            else:
                repair = Repair(
                    words=f"Leave the {stroke.name} out", edits=(RemoveStep(stop_id=s.id, step=i),)
                )
            why = case.restrictions.why_capped(s.region)
            repairs = (repair,) if len(s.steps) > 1 else ()
            yield Found(
                f"{stroke.name} at depth {x.depth} on the {case.place(s)}: {cap} is the most ({why}).",
                s,
                i,
                repairs,
            )


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
