"""Beside a birthing person: long and slow between contractions, a still press during them, on her word only."""

from mellow_tide.core.catalogue.records import Slot
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import FIRM, Flow, Part, Step
from mellow_tide.core.planner.order.legs import set_up_ritual
from mellow_tide.core.planner.question.absent import lacks_consent, refuse_unready
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.rests import may_rest
from mellow_tide.core.planner.strokes.repertoire import TOO_DEEP
from mellow_tide.core.planner.strokes.rituals import make_ritual_steps
from mellow_tide.core.refusal import DoesNotFit, FieldProblem

Pattern = tuple[tuple[str, Slot, int], ...]
"""Stroke, slot, passes."""

BETWEEN_AND_DURING: dict[str, Pattern] = {
    "back": (
        ("kneading", "knead", 3),
        ("sacral_press", "contraction", 1),
        ("kneading", "knead", 3),
        ("sacral_circles", "contraction", 1),
        ("resting_hold", "settle", 3),
    ),
    "hips": (("kneading", "knead", 3), ("hip_squeeze", "contraction", 1), ("resting_hold", "settle", 3)),
    "shoulders": (("squeezing", "knead", 3), ("resting_hold", "settle", 3)),
}
"""One round by region (common practice): what eases between contractions, what steadies during one, and rest."""

SIDES: dict[str, tuple[Side, ...]] = {
    "back": ("mid",),
    "hips": ("right", "left"),
    "shoulders": ("right", "left"),
}


def plan_labour(asked: Asked) -> Flow:
    """A round to be worked at her pace, through clothing, leaning forward; what she declines or excludes is left out.

    It has no minutes to meet: a focus comes first, with as many passes as its strokes bear. Raises `NoSession` for a
    stop sign, `PlaceMissing` for a condition of unknown place, `DoesNotFit` if nothing is left to work.
    """
    brief, catalogue, restrictions = asked.brief, asked.catalogue, asked.restrictions
    refuse_unready(asked)
    position = catalogue.schools[brief.school].blocks[0].position
    barred = {x.id for x in restrictions.regions} | set(brief.leave_out)
    rounds = [
        _part(region, side, position, asked)
        for region in sorted(BETWEEN_AND_DURING, key=lambda id: id not in brief.focus)
        for side in SIDES[region]
        if region not in barred
        and not lacks_consent(region, asked)
        and restrictions.kept_off(region, side) is None
    ]
    parts = [part for part in rounds if part]
    if not parts:
        raise DoesNotFit(FieldProblem("leave_out", "nothing_left"))
    opening = set_up_ritual("open", catalogue.openings[position], position, catalogue)
    closing = set_up_ritual("close", catalogue.closings[brief.close_with], position, catalogue)
    # Where hands may rest nowhere, the round begins and ends with a word.
    first, last = (
        (Part.at(setup, setup.role, make_ritual_steps(setup, asked)),)
        if may_rest(setup.region, restrictions)
        else ()
        for setup in (opening, closing)
    )
    return Flow(brief=brief, parts=(*first, *parts, *last))


def _part(region: str, side: Side, position: str, asked: Asked) -> Part | None:
    """The round on one region, without what is too deep, unwanted or at a place to be left alone.

    What settles it stays even so. None if only rest is left.
    """
    touch = asked.touch(region)
    # Nothing is warmed here before it, so it is never strong.
    wished = min(touch.wished, FIRM)
    steps = []
    for stroke_id, slot, passes in BETWEEN_AND_DURING[region]:
        stroke = asked.catalogue.strokes[stroke_id]
        zone = stroke.zones[region][0] if region in stroke.zones else None
        if (
            stroke.depth[0] > min(touch.cap, touch.wished + TOO_DEEP - 1)
            or zone in touch.zones
            or stroke.id in touch.barred
            or (stroke.id in touch.dislikes and slot != "settle")
        ):
            continue
        more = region in asked.brief.focus and slot == "knead"
        steps.append(
            Step(
                stroke=stroke_id,
                slot=slot,
                tool=stroke.tools[0],
                zone=zone,
                depth=min(touch.cap, stroke.depth_near(wished if slot == "knead" else stroke.depth[0])),
                passes=stroke.slots[slot][2] if more else passes,
                check_in=slot == "contraction",
            )
        )
    if len(steps) < 2:
        return None
    return Part(
        id=region if side == "mid" else f"{region}-{side}",
        region=region,
        side=side,
        position=position,
        window=asked.catalogue.regions[region].window_in(position),
        medium="clothed",
        steps=tuple(steps),
    )
