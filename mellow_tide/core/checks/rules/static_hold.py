"""HND07: a hold longer than a hand can carry."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.hands.load import find_hold_limit
from mellow_tide.core.phrases.book import say

SAFE = 0.5
"""Part of the longest possible hold that is still comfortable (from experience)."""


def check(case: Case) -> Iterator[Found]:
    """Still strokes whose one pass lasts over half of what the tool can hold at that depth."""
    for e in case.sheet.entries:
        if e.stroke is None or e.step is None or e.tool is None or e.depth is None:
            continue
        s = case.flow.parts[e.part]
        if case.direction(s.steps[e.step]) != "still":
            continue
        limit = find_hold_limit(e.tool, e.depth, case.catalogue)
        each = e.seconds / (e.passes or 1)
        if limit is None or each <= SAFE * limit:
            continue
        most = int(SAFE * limit)
        edits = (ChangeStep(part_id=s.id, step=e.step, seconds=most * (e.passes or 1)),)
        name = case.catalogue.strokes[e.stroke].name
        what = say("findings.static_hold", seconds=round(each), stroke=name, depth=e.depth)
        yield Found(what, s, e.step, (Repair(words=say("repairs.hold_for", seconds=most), edits=edits),))


CHECK = Check(
    code="HND07",
    name="hold too long for the hand",
    severity="caution",
    summary="A still press lasts at most half as long as the hand could hold it.",
    rationale="A muscle that holds still gets no blood; how long it can is known (Rohmert 1960).",
    bad=lambda c: back_with(
        c, step(c, "point_hold", "specific", 5, 1).model_copy(update={"tool": "thumb", "seconds": 60})
    ),
    good=lambda c: back_with(c, step(c, "point_hold", "specific", 5, 1)),
    check=check,
)
