"""Sore points that have their minutes in the plan: three holds with their numbers, and the place felt again.

They come on top of what is planned for the region, on their own side, before the strokes that end it and clear the
place: the minutes that are left are shared out as ever.
"""

from collections.abc import Iterable, Sequence

from mellow_tide.core.flow.brief import Place
from mellow_tide.core.flow.flow import FIRM, Flow, Part, Step
from mellow_tide.core.flow.holding import MOST_HOLDS, NUMBER_SECONDS
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.strokes.arc import WARMING, WARMING_UNITS
from mellow_tide.core.planner.strokes.repertoire import bearable_there, most_depth
from mellow_tide.core.timing.step_seconds import Ground, pass_seconds, step_seconds, whole

HOLD, FELT_AGAIN = "point_hold", "recheck"

GENTLE = 2
"""Depth at which a place is felt again."""

ENDING = ("flush", "settle")


def make_point_steps(point: Place, asked: Asked) -> tuple[Step, ...]:
    """What a point takes, in order; nothing where the client, or the place, may not be held."""
    catalogue, touch = asked.catalogue, asked.touch(point.region)
    stroke = catalogue.strokes[HOLD]
    spared = asked.restrictions.excluded
    if (
        point.region not in stroke.regions
        or HOLD in touch.barred | touch.dislikes
        or any(x.holds(point.region, point.side) and x.zone in (None, point.zone) for x in spared)
        or point.zone in touch.zones
        or not bearable_there(stroke, point.region, point.zone, catalogue)
    ):
        return ()
    cap = min(touch.cap, most_depth(point.region, point.zone, catalogue))
    if cap < GENTLE:
        return ()
    region = catalogue.regions[point.region]
    depth = stroke.depth_near(min(cap, touch.wished + 1, max(touch.wished, FIRM)))
    one = pass_seconds(stroke, Ground(region, point.zone, depth), catalogue, asked.tempo)
    planned = catalogue.planned_strokes[HOLD].tools
    tools = [tool for tool in planned if tool not in touch.dislikes] or planned
    hold = Step(
        stroke=HOLD,
        slot="specific",
        tool="reinforced_thumb" if "reinforced_thumb" in tools else tools[0],
        zone=point.zone,
        depth=depth,
        passes=MOST_HOLDS,
        seconds=whole(MOST_HOLDS * (one + NUMBER_SECONDS)),
        with_breath=True,
        point=True,
    )
    again = catalogue.strokes[FELT_AGAIN]
    felt = Step(
        stroke=FELT_AGAIN,
        slot="specific",
        tool=again.tools[0],
        zone=point.zone,
        depth=GENTLE,
        passes=1,
        point=True,
    )
    return hold, felt


def plannable_points(asked: Asked, regions: Iterable[str]) -> tuple[Place, ...]:
    """The brief's points that can be held, on regions that may be worked."""
    there = frozenset(regions)
    return tuple(p for p in asked.brief.points if p.region in there and make_point_steps(p, asked))


def measure_points(points: Sequence[Place], asked: Asked) -> int:
    """Whole seconds of what some points take."""
    catalogue = asked.catalogue
    return sum(
        step_seconds(
            step, catalogue.strokes[step.stroke], catalogue.regions[p.region], catalogue, asked.tempo
        )
        for p in points
        for step in make_point_steps(p, asked)
    )


def drop_points(flow: Flow) -> Flow:
    """The flow without what is for points."""
    if not any(step.point for part in flow.parts for step in part.steps):
        return flow
    return flow.model_copy(update={"parts": tuple(map(_without, flow.parts))})


def _without(part: Part) -> Part:
    left = tuple(step for step in part.steps if not step.point)
    return part.model_copy(update={"steps": left}) if left and len(left) < len(part.steps) else part


def keep_points(flow: Flow, points: Sequence[Place], asked: Asked) -> Flow:
    """The flow with the steps of points, each before what ends the part of its region and side."""
    parts = list(flow.parts)
    for point in points:
        for at, part in enumerate(parts):
            if part.role == "work" and part.region == point.region and point.lies_on(part.side):
                parts[at] = _with(part, make_point_steps(point, asked))
                break
    return flow.model_copy(update={"parts": tuple(parts)})


def _with(part: Part, steps: tuple[Step, ...]) -> Part:
    end = len(part.steps)
    while end > 1 and part.steps[end - 1].slot in ENDING:
        end -= 1
    warmed = sum(step.slot in WARMING and step.depth <= FIRM for step in part.steps[:end])
    before = part.steps[end - 1].depth
    most = before + 1 if warmed >= WARMING_UNITS else min(before + 1, FIRM)
    eased = tuple(step.model_copy(update={"depth": min(step.depth, most)}) for step in steps)
    return part.model_copy(update={"steps": (*part.steps[:end], *eased, *part.steps[end:])})
