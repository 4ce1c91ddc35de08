"""HND02: strong work with a tool that loads the hand more than it must."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, back_with, flow, part, step
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.hands.load import THUMBS, find_easier_tool
from mellow_tide.core.phrases.book import say

STRONG = 4
THUMBS_WISHED = 0.1
"""The share of stroke time that thumbs may have (common practice: 4 to 10 %)."""


def check(case: Case) -> Iterator[Found]:
    """Steps at depth 4 or 5 for which the stroke allows an easier tool; a few minutes of thumbs are no such thing."""
    spared = THUMBS if case.load.thumb_share <= THUMBS_WISHED else frozenset()
    for s in case.worked():
        for i, x in enumerate(s.steps):
            tool = find_easier_tool(case.stroke(x), x.tool, case.catalogue) if x.depth >= STRONG else None
            if tool is None or x.tool in spared:
                continue
            names = case.catalogue.tools
            edits = (ChangeStep(part_id=s.id, step=i, tool=tool),)
            repair = Repair(words=say("repairs.use", tool=names[tool].name), edits=edits)
            what = say(
                "findings.heavier_tool",
                stroke=case.stroke(x).name,
                place=case.place(s),
                depth=x.depth,
                tool=names[x.tool].name,
                easier=names[tool].name,
            )
            yield Found(what, s, i, (repair,))


def _with_thumb(c: Catalogue) -> Flow:
    return back_with(c, step(c, "stripping", "specific", 4).model_copy(update={"tool": "reinforced_thumb"}))


CHECK = Check(
    code="HND02",
    name="heavier tool than needed",
    severity="advice",
    summary="Strong strokes use the easiest tool they allow.",
    rationale="The same depth through a forearm or a fist costs the hand a fraction of what a thumb pays.",
    bad=_with_thumb,
    good=lambda c: flow(c, part(c, "back", strokes=(*ARC[:3], ("stripping", "specific", 4), *ARC[3:]))),
    check=check,
)
