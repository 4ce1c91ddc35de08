"""The strokes of a span in their order, as deep as those before them allow, with passes that meet its seconds."""

from collections.abc import Sequence
from dataclasses import replace

from mellow_tide.core.flow.flow import FIRM
from mellow_tide.core.hands.spread import STRONG
from mellow_tide.core.planner.strokes.arc import WARMING, WARMING_UNITS
from mellow_tide.core.planner.strokes.passes import totals_of
from mellow_tide.core.planner.strokes.repertoire import AGAIN
from mellow_tide.core.planner.strokes.span import PlacedStroke, Span, SpanArc

PLACES = ("dry", "spread", "warm", "broad", "knead", "specific", "moving", "flush", "settle")
"""Where strokes come in a round."""

CLOSE = 2
"""Seconds by which a fit may miss."""

UNBROKEN = 180
"""Seconds of strong work after which a lighter stroke comes (common practice)."""

Passed = tuple[PlacedStroke, int, tuple[int, ...]]
"""A placed stroke, the passes chosen for it, and those that it may have."""


def put_in_order(span: Span, chosen: Sequence[Passed]) -> list[Passed]:
    """Dry work, what opens the span, then region by region its rounds; what settles it, or each site, comes last."""
    found: list[Passed] = []
    last: list[Passed] = []
    for site in span.sites:
        here = [one for one in chosen if one[0].site.region.id == site.region.id]
        settling = [one for one in here if _settles(one[0])]
        rounds = sorted(
            (one for one in here if one not in settling),
            key=lambda one: (one[0].option.rank // AGAIN, place_in_round(one[0])),
        )
        found += rounds
        if span.settles_as_one:
            last += settling
        else:
            found += settling
    return [*found, *last]


def _settles(placed: PlacedStroke) -> bool:
    """Whether a stroke is one of those that clear a site at its end and settle it."""
    return placed.option.rank == 0 and placed.option.slot in ("flush", "settle")


def place_in_round(placed: PlacedStroke) -> tuple[int, int]:
    """Where a stroke comes in a round: slot by slot, in a slot the lighter first."""
    option = placed.option
    slot = option.slot
    if slot == "warm" and option.rank:
        slot_place = PLACES.index("broad")
    elif slot in ("mobilise", "rouse") or (slot == "flush" and option.stroke.passing.kind != "glide"):
        slot_place = PLACES.index("moving")
    else:
        slot_place = PLACES.index(slot)
    return slot_place, option.depth


def ease(ordered: Sequence[Passed]) -> list[Passed]:
    """The strokes, nothing strong before two have warmed, none two levels deeper than the one before, and no more than
    `UNBROKEN` seconds of strong work without a lighter stroke.

    What cannot be done so lightly is left out, unless the arc cannot do without it.
    """
    warmed, before, strong = 0, 1, 0
    found: list[Passed] = []
    for placed, passes, allowed in ordered:
        option = placed.option
        most = FIRM if warmed < WARMING_UNITS else option.depth
        if option.depth >= STRONG and strong + placed.seconds(passes) > UNBROKEN:
            most = FIRM
        depth = option.stroke.depth_near(min(option.depth, most, before + 1))
        if depth > before + 1 and option.rank:
            continue
        if found and _same(found[-1][0], placed, depth):
            last = found[-1]
            found[-1] = (last[0], last[1] + passes, tuple(sorted({*last[2], last[1] + passes})))
            continue
        eased = replace(placed, option=replace(option, depth=depth)) if depth < option.depth else placed
        found.append((eased, passes, allowed))
        before = depth
        strong = strong + placed.seconds(passes) if depth >= STRONG else 0
        if option.slot in WARMING:
            warmed += 1
    return _settled(found)


def _same(before: PlacedStroke, now: PlacedStroke, depth: int) -> bool:
    a, b = before.option, now.option
    return (a.stroke.id, a.tool, a.zone, a.slot, a.depth, before.regions) == (
        b.stroke.id, b.tool, b.zone, b.slot, depth, now.regions
    )  # fmt: skip


def _settled(found: list[Passed]) -> list[Passed]:
    """What settles is no deeper than the stroke before it; where it cannot be lighter, that one is deeper or goes."""
    ordered: list[Passed] = []
    for one in found:
        option = one[0].option
        settled = one
        while ordered and option.slot == "settle" and ordered[-1][0].option.depth < settled[0].option.depth:
            before = ordered[-1]
            settled = _at_depth(one, before[0].option.depth)
            if settled[0].option.depth <= before[0].option.depth:
                break
            ordered[-1] = _at_depth(before, settled[0].option.depth)
            if ordered[-1][0].option.depth < settled[0].option.depth:
                ordered.pop()
        ordered.append(settled)
    return ordered


def _at_depth(one: Passed, depth: int) -> Passed:
    """The stroke as near to a depth as it can be done."""
    placed = one[0]
    option = replace(placed.option, depth=placed.option.stroke.depth_near(depth))
    return replace(placed, option=option), one[1], one[2]


def fit(span: Span, passed: Sequence[Passed], targets: Sequence[int], oiled: int | None) -> SpanArc | None:
    """The passes near those chosen whose seconds, with oil and all, come nearest to what each region, and all, have."""
    if not passed:
        return None
    placed = tuple(p for p, _, _ in passed)
    total = sum(t * n for t, n in zip(targets, span.sides, strict=True))
    arc = SpanArc(span, placed, tuple(n for _, n, _ in passed), oiled)
    if len(span.sites) > 1:
        for region, target in zip(span.regions, targets, strict=True):
            own = [i for i, p in enumerate(placed) if p.site.region.id == region and not p.over]
            arc = _fitted(arc, passed, own, round(target - arc.counted(region)), 1)
        long = [i for i, p in enumerate(placed) if p.over]
        if abs(arc.seconds - total) > CLOSE:
            arc = _fitted(arc, passed, long, total - arc.seconds, 1)
    if abs(arc.seconds - total) > CLOSE:
        every = list(range(len(placed)))
        tried = [_fitted(arc, passed, every, total - arc.seconds, None)]
        if tried[0].seconds != total:
            tried += [_fitted(arc, passed, every, total - arc.seconds + by, None) for by in (-6, 6)]
        arc = min(tried, key=lambda one: abs(one.seconds - total))
    return arc


def _fitted(
    arc: SpanArc, passed: Sequence[Passed], which: Sequence[int], more: int, sides: int | None
) -> SpanArc:
    """The arc with passes of some of its strokes that take `more` seconds (negative: less).

    Seconds of all sides, or of one where `sides` is 1.
    """
    if not which or abs(more) <= 1:
        return arc
    span = arc.span
    counts = [
        sides or (1 if arc.placed[i].over else span.side_count(arc.placed[i].site.region.id)) for i in which
    ]
    lengths = tuple(
        arc.placed[i].lengths(passed[i][2][0], passed[i][2][-1], passed[i][1], n)
        for i, n in zip(which, counts, strict=True)
    )
    now = sum(n * arc.placed[i].seconds(arc.passes[i]) for i, n in zip(which, counts, strict=True))
    found = dict(zip(which, totals_of(lengths).near(max(0, now + more)), strict=True))
    passes = tuple(found.get(i, n) for i, n in enumerate(arc.passes))
    return SpanArc(span, arc.placed, passes, arc.oiled)
