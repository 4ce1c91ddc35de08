"""From an order and minutes to a flow: strokes along the arc of every part, and a close that makes up the rest."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from mellow_tide.core.flow.flow import Flow, Part, Step, Visit
from mellow_tide.core.planner.arc import Worked, after, fit_arc, worked_as
from mellow_tide.core.planner.asked import Asked
from mellow_tide.core.planner.order import Order
from mellow_tide.core.planner.place import Place, place_at
from mellow_tide.core.planner.question import Question
from mellow_tide.core.planner.refit import NEAR, refit
from mellow_tide.core.planner.rituals import closed, ritual_steps
from mellow_tide.core.timing.run_sheet import TOLERATED, part_seconds

MAKES_GOOD = 5
"""Seconds per side by which a part may make good what those before it missed."""

Present = Mapping[str, tuple[Step, ...]]
"""The steps that regions have now."""


@dataclass(frozen=True)
class Filled:
    """The steps of each region, to be mirrored, and the whole seconds of all their parts together."""

    steps: dict[str, tuple[Step, ...]]
    seconds: int


def filled(
    asked: Asked, question: Question, order: Order, minutes: Mapping[str, int], present: Present
) -> Flow:
    """The flow of `order` in which each region gets its `minutes` (whole seconds per side).

    A region that is there already keeps its strokes as far as the minutes and the client's health let it.
    """
    work = _work(asked, question, order.visits, minutes, present)
    parts = [_part(visit, work.steps, asked) for visit in order.visits]
    taken = order.seconds + work.seconds + part_seconds(parts[-1], asked.catalogue, asked.tempo)
    flow = Flow(brief=asked.brief, parts=tuple(parts))
    return closed(flow, question.hands_on - taken, asked.catalogue, asked.tempo)


def _work(
    asked: Asked, question: Question, visits: Sequence[Visit], minutes: Mapping[str, int], present: Present
) -> Filled:
    """Fill region by region: what one misses the next makes good, and what one strained rests in the next."""
    steps: dict[str, tuple[Step, ...]] = {}
    owed, taken = 0.0, 0
    before: Worked = ()
    for visit in visits:
        if visit.role != "work" or visit.region in steps:
            continue
        share = question.shares[visit.region]
        count = share.count
        owes = max(-MAKES_GOOD, min(MAKES_GOOD, round(owed / count)))
        target = int(min(share.most, minutes[visit.region] + owes))
        touch = after(before, visit.region, asked.touch(visit.region), asked.catalogue)
        place = place_at(visit.region, visit.position, touch, asked.catalogue, asked.tempo)
        here = present.get(visit.region)
        found = refit(place, here, target, minutes[visit.region]) if here else None
        # What keeps its strokes may miss its seconds, as long as it can still be made good.
        if found is None or abs(owed + count * (minutes[visit.region] - found[1])) > TOLERATED:
            found = _fresh(place, target)
        steps[visit.region], seconds = found
        before = worked_as(steps[visit.region])
        owed += count * (minutes[visit.region] - seconds)
        taken += count * seconds
    return Filled(steps, taken)


def _fresh(place: Place, target: int) -> tuple[tuple[Step, ...], int]:
    """New steps at `place` that take `target` whole seconds, and what they take."""
    arc = fit_arc(place, target)
    if abs(arc.seconds - target) > NEAR and place.touch.varied:
        place = place_at(place.region.id, place.position, place.touch.plain, place.catalogue, place.tempo)
        arc = fit_arc(place, target)
    return arc.steps, arc.seconds


def _part(visit: Visit, steps: Mapping[str, tuple[Step, ...]], asked: Asked) -> Part:
    if visit.role != "work":
        return Part.at(visit, visit.role, ritual_steps(visit, asked.brief, asked.catalogue))
    id = visit.region if visit.side == "mid" else f"{visit.region}-{visit.side}"
    part = Part.at(visit, id, steps[visit.region])
    if asked.catalogue.regions[visit.region].only is None:
        return part
    return part.model_copy(update={"reason": "the other side is left alone"})
