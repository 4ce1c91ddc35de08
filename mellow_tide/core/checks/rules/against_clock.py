"""CAU04: the abdomen worked against the clock."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say

RIGHT_WAY = ("clockwise", "still", "toward_heart")


def check(case: Case) -> Iterator[Found]:
    """Strokes on the abdomen that run neither clockwise nor still; spreading the oil may run upward."""
    for s in case.worked():
        if s.region != "abdomen":
            continue
        for i, x in enumerate(s.steps):
            if case.direction(x) not in RIGHT_WAY:
                what = say("findings.against_clock", stroke=case.stroke(x).name)
                yield Found(what, s, i, _with_the_clock(s, i) if x.direction else leave_out(case, s, i))


def _with_the_clock(s: Part, step: int) -> tuple[Repair, ...]:
    edits = (ChangeStep(part_id=s.id, step=step, direction="clockwise"),)
    return (Repair(words=say("repairs.follow_clock"), edits=edits),)


SPREAD: ExampleStrokes = (("oil_spread", "spread", 1), ("abdominal_circle", "warm", 2))
END: ExampleStrokes = (("abdominal_circle", "settle", 1),)

CHECK = Check(
    code="CAU04",
    name="against the clock",
    severity="caution",
    summary="The abdomen is worked clockwise, as seen by someone looking at it, or with still hands.",
    rationale="The bowel runs up the client's right, across, and down the left; against it is only discomfort.",
    bad=lambda c: flow(
        c, part(c, "abdomen", position="supine", strokes=(*SPREAD, ("kneading", "knead", 2), *END))
    ),
    good=lambda c: flow(c, part(c, "abdomen", position="supine", strokes=(*SPREAD, *END))),
    check=check,
)
