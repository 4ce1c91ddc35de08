"""Strokes along the arc of one stop, with passes that meet its seconds."""

from bisect import bisect_left, bisect_right
from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache
from itertools import product

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import SLOTS, Region
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import FIRM, Step, Stop, StopMedium
from mellow_tide.core.planner.repertoire import Option, Touch, arc_options, medium_of
from mellow_tide.core.timing.run_sheet import stop_seconds
from mellow_tide.core.timing.step_seconds import passes_seconds
from mellow_tide.core.timing.tempo import Tempo

ASK_AGAIN = 480
"""Seconds after which a client whose face is hidden is asked again."""

CLOSE_ENOUGH = 5
"""Seconds by which a stop may miss its target without trying another set of strokes."""

WARMING_UNITS = 2
"""Strokes that warm a region before anything strong."""

ALIKE = 3
"""Seconds within which fits count as equal, so that passes closer to usual win."""


@dataclass(frozen=True)
class Place:
    """Where and how a stop is worked: region and position, the touch, and whose seconds count."""

    region: Region
    position: str
    touch: Touch
    catalogue: Catalogue
    tempo: Tempo

    @cached_property
    def medium(self) -> StopMedium:
        """What is on the skin, or over it."""
        return medium_of(self.region.id, self.touch.clothed, self.catalogue)

    @property
    def options(self) -> tuple[Option, ...]:
        """The strokes that could stand in the arc."""
        return arc_options(self.region.id, self.touch, self.catalogue)

    @property
    def hidden(self) -> bool:
        """Whether the face is hidden."""
        return self.catalogue.positions[self.position].face_hidden

    def seconds(self, option: Option, passes: int) -> int:
        """Whole seconds of an option with so many passes."""
        return passes_seconds(
            option.stroke, self.region, option.depth, passes, self.catalogue.pace, self.tempo
        )

    def taken(self, stop: Stop) -> int:
        """Whole seconds of working a stop here."""
        return stop_seconds(stop, self.catalogue, self.tempo)

    def fixed(self, options: Iterable[Option]) -> int:
        """Seconds of the first oil, and of wiping it off where a grip is needed."""
        if self.medium != "lubricated":
            return 0
        pace = self.catalogue.pace
        return pace.oil_first + pace.wipe * sum(_needs_wiping(o) for o in options)


def fit_stop(place: Place, side: Side, seconds: int) -> Stop:
    """The stop at `place` whose strokes along the arc take as near to `seconds` as passes allow.

    Takes as many options as usual passes fill best, then the passes closest to usual whose seconds are nearest.
    `seconds` must lie within `capacity`; the result is then within 10 s of it.
    """
    nearest: tuple[int, Stop] | None = None
    for count in _likely_counts(place, seconds):
        chosen = _warmed(_in_order(place.options[:count]))
        stop = _stop(place, side, chosen, _nearest_passes(place, chosen, seconds))
        off = abs(place.taken(stop) - seconds)
        if nearest is None or off < nearest[0]:
            nearest = (off, stop)
        if off <= CLOSE_ENOUGH:
            break
    if nearest is None:
        raise ValueError(f"{place.region.id}: no strokes to make an arc of")
    return nearest[1]


def _likely_counts(place: Place, seconds: int) -> list[int]:
    """How many options to take, the count whose usual passes come nearest to `seconds` first."""
    away: list[tuple[float, int]] = []
    usual = place.fixed(())
    for count, option in enumerate(place.options, 1):
        usual += place.seconds(option, option.passes[1])
        if count >= _essential_count(place.options):
            away.append((abs(usual - seconds), count))
    return [count for _, count in sorted(away)]


@lru_cache(maxsize=2_000)
def capacity(region_id: str, touch: Touch, catalogue: Catalogue, tempo: Tempo) -> tuple[int, int]:
    """Least and most seconds per side that the catalogue's strokes can fill on the region, in any of its positions."""
    region = catalogue.regions[region_id]
    options = arc_options(region_id, touch, catalogue)
    essential = _warmed(_in_order(options[: _essential_count(options)]))
    every = _warmed(_in_order(options))
    asking, silent = (
        Place(region, position, touch, catalogue, tempo) for position in _hidden_first(region, catalogue)
    )
    least = _stop(asking, "mid", essential, tuple(o.passes[0] for o in essential))
    most = _stop(silent, "mid", every, tuple(o.passes[2] for o in every))
    return asking.taken(least), silent.taken(most)


def _hidden_first(region: Region, catalogue: Catalogue) -> tuple[str, str]:
    """The positions in which most and least is asked: one that hides the face, if any does, and one that does not."""
    hidden = sorted(region.positions, key=lambda id: not catalogue.positions[id].face_hidden)
    return hidden[0], hidden[-1]


def _needs_wiping(option: Option) -> bool:
    return option.stroke.grip and "towel" not in option.stroke.tools


def _essential_count(options: tuple[Option, ...]) -> int:
    return sum(1 for o in options if o.rank == 0)


def _in_order(options: tuple[Option, ...]) -> tuple[Option, ...]:
    return tuple(sorted(options, key=lambda o: SLOTS.index(o.slot)))


def _warmed(options: tuple[Option, ...]) -> tuple[Option, ...]:
    """The options, nothing strong before two of them have warmed the region, and no depth two above the one before."""
    warmed, before = 0, 1
    found: list[Option] = []
    for option in options:
        most = FIRM if warmed < WARMING_UNITS else option.depth
        depth = option.stroke.depth_near(min(option.depth, most, before + 1))
        found.append(replace(option, depth=depth) if depth < option.depth else option)
        before = found[-1].depth
        if option.slot in ("dry", "warm", "knead"):
            warmed += 1
    return tuple(found)


