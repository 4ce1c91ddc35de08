"""Repairs that many checks offer, and the one finding that two of them share."""

from collections.abc import Iterator

from mellow_tide.core.care.restrictions import Cap
from mellow_tide.core.checks.check import Case, Found, Repair
from mellow_tide.core.flow.edits import ChangePart, ChangeStep, RemovePart, RemoveStep
from mellow_tide.core.flow.flow import Part, WaySkip
from mellow_tide.core.phrases.book import say

Repairs = tuple[Repair, ...]


def leave_out(case: Case, part: Part, step: int) -> Repairs:
    """Take a step away; nothing where it is the only one of its part."""
    if len(part.steps) == 1:
        return ()
    name = case.stroke(part.steps[step]).name
    return (
        Repair(words=say("repairs.leave_out", what=name), edits=(RemoveStep(part_id=part.id, step=step),)),
    )


def deeper_than(case: Case, part: Part, cap: Cap) -> Iterator[Found]:
    """A finding for each step of `part` that is deeper than `cap` allows."""
    for i, x in enumerate(part.steps):
        if x.depth > cap.depth:
            what = say(
                "findings.over_cap",
                stroke=case.stroke(x).name,
                depth=x.depth,
                place=case.place(part),
                most=cap.depth,
                because=cap.because,
            )
            yield Found(what, part, i, work_at(case, part, i, cap.depth) or leave_out(case, part, i))


def part_skipping(words: str, part: Part, skip: WaySkip) -> Repairs:
    """Do again what the way to `part` leaves out."""
    skips = tuple(x for x in part.skips if x != skip)
    return (Repair(words=words, edits=(ChangePart(part_id=part.id, skips=skips),)),)


def leave_part_out(case: Case, part: Part) -> Repairs:
    """Take a part away."""
    words = say("repairs.leave_out", what=case.place(part))
    return (Repair(words=words, edits=(RemovePart(part_id=part.id),)),)


def work_at(case: Case, part: Part, step: int, depth: int) -> Repairs:
    """Work a step at `depth` (1 to 5); nothing where its stroke is never so light."""
    if case.stroke(part.steps[step]).depth[0] > depth:
        return ()
    return (
        Repair(
            words=say("repairs.work_at_depth", depth=depth),
            edits=(ChangeStep(part_id=part.id, step=step, depth=depth),),
        ),
    )
