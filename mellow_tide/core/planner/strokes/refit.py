"""The strokes of a part as they are, with passes for other seconds."""

from collections import Counter

from mellow_tide.core.catalogue.records import SLOTS
from mellow_tide.core.flow.flow import Step
from mellow_tide.core.planner.strokes.arc import Arc, nearest_passes, warm_first
from mellow_tide.core.planner.strokes.repertoire import TOO_DEEP, StrokeOption, bearable_there, most_depth
from mellow_tide.core.planner.strokes.site import Site, needs_wiping

NEAR = 10
"""Seconds by which a part may miss its target."""


def refit(
    place: Site, steps: tuple[Step, ...], target: int, asked_for: int
) -> tuple[tuple[Step, ...], int] | None:
    """The present steps with passes that take `target` whole seconds within 10, and what they take.

    They stay as they are if they take `asked_for` already. Strokes that are wanted least go first where time is short;
    None where these strokes cannot take that time, or may no longer be used here.
    """
    if not all(_allowed(step, place) for step in steps):
        return None
    seconds = _taken(place, steps)
    if abs(seconds - asked_for) <= 1:
        return steps, seconds
    kept = list(steps)
    while True:
        found = _with_passes(place, tuple(kept), target)
        if abs(found[1] - target) <= NEAR:
            return found
        least_wanted = max(kept, key=lambda step: _rank(step, place))
        if found[1] < target or _rank(least_wanted, place) == 0:
            return None
        kept.remove(least_wanted)
        kept = _warm_first(kept, place)


def _warm_first(steps: list[Step], place: Site) -> list[Step]:
    """The steps as deep as those before them allow, now that one is gone; what cannot be so light goes, too."""
    left = list(steps)
    found = []
    for option in warm_first(tuple(_option(step, place) for step in steps)):
        # In their order, so that of two like steps each keeps its own words.
        step = next(s for s in left if (s.stroke, s.slot, s.zone, s.tool) == _named(option))
        left = left[left.index(step) + 1 :]
        found.append(step if step.depth == option.depth else step.model_copy(update={"depth": option.depth}))
    return found


def _named(option: StrokeOption) -> tuple[str, str, str | None, str]:
    return option.stroke.id, option.slot, option.zone, option.tool


def nearest_to(place: Site, steps: tuple[Step, ...], seconds: int) -> tuple[Step, ...]:
    """The steps with passes that take as near to `seconds` as they can.

    Where passes alone do not, strokes that are wanted next come in, or those that are wanted least go.
    """
    # Seconds that were set for a stroke give way to its passes.
    kept = [step.model_copy(update={"seconds": None}) for step in steps]
    found, taken = _with_passes(place, tuple(kept), seconds)
    while abs(taken - seconds) > NEAR:
        changed = _grown(kept, place) if taken < seconds else _shrunk(kept, place)
        if changed is None:
            break
        kept = changed
        trial, then = _with_passes(place, tuple(kept), seconds)
        if abs(then - seconds) < abs(taken - seconds):
            found, taken = trial, then
        elif (then < seconds) != (taken < seconds):
            break
    return found


def _grown(steps: list[Step], place: Site) -> list[Step] | None:
    """The steps with the stroke that is wanted next in its place along the arc; None if there is no other."""
    there = Counter((s.stroke, s.slot, s.zone) for s in steps)
    for option in place.options:
        key = (option.stroke.id, option.slot, option.zone)
        if there[key] > 0:
            there[key] -= 1
            continue
        at = next(
            (i for i, s in enumerate(steps) if SLOTS.index(s.slot) > SLOTS.index(option.slot)), len(steps)
        )
        new = Arc((option,), (option.passes[0],), frozenset(), 0, place.medium, place.region.id).steps
        return [*steps[:at], *new, *steps[at:]]
    return None


def _shrunk(steps: list[Step], place: Site) -> list[Step] | None:
    """The steps without the one wanted least; None if none can be spared."""
    least_wanted = max(steps, key=lambda step: _rank(step, place))
    if _rank(least_wanted, place) == 0:
        return None
    return _warm_first([s for s in steps if s is not least_wanted], place)


def _allowed(step: Step, place: Site) -> bool:
    """Whether a step may be done at the place as it is; one with seconds of its own is not refitted."""
    touch, stroke = place.touch, place.catalogue.strokes[step.stroke]
    return (
        step.seconds is None
        and step.slot in stroke.slots
        and step.depth <= min(touch.cap, most_depth(place.region.id, step.zone, place.catalogue))
        and bearable_there(stroke, place.region.id, step.zone, place.catalogue)
        and step.depth < touch.wished + TOO_DEEP
        and step.zone not in touch.zones
        and stroke.id not in touch.barred
        and not touch.dislikes & {stroke.id, step.tool}
        and (step.support or place.region.id not in stroke.lifts_head)
        and step.wipe == (place.medium == "lubricated" and needs_wiping(_option(step, place)))
    )


def _option(step: Step, place: Site) -> StrokeOption:
    """The step as an option; its own passes are the usual ones here."""
    stroke = place.catalogue.strokes[step.stroke]
    low, _, high = stroke.slots.get(step.slot, (1, 1, step.passes))
    passes = (min(low, step.passes), step.passes, max(high, step.passes))
    return StrokeOption(stroke, step.slot, step.zone, step.tool, step.depth, passes, _rank(step, place))


def _rank(step: Step, place: Site) -> int:
    """How late the step is wanted as a part grows: 0 where it is always there, or was added by hand."""
    ranks = [
        o.rank for o in place.options if (o.stroke.id, o.slot, o.zone) == (step.stroke, step.slot, step.zone)
    ]
    return min(ranks, default=0)


def _taken(place: Site, steps: tuple[Step, ...]) -> int:
    options = tuple(_option(step, place) for step in steps)
    return place.taken(options, tuple(s.passes for s in steps), sum(s.check_in for s in steps))


def _with_passes(place: Site, steps: tuple[Step, ...], target: int) -> tuple[tuple[Step, ...], int]:
    options = tuple(_option(step, place) for step in steps)
    arc = nearest_passes(place, options, target)
    changed = tuple(
        step.model_copy(update={"passes": n, "check_in": i in arc.asked})
        for i, (step, n) in enumerate(zip(steps, arc.passes, strict=True))
    )
    return changed, arc.seconds
