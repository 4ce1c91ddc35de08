"""The strokes of a span: long ones over all of it that open and close its arc, and between them each region's own."""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import product
from math import log

from mellow_tide.core.planner.strokes.arc import fit_arc
from mellow_tide.core.planner.strokes.long import closing_of, find_long_strokes, opening_of
from mellow_tide.core.planner.strokes.repertoire import ROUNDS
from mellow_tide.core.planner.strokes.sequence import Passed, ease, fit, place_in_round, put_in_order
from mellow_tide.core.planner.strokes.site import Site
from mellow_tide.core.planner.strokes.span import PlacedStroke, Span, SpanArc
from mellow_tide.core.planner.strokes.worth import (
    NEEDS,
    NOWHERE,
    OwnStroke,
    RegionTable,
    find_table,
    own_strokes,
    passes_of,
)

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
    total = sum(t * n for t, n in zip(targets, span.sides, strict=True))
    chosen = _choose(span, targets, used, oiled)
    if chosen is None:
        return None
    arc = fit(span, ease(put_in_order(span, chosen)), targets, oiled)
    return arc if arc is not None and abs(arc.seconds - total) <= CLOSE_ENOUGH else None


def as_filled(span: Span, targets: Sequence[int], used: Mapping[str, int], oiled: int | None) -> SpanArc:
    """Each region composed alone, with no long strokes; for seconds that nothing else makes, its arc stretched."""
    placed: list[PlacedStroke] = []
    passes: list[int] = []
    for i, (site, target) in enumerate(zip(span.sites, targets, strict=True)):
        alone = Span((site,), (span.sides[i],))
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
    """The best strokes with their passes: long ones tried in every number of passes, best bound first.

    What own strokes are worth without any need is a bound on what they are worth with it.
    """
    long = find_long_strokes(span)
    lead = oiled is None
    tables = [
        find_table(own_options(site, lead and i == 0, target), used, target)
        for i, (site, target) in enumerate(zip(span.sites, targets, strict=True))
    ]
    total = sum(t * n for t, n in zip(targets, span.sides, strict=True))
    if total < JOINED_FROM:
        long = replace(long, between=())
    strokes = long.all_with_passes(len(span.sites) > 1)
    needs = sorted(_possible_needs(span, targets, tables), key=lambda one: one[1], reverse=True)
    most = needs[0][1]
    oils = lead and any(p.oils for p in long.opening)
    tried = sorted(
        _long_choices(span, strokes, targets, tables, oils), key=lambda one: one.bound, reverse=True
    )
    best: tuple[float, _LongChoice, tuple[int, ...]] | None = None
    for one in tried:
        if best and one.bound + most <= best[0]:
            break
        for need, bonus in needs:
            if best and one.bound + bonus <= best[0]:
                break
            value = (
                one.worth
                + bonus
                + sum(
                    sides * table.worth(n, seconds)
                    for sides, table, n, seconds in zip(span.sides, tables, need, one.left, strict=True)
                )
            )
            if value > NOWHERE / 2 and (best is None or value > best[0]):
                best = value, one, need
    if best is None:
        return None
    _, one, need = best
    own = _own(span, need, one.left, used, tables)
    chosen = ((p, n, may_have) for (p, may_have), n in zip(strokes, one.passes, strict=True))
    return [*((p, n, tuple(m for m in may_have if m)) for p, n, may_have in chosen if n), *own]


@dataclass(frozen=True)
class _LongChoice:
    """Passes of the long strokes: what they are worth, the seconds left to each region, and a bound on it all."""

    passes: tuple[int, ...]
    worth: float
    left: tuple[int, ...]
    bound: float


@dataclass(frozen=True)
class _Passes:
    """A number of passes of a long stroke: whole seconds of all sides, and what counts for one side of each region."""

    passes: int
    seconds: int
    counted: tuple[float, ...]


def _long_choices(
    span: Span,
    strokes: Sequence[tuple[PlacedStroke, tuple[int, ...]]],
    targets: Sequence[int],
    tables: Sequence[RegionTable],
    oils: bool,
) -> Iterator[_LongChoice]:
    """All ways to have the long strokes; `oils`: the first oil comes with them."""
    first_oil = span.catalogue.clock.oil_first if oils else 0
    there = [target - first_oil * (i == 0) for i, target in enumerate(targets)]
    total = sum(t * n for t, n in zip(targets, span.sides, strict=True))
    for chosen in product(*([_passes(p, n, span) for n in may_have] for p, may_have in strokes)):
        left = tuple(
            round(seconds - sum(one.counted[i] for one in chosen)) for i, seconds in enumerate(there)
        )
        if min(left) < 0:
            continue
        worth = _long_worth(sum(one.seconds for one in chosen), total)
        own = sum(n * table.worth(0, s) for n, table, s in zip(span.sides, tables, left, strict=True))
        if own > NOWHERE / 2:
            yield _LongChoice(tuple(one.passes for one in chosen), worth, left, worth + own)


def _passes(placed: PlacedStroke, passes: int, span: Span) -> _Passes:
    """So many passes of a long stroke: over several regions once, over one on each of its sides."""
    seconds, own = placed.seconds(passes) if passes else 0, placed.site.region.id
    if not placed.over:
        counted = tuple(float(seconds) if id == own else 0.0 for id in span.regions)
        return _Passes(passes, seconds * span.side_count(own), counted)
    shares = (seconds * placed.share(id) / sides for id, sides in zip(span.regions, span.sides, strict=True))
    return _Passes(passes, seconds, tuple(shares))


def _possible_needs(
    span: Span, targets: Sequence[int], tables: Sequence[RegionTable]
) -> Iterator[tuple[tuple[int, ...], float]]:
    """The needs that each region's strokes may be asked to meet, and what it is worth that they are."""
    total = sum(t * n for t, n in zip(targets, span.sides, strict=True))
    kneaded = [
        1 if t >= KNEADED_FROM and table.offered & 1 else 0 for t, table in zip(targets, tables, strict=True)
    ]
    wanted = ["specific"] if total >= SPECIFIC_FROM else []
    wanted += ["moving", "broad"] if total >= MOVED_FROM else []
    for base in {tuple(kneaded), (0,) * len(kneaded)}:
        for pick in product(range(-1, len(tables)), repeat=len(wanted)):
            needs = list(base)
            for name, at in zip(wanted, pick, strict=True):
                if at >= 0:
                    needs[at] |= 1 << NEEDS.index(name)
            if all(not need & ~table.offered for need, table in zip(needs, tables, strict=True)):
                met = sum(at >= 0 for at in pick) + sum(n * k for n, k in zip(span.sides, base, strict=True))
                yield tuple(needs), NEEDED * met


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
        found += ((p, n, passes_of(p)) for p, n in here)
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


def _long_worth(seconds: int, total: int) -> float:
    """What so many seconds of long strokes are worth, less what lies outside the share of the span they should have."""
    low, high = LONG_SHARE
    outside = max(0.0, low * total - seconds, seconds - high * total)
    return LONG * LONG_SATED * log(1 + seconds / LONG_SATED) - OFF_SHARE * outside
