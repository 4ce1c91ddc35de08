"""How a session opens and closes, and how its last hold makes the minutes add up."""

from typing import Literal

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Flow, Setup, Step
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.strokes.repertoire import TOO_DEEP
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.step_seconds import Ground, pass_seconds
from mellow_tide.core.timing.tempo import Tempo

ROUSING = Step(stroke="soft_fist", slot="rouse", tool="fist", depth=2, passes=2)
"""What wakes a client at a bright end."""

ROUSING_SECONDS = 20


def make_ritual_steps(setup: Setup, asked: Asked) -> tuple[Step, ...]:
    """The strokes of an opening or a closing; a bright end rouses before its last hold, where the client bears it."""
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
        steps.insert(-1, ROUSING)
    return tuple(steps)


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
    """The flow with its last hold longer or shorter by whole breaths, so that the session adds up.

    The hold keeps at least three breaths, and no more than the stroke's most; a flow without a close stays.
    """
    return stretch_close(flow, -setting.lay_out(flow).over, setting.catalogue, setting.tempo)


def stretch_close(flow: Flow, missing: int, catalogue: Catalogue, tempo: Tempo) -> Flow:
    """The flow with its last hold making good what `missing` seconds (negative: too many) it can.

    In a house's catalogue; see `meet_the_minutes`.
    """
    close = flow.parts[-1]
    last = close.steps[-1]
    stroke, region = catalogue.strokes[last.stroke], catalogue.regions[close.region]
    if close.role != "close" or "close" not in stroke.slots:
        return flow
    one = pass_seconds(stroke, Ground(region, last.zone, last.depth), catalogue, tempo)
    least, _, most = stroke.slots["close"]
    passes = min(most, max(least, last.passes + round(missing / one)))
    steps = (*close.steps[:-1], last.model_copy(update={"passes": passes}))
    return flow.model_copy(update={"parts": (*flow.parts[:-1], close.model_copy(update={"steps": steps}))})
