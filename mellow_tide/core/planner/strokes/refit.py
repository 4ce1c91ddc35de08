"""The strokes of a part as they are, with passes for other seconds."""

from collections import Counter
from collections.abc import Iterable, Mapping, Sequence

from mellow_tide.core.catalogue.records import SLOTS, Slot
from mellow_tide.core.flow.edits import Steps
from mellow_tide.core.flow.flow import FIRM, Step
from mellow_tide.core.planner.strokes.arc import WARMING, WARMING_UNITS, Arc, nearest_passes, warm_first
from mellow_tide.core.planner.strokes.repertoire import TOO_DEEP, StrokeOption, bearable_there, most_depth
from mellow_tide.core.planner.strokes.site import Site, needs_wiping
from mellow_tide.core.planner.strokes.span import PlacedStroke, Span, SpanArc

NEAR = 10
"""Seconds by which a part may miss its target."""

WARMING_DEPTH = 2
"""How deep the long strokes that warm a passage go."""


def refit_span(
    span: Span, steps: Sequence[Steps], targets: Sequence[int], wanted: Sequence[int], oiled: int | None
) -> SpanArc | None:
    """The present steps, region by region, with passes that take the target seconds per side within 10.

    They stay as they are where they take what is `wanted` already. Of a region's own, those wanted least go first where
    time is short. Long strokes over several regions stay, and lose passes where all else is too much. None where these
    strokes cannot take that time, or may no longer be used here.
    """
    fits = all(
        _allowed(step, site) and set(step.over) <= set(span.regions)
        for site, here in zip(span.sites, steps, strict=True)
        for step in here
    )
    if not fits:
        return None
    nearest: SpanArc | None = None
    asked_for = sum(target * sides for target, sides in zip(targets, span.sides, strict=True))
    while True:
        found = _refitted(span, steps, targets, wanted, oiled)
        if found and (nearest is None or abs(found.seconds - asked_for) < abs(nearest.seconds - asked_for)):
            nearest = found
        longest = max((step.passes for here in steps for step in here if step.over), default=1)
        if longest == 1 or (found and found.seconds - asked_for <= NEAR):
            return nearest
        steps = [tuple(_one_pass_less(step, longest) for step in here) for here in steps]


def _one_pass_less(step: Step, longest: int) -> Step:
    """The step, a pass less where it is one of the long strokes with most passes."""
    fewer = bool(step.over) and step.passes == longest
    return step.model_copy(update={"passes": step.passes - 1}) if fewer else step


def _refitted(
    span: Span, steps: Sequence[Steps], targets: Sequence[int], wanted: Sequence[int], oiled: int | None
) -> SpanArc | None:
    """As `refit_span`, the long strokes as they are."""
    kept = {site.region.id: list(here) for site, here in zip(span.sites, steps, strict=True)}
    over = 0
    for site, target, asked_for, sides in zip(span.sites, targets, wanted, span.sides, strict=True):
        now = round(arc_of(span, kept, oiled).counted(site.region.id))
        more = target - now - over // sides if over else target - now
        if abs(now - asked_for) <= 1 and abs(over) <= NEAR:
            continue
        found = _own_refitted(site, kept[site.region.id], more, _done_by_long(site, span, steps))
        if found is not None:
            kept[site.region.id] = found
        now = round(arc_of(span, kept, oiled).counted(site.region.id))
        over += sides * (now - target)
    if abs(over) > NEAR * len(span.sites):
        return None
    gone = any(len(kept[s.region.id]) < len(here) for s, here in zip(span.sites, steps, strict=True))
    return arc_of(span, _eased(span, kept) if gone else kept, oiled)


def _eased(span: Span, steps: Mapping[str, Sequence[Step]]) -> dict[str, list[Step]]:
    """The steps of a span, none strong before two have warmed it, nor two levels above the one before in its region."""
    warmed = 0
    found: dict[str, list[Step]] = {}
    for site in span.sites:
        before = FIRM if warmed else 1
        found[site.region.id] = here = []
        for step in steps[site.region.id]:
            most = min(before + 1, step.depth if warmed >= WARMING_UNITS else FIRM)
            depth = min(step.depth, site.catalogue.strokes[step.stroke].depth_near(most))
            here.append(step if depth == step.depth else step.model_copy(update={"depth": depth}))
            warmed += step.slot in WARMING
            before = depth
    return found


def arc_of(span: Span, steps: Mapping[str, Sequence[Step]], oiled: int | None) -> SpanArc:
    """The steps of a span's regions as its arc."""
    placed = []
    for site in span.sites:
        for step in steps[site.region.id]:
            over = tuple(site.catalogue.regions[id] for id in step.over)
            placed.append((PlacedStroke(site, _option(step, site), over), step))
    return SpanArc(
        span,
        tuple(p for p, _ in placed),
        tuple(s.passes for _, s in placed),
        oiled,
        tuple(s for _, s in placed),
    )


