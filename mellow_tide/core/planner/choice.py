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

PRICES = 64
"""How many prices of a second the bound tries; more make it tighter and slower."""

Floats = NDArray[np.float64]


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
        self._ids = tuple(sorted(question.shares, key=lambda id: (id not in question.must, id)))
        optional = len(self._ids) - len(question.must)
        sets = np.arange(1 << optional, dtype=np.uint32)
        bits = ((sets[:, None] >> np.arange(optional, dtype=np.uint32)) & 1).astype(np.float64)
        must = np.ones((len(sets), len(question.must)))
        self._member: Floats = np.hstack([must, bits])
        self._bound = self._bounds()
        self._order = np.argsort(-self._bound, kind="stable")

    def best(self, also: str | None = None) -> Choice | None:
        """The proven best set that holds the musts, and region `also`; None if none fits the minutes."""
        column = self._ids.index(also) if also else None
        best: tuple[float, tuple[str, ...], tuple[float, ...], int] | None = None
        priced = 0
        bound = -np.inf
        for index in self._order:
            bound = float(self._bound[index])
            if bound == -np.inf or (best and bound <= best[0] + 1e-9):
                break
            if column is not None and not self._member[index, column]:
                continue
            ids = tuple(id for id, holds in zip(self._ids, self._member[index], strict=True) if holds)
            found = self._price(ids)
            priced += 1
            if found and (best is None or found[0] > best[0] + 1e-12):
                best = (found[0], ids, found[1], found[2])
        if best is None:
            return None
        value, ids, seconds, transitions = best
        return Choice(ids, seconds[:-1], seconds[-1], transitions, value, min(bound, value), priced)

    def least_seconds(self, ids: tuple[str, ...]) -> int:
        """The least hands-on seconds (opening left out) that a session of exactly `ids` takes."""
        q = self._question
        work = sum(q.shares[id].count * q.shares[id].least for id in ids)
        return int(work + q.close.least) + self._transitions(ids)

    def most_seconds(self) -> int:
        """The most hands-on seconds (opening left out) that all candidates together can fill."""
        q = self._question
        work = sum(s.count * s.most for s in q.shares.values())
        return int(work + q.close.most) + self._transitions(self._ids)

    def _transitions(self, ids: tuple[str, ...]) -> int:
        return order_seconds(
            frozenset(ids), self._question.school.id, self._question.closing.id, self._catalogue
        )

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
        shares = [q.shares[id] for id in self._ids]
        transitions = self._least_transitions()
        prices = _price_grid([*shares, q.close])
        gains = np.array([[_gain(s, price) for price in prices] for s in shares])
        close = np.array([_gain(q.close, price) for price in prices])
        free = q.work_seconds - transitions
        bound: Floats = np.min(self._member @ gains + close + free[:, None] * prices, axis=1)
        least = self._member @ np.array([s.count * s.least for s in shares]) + q.close.least
        bound[least > free] = -np.inf
        return bound

    def _least_transitions(self) -> Floats:
        """Seconds that every order of a set must spend: announcements, each window once, the turn, a wash."""
        q, c = self._question, self._catalogue
        total: Floats = self._member @ np.array(
            [c.pace.announce * s.count for s in (q.shares[id] for id in self._ids)]
        )
        uses: dict[str, list[int]] = {}
        homes = [[b.position for b in q.school.blocks if id in b.regions()] for id in self._ids]
        for column, (id, positions) in enumerate(zip(self._ids, homes, strict=True)):
            windows = {c.regions[id].window_in(p) for p in positions}
            if len(windows) == 1:
                uses.setdefault(windows.pop(), []).append(column)
        for name, columns in uses.items():
            window = c.windows[name]
            seconds = (window.open_seconds + window.close_seconds) * (2 if window.per_side else 1)
            total += seconds * self._any(columns)
        total += (c.pace.turn + c.pace.bolster) * self._turned(homes)
        soiling = [i for i, id in enumerate(self._ids) if c.regions[id].soils_hands]
        if not c.regions[q.closing.region].soils_hands:
            total += c.pace.wash_hands * self._any(soiling)
        return total

    def _turned(self, homes: list[list[str]]) -> Floats:
        """1 for sets that cannot be worked in one position."""
        positions = [b.position for b in self._question.school.blocks]
        stays: Floats = np.zeros(len(self._member))
        for position in positions:
            elsewhere = [i for i, home in enumerate(homes) if position not in home]
            stays = np.maximum(stays, 1 - self._any(elsewhere))
        return np.asarray(1 - stays)

    def _any(self, columns: list[int]) -> Floats:
        """1 for sets that hold any of the columns."""
        if not columns:
            return np.zeros(len(self._member))
        return np.asarray(np.max(self._member[:, columns], axis=1))


def _gain(share: Share, price: float) -> float:
    """The most a share can gain over the price of its seconds."""
    seconds = share.at_level(1 / price)
    return share.value(seconds) - price * share.count * seconds


def _price_grid(shares: list[Share]) -> Floats:
    """Prices of a second from the cheapest last second of any share to the dearest first one."""
    low = min(s.marginal(s.most) for s in shares)
    high = max(s.marginal(s.least) for s in shares)
    return np.geomspace(low, high, PRICES)