Passes = tuple[int, ...]
Counts = NDArray[np.int16]

LONGEST = 1_800
"""Seconds beyond which no stop is ever worked."""

FAR = np.int16(10_000)
"""A difference from usual that no passes have."""


def _nearest_passes(place: Place, options: tuple[Option, ...], seconds: int) -> Passes:
    """Passes whose oiled seconds come nearest to `seconds`; among equals, nearest to usual.

    How often oil goes on again and the client is asked depends on where the steps end up, so each number of times that
    may be is allowed for in turn, and what really comes out decides.
    """
    pace = place.catalogue.pace
    choices = _choices(place, options)
    nearest: tuple[int, Passes] = (seconds, tuple(o.passes[1] for o in options))
    agains = range(seconds // pace.oil_lasts + 1) if place.medium == "lubricated" else range(1)
    for again, asked in product(agains, range(seconds // ASK_AGAIN + 2)):
        target = seconds - place.fixed(options) - again * pace.oil_again - asked * pace.check_in
        passes = choices.near(target)
        off = abs(place.taken(_stop(place, "mid", options, passes)) - seconds)
        if off < nearest[0]:
            nearest = (off, passes)
        if off <= CLOSE_ENOUGH:
            break
    return nearest[1]


Length = tuple[int, int, int]
"""Seconds that a number of passes takes, how far that is from usual, and the number."""


@dataclass(frozen=True)
class Choices:
    """Every total that passes can make, in order, each with the passes nearest to usual that make it."""

    totals: tuple[int, ...]
    strain: Counts
    picks: tuple[Counts, ...]
    lengths: tuple[tuple[Length, ...], ...]

    def near(self, seconds: int) -> Passes:
        """The passes whose total is nearest to `seconds`; within `ALIKE` seconds those nearest to usual."""
        low = bisect_left(self.totals, seconds - ALIKE)
        high = bisect_right(self.totals, seconds + ALIKE)
        if low < high:
            return self._passes(min(self.totals[low:high], key=lambda total: int(self.strain[total])))
        around = self.totals[max(low - 1, 0) : high + 1]
        return self._passes(min(around, key=lambda total: abs(total - seconds)))

    def _passes(self, total: int) -> Passes:
        """The passes that make `total`, found backwards."""
        found = []
        for pick, option in zip(reversed(self.picks), reversed(self.lengths), strict=True):
            passes = int(pick[total])
            found.append(passes)
            total -= next(adds for adds, _, n in option if n == passes)
        return tuple(reversed(found))


def _choices(place: Place, options: tuple[Option, ...]) -> Choices:
    return _all_totals(
        tuple(
            tuple((place.seconds(o, n), abs(n - o.passes[1]), n) for n in range(o.passes[0], o.passes[2] + 1))
            for o in options
        )
    )


@lru_cache(maxsize=2_000)
def _all_totals(lengths: tuple[tuple[Length, ...], ...]) -> Choices:
    """By a programme over the options: for every total up to `LONGEST`, the least that passes differ from usual."""
    size = 1 + min(sum(max(adds for adds, _, _ in option) for option in lengths), LONGEST)
    strain = np.full(size, FAR, dtype=np.int16)
    strain[0] = 0
    picks = []
    for option in lengths:
        grown, pick = np.full(size, FAR, dtype=np.int16), np.zeros(size, dtype=np.int16)
        for adds, away, passes in option:
            if adds >= size:
                continue
            candidate = strain[: size - adds] + np.int16(away)
            better = candidate < grown[adds:]
            grown[adds:][better] = candidate[better]
            pick[adds:][better] = passes
        strain = grown
        picks.append(pick)
    totals = tuple(int(total) for total in np.flatnonzero(strain < FAR))
    return Choices(totals, strain, tuple(picks), lengths)


def _stop(place: Place, side: Side, options: tuple[Option, ...], passes: Passes) -> Stop:
    asked_after = _asked_after(place, options, passes)
    steps = tuple(
        Step.model_construct(
            stroke=o.stroke.id,
            slot=o.slot,
            tool=_easiest_tool(o, place.catalogue),
            zone=o.zone,
            depth=o.depth,
            passes=n,
            wipe=place.medium == "lubricated" and _needs_wiping(o),
            check_in=i in asked_after,
        )
        for i, (o, n) in enumerate(zip(options, passes, strict=True))
    )
    region = place.region
    return Stop.model_construct(
        id=region.id if side == "mid" else f"{region.id}-{side}",
        role="work",
        region=region.id,
        side=side,
        position=place.position,
        window=region.window_in(place.position),
        medium=place.medium,
        steps=steps,
    )


def _asked_after(place: Place, options: tuple[Option, ...], passes: Passes) -> set[int]:
    """The steps after which the client is asked about the pressure.

    That is the first one as firm as kneading; and while the face is hidden the first that warms, if none is firm, and
    another once nothing has been asked for `ASK_AGAIN` seconds.
    """
    first = next((i for i, o in enumerate(options) if o.depth >= FIRM), None)
    if first is None and place.hidden:
        first = next((i for i, o in enumerate(options) if o.slot in ("warm", "knead")), None)
    if first is None or not place.hidden:
        return set() if first is None else {first}
    asked, since = {first}, 0
    for i, (o, n) in enumerate(zip(options, passes, strict=True)):
        since += place.seconds(o, n)
        if i > first and since >= ASK_AGAIN and o.slot != "settle":
            asked.add(i)
        since = 0 if i in asked else since
    return asked


def _easiest_tool(option: Option, catalogue: Catalogue) -> str:
    return min(option.stroke.tools, key=lambda tool: catalogue.tools[tool].load_rank)
