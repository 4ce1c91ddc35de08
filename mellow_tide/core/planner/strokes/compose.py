"""The strokes of a span: long ones over all of it that open and close its arc, and between them each region's own."""

from collections import Counter
from collections.abc import Mapping, Sequence
from functools import lru_cache
from itertools import product

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.planner.strokes.arc import fit_arc
from mellow_tide.core.planner.strokes.long import (
    closing_of,
    list_long_ways,
    opening_of,
)
from mellow_tide.core.planner.strokes.region_table import NOWHERE, RegionTable, Used, find_table
from mellow_tide.core.planner.strokes.repertoire import ROUNDS
from mellow_tide.core.planner.strokes.sequence import Passed, ease, fit, place_in_round, put_in_order
from mellow_tide.core.planner.strokes.site import Site
from mellow_tide.core.planner.strokes.span import PlacedStroke, Span, SpanArc
from mellow_tide.core.planner.strokes.worth import NEEDS, OwnStroke, own_strokes, passes_of

KNEADED_FROM, SPECIFIC_FROM, MOVED_FROM = 60, 150, 240
"""Seconds from which a region is kneaded, a span has specific work, and one broad and one moving stroke."""

NEEDED = 60.0
"""What it is worth that a need is met."""

LONG_SHARE = (0.3, 0.38)
"""The share of its seconds that a span's long strokes should have (common practice)."""

LONG, LONG_SATED, OFF_SHARE = 0.6, 80, 4.0
"""What a first second of long strokes is worth, after how many half as much; what a second outside the share costs."""


NEIGHBOUR = 2
"""As how many uses in the session one in the region before counts."""

JOINED_FROM = 360
"""Seconds from which long strokes join up a span half way."""

CLOSE_ENOUGH = 10
"""Seconds by which a span may miss its target."""


def compose(span: Span, targets: Sequence[int], used: Mapping[str, int], oiled: int | None) -> SpanArc | None:
    """The strokes that are worth most in so many seconds per side of each region; None where none come near.

    Long strokes count for the regions that they pass over, by length. `used`: how often the session has had each
    stroke; `oiled`: how old the oil is, None where none is on.
    """
    offered = frozenset[str]().union(*(site.offered for site in span.sites))
    matters = tuple(sorted((id, n) for id, n in used.items() if n and id in offered))
    return compose_known(span, tuple(targets), matters, oiled)


@lru_cache(maxsize=2_000)
def compose_known(span: Span, targets: tuple[int, ...], used: Used, oiled: int | None) -> SpanArc | None:
    """The same, kept: a plan for other minutes has many of its spans again."""
    total = sum(t * n for t, n in zip(targets, span.sides, strict=True))
    chosen = _choose(span, targets, dict(used), oiled)
    if chosen is None:
        return None
    arc = fit(span, ease(put_in_order(span, chosen)), targets, oiled)
    # Where long strokes alone pass over a region it has none to be shown, or changed, by.
    if arc is None or not all(arc.steps.values()):
        return None
    return arc if abs(arc.seconds - total) <= CLOSE_ENOUGH else None


def as_filled(span: Span, targets: Sequence[int], used: Mapping[str, int], oiled: int | None) -> SpanArc:
    """Each region composed alone, with no long strokes; for seconds that nothing else makes, its arc stretched."""
    placed: list[PlacedStroke] = []
    passes: list[int] = []
    for i, (site, target) in enumerate(zip(span.sites, targets, strict=True)):
        alone = Span((site,), (span.sides[i],), span.dry if i == 0 else None)
        found = compose(alone, (target,), used, oiled if i == 0 else oiled or 0)
        if found is not None:
            placed += found.placed
            passes += found.passes
            continue
        arc = fit_arc(site, target)
        placed += [PlacedStroke(site, option) for option in arc.options]
        passes += arc.passes
    return SpanArc(span, tuple(placed), tuple(passes), oiled)


def _choose(
    span: Span, targets: Sequence[int], used: Mapping[str, int], oiled: int | None
) -> list[Passed] | None:
    """The best strokes with their passes: the long ones in every number of passes, with every set of needs.

    What own strokes are worth without any need is a bound on what they are worth with it.
    """
    tables = [
        find_table(own_options(site, i == 0, target), used, target, dry=span.dry if i == 0 else None)
        for i, (site, target) in enumerate(zip(span.sites, targets, strict=True))
    ]
    total = sum(t * n for t, n in zip(targets, span.sides, strict=True))
    ways = list_long_ways(span, total >= JOINED_FROM)
    oil = span.catalogue.clock.oil_first * (oiled is None and ways.oils)
    there = np.array(targets) - oil * (np.arange(len(targets)) == 0)
    left = np.rint(there - ways.counted).astype(np.int64)
    fits = left.min(axis=1) >= 0
    if not fits.any():
        return None
    passes, left = ways.passes[fits], left[fits]
    worth = _long_worth(ways.seconds[fits], total)

    own_worth: dict[tuple[int, int], NDArray[np.float64]] = {}

    def valued(need: Sequence[int]) -> NDArray[np.float64]:
        """What each way is worth with own strokes that meet a need of each region."""
        value = worth
        for one in enumerate(need):
            if one not in own_worth:
                i = one[0]
                own_worth[one] = span.sides[i] * tables[i].worths(one[1])[left[:, i]]
            value = value + own_worth[one]
        return value

    most = float(valued((0,) * len(tables)).max())
    best, at, met = NOWHERE / 2, -1, (0,) * len(tables)
    for need, bonus in _possible_needs(span, targets, tables):
        if most + bonus <= best:
            break
        value = valued(need)
        way = int(value.argmax())
        if value[way] + bonus > best:
            best, at, met = float(value[way]) + bonus, way, need
    if at < 0:
        return None
    own = _own(span, met, [int(seconds) for seconds in left[at]], used, tables)
    chosen = ((p, int(n), may_have) for (p, may_have), n in zip(ways.strokes, passes[at], strict=True))
    return [*((p, n, tuple(m for m in may_have if m)) for p, n, may_have in chosen if n), *own]


