"""ORD01: dry work after lubricant."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.flow.edits import MoveStep
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.oiling import wants_oil


def check(case: Case) -> Iterator[Found]:
    """Steps that need dry skin, after the first one that brings oil, unless the house works with almost none."""
    for s in case.worked():
        oiled_at = next((i for i, x in enumerate(s.steps) if wants_oil(case.stroke(x), x.slot)), None)
        almost_dry = case.chosen("dry_work") == "almost_dry" and s.oil == "little"
        if oiled_at is None or s.medium != "lubricated" or almost_dry:
            continue
        for i, x in enumerate(s.steps):
            if i > oiled_at and case.stroke(x).medium == ("dry",):
                name = case.stroke(x).name
                repair = Repair(
                    words=say("repairs.move_before_oil", stroke=name),
                    edits=(MoveStep(part_id=s.id, step=i, to=oiled_at),),
                )
                yield Found(say("findings.dry_after_oil", stroke=name, place=case.place(s)), s, i, (repair,))


CHECK = Check(
    code="ORD01",
    name="dry work after oil",
    severity="caution",
    summary="Strokes that lift or hold dry skin come before any oil on the region.",
    rationale="Oiled skin slips out of the fingers: rolling and slow skin stretches no longer work. Schools differ: "
    "some work almost dry throughout.",
    bad=lambda c: flow(c, part(c, "back", strokes=(*ARC[:2], ("skin_rolling", "dry", 2), *ARC[2:]))),
    good=lambda c: flow(c, part(c, "back", strokes=(("skin_rolling", "dry", 2), *ARC))),
    check=check,
)
