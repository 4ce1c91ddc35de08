"""Which regions: the best set, proven.

For every set of optional regions the seconds of its cheapest order are known at once, and with them a Lagrangian bound
(the best value at any price of a second). Sets are then taken best bound first, priced exactly, and the search parts
when the next bound cannot beat the best value found: that value is proven best.
"""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.planner.minutes.gains import ALIKE, Floats, Gains, over_sets
from mellow_tide.core.planner.minutes.minutes import allot
from mellow_tide.core.planner.order.order_table import make_order_table
from mellow_tide.core.planner.question.question import PlanQuestion

COARSE_PRICES, PRICES = 10, 96
"""How many prices of a second the bound of every set tries, and that of the sets that could still win."""

FEW_SETS = 1 << 9
"""So many sets are bounded finely at once; of more, most are ruled out by a coarse bound first."""

FIRST_TRIED = 2
"""Sets priced at the start, so that most others can be ruled out by their coarse bound."""

Deadline = Callable[[], bool]
"""Whether it is time to come to an end."""

Price = tuple[float, tuple[float, ...], int]

Indices = NDArray[np.intp]


def no_deadline() -> bool:
    """Never: whatever is asked is worked out to its proof."""
    return False


@dataclass(frozen=True)
class ChosenSet:
    """The best set with exact seconds per side (`close` last) and its proof.

    `value` is the benefit reached, `next_bound` the most any set not priced could reach (at most `value`, unless a
    deadline came first), `sets_priced` how many were priced exactly.
    """

    regions: tuple[str, ...]
    seconds: tuple[float, ...]
    close_seconds: float
    transition_seconds: int
    value: float
    next_bound: float
    sets_priced: int


class Chooser:
    """All sets of one question with their bounds; answers for any further musts without starting anew."""

    def __init__(self, question: PlanQuestion, catalogue: Catalogue) -> None:
        self._question = question
        # A set of optional regions is the number whose bit i stands for the i-th of them; musts are in all.
        self._musts = tuple(sorted(question.must))
        self._optional = tuple(sorted(question.shares.keys() - question.must))
        self._sets = np.arange(1 << len(self._optional), dtype=np.uint32)
        self._table = make_order_table(question.way, catalogue)
        self._transitions = self._table.of_all(self._musts, self._optional)
        self._priced: dict[int, Price | None] = {}
        shares = [*(question.shares[id] for id in (*self._optional, *self._musts)), question.close]
        self._gains = Gains(shares)
        self._bound = self._bounds()

    def best(self, also: str | None = None, deadline: Deadline = no_deadline) -> ChosenSet | None:
        """The proven best set that holds the musts, and region `also`; None if none fits the minutes.

        Once `deadline()` is true the best set so far comes back, and `next_bound` says how much better one could be.
        """
        bounds = self._bound
        if also is not None and also in self._optional:
            has = (self._sets >> np.uint32(self._optional.index(also))) & np.uint32(1)
            bounds = np.where(has == 1, bounds, -np.inf)
        best: tuple[float, int] | None = None
        if len(bounds) > FEW_SETS:
            best = self._first(bounds)
            candidates = np.flatnonzero(bounds > (best[0] + ALIKE if best else -np.inf))
            bounds = np.minimum(self._fine(candidates), bounds[candidates])
        else:
            candidates = np.flatnonzero(bounds > -np.inf)
            bounds = bounds[candidates]
        best, bound, priced = self._best_first(candidates, bounds, best, deadline)
        if best is None:
            return None
        value, index = best
        _, seconds, transitions = self._price(index) or (0.0, (0.0,), 0)
        # Where no other set fits at all, the value itself is the bound.
        bound = value if bound == -np.inf else bound
        return ChosenSet(self._ids_of(index), seconds[:-1], seconds[-1], transitions, value, bound, priced)

    def _best_first(
        self, candidates: Indices, bounds: Floats, best: tuple[float, int] | None, deadline: Deadline
    ) -> tuple[tuple[float, int] | None, float, int]:
        """Value and index of the best set, the bound of the next one (-inf: there is none), and sets priced."""
        priced = 0
        for place in np.argsort(-bounds, kind="stable"):
            bound = float(bounds[place])
            if best and (bound <= best[0] + ALIKE or (priced > 0 and deadline())):
                return best, bound, priced
            index = int(candidates[place])
            found = self._price(index)
            priced += 1
            if found and (best is None or found[0] > best[0] + 1e-12):
                best = (found[0], index)
        return best, -np.inf, priced

    def _first(self, bounds: Floats) -> tuple[float, int] | None:
        """Value and index of the best of the few sets whose bounds are highest."""
        best: tuple[float, int] | None = None
        for index in np.argpartition(-bounds, FIRST_TRIED - 1)[:FIRST_TRIED]:
            found = self._price(int(index)) if bounds[index] > -np.inf else None
            if found and (best is None or found[0] > best[0]):
                best = (found[0], int(index))
        return best

    def least_seconds(self, ids: tuple[str, ...]) -> int:
        """The least hands-on seconds (opening left out) that a session of exactly `ids` takes."""
        q = self._question
        work = sum(q.shares[id].count * q.shares[id].least for id in ids)
        return int(work + q.close.least) + self._table.of(frozenset(ids))

    def most_seconds(self) -> int:
        """The most hands-on seconds (opening left out) that all candidates together can fill."""
        q = self._question
        work = sum(s.count * s.most for s in q.shares.values())
        return int(work + q.close.most) + int(self._transitions[-1])

    def _ids_of(self, index: int) -> tuple[str, ...]:
        return (*self._musts, *(id for i, id in enumerate(self._optional) if index >> i & 1))

    def _price(self, index: int) -> Price | None:
        """Value, exact seconds and transitions of a set; None where it does not fit or holds nothing."""
        if index not in self._priced:
            ids = self._ids_of(index)
            shares = [*(self._question.shares[id] for id in ids), self._question.close]
            transitions = int(self._transitions[index])
            seconds = allot(shares, self._question.hands_on - transitions) if ids else None
            value = sum(s.value(t) for s, t in zip(shares, seconds, strict=True)) if seconds else 0.0
            self._priced[index] = (value, seconds, transitions) if seconds else None
        return self._priced[index]

    def _bounds(self) -> Floats:
        """A Lagrangian bound of every set; -inf where not even least times and transitions fit."""
        q = self._question
        free = q.hands_on - self._transitions
        if len(self._sets) <= FEW_SETS:
            bound = self._fine(np.arange(len(self._sets)))
        else:
            bound = np.full(len(self._sets), np.inf)
            prices, gains = self._gains.at(COARSE_PRICES)
            for price, gain in zip(prices, gains.T, strict=True):
                np.minimum(bound, over_sets(gain, len(self._optional)) + price * free, out=bound)
        least = over_sets(self._gains.least, len(self._optional))
        bound[least > free] = -np.inf
        return bound

    def _fine(self, indices: Indices) -> Floats:
        """The bounds of some sets at many prices."""
        prices, gains = self._gains.at(PRICES)
        count = len(self._optional)
        holds = (self._sets[indices, None] >> np.arange(count, dtype=np.uint32)) & np.uint32(1)
        free = self._question.hands_on - self._transitions[indices]
        bound = gains[count:].sum(axis=0) + free[:, None] * prices + holds.astype(np.float64) @ gains[:count]
        fine: Floats = bound.min(axis=1, initial=np.inf)
        return fine
