"""The long strokes that open a span and settle it."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.records import Slot
from mellow_tide.core.planner.strokes.repertoire import LIGHT, StrokeOption
from mellow_tide.core.planner.strokes.site import Site
from mellow_tide.core.planner.strokes.span import PlacedStroke, PlacedStrokes, Span

OVER_ALL: Mapping[Slot, tuple[int, ...]] = {
    "spread": (1, 2), "warm": (1, 2, 3, 4), "flush": (1, 2, 3), "settle": (1, 2, 3, 4)
}  # fmt: skip
"""Passes that long strokes over several regions may have: there and back once is enough."""

ALONE: Mapping[Slot, tuple[int, ...]] = {
    "spread": (1, 2), "warm": (2, 3, 4, 5, 6), "flush": (1, 2, 3, 4), "settle": (1, 2, 3, 4)
}  # fmt: skip
"""Passes that they may have over one region."""

CRUMB = 10
"""A step of fewer seconds is felt as none (common practice)."""


BETWEEN = (0, 2, 3, 4, 6)
"""Passes of the long strokes that join up a long span half way; it may be without."""


StrokesWithPasses = tuple[tuple[PlacedStroke, tuple[int, ...]], ...]
"""Placed strokes, each with the passes that it may have."""


@dataclass(frozen=True)
class LongStrokes:
    """The long strokes that open a span, those that settle it, and those half way that join up what was worked."""

    opening: PlacedStrokes
    closing: PlacedStrokes
    between: PlacedStrokes

    def all_with_passes(self, several: bool) -> StrokesWithPasses:
        """Each of them with the passes that it may have."""
        ends = tuple((p, long_passes(p, several)) for p in (*self.opening, *self.closing))
        return (*ends, *((p, BETWEEN) for p in self.between))


def _find_long_strokes(span: Span, joins: bool) -> LongStrokes:
    """What opens the first site, over all of the span; what settles it, or each site by itself; what `joins` it up."""
    first, last = span.sites[0], span.sites[-1]
    further = tuple(site.region for site in span.sites[1:])
    opening = [PlacedStroke(first, o, further) for o in opening_of(first)]
    if span.settles_as_one:
        before = tuple(site.region for site in span.sites[:-1])
        closing = [PlacedStroke(last, o, before) for o in closing_of(last)]
    else:
        # What lies in the middle settles with all that is worked with it; each side then settles by itself.
        over = (
            further if span.sides[0] == 1 and all(runs_over(first, site) for site in span.sites[1:]) else ()
        )
        closing = [PlacedStroke(first, o, over) for o in closing_of(first)]
        closing += [PlacedStroke(site, o) for site in span.sites[1:] for o in closing_of(site)]
    every = span.sites
    return LongStrokes(
        tuple(_bearable(p, every) for p in opening),
        tuple(_bearable(p, every if p.over else (p.site,)) for p in closing),
        tuple(_bearable(p, every) for p in _joining(span)) if joins else (),
    )


def _joining(span: Span) -> PlacedStrokes:
    """What flushes all of a span once its first site has been worked, where it settles as one at its end.

    Nothing where a site bears no such stroke.
    """
    first, *further = span.sites
    if first.medium != "lubricated" or not further or not span.settles_as_one:
        return ()
    for option in first.options:
        if option.slot == "flush" and option.stroke.passing.kind == "glide":
            touches = [(site.region.id, site.touch) for site in further]
            borne = all(
                id in option.stroke.regions and option.stroke.id not in touch.barred | touch.dislikes
                for id, touch in touches
            )
            # Wanted later than what settles: it ends a round, not the span.
            joining = replace(option, rank=max(1, option.rank))
            return (PlacedStroke(first, joining, tuple(site.region for site in further)),) if borne else ()
    return ()


def _bearable(placed: PlacedStroke, sites: Sequence[Site]) -> PlacedStroke:
    """The stroke as deep as every site that it runs over bears."""
    depth = min(placed.option.depth, *(min(site.touch.cap, max(site.touch.wished, LIGHT)) for site in sites))
    return replace(placed, option=replace(placed.option, depth=placed.option.stroke.depth_near(depth)))


def _essential(site: Site, slots: tuple[Slot, ...]) -> tuple[StrokeOption, ...]:
    return tuple(o for o in site.options if o.rank == 0 and o.slot in slots)


@lru_cache(maxsize=2_000)
def closing_of(site: Site) -> tuple[StrokeOption, ...]:
    """What settles a site; where it is a long stroke toward the heart it clears, too, and grows lighter."""
    settles = _essential(site, ("settle",))
    if site.medium != "lubricated" or any(o.stroke.clears for o in settles):
        return settles
    flush = [replace(o, rank=0) for o in site.options if o.slot == "flush"]
    return (*flush[:1], *settles)


@lru_cache(maxsize=2_000)
def opening_of(site: Site) -> tuple[StrokeOption, ...]:
    """What opens a site; what also settles it is begun at another place, if there is one."""
    found = []
    last = {(o.stroke.id, o.zone) for o in closing_of(site)} if site.medium != "lubricated" else set()
    for option in _essential(site, ("spread", "warm")):
        others = [o for o in site.options if o.slot == option.slot and (o.stroke.id, o.zone) not in last]
        again = (option.stroke.id, option.zone) in last
        found.append(replace(others[0], rank=0) if again and others else option)
    return tuple(found)


def runs_over(site: Site, further: Site) -> bool:
    """Whether the strokes that open and settle a site may run on over a further one."""
    options = [*opening_of(site), *closing_of(site)]
    touch = further.touch
    return bool(options) and all(
        o.stroke.passing.kind == "glide"
        and further.region.id in o.stroke.regions
        and o.zone is None
        and o.stroke.id not in touch.barred | touch.dislikes
        and o.stroke.depth[0] <= touch.cap
        for o in options
    )


def long_passes(placed: PlacedStroke, several: bool) -> tuple[int, ...]:
    """The passes that a long stroke may have, none so few that they are a crumb; what is no long stroke has its own."""
    slot, (low, _, high) = placed.option.slot, placed.option.passes
    if placed.option.stroke.passing.kind == "glide":
        passes = (OVER_ALL if several else ALONE)[slot]
    else:
        passes = tuple(range(low, high + 1))
    return tuple(n for n in passes if slot == "spread" or placed.seconds(n) >= CRUMB) or passes[-1:]


@dataclass(frozen=True)
class LongWays:
    """Every way to have the long strokes of a span, a row each.

    `strokes` with the passes that each may have; `oils`: one that opens the span wants oil. Then by way: passes by
    stroke, whole seconds of all sides together, and the seconds that count for one side of each region.
    """

    strokes: StrokesWithPasses
    oils: bool
    passes: NDArray[np.int64]
    seconds: NDArray[np.int64]
    counted: NDArray[np.float64]


@lru_cache(maxsize=500)
def list_long_ways(span: Span, joins: bool) -> LongWays:
    """All ways to have the long strokes; `joins`: there is time for those half way, too.

    They do not depend on the minutes, so a plan for others has them again.
    """
    long = _find_long_strokes(span, joins)
    strokes = long.all_with_passes(len(span.sites) > 1)
    which = np.indices([len(may_have) for _, may_have in strokes]).reshape(len(strokes), -1)
    ways = which.shape[1] if strokes else 1
    passes, seconds, counted = (
        np.zeros((ways, len(strokes)), dtype=np.int64),
        np.zeros(ways, dtype=np.int64),
        np.zeros((ways, len(span.sites))),
    )
    for j, (placed, may_have) in enumerate(strokes):
        taken = np.array([placed.seconds(n) if n else 0 for n in may_have])[which[j]]
        passes[:, j] = np.array(may_have)[which[j]]
        seconds += taken * _times(placed, span)
        counted += taken[:, None] * np.array(list(_counts(placed, span)))
    return LongWays(strokes, any(p.oils for p in long.opening), passes, seconds, counted)


def _times(placed: PlacedStroke, span: Span) -> int:
    """How often a long stroke is done: over several regions once, over one on each of its sides."""
    return 1 if placed.over else span.side_count(placed.site.region.id)


def _counts(placed: PlacedStroke, span: Span) -> Iterator[float]:
    """By region, the part of its seconds that counts for one side."""
    for id, sides in zip(span.regions, span.sides, strict=True):
        yield placed.share(id) / sides if placed.over else float(id == placed.site.region.id)
