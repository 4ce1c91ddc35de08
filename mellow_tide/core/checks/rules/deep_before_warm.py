"""ORD03: strong or deep work before two units of warming."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.checks.repairs import work_at
from mellow_tide.core.phrases.book import say

STRONG = 4
UNITS = 2
WARMING = ("dry", "warm", "knead")


def check(case: Case) -> Iterator[Found]:
    """Steps at depth 4 or 5 with fewer than two dry, warming or kneading steps up to depth 3 before them."""
    for at, s in enumerate(case.flow.parts):
        if s.role != "work":
            continue
        # A long stroke warms all that it runs over; a limb that is warm by half is not cold.
        warmed = sum(x.slot in WARMING and x.depth < STRONG for x in case.earlier_in_passage(at))
        for i, x in enumerate(s.steps):
            if x.depth >= STRONG and warmed < UNITS:
                what = say(
                    "findings.deep_before_warm",
                    stroke=case.stroke(x).name,
                    depth=x.depth,
                    place=case.place(s),
                )
                yield Found(what, s, i, work_at(case, s, i, STRONG - 1))
            elif x.slot in WARMING:
                warmed += 1


CHECK = Check(
    code="ORD03",
    name="deep before warm",
    severity="caution",
    summary="Two warming strokes up to depth 3 come before anything at depth 4 or 5.",
    rationale="Cold tissue guards itself against depth; warmed, it lets the same depth in without force.",
    bad=lambda c: flow(c, part(c, "back", strokes=(ARC[0], ("reinforced_stroking", "warm", 4), *ARC[1:]))),
    good=lambda c: flow(c, part(c, "back", strokes=(*ARC[:3], ("knuckling", "specific", 4), *ARC[3:]))),
    check=check,
)