def _done_by_long(site: Site, span: Span, steps: Sequence[Steps]) -> frozenset[Slot]:
    """The places along the arc of which long strokes, begun there or elsewhere, take care in a region."""
    return frozenset(
        step.slot
        for other, here in zip(span.sites, steps, strict=True)
        for step in here
        if step.over and (other is site or site.region.id in step.over)
    )


def _own_refitted(place: Site, steps: list[Step], more: int, done: frozenset[Slot]) -> list[Step] | None:
    """The steps with passes of a region's own strokes that take `more` seconds (negative: less) within 10.

    Strokes come in or go until they do; None where that leads back to what was tried. Long strokes have `done` some
    places along the arc, so that no own stroke is missed there.
    """
    own = [step for step in steps if not step.over]
    if not own:
        return None
    kept = list(own)
    target = _taken(place, tuple(kept)) + more
    tried: list[list[Step]] = []
    while kept not in tried:
        tried.append(kept)
        found, seconds = _with_passes(place, tuple(kept), target)
        if abs(seconds - target) <= NEAR:
            return _put_back(steps, found)
        if seconds < target:
            grown = _grown(kept, place, done)
            if grown is None:
                return None
            kept = grown
            continue
        least_wanted = max(kept, key=lambda step: _rank(step, place))
        if len(kept) > len(own) or _rank(least_wanted, place) == 0 or len(kept) == 1:
            return None
        kept = _warm_first([step for step in kept if step is not least_wanted], place, done)
        if not kept:
            return None
    return None


def _put_back(steps: Iterable[Step], own: Iterable[Step]) -> list[Step]:
    """A region's own strokes with the long ones among `steps`, which open it after the dry work, or settle it."""
    own, long = list(own), [step for step in steps if step.over]
    opening = [step for step in long if step.slot in ("spread", "warm")]
    dry = next((i for i, step in enumerate(own) if step.slot != "dry"), len(own)) if opening else 0
    return [*own[:dry], *opening, *own[dry:], *(step for step in long if step not in opening)]


def _warm_first(steps: list[Step], place: Site, done: frozenset[Slot]) -> list[Step]:
    """The steps as deep as those before them allow, now that one is gone; what cannot be so light goes, too."""
    left = list(steps)
    found = []
    options = tuple(_option(step, place) for step in steps)
    for option in warm_first(options, 1, WARMING_DEPTH) if "warm" in done else warm_first(options):
        # In their order, so that of two like steps each keeps its own words.
        step = next(s for s in left if (s.stroke, s.slot, s.zone, s.tool) == _named(option))
        left = left[left.index(step) + 1 :]
        found.append(step if step.depth == option.depth else step.model_copy(update={"depth": option.depth}))
    return found


def _named(option: StrokeOption) -> tuple[str, str, str | None, str]:
    return option.stroke.id, option.slot, option.zone, option.tool


def stretch(place: Site, steps: tuple[Step, ...], more: int) -> tuple[Step, ...]:
    """The steps with passes that take as nearly `more` seconds (negative: less) as they can.

    Where passes alone do not, strokes that are wanted next come in, or those that are wanted least go. Long strokes
    over several regions stay as they are.
    """
    # Seconds that were set for a stroke give way to its passes.
    own = [step.model_copy(update={"seconds": None}) for step in steps if not step.over]
    if not own:
        return steps
    set_by_hand = sum(
        step.seconds - _plain_seconds(step, place) for step in steps if step.seconds and not step.over
    )
    target = _taken(place, tuple(own)) + set_by_hand + more
    done = frozenset(step.slot for step in steps if step.over)
    return tuple(_put_back(steps, _stretched(place, own, target, done)))


def _plain_seconds(step: Step, place: Site) -> int:
    """What the passes of a step take, whatever seconds were set for it."""
    return place.seconds(_option(step, place), step.passes)


def _stretched(place: Site, own: list[Step], seconds: int, done: frozenset[Slot]) -> tuple[Step, ...]:
    kept = own
    found, taken = _with_passes(place, tuple(kept), seconds)
    while abs(taken - seconds) > NEAR:
        changed = _grown(kept, place, done) if taken < seconds else _shrunk(kept, place, done)
        if changed is None:
            break
        kept = changed
        trial, then = _with_passes(place, tuple(kept), seconds)
        if abs(then - seconds) < abs(taken - seconds):
            found, taken = trial, then
        elif (then < seconds) != (taken < seconds):
            break
    return found


def _grown(steps: list[Step], place: Site, done: frozenset[Slot]) -> list[Step] | None:
    """The steps with the stroke that is wanted next in its place along the arc; None if there is no other."""
    there = Counter((s.stroke, s.slot, s.zone) for s in steps)
    for option in place.options:
        if option.slot in done:
            continue
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


def _shrunk(steps: list[Step], place: Site, done: frozenset[Slot]) -> list[Step] | None:
    """The steps without the one wanted least; None if none can be spared, the last one least of all."""
    least_wanted = max(steps, key=lambda step: _rank(step, place))
    if _rank(least_wanted, place) == 0:
        return None
    return _warm_first([s for s in steps if s is not least_wanted], place, done) or None


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