def _possible_needs(
    span: Span, targets: Sequence[int], tables: Sequence[RegionTable]
) -> tuple[tuple[tuple[int, ...], float], ...]:
    """The needs that each region's strokes may be asked to meet, and what it is worth that they are, the most first."""
    total = sum(t * n for t, n in zip(targets, span.sides, strict=True))
    kneaded = tuple(
        1 if t >= KNEADED_FROM and table.offered & 1 else 0 for t, table in zip(targets, tables, strict=True)
    )
    wanted: tuple[str, ...] = ("specific",) if total >= SPECIFIC_FROM else ()
    wanted += ("moving", "broad") if total >= MOVED_FROM else ()
    return _rank_needs(kneaded, wanted, tuple(table.offered for table in tables), span.sides)


@lru_cache(maxsize=5_000)
def _rank_needs(
    kneaded: tuple[int, ...], wanted: tuple[str, ...], offered: tuple[int, ...], sides: tuple[int, ...]
) -> tuple[tuple[tuple[int, ...], float], ...]:
    found = []
    for base in {kneaded, (0,) * len(kneaded)}:
        for pick in product(range(-1, len(offered)), repeat=len(wanted)):
            needs = list(base)
            for name, at in zip(wanted, pick, strict=True):
                if at >= 0:
                    needs[at] |= 1 << NEEDS.index(name)
            if all(not need & ~has for need, has in zip(needs, offered, strict=True)):
                met = sum(at >= 0 for at in pick) + sum(n * k for n, k in zip(sides, base, strict=True))
                found.append((tuple(needs), NEEDED * met))
    return tuple(sorted(found, key=lambda one: one[1], reverse=True))


def _own(
    span: Span,
    needs: Sequence[int],
    left: Sequence[int],
    used: Mapping[str, int],
    tables: Sequence[RegionTable],
) -> list[Passed]:
    """Each region's own strokes in turn, so that one does not begin with what the one before ended with."""
    found: list[Passed] = []
    had, last = Counter(used), ""
    for i, (need, seconds) in enumerate(zip(needs, left, strict=True)):
        # What the regions before have had counts for the others.
        table = tables[i] if not i else tables[i].after(had, seconds, last)
        here = table.pick(need if table.worth(need, seconds) > NOWHERE / 2 else 0, seconds)
        found += ((p, n, (n,) if span.dry and p.option.slot == "dry" else passes_of(p)) for p, n in here)
        # Neighbours that are worked alike are felt as the same thing again.
        for stroke in {p.option.stroke.id for p, _ in here}:
            had[stroke] += NEIGHBOUR
        last = max(here, key=lambda one: place_in_round(one[0]))[0].option.stroke.id if here else last
    return found


def own_options(site: Site, dry: bool, seconds: int) -> tuple[OwnStroke, ...]:
    """The strokes that a site may have of its own in about so many seconds; `dry`: work before the oil is among them.

    As many rounds as could fill the time twice: a further one would only bring back what nobody misses.
    """
    taken = {(o.stroke.id, o.zone, o.slot) for o in (*opening_of(site), *closing_of(site))}
    if site.medium != "lubricated":
        taken |= {
            (stroke, zone, slot) for stroke, zone, _ in taken for slot in ("dry", "warm", "knead", "settle")
        }
    for rounds in range(1, ROUNDS):
        found = own_strokes(site, frozenset(taken), dry, rounds)
        if sum(own.seconds[-1] for own in found) >= 2 * seconds:
            return found
    return own_strokes(site, frozenset(taken), dry, ROUNDS)


def _long_worth(seconds: NDArray[np.int64], total: int) -> NDArray[np.float64]:
    """What so many seconds of long strokes are worth, less what lies outside the share of the span they should have."""
    low, high = LONG_SHARE
    outside = np.maximum(0.0, np.maximum(low * total - seconds, seconds - high * total))
    worth: NDArray[np.float64] = LONG * LONG_SATED * np.log1p(seconds / LONG_SATED) - OFF_SHARE * outside
    return worth
