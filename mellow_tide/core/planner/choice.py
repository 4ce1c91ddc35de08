"""Which regions: the best set, proven.

For every set of optional regions the seconds of its cheapest order are known at once, and with them a Lagrangian bound
(the best value at any price of a second). Sets are then taken best bound first, priced exactly, and the search stops
when the next bound cannot beat the best value found: that value is proven best.
"""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.planner.minutes import Share, allot
from mellow_tide.core.planner.order_table import order_table
from mellow_tide.core.planner.question import Question

COARSE_PRICES, PRICES = 10, 96
"""How many prices of a second the bound of every set tries, and that of the sets that could still win."""

FIRST_TRIED = 8
"""Sets priced at the start, so that most others can be ruled out by their coarse bound."""

CLOSE = 1e-9
"""Difference in value that is none."""

Deadline = Callable[[], bool]
"""Whether it is time to come to an end."""

Price = tuple[float, tuple[float, ...], int]

Floats = NDArray[np.float64]
Indices = NDArray[np.intp]


def no_deadline() -> bool:
    """Never: whatever is asked is worked out to its proof."""
    return False


@dataclass(frozen=True)
class Choice:
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

    def __init__(self, question: Question, catalogue: Catalogue) -> None:
        self._question = question
        # A set of optional regions is the number whose bit i stands for the i-th of them; musts are in all.
        self._musts = tuple(sorted(question.must))
        self._optional = tuple(sorted(question.shares.keys() - question.must))
        self._sets = np.arange(1 << len(self._optional), dtype=np.uint32)
        self._table = order_table(question.way, catalogue)
        self._transitions = self._table.of_all(self._musts, self._optional)
        self._priced: dict[int, Price | None] = {}
        self._bound = self._coarse_bounds()

    def best(self, also: str | None = None, deadline: Deadline = no_deadline) -> Choice | None:
        """The proven best set that holds the musts, and region `also`; None if none fits the minutes.

        Once `deadline()` is true the best set so far comes back, and `next_bound` says how much better one could be.
        """
        bounds = self._bound
        if also is not None and also in self._optional:
            has = (self._sets >> np.uint32(self._optional.index(also))) & np.uint32(1)
            bounds = np.where(has == 1, bounds, -np.inf)
        best = self._first(bounds)
        candidates = np.flatnonzero(bounds > (best[0] + CLOSE if best else -np.inf))
        refined = self._refined(candidates, bounds)
        order = np.argsort(-refined, kind="stable")
        priced = 0
        bound = -np.inf
        for place in order:
            bound = float(refined[place])
            if best and (bound <= best[0] + CLOSE or (priced > 0 and deadline())):
                break
            index = int(candidates[place])
            found = self._price(index)
            priced += 1
            if found and (best is None or found[0] > best[0] + 1e-12):
                best = (found[0], index)
        else:
            bound = -np.inf
        if best is None:
            return None
        value, index = best
        _, seconds, transitions = self._price(index) or (0.0, (0.0,), 0)
        # Where no other set fits at all, the value itself is the bound.
        bound = value if bound == -np.inf else bound
        return Choice(self._ids_of(index), seconds[:-1], seconds[-1], transitions, value, bound, priced)

    def _first(self, bounds: Floats) -> tuple[float, int] | None:
        """Value and index of the best of the few sets whose bounds are highest."""
        count = min(FIRST_TRIED, len(bounds))
        best: tuple[float, int] | None = None
        for index in np.argpartition(-bounds, count - 1)[:count]:
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

    def _coarse_bounds(self) -> Floats:
        """A Lagrangian bound of every set; -inf where not even least times and transitions fit."""
        q = self._question
        free = q.hands_on - self._transitions
        bound = np.full(len(self._sets), np.inf)
        for price in self._prices(COARSE_PRICES):
            gains = self._sums({id: _gain(share, price) for id, share in q.shares.items()})
            np.minimum(bound, gains + _gain(q.close, price) + price * free, out=bound)
        least = self._sums({id: share.count * share.least for id, share in q.shares.items()})
        bound[least + q.close.least > free] = -np.inf
        return bound

    def _refined(self, indices: Indices, coarse: Floats) -> Floats:
        """The bounds of some sets at many prices."""
        q = self._question
        prices, gains, always = self._gains
        holds = (self._sets[indices, None] >> np.arange(len(self._optional), dtype=np.uint32)) & np.uint32(1)
        free = q.hands_on - self._transitions[indices]
        bound = always + free[:, None] * prices
        if len(self._optional):
            bound = bound + holds.astype(np.float64) @ gains
        fine: Floats = np.minimum(bound.min(axis=1, initial=np.inf), coarse[indices])
        return fine

    @cached_property
    def _gains(self) -> tuple[Floats, Floats, Floats]:
        """Many prices; by optional region and price the most it gains; by price what close and musts gain."""
        q = self._question
        prices = self._prices(PRICES)
        gains = np.array([[_gain(q.shares[id], price) for price in prices] for id in self._optional])
        always = [_gain(q.close, p) + sum(_gain(q.shares[id], p) for id in self._musts) for p in prices]
        return prices, gains, np.array(always)

    def _prices(self, count: int) -> Floats:
        """Prices of a second from the cheapest last second of any share to the dearest first one."""
        shares = [*self._question.shares.values(), self._question.close]
        low = min(s.marginal(s.most) for s in shares)
        high = max(s.marginal(s.least) for s in shares)
        return np.geomspace(low, high, count)

    def _sums(self, values: dict[str, float]) -> Floats:
        """The sum of `values` over every set, doubled up: each region adds itself to all sets before it."""
        sums = np.empty(len(self._sets))
        sums[0] = sum(values[id] for id in self._musts)
        for i, id in enumerate(self._optional):
            np.add(sums[: 1 << i], values[id], out=sums[1 << i : 2 << i])
        return sums


def _gain(share: Share, price: float) -> float:
    """The most a share can gain over the price of its seconds."""
    seconds = share.at_level(1 / price)
    return share.value(seconds) - price * share.count * seconds
