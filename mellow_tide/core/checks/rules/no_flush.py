"""ORD04: no flush after points or friction."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.flow.edits import InsertStep
from mellow_tide.core.flow.flow import Step
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Lubricated parts whose last friction or point has nothing that clears after it, there or later in the passage."""
    for at, s in enumerate(case.flow.parts):
        if s.role != "work" or s.medium != "lubricated":
            continue
        specific = [i for i, x in enumerate(s.steps) if x.slot == "specific" and case.stroke(x).local]
        if not specific:
            continue
        last = specific[-1]
        if any(x.slot == "flush" or case.stroke(x).clears for x in s.steps[last + 1 :]):
            continue
        if any(s.region in x.over and case.stroke(x).clears for x in case.later_in_passage(at)):
            continue
        settle = next((i for i, x in enumerate(s.steps) if i > last and x.slot == "settle"), len(s.steps))
        stroke = Step(stroke="effleurage", slot="flush", tool="palms", depth=2, passes=2)
        repair = Repair(
            words=say("repairs.add_flush"),
            edits=(InsertStep(part_id=s.id, at=settle, step=stroke),),
        )
        name = case.stroke(s.steps[last]).name
        yield Found(say("findings.no_flush", place=case.place(s), stroke=name), s, last, (repair,))


CHECK = Check(
    code="ORD04",
    name="no flush after specific work",
    severity="caution",
    summary="Strokes toward the heart follow points and friction.",
    rationale="Small, local work may leave a place tender; broad strokes toward the heart soothe it.",
    bad=lambda c: flow(
        c,
        part(
            c, "back", strokes=(*ARC[:3], ("circular_friction", "specific", 3), ("resting_hold", "settle", 1))
        ),
    ),
    good=lambda c: flow(
        c, part(c, "back", strokes=(*ARC[:3], ("circular_friction", "specific", 3), *ARC[3:]))
    ),
    check=check,
)
