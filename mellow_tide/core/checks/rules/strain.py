"""HND03: a session that strains the hand."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import back_with, flow, part, step
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.hands.strain import HAZARDOUS
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """A composite strain index above 10 that no single stroke explains."""
    load = case.load
    if load.hazardous and not load.straining:
        hardest = case.catalogue.strokes[load.hardest].name if load.hardest else "the work"
        yield Found(say("findings.strain", index=load.strain, most=HAZARDOUS, stroke=hardest))


def _all_thumbs(c: Catalogue) -> Flow:
    """Strong work of many kinds, all of it with thumbs: none is too much alone."""
    hard = (
        ("circular_friction", "thumb", 4),
        ("stripping", "reinforced_thumb", 5),
        ("cross_fibre_friction", "thumb", 5),
    )
    steps = [
        step(c, stroke, "specific", depth, 3).model_copy(update={"tool": tool})
        for stroke, tool, depth in hard
    ]
    return back_with(c, *steps, *steps)


CHECK = Check(
    code="HND03",
    name="straining session",
    severity="caution",
    summary="The composite strain index of a session stays at or below 10.",
    rationale="Force, repetition and bent wrists add up over a session (revised strain index, 2017).",
    bad=_all_thumbs,
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
