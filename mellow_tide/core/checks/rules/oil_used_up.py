"""SUP02: the point for more oil is missed."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.flow.edits import ChangeStep, InsertStep
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.run_sheet import Entry

DRY_AFTER = 480
"""Seconds of work in a region after which the oil is used up (common practice: 6 to 8 minutes)."""


def check(case: Case) -> Iterator[Found]:
    """Steps during which the oil has been worked for over 8 min, since there was no break in which to take more."""
    since: dict[str, int] = {}
    for e in case.sheet.entries:
        if e.kind == "oil":
            since[e.part_id] = 0
        elif e.kind == "stroke" and e.part_id in since and e.step is not None:
            before = since[e.part_id]
            since[e.part_id] = before + e.seconds
            if before <= DRY_AFTER < since[e.part_id] and e.slot != "settle":
                s = case.flow.parts[e.part]
                what = say("findings.oil_used_up", place=case.place(s), seconds=since[e.part_id])
                yield Found(what, s, e.step, _in_two(case, s, e, before))


def _in_two(case: Case, s: Part, e: Entry, before: int) -> tuple[Repair, ...]:
    """The step in two, parted where more oil is due; nothing where no whole pass can be parted off."""
    step = e.step or 0
    whole = s.steps[step]
    due = case.catalogue.clock.oil_lasts - before
    first = -(-due * whole.passes // e.seconds)
    if whole.seconds is not None or not 0 < first < whole.passes:
        return ()
    second = whole.model_copy(update={"passes": whole.passes - first, "check_in": False})
    edits = (
        ChangeStep(part_id=s.id, step=step, passes=first),
        InsertStep(part_id=s.id, at=step + 1, step=second),
    )
    return (Repair(words=say("repairs.take_more_oil"), edits=edits),)


CHECK = Check(
    code="SUP02",
    name="oil used up",
    severity="advice",
    summary="More oil is taken after 6 to 8 minutes of work in a region.",
    rationale="Skin drinks the oil; a stroke that begins well ends dragging.",
    bad=lambda c: back_with(c, step(c, "kneading", "knead", 3, 12)),
    good=lambda c: back_with(c, step(c, "kneading", "knead", 3, 5)),
    check=check,
)
