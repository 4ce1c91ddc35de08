"""HND08: one stroke that strains the hand by itself."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import back_with, flow, part, step
from mellow_tide.core.flow.edits import ChangeStep, Edit
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.hands.load import find_easier_tool
from mellow_tide.core.hands.strain import HAZARDOUS
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Strokes whose own strain index, at one tool and depth over the whole session, is above 10."""
    for hard in case.load.straining:
        stroke, tool = case.catalogue.strokes[hard.stroke], case.catalogue.tools[hard.tool]
        places = [
            (s, i)
            for s, i, x, _ in case.steps()
            if (x.stroke, x.tool, x.depth) == (hard.stroke, hard.tool, hard.depth)
        ]
        easier = find_easier_tool(stroke, hard.tool, case.catalogue)
        edits: tuple[Edit, ...] = tuple(ChangeStep(part_id=s.id, step=i, tool=easier) for s, i in places)
        repair = (
            (Repair(words=say("repairs.use", tool=case.catalogue.tools[easier].name), edits=edits),)
            if easier and edits
            else ()
        )
        what = say(
            "findings.hard_stroke",
            stroke=stroke.name,
            tool=tool.name,
            depth=hard.depth,
            index=hard.index,
            most=HAZARDOUS,
        )
        s, i = places[0] if places else (None, None)
        yield Found(what, s, i, repair)


def _all_thumb(c: Catalogue) -> Flow:
    hard = step(c, "stripping", "specific", 5, 3).model_copy(update={"tool": "reinforced_thumb"})
    return back_with(c, *(hard,) * 20)


CHECK = Check(
    code="HND08",
    name="straining stroke",
    severity="caution",
    summary="No stroke, at one depth with one tool, has a strain index above 10 by itself.",
    rationale="Force, how often, how long and how bent: above 10 a task is hazardous (revised strain index, 2017).",
    bad=_all_thumb,
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
