"""HND09: a stroke from where it cannot well be done."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.scene import find_places


def check(case: Case) -> Iterator[Found]:
    """Steps that the therapist wants to do from elsewhere than their stroke can be done on somebody who lies."""
    for s, i, x, stroke in case.all_steps():
        only = stroke.stand.get(s.region)
        if x.stand is None or only is None or not case.catalogue.positions[s.position].flat:
            continue
        if not set(find_places((x.stand,), s.side)) <= set(find_places(only, s.side)):
            what = say("findings.stands_wrong", stroke=stroke.name, place=case.place(s))
            edits = (ChangeStep(part_id=s.id, step=i, clear=("stand",)),)
            yield Found(what, s, i, (Repair(words=say("repairs.stand_as_usual"), edits=edits),))


def _kneaded(c: Catalogue, at_head: bool) -> Flow:
    back = part(c, "back")
    steps = tuple(
        step.model_copy(update={"stand": "head"}) if at_head and step.stroke == "kneading" else step
        for step in back.steps
    )
    return flow(c, back.model_copy(update={"steps": steps}))


CHECK = Check(
    code="HND09",
    name="wrong place to stand",
    severity="advice",
    summary="What crosses the back is done from its side, a pull on the leg from the foot of the table.",
    rationale="From elsewhere the arms reach and twist, and the stroke loses its weight.",
    bad=lambda c: _kneaded(c, at_head=True),
    good=lambda c: _kneaded(c, at_head=False),
    check=check,
)
