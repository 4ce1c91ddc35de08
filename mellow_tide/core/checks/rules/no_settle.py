"""ORD05: a region that does not settle at its end."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.flow.edits import ChangeStep, InsertStep
from mellow_tide.core.flow.flow import Part, Step
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Parts whose last step is no settling, or is deeper than the step before it."""
    for at, s in enumerate(case.flow.parts):
        if s.role != "work":
            continue
        last = len(s.steps) - 1
        if any(x.slot == "settle" and s.region in x.over for x in case.later_in_passage(at)):
            continue
        if s.steps[last].slot != "settle":
            yield Found(say("findings.no_settle", place=case.place(s)), s, last, _settled(case, s))
        elif last and s.steps[last].depth > s.steps[last - 1].depth:
            edits = (ChangeStep(part_id=s.id, step=last, depth=case.stroke(s.steps[last]).depth[0]),)
            what = say("findings.settling_too_deep", place=case.place(s))
            yield Found(what, s, last, (Repair(words=say("repairs.settle_lighter"), edits=edits),))


def _settled(case: Case, s: Part) -> tuple[Repair, ...]:
    """The repair with the first stroke of the catalogue that settles this region, if there is one."""
    for stroke in case.catalogue.planned_strokes.values():
        if s.region in stroke.regions and "settle" in stroke.slots:
            step = Step(
                stroke=stroke.id,
                slot="settle",
                tool=stroke.tools[0],
                depth=stroke.depth[0],
                passes=stroke.slots["settle"][0],
            )
            edit = InsertStep(part_id=s.id, at=len(s.steps), step=step)
            return (Repair(words=say("repairs.add_settling"), edits=(edit,)),)
    return ()


CHECK = Check(
    code="ORD05",
    name="no settling",
    severity="caution",
    summary="Each region ends with a slower and lighter stroke than what came before.",
    rationale="The last stroke is what the body remembers of a region; leaving abruptly undoes the calm.",
    bad=lambda c: flow(c, part(c, "back", strokes=ARC[:4])),
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
