"""CAU08: the head moved without a hand that holds it."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, part, step
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Steps that move the head off the table, in a position in which nobody can hold it, or with no hand that does."""
    for s, i, x, stroke in case.all_steps():
        if s.region not in stroke.lifts_head:
            continue
        position = case.catalogue.positions[s.position]
        if not position.face_up:
            what = say("findings.head_not_face_up", stroke=stroke.name, position=position.name)
            yield Found(what, s, i, leave_out(case, s, i))
        elif not x.support:
            edits = (ChangeStep(part_id=s.id, step=i, support=True),)
            repair = Repair(words=say("repairs.hold_head"), edits=edits)
            yield Found(say("findings.head_not_held", stroke=stroke.name), s, i, (repair,))


def _pull(c: Catalogue, held: bool) -> Flow:
    neck = part(c, "neck", strokes=ARC, position="supine")
    pull = step(c, "traction", "mobilise", 2).model_copy(update={"wipe": True, "support": held})
    return flow(c, neck.model_copy(update={"steps": (*neck.steps[:3], pull, *neck.steps[3:])}))


CHECK = Check(
    code="CAU08",
    name="head not held",
    severity="refuse",
    summary="The neck is pulled or stretched face up only, and one hand holds the head all the while.",
    rationale="A head that leaves the table weighs on the neck until a hand takes the weight.",
    bad=lambda c: _pull(c, held=False),
    good=lambda c: _pull(c, held=True),
    check=check,
)
