"""How a session opens and closes, and how its last hold makes the minutes add up."""

from typing import Literal

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Flow, Part, Setup, Step
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.strokes.repertoire import TOO_DEEP
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.step_seconds import Ground, pass_seconds, step_seconds, whole
from mellow_tide.core.timing.tempo import Tempo
from mellow_tide.core.timing.timed import part_seconds

ROUSING = Step(
    stroke="hacking", slot="rouse", tool="ulnar_border", zone="mid_back", depth=2, passes=2, seconds=25
)
"""What wakes a client at a bright end: between shoulder blades and waist, beside the spine (common practice)."""

ROUSING_SECONDS = 25

LAST = 300
"""Seconds at the end of a session in which nothing is firm and nobody is asked (common practice)."""


def make_ritual_steps(setup: Setup, asked: Asked) -> tuple[Step, ...]:
    """The strokes of an opening or a closing; a bright end rouses after the still hold, where the client bears it."""
    brief, catalogue = asked.brief, asked.catalogue
    slot: Literal["open", "close"] = "open" if setup.role == "open" else "close"
    ritual = catalogue.openings[setup.position] if slot == "open" else catalogue.closings[brief.close_with]
    steps = []
    for planned in ritual.strokes:
        stroke = catalogue.planned_strokes[planned.stroke]
        steps.append(
            Step(
                stroke=stroke.id,
                slot=slot,
                tool=stroke.tools[0],
                depth=stroke.depth[0],
                passes=planned.passes or stroke.slots[slot][1],
            )
        )
    if slot == "close" and brief.finish == "bright" and can_rouse(setup.region, asked):
        first, held = steps[:-1][:1], steps[-1]
        steps = [*first, held, ROUSING, *steps[1:-1]]
    return tuple(steps)


def opened_dry(setup: Setup, asked: Asked) -> int:
    """Whole seconds of an opening in which the hands do more than rest: it is worked through the sheet."""
    catalogue, region = asked.catalogue, asked.catalogue.regions[setup.region]
    return sum(
        step_seconds(step, stroke, region, catalogue, asked.tempo)
        for step in make_ritual_steps(setup, asked)
        for stroke in (catalogue.strokes[step.stroke],)
        if stroke.family != "hold"
    )


def can_rouse(region: str, asked: Asked) -> bool:
    """Whether the closing's place, and the client there, bears the strokes of a bright end."""
    stroke = asked.catalogue.planned_strokes[ROUSING.stroke]
    touch = asked.touch(region)
    return (
        region in stroke.regions
        and stroke.id not in touch.barred | touch.dislikes
        and ROUSING.depth <= min(touch.cap, touch.wished + TOO_DEEP - 1)
    )


def meet_the_minutes(
    flow: Flow,
    setting: Setting,
) -> Flow:
    """The flow with the still hold of its close longer or shorter by whole breaths, so that the session adds up.

    The hold keeps at least three breaths, and no more than the stroke's most; a flow without a close stays.
    """
    return stretch_close(flow, -setting.lay_out(flow).over, setting.catalogue, setting.tempo)


def end_on_time(flow: Flow, missing: int, asked: Asked) -> Flow:
    """The flow whose close makes good what `missing` seconds (negative: too many) it can.

    Where the hands would rest for more of the session than its kind has, its last glide comes once more instead.
    """
    catalogue, tempo = asked.catalogue, asked.tempo
    ended = stretch_close(flow, missing, catalogue, tempo)
    close = flow.parts[-1]
    at = _find_hold(close, catalogue)
    most = asked.kind.most_resting
    if not at or most == 1 or resting_share(ended, asked) <= most:
        return ended
    glide = close.steps[at - 1]
    once_more = glide.model_copy(update={"passes": glide.passes + 1})
    steps = (*close.steps[: at - 1], once_more, *close.steps[at:])
    longer = flow.model_copy(update={"parts": (*flow.parts[:-1], close.model_copy(update={"steps": steps}))})
    missing -= part_seconds(longer.parts[-1], catalogue, tempo) - part_seconds(close, catalogue, tempo)
    return stretch_close(longer, missing, catalogue, tempo)


def resting_share(flow: Flow, asked: Asked) -> float:
    """The share of a flow's stroke time, 0 to 1, that the hands rest to open and close it; other holds are work."""
    taken = [
        (
            part.role != "work" and stroke.family == "hold",
            step_seconds(step, stroke, region, asked.catalogue, asked.tempo),
        )
        for part in flow.parts
        for region in (asked.catalogue.regions[part.region],)
        for step in part.steps
        for stroke in (asked.catalogue.strokes[step.stroke],)
    ]
    return sum(seconds for rests, seconds in taken if rests) / sum(seconds for _, seconds in taken)


def stretch_close(flow: Flow, missing: int, catalogue: Catalogue, tempo: Tempo) -> Flow:
    """The flow with the still hold of its close making good what `missing` seconds (negative: too many) it can.

    In a house's catalogue; see `meet_the_minutes`.
    """
    close = flow.parts[-1]
    at = _find_hold(close, catalogue)
    if at is None:
        return flow
    last, region = close.steps[at], catalogue.regions[close.region]
    stroke = catalogue.strokes[last.stroke]
    one = pass_seconds(stroke, Ground(region, last.zone, last.depth), catalogue, tempo)
    least, _, most = stroke.slots["close"]
    # A hold that has its most breaths is held on for what is missing still; seconds set by hand for a shorter one stay.
    held_on = last.seconds is not None and last.passes == most
    missing += (last.seconds or 0) - whole(most * one) if held_on else 0
    passes = min(most, max(least, last.passes + round(missing / one)))
    beyond = missing - round((passes - last.passes) * one)
    seconds = last.seconds if last.seconds is not None and not held_on else None
    if passes == most and beyond > one / 2:
        seconds = whole(most * one) + beyond
    held = last.model_copy(update={"passes": passes, "seconds": seconds})
    steps = (*close.steps[:at], held, *close.steps[at + 1 :])
    return flow.model_copy(update={"parts": (*flow.parts[:-1], close.model_copy(update={"steps": steps}))})


def _find_hold(close: Part, catalogue: Catalogue) -> int | None:
    """The place of the last still hold among the steps of a close, breath by breath; None where there is none."""
    if close.role != "close":
        return None
    held = (
        i
        for i, step in enumerate(close.steps)
        if step.slot == "close" and catalogue.strokes[step.stroke].passing.kind == "breaths"
    )
    return max(held, default=None)
