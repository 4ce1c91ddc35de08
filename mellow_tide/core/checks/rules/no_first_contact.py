"""ORD07: no still first contact."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.edits import InsertStep
from mellow_tide.core.flow.flow import Step
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """A flow whose first step is not a hold."""
    first = case.flow.parts[0]
    if case.stroke(first.steps[0]).family == "hold":
        return
    hold = Step(stroke="resting_hold", slot="open", tool="palms", depth=1, passes=4)
    repair = Repair(
        words=say("repairs.begin_with_still_hold"), edits=(InsertStep(part_id=first.id, at=0, step=hold),)
    )
    yield Found(say("findings.no_first_contact"), first, 0, (repair,))


CHECK = Check(
    code="ORD07",
    name="no still first contact",
    severity="caution",
    summary="The first touch is still, and through the drape.",
    rationale="Still hands tell the body who is there before anything is asked of it.",
    bad=lambda c: flow(c, part(c, "back"), opening=(("rocking", "open", 1),)),
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
