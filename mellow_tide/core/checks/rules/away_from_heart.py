"""CAU03: deep strokes away from the heart on limbs."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import work_at
from mellow_tide.core.phrases.book import say

LIGHT = 2


def check(case: Case) -> Iterator[Found]:
    """Strokes that run outward on a limb deeper than 2."""
    for s in case.worked():
        for i, x in enumerate(s.steps):
            stroke = case.stroke(x)
            if case.region(s).limb and case.direction(x) == "away" and x.depth > LIGHT:
                what = say("findings.away_from_heart", stroke=stroke.name, place=case.place(s), depth=x.depth)
                yield Found(what, s, i, work_at(case, s, i, LIGHT))


def _foot(depth: int) -> ExampleStrokes:
    return (*ARC[:2], ("toe_work", "mobilise", depth), ARC[4])


CHECK = Check(
    code="CAU03",
    name="deep away from the heart",
    severity="caution",
    summary="On limbs, pressure goes toward the heart; strokes that run outward are light.",
    rationale="The valves in the veins of a limb open toward the heart only.",
    bad=lambda c: flow(c, part(c, "foot", "right", _foot(3))),
    good=lambda c: flow(c, part(c, "foot", "right", _foot(2))),
    check=check,
)
