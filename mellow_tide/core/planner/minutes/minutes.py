"""How long each region gets: a concave allotment with bounds, solved exactly.

Maximise sum(n_i * w_i * ln(1 + t_i / tau_i)) subject to sum(n_i * t_i) = total and l_i <= t_i <= h_i.
At the optimum t_i = clamp(w_i * m - tau_i, l_i, h_i) for one level m, the water level (Boyd & Vandenberghe,
Convex Optimization, 2004, example 5.2, with bounds). The total is piecewise linear in m, so walking its
sorted breakpoints gives m exactly; 1 / m is the price of a second.

A share may be held where it is: p * n_i * |t_i - a_i| is then taken off its value. That stays concave, and at a price
of a second it is met at w_i / (price + p) - tau_i beyond its anchor a_i, at w_i / (price - p) - tau_i before it, or at
the anchor; the price at which all make the total is found by halving.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import inf, log


@dataclass(frozen=True, slots=True)
class Share:
    """One claimant of minutes: `count` sides (1 or 2), `weight` > 0, seconds per side `least` to `most`.

    Each second per side away from `anchor` costs `pull` >= 0; to have the share at all is worth `bonus`.
    """

    count: int
    weight: float
    saturation: float
    least: float
    most: float
    anchor: float = 0.0
    pull: float = 0.0
    bonus: float = 0.0

    def __post_init__(self) -> None:
        if self.count < 1 or self.weight <= 0 or self.saturation <= 0 or self.pull < 0:
            raise ValueError("share: count >= 1, weight > 0, saturation > 0, pull >= 0")
        if not 0 <= self.least <= self.most:
            raise ValueError("share: 0 <= least <= most")

    def at_level(self, level: float) -> float:
        """Seconds per side at water level `level`, of a share that is not held."""
        return min(max(self.weight * level - self.saturation, self.least), self.most)

    def at_price(self, price: float) -> float:
        """Seconds per side of most value less `price` for each."""
        beyond = self._free_at(price + self.pull)
        before = self._free_at(price - self.pull)
        wanted = beyond if beyond > self.anchor else min(before, self.anchor)
        return min(max(wanted, self.least), self.most)

    def _free_at(self, price: float) -> float:
        return self.weight / price - self.saturation if price > 0 else inf

    def value(self, seconds: float) -> float:
        """Benefit of `seconds` per side, all sides together."""
        good = self.weight * log(1 + seconds / self.saturation)
        return self.count * (good - self.pull * abs(seconds - self.anchor)) + self.bonus

    def marginal(self, seconds: float) -> float:
        """Benefit of the next second on one side."""
        return self.weight / (self.saturation + seconds) + (
            self.pull if seconds < self.anchor else -self.pull
        )


def weight_at(level: float, share: Share, seconds: float) -> float:
    """The weight at which `seconds` per side of a share are best at the water level that the others have."""
    return (share.saturation + seconds) / level


def allot(shares: Sequence[Share], total: float) -> tuple[float, ...] | None:
    """Seconds per side of each share that together make `total`, of greatest value; None if impossible."""
    least = sum(s.count * s.least for s in shares)
    if not least - 1e-9 <= total <= sum(s.count * s.most for s in shares) + 1e-9:
        return None
    if any(s.pull for s in shares):
        price = _price(shares, total)
        return tuple(share.at_price(price) for share in shares)
    level = _level(shares, total)
    return tuple(share.at_level(level) for share in shares)


def _price(shares: Sequence[Share], total: float) -> float:
    """The price of a second at which the shares make `total`, by halving: the dearer, the less they take."""
    low = min(s.weight / (s.saturation + s.most) - s.pull for s in shares)
    high = max(s.weight / (s.saturation + s.least) + s.pull for s in shares)
    while True:
        middle = (low + high) / 2
        if not low < middle < high:
            return high
        taken = sum(s.count * s.at_price(middle) for s in shares)
        low, high = (middle, high) if taken > total else (low, middle)


def _level(shares: Sequence[Share], total: float) -> float:
    """The water level at which the shares make `total`: a walk along the breakpoints, the slope kept up to date."""
    turns: list[tuple[float, float]] = []
    for s in shares:
        slope = s.count * s.weight
        turns.append(((s.least + s.saturation) / s.weight, slope))
        turns.append(((s.most + s.saturation) / s.weight, -slope))
    turns.sort()
    reached = sum(s.count * s.least for s in shares)
    level, slope = 0.0, 0.0
    for at, change in turns:
        grown = reached + slope * (at - level)
        if total <= grown and slope > 0:
            return level + (total - reached) / slope
        reached, level = grown, at
        slope += change
    return level


def _least_rounded(share: Share, seconds: float) -> int:
    """What rounding down may not pass: the least, and the anchor of a share that is held and gains."""
    gains = share.pull > 0 and seconds >= share.anchor
    return int(max(share.least, share.anchor) if gains else share.least)


def round_down_and_share(
    shares: Sequence[Share], exact: Sequence[float], total: float, grain: int
) -> tuple[int, ...]:
    """Round `exact` seconds per side to multiples of `grain`, never passing `total` nor the bounds.

    Starts from the multiples below and gives the rest, grain by grain, to the greatest gain a second
    (exact where all shares have as many sides; otherwise within a grain of it). Bounds must be
    multiples of `grain`, except those of a share that is held: it keeps its anchor to the second, if it stays there.
    """
    stays = [share.pull > 0 and abs(t - share.anchor) < 0.5 for share, t in zip(shares, exact, strict=True)]
    rounded = [
        int(share.anchor) if kept else max(int(seconds // grain) * grain, _least_rounded(share, seconds))
        for share, seconds, kept in zip(shares, exact, stays, strict=True)
    ]
    rest = total - sum(s.count * r for s, r in zip(shares, rounded, strict=True))
    while True:
        open_to = [
            i
            for i, share in enumerate(shares)
            if not stays[i] and rounded[i] + grain <= share.most and share.count * grain <= rest
        ]
        if not open_to:
            return tuple(rounded)
        best = max(open_to, key=lambda i: (shares[i].marginal(rounded[i] + grain / 2), -i))
        rounded[best] += grain
        rest -= shares[best].count * grain
