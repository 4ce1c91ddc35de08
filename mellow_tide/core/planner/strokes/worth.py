"""What the strokes of a region are worth, and the best choice of them for every number of seconds."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache
from math import log
from typing import Literal, Self

import numpy as np
from numpy.lib.stride_tricks import sliding_window_view
from numpy.typing import NDArray

from mellow_tide.core.catalogue.records import Slot
from mellow_tide.core.hands.spread import STRONG
from mellow_tide.core.planner.strokes.repertoire import AGAIN
from mellow_tide.core.planner.strokes.site import Site
from mellow_tide.core.planner.strokes.span import PlacedStroke

StrokeUse = Literal["knead", "specific", "moving", "broad", "dry"]
"""What a stroke does in the arc: besides kneading and specific work what moves a limb, and what is deep and broad."""

NEEDS: tuple[StrokeUse, ...] = ("knead", "specific", "moving", "broad")
"""The uses that an arc may not be without; the i-th is the bit i of a set of them."""

MOVES = frozenset({"rocking", "vibration", "mobilise", "stretch"})
"""Families that move what they work on."""

BY_SLOT: Mapping[Slot, StrokeUse] = {
    "knead": "knead",
    "specific": "specific",
    "mobilise": "moving",
    "flush": "moving",
    "rouse": "moving",
    "dry": "dry",
}
"""What a stroke does in a slot; in all others it is broad."""

WORTH: Mapping[StrokeUse, float] = {
    "knead": 1.0, "specific": 0.9, "broad": 0.85, "moving": 0.75, "dry": 0.8
}  # fmt: skip
"""What a first second is worth (from experience)."""

SATED: Mapping[StrokeUse, float] = {"knead": 60, "specific": 45, "broad": 50, "moving": 25, "dry": 40}
"""Seconds after which a second of the same stroke is worth half."""

STEP = 12.0
"""What every step costs: a hand that changes too often does not sink in."""

LIGHTER, DEEPER = 0.85, 0.8
"""What is left of the worth for each level lighter, or deeper, than wished."""

STRONG_WISH = 1.5
"""How much more strong work is worth to a client who wishes it."""

LIKED, REPEATED, SECOND = 1.5, 0.75, 0.6
"""How much more what is liked is worth; what is left of what the part before had; and of a second round."""

NEW, ONCE_MORE = 9.0, 6.0
"""What a stroke's first use in a session is worth more, and each one from the third on less."""

TWICE_RUNNING = 30.0
"""What it costs to begin with the stroke that the region before ended with."""

SHORTEST, SHORTEST_SMALL = 20, 10
"""Seconds that a step lasts at least, and on small regions."""

SMALL = frozenset({"hand", "foot", "face"})

AROUND = 10
"""Seconds by which a region may have more or less than its share, so that better strokes fit."""

OFF = 1.0
"""What a second costs that a region has more or less."""

MISSED = np.float32(OFF) * np.abs(np.arange(-AROUND, AROUND + 1, dtype=np.float32))[:, None]
"""The same for every number of seconds that lie within `AROUND`."""

NOWHERE = -1e6

SETS = 1 << len(NEEDS)

Worths = NDArray[np.float32]


def use_of(placed: PlacedStroke) -> StrokeUse:
    """What a stroke does in the arc; through cloth it is compression that kneads."""
    option = placed.option
    if option.stroke.family == "compression" and placed.site.medium == "clothed":
        return "knead"
    if option.stroke.family in MOVES:
        return "moving"
    return BY_SLOT.get(option.slot, "broad")


