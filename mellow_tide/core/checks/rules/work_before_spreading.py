"""ORD02: lubricated work before the oil is spread."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.flow.edits import InsertStep, MoveStep
from mellow_tide.core.flow.flow import Step
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.oiling import wants_oil


def check(case: Case) -> Iterator[Found]:
    """The first step that needs oil, where no spreading comes before it."""
    for at, s in enumerate(case.flow.parts):
        if s.role != "work" or s.medium != "lubricated":
            continue
        if any(x.slot == "spread" and s.region in x.over for x in case.earlier_in_passage(at)):
            continue
        needs = next((i for i, x in enumerate(s.steps) if wants_oil(case.stroke(x), x.slot)), None)
        if needs is None or s.steps[needs].slot == "spread":
            continue
        later = next((i for i, x in enumerate(s.steps) if x.slot == "spread"), None)
        if later is not None:
            repair = Repair(
                words=say("repairs.spread_oil_first"), edits=(MoveStep(part_id=s.id, step=later, to=needs),)
            )
        else:
            spread = Step(stroke="oil_spread", slot="spread", tool="palms", depth=1, passes=2)
            repair = Repair(
                words=say("repairs.spread_oil_first"),
                edits=(InsertStep(part_id=s.id, at=needs, step=spread),),
            )
        name = case.stroke(s.steps[needs]).name
        yield Found(
            say("findings.work_before_spreading", stroke=name, place=case.place(s)), s, needs, (repair,)
        )


CHECK = Check(
    code="ORD02",
    name="work before spreading",
    severity="caution",
    summary="Oil is spread before the first stroke that needs it.",
    rationale="Oil spread with the first firm stroke drags the skin and lies unevenly.",
    bad=lambda c: flow(c, part(c, "back", strokes=ARC[1:])),
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
