"""Which regions: the best set, proven.

For every set of optional regions a Lagrangian bound (the best value at any price of a second, with a lower
bound of the set's transitions) is computed at once. Sets are then taken best bound first, priced exactly, and
the search stops when the next bound cannot beat the best value found: that value is proven best.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.planner.minutes import Share, allot
from mellow_tide.core.planner.order import order_seconds
from mellow_tide.core.planner.question import Question
from mellow_tide.core.timing.transitions import after_feet_seconds

PRICES = 64
"""How many prices of a second the bound tries; more make it tighter and slower."""

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]


@dataclass(frozen=True)
class Choice:
    """The best set with exact seconds per side (`close` last) and its proof.

    `value` is the benefit reached, `next_bound` the most any set not priced could reach
    (<= value up to 1e-9), `sets_priced` how many were priced exactly.
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
        self._catalogue = catalogue
        # A set of optional regions is the number whose bit i stands for the i-th of them; musts are in all.
        self._musts = tuple(sorted(question.must))
        self._optional = tuple(sorted(question.shares.keys() - question.must))
        self._sets = np.arange(1 << len(self._optional), dtype=np.uint32)
        self._bound = self._bounds()
        self._order = np.argsort(-self._bound, kind="stable")

    def best(self, also: str | None = None) -> Choice | None:
        """The proven best set that holds the musts, and region `also`; None if none fits the minutes."""
        holds = self._any([also]) if also else None
        best: tuple[float, tuple[str, ...], tuple[float, ...], int] | None = None
        priced = 0
        bound = -np.inf
        for index in self._order:
            bound = float(self._bound[index])
            if bound == -np.inf or (best and bound <= best[0] + 1e-9):
                break
            if holds is not None and not holds[index]:
                continue
            ids = self._ids_of(int(index))
            found = self._price(ids)
            priced += 1
            if found and (best is None or found[0] > best[0] + 1e-12):
                best = (found[0], ids, found[1], found[2])
        if best is None:
            return None
        value, ids, seconds, transitions = best
        # Where no other set fits at all, the value itself is the bound.
        bound = value if bound == -np.inf else min(bound, value)
        return Choice(ids, seconds[:-1], seconds[-1], transitions, value, bound, priced)

    def least_seconds(self, ids: tuple[str, ...]) -> int:
        """The least hands-on seconds (opening left out) that a session of exactly `ids` takes."""
        q = self._question
        work = sum(q.shares[id].count * q.shares[id].least for id in ids)
        return int(work + q.close.least) + self._transitions(ids)

    def most_seconds(self) -> int:
        """The most hands-on seconds (opening left out) that all candidates together can fill."""
        q = self._question
        work = sum(s.count * s.most for s in q.shares.values())
        return int(work + q.close.most) + self._transitions(self._ids_of(len(self._sets) - 1))

    def _ids_of(self, index: int) -> tuple[str, ...]:
        return (*self._musts, *(id for i, id in enumerate(self._optional) if index >> i & 1))

    def _transitions(self, ids: tuple[str, ...]) -> int:
        return order_seconds(frozenset(ids), self._question.way, self._catalogue)

    def _price(self, ids: tuple[str, ...]) -> tuple[float, tuple[float, ...], int] | None:
        if not ids:
            return None
        q = self._question
        transitions = self._transitions(ids)
        shares = [*(q.shares[id] for id in ids), q.close]
        seconds = allot(shares, q.work_seconds - transitions)
        if seconds is None:
            return None
        return sum(s.value(t) for s, t in zip(shares, seconds, strict=True)), seconds, transitions

    def _bounds(self) -> Floats:
        """The Lagrangian bound of every set; -inf where not even least times and transitions fit."""
        q = self._question
        free = q.work_seconds - self._least_transitions()
        bound = np.full(len(self._sets), np.inf)
        for price in _price_grid([*q.shares.values(), q.close]):
            gains = self._sums({id: _gain(share, price) for id, share in q.shares.items()})
            np.minimum(bound, gains + _gain(q.close, price) + price * free, out=bound)
        least = self._sums({id: share.count * share.least for id, share in q.shares.items()})
        bound[least + q.close.least > free] = -np.inf
        return bound

    def _sums(self, values: dict[str, float]) -> Floats:
        """The sum of `values` over every set, doubled up: each region adds itself to all sets before it."""
        sums = np.empty(len(self._sets))
        sums[0] = sum(values[id] for id in self._musts)
        for i, id in enumerate(self._optional):
            np.add(sums[: 1 << i], values[id], out=sums[1 << i : 2 << i])
        return sums

    def _least_transitions(self) -> Floats:
        """Seconds that every order of a set must spend: announcements, each window once, the turn, a wash."""
        q, c = self._question, self._catalogue
        total = self._sums({id: c.pace.announce * share.count for id, share in q.shares.items()})
        homes = {id: [b.position for b in q.blocks if id in b.regions()] for id in q.shares}
        users: dict[str, list[str]] = {}
        for id, positions in homes.items():
            windows = {c.regions[id].window_in(p) for p in positions}
            if len(windows) == 1:
                users.setdefault(windows.pop(), []).append(id)
        for name, ids in users.items():
            window = c.windows[name]
            seconds = (window.open_seconds + window.close_seconds) * (2 if window.per_side else 1)
            total += seconds * self._any(ids)
        turned = np.ones(len(self._sets), dtype=np.bool_)
        for position in (b.position for b in q.blocks):
            turned &= self._any([id for id, positions in homes.items() if position not in positions])
        total += (c.pace.turn + c.pace.bolster) * turned
        if not c.regions[q.closing.region].soils_hands:
            total += after_feet_seconds(c) * self._any([id for id in q.shares if c.regions[id].soils_hands])
        return total

    def _any(self, ids: list[str]) -> Bools:
        """Which sets hold any of `ids`."""
        if not self._question.must.isdisjoint(ids):
            return np.ones(len(self._sets), dtype=np.bool_)
        mask = sum(1 << self._optional.index(id) for id in ids)
        return np.asarray((self._sets & np.uint32(mask)) != 0)


def _gain(share: Share, price: float) -> float:
    """The most a share can gain over the price of its seconds."""
    seconds = share.at_level(1 / price)
    return share.value(seconds) - price * share.count * seconds


def _price_grid(shares: list[Share]) -> Floats:
    """Prices of a second from the cheapest last second of any share to the dearest first one."""
    low = min(s.marginal(s.most) for s in shares)
    high = max(s.marginal(s.least) for s in shares)
    return np.geomspace(low, high, PRICES)