def _worth(placed: PlacedStroke, seconds: int) -> float:
    """What a step of so many seconds is worth, whatever else the session has."""
    option, touch, use = placed.option, placed.site.touch, use_of(placed)
    value = WORTH[use] * SATED[use] * log(1 + seconds / SATED[use])
    if use not in ("moving", "dry"):
        away = min(touch.wished, touch.cap) - option.depth
        value *= LIGHTER**away if away > 0 else DEEPER**-away
        if option.depth >= STRONG and touch.wished >= STRONG:
            value *= STRONG_WISH
    wanted = option.stroke.id in placed.site.catalogue.planned_first(option.slot)
    if wanted or option.stroke.id in touch.likes or option.tool in touch.likes:
        value *= LIKED
    if option.stroke.id in touch.before or (option.tool in touch.tired and option.depth >= STRONG):
        value *= REPEATED
    if option.rank >= AGAIN:
        value *= SECOND ** (option.rank // AGAIN)
    return value - STEP - placed.site.catalogue.clock.wipe * placed.wiped / 2


def _novelty(used: int) -> float:
    """What it is worth more, or less, that the session has had a stroke so often already."""
    return NEW if not used else -ONCE_MORE * max(0, used - 1)


def passes_of(placed: PlacedStroke) -> tuple[int, ...]:
    """The passes that a step may have, five at most: none so few that it is a crumb.

    Kneading once over may be enough, where something else comes before and after it.
    """
    low, _, high = placed.option.passes
    low = 1 if placed.option.slot == "knead" else low
    shortest = SHORTEST_SMALL if placed.site.region.id in SMALL else SHORTEST
    found = [n for n in range(low, high + 1) if placed.seconds(n) >= shortest]
    while not found:
        high += 1
        found = [high, high + 1, high + 2] if placed.seconds(high) >= shortest else []
    return tuple(found[:: -(-len(found) // 5)])


@dataclass(frozen=True, eq=False)
class OwnStroke:
    """A stroke that a region may have of its own: its passes, and for each the seconds and the worth."""

    placed: PlacedStroke
    passes: tuple[int, ...]
    seconds: tuple[int, ...]
    worths: tuple[float, ...]
    bit: int

    @classmethod
    def of(cls, placed: PlacedStroke) -> Self:
        """The stroke with all that is worked out about it once."""
        use, passes = use_of(placed), passes_of(placed)
        wipe = placed.site.catalogue.clock.wipe * placed.wiped
        seconds = tuple(placed.seconds(n) for n in passes)
        bit = 1 << NEEDS.index(use) if use in NEEDS else 0
        worths = tuple(_worth(placed, taken) for taken in seconds)
        return cls(placed, passes, tuple(taken + wipe for taken in seconds), worths, bit)


@dataclass(frozen=True)
class _Pick:
    """A stroke with the passes it may have: which of them is best in a state (-1: none), and from which state.

    Both have a row for each state that it may lead to; `rows` says which.
    """

    own: OwnStroke
    rows: Mapping[int, int]
    choice: NDArray[np.int8]
    from_other: NDArray[np.bool_] | None

    def passes(self, state: int, total: int) -> int:
        """The place among its passes with which it leads to a state best; -1: it is not done."""
        row = self.rows.get(state)
        return -1 if row is None else int(self.choice[row, total])

    def before(self, state: int, total: int) -> int:
        """The state before a stroke that was done: whether its need was met already."""
        met = self.from_other is None or not self.from_other[self.rows[state], total]
        return state if met else state ^ self.own.bit


@lru_cache(maxsize=SETS * SETS)
def _list_states(bits: int, bit: int) -> tuple[NDArray[np.intp], Mapping[int, int]]:
    """The states that have no needs but `bits`, and have `bit`; and the row of each."""
    states = [s for s in range(SETS) if not s & ~bits and s & bit == bit]
    return np.array(states), {state: row for row, state in enumerate(states)}


class RegionTable:
    """By needs that are met and whole seconds, the greatest worth of a region's own strokes.

    A programme over (stroke, passes): each stroke once at one place, with one of its passes. Exact to the second.
    """

    def __init__(
        self, strokes: tuple[OwnStroke, ...], used: Mapping[str, int], seconds: int, last: str
    ) -> None:
        self._size, self._strokes = seconds + AROUND + 1, strokes
        best: Worths = np.full((SETS, self._size), NOWHERE, dtype=np.float32)
        best[0, 0] = 0
        self._picks: list[_Pick] = []
        # Beyond the needs and the seconds of the strokes so far there is nothing to grow from.
        bits, reached = 0, 0
        for own in strokes:
            stroke, first = own.placed.option.stroke.id, own.placed.option.rank < AGAIN
            more = _novelty(used.get(stroke, 0)) * first - TWICE_RUNNING * (stroke == last)
            bits |= own.bit
            states, rows = _list_states(bits, own.bit)
            # A state is reached from itself, or from the one that lacks what this stroke brings.
            grown = best[states]
            base, from_other = grown.copy(), None
            if own.bit:
                other = best[states ^ own.bit]
                from_other = other > base
                np.maximum(base, other, out=base)
            choice = np.full(grown.shape, -1, dtype=np.int8)
            longest = 0
            for i, taken in enumerate(own.seconds):
                if taken >= self._size:
                    break
                longest = taken
                end = min(self._size, reached + taken + 1)
                trial = base[:, : end - taken] + np.float32(own.worths[i] + more)
                here = grown[:, taken:end]
                np.copyto(choice[:, taken:end], np.int8(i), where=trial > here)
                np.maximum(here, trial, out=here)
            self._picks.append(_Pick(own, rows, choice, from_other))
            best[states] = grown
            reached = min(self._size - 1, reached + longest)
        self._best = best

    def after(self, used: Mapping[str, int], seconds: int, last: str) -> "RegionTable":
        """The table of the same strokes once others were used, up to so many seconds."""
        return find_table(self._strokes, used, seconds, last)

    @cached_property
    def offered(self) -> int:
        """The needs that can be met at all."""
        reached = (self._best > NOWHERE / 2).any(axis=1)
        return int(np.bitwise_or.reduce(np.flatnonzero(reached), initial=0))

    @cached_property
    def reach(self) -> int:
        """The most seconds that the strokes can fill, up to those of the table."""
        return int(np.flatnonzero((self._best > NOWHERE / 2).any(axis=0))[-1])

    def worth(self, needs: int, seconds: int) -> float:
        """The most that strokes which meet `needs` are worth in about so many seconds; `NOWHERE` if there are none.

        What lies beyond all that they can fill is left over, at a price.
        """
        return float(self.worths(needs)[seconds]) if 0 <= seconds < self._size else NOWHERE

    def worths(self, needs: int) -> NDArray[np.float64]:
        """The same for every whole number of seconds, from 0 on."""
        found = self._worths.get(needs)
        if found is None:
            found = self._near(needs)[0].astype(np.float64)
            beyond = np.arange(1, self._size - self.reach)
            found[self.reach + 1 :] = found[self.reach] - OFF * beyond
            self._worths[needs] = found
        return found

    def pick(self, needs: int, seconds: int) -> list[tuple[PlacedStroke, int]]:
        """Those strokes, with their passes."""
        seconds = min(seconds, self.reach)
        _, states, totals = self._near(needs)
        state, total = int(states[seconds]), int(totals[seconds])
        found = []
        for pick in reversed(self._picks):
            passes = pick.passes(state, total)
            if passes < 0:
                continue
            found.append((pick.own.placed, pick.own.passes[passes]))
            total -= pick.own.seconds[passes]
            state = pick.before(state, total)
        return found[::-1]

    def _near(self, needs: int) -> tuple[Worths, NDArray[np.intp], NDArray[np.intp]]:
        """By seconds: the most worth within `AROUND` of them with at least these needs, and where it is."""
        found = self._nears.get(needs)
        if found is None:
            states = [s for s in range(SETS) if s & needs == needs]
            rows = self._best[states]
            best, which = rows.max(axis=0), np.asarray(states)[rows.argmax(axis=0)]
            padded = np.full(self._size + 2 * AROUND, NOWHERE, dtype=np.float32)
            padded[AROUND:-AROUND] = best
            shifted = sliding_window_view(padded, self._size) - MISSED
            pick = shifted.argmax(axis=0)
            totals = np.clip(np.arange(self._size) + pick - AROUND, 0, self._size - 1)
            found = shifted.max(axis=0), which[totals], totals
            self._nears[needs] = found
        return found

    @cached_property
    def _worths(self) -> dict[int, NDArray[np.float64]]:
        return {}

    @cached_property
    def _nears(self) -> dict[int, tuple[Worths, NDArray[np.intp], NDArray[np.intp]]]:
        return {}


SHORTEST_TABLE = 60
"""Tables reach up to whole multiples of so many seconds, so that one serves several questions."""

Used = tuple[tuple[str, int], ...]


def find_table(
    strokes: tuple[OwnStroke, ...], used: Mapping[str, int], seconds: int, last: str = ""
) -> RegionTable:
    """The table of some strokes, each used so often before, up to so many seconds; `last` came right before."""
    ids = {own.placed.option.stroke.id for own in strokes}
    known = tuple(sorted((id, n) for id, n in used.items() if n and id in ids))
    up_to = -(-max(1, seconds) // SHORTEST_TABLE) * SHORTEST_TABLE
    return _table(strokes, known, up_to, last if last in ids else "")


# A table of a long part takes half a megabyte.
@lru_cache(maxsize=300)
def _table(strokes: tuple[OwnStroke, ...], used: Used, seconds: int, last: str) -> RegionTable:
    return RegionTable(strokes, dict(used), seconds, last)


@lru_cache(maxsize=1_000)
def own_strokes(
    site: Site, taken: frozenset[tuple[str, str | None, str]], dry: bool, rounds: int
) -> tuple[OwnStroke, ...]:
    """The strokes that a region may have besides those `taken` (stroke, zone, slot) to open and settle its arc.

    `dry`: work before the oil is among them; `rounds`: how often the region is worked through. What kneads a place does
    not warm it, too.
    """
    oiled = site.medium == "lubricated"
    kneads = {(o.stroke.id, o.zone) for o in site.options if o.slot == "knead"}
    found: dict[tuple[str, str | None, StrokeUse, int], PlacedStroke] = {}
    for o in site.options:
        if (
            (o.rank >= AGAIN or (o.stroke.id, o.zone, o.slot) not in taken)
            and o.slot != "spread"
            and (o.slot != "settle" or (o.rank > 0 and o.stroke.use == "wish"))
            and not (o.slot == "flush" and o.stroke.passing.kind == "glide")
            and not (o.slot == "warm" and (o.stroke.id, o.zone) in kneads)
            and (o.slot != "dry" or not oiled or dry)
            and not (oiled and o.stroke.id == "effleurage")
            and o.rank < rounds * AGAIN
        ):
            placed = PlacedStroke(site, o)
            # What one stroke does in two slots alike it does once in a round.
            found.setdefault((o.stroke.id, o.zone, use_of(placed), o.rank // AGAIN), placed)
    return tuple(map(OwnStroke.of, found.values()))
