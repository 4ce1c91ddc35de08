"""DRP04: the abdomen without a chest cover."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import part_skipping
from mellow_tide.core.phrases.book import say

ROUND: ExampleStrokes = (
    ("oil_spread", "spread", 1),
    ("abdominal_circle", "warm", 2),
    ("abdominal_circle", "settle", 1),
)


def check(case: Case) -> Iterator[Found]:
    """Parts that open the window of the abdomen without the chest-cover towel."""
    for s in case.worked():
        if s.window == "abdomen" and "chest_cover" in s.skips:
            what = say("findings.no_chest_cover")
            yield Found(what, s, None, part_skipping(say("repairs.lay_chest_cover_first"), s, "chest_cover"))


CHECK = Check(
    code="DRP04",
    name="no chest cover",
    severity="refuse",
    summary="Before the abdomen is uncovered a folded towel covers the chest, whoever the client is.",
    rationale="The sheet that slides down would otherwise uncover both.",
    bad=lambda c: flow(
        c, part(c, "abdomen", position="supine", strokes=ROUND).model_copy(update={"skips": ("chest_cover",)})
    ),
    good=lambda c: flow(c, part(c, "abdomen", position="supine", strokes=ROUND)),
    check=check,
)
