"""From an order and minutes to a flow: strokes along the arc of every part, and a close that makes up the rest."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from mellow_tide.core.flow.flow import Flow, Part, Setup, Step
from mellow_tide.core.phrases.book import say
from mellow_tide.core.planner.order.order import Order
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import PlanQuestion
from mellow_tide.core.planner.strokes.arc import StrokesWorked, after, fit_arc, worked_as
from mellow_tide.core.planner.strokes.questions import settle_questions
from mellow_tide.core.planner.strokes.refit import NEAR, refit
from mellow_tide.core.planner.strokes.rituals import make_ritual_steps, stretch_close
from mellow_tide.core.planner.strokes.site import Site, find_site
from mellow_tide.core.timing.run_sheet import TOLERATED, part_seconds

MAKES_GOOD = 5
"""Seconds per side by which a part may make good what those before it missed."""

PresentSteps = Mapping[str, tuple[Step, ...]]
"""The steps that regions have now."""


@dataclass(frozen=True)
class Filled:
    """The steps of each region, to be mirrored, and the whole seconds of all their parts together."""

    steps: dict[str, tuple[Step, ...]]
    seconds: int


def fill_flow(
    asked: Asked, question: PlanQuestion, order: Order, minutes: Mapping[str, int], present: PresentSteps
) -> Flow:
    """The flow of `order` in which each region gets its `minutes` (whole seconds per side).

    A region that is there already keeps its strokes as far as the minutes and the client's health let it.
    """
    work = _work(asked, question, order.setups, minutes, present)
    parts = [_part(setup, work.steps, asked) for setup in order.setups]
    taken = order.seconds + work.seconds + part_seconds(parts[-1], asked.catalogue, asked.tempo)
    flow = Flow(brief=asked.brief, parts=tuple(parts))
    flow = stretch_close(flow, question.hands_on - taken, asked.catalogue, asked.tempo)
    return settle_questions(flow, asked.catalogue, asked.tempo)


def _work(
    asked: Asked,
    question: PlanQuestion,
    setups: Sequence[Setup],
    minutes: Mapping[str, int],
    present: PresentSteps,
) -> Filled:
    """Fill region by region: what one misses the next makes good, and what one strained rests in the next."""
    steps: dict[str, tuple[Step, ...]] = {}
    owed, taken = 0.0, 0
    before: StrokesWorked = ()
    for setup in setups:
        if setup.role != "work" or setup.region in steps:
            continue
        share = question.shares[setup.region]
        count = share.count
        owes = max(-MAKES_GOOD, min(MAKES_GOOD, round(owed / count)))
        target = int(min(share.most, minutes[setup.region] + owes))
        touch = after(before, setup.region, asked.touch(setup.region), asked.catalogue)
        place = find_site(setup.region, setup.position, touch, asked.catalogue, asked.tempo)
        here = present.get(setup.region)
        found = refit(place, here, target, minutes[setup.region]) if here else None
        # What keeps its strokes may miss its seconds, as long as it can still be made good.
        if found is None or abs(owed + count * (minutes[setup.region] - found[1])) > TOLERATED:
            found = _fresh(place, target)
        steps[setup.region], seconds = found
        before = worked_as(steps[setup.region])
        owed += count * (minutes[setup.region] - seconds)
        taken += count * seconds
    return Filled(steps, taken)


def _fresh(place: Site, target: int) -> tuple[tuple[Step, ...], int]:
    """New steps at `place` that take `target` whole seconds, and what they take."""
    arc = fit_arc(place, target)
    if abs(arc.seconds - target) > NEAR and place.touch.varied:
        place = find_site(place.region.id, place.position, place.touch.plain, place.catalogue, place.tempo)
        arc = fit_arc(place, target)
    return arc.steps, arc.seconds


def _part(setup: Setup, steps: Mapping[str, tuple[Step, ...]], asked: Asked) -> Part:
    if setup.role != "work":
        return Part.at(setup, setup.role, make_ritual_steps(setup, asked))
    id = setup.region if setup.side == "mid" else f"{setup.region}-{setup.side}"
    part = Part.at(setup, id, steps[setup.region])
    if asked.catalogue.regions[setup.region].only is None:
        return part
    return part.model_copy(update={"reason": say("plan.other_side_left_alone")})
