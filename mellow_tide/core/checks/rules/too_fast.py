"""PRS03: a pass faster than its depth allows."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.step_seconds import glide_cm

FASTEST = {1: 12.0, 2: 12.0, 3: 10.0, 4: 7.0, 5: 4.5}
"""Highest speed of a glide in cm/s by depth, about half as fast again as the usual one (from experience)."""


def check(case: Case) -> Iterator[Found]:
    """Glides whose seconds make them faster than their depth bears, by hand or by the therapist's own pace."""
    for e in case.sheet.entries:
        if e.stroke is None or e.step is None or e.role != "work":
            continue
        stroke = case.catalogue.strokes[e.stroke]
        if stroke.passing.kind != "glide":
            continue
        way = 2 * glide_cm(case.catalogue.regions[e.region], case.setting.tempo) * (e.passes or 1)
        fastest = FASTEST[e.depth or 1]
        if way <= fastest * e.seconds * 1.02:
            continue
        s = case.flow.parts[e.part]
        edits = (ChangeStep(part_id=s.id, step=e.step, seconds=round(way / fastest) + 1),)
        over = max(1, round(100 * (way / e.seconds / fastest - 1)))
        what = say(
            "findings.too_fast",
            stroke=stroke.name,
            place=case.place(s),
            over=over,
            depth=e.depth,
        )
        yield Found(what, s, e.step, (Repair(words=say("repairs.take_time_needs"), edits=edits),))


def _stripping(seconds: int, c: Catalogue) -> Flow:
    hurried = step(c, "forearm_glide", "specific", 4, 2).model_copy(update={"seconds": seconds})
    return back_with(c, hurried)


CHECK = Check(
    code="PRS03",
    name="too fast for its depth",
    severity="caution",
    summary="The deeper a glide, the slower it runs.",
    rationale="Tissue gives way to slow weight and guards itself against fast weight.",
    bad=lambda c: _stripping(15, c),
    good=lambda c: _stripping(45, c),
    check=check,
)
