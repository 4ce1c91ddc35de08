"""The pressure that suits, by region, from what was said at all visits.

The wish of a client on region r at visit v is theta = mu + delta: mu the client's own centre, delta the region's
departure from it. mu ~ N(m0, 0.8^2) with m0 from the intake's words; the first delta ~ N(b_r, 0.5^2) with b_r a small
habit of the region; from visit to visit delta walks by independent steps of variance 0.05. What is said follows
`wording`. The posterior is concave, but after a single surprising answer so skewed that its maximum lies up to 0.14
levels from its mean (measured on a grid). So each answer is matched by a Gaussian in mean and variance, in turn with
all others (expectation propagation: Minka 2001, from memory), which keeps within 0.02. The regions are chains that meet
in mu: one round costs no more than passing along them there and back.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.learning.evidence import Answer, SetByHand
from mellow_tide.core.learning.wording import Numbers, log_chance
from mellow_tide.core.run.events import TOWARD

CENTRE_SD = 0.8
FIRST_SD = 0.5
WALK = 0.05
"""Variance by which a region's departure moves from one visit to the next."""

BY_HAND_SD = 0.3
"""Spread in levels of a wish that was set by hand (from experience)."""

CENTRES: Mapping[str, float] = {"light": 2.0, "medium": 3.0, "firm": 4.0, "": 2.8}
"""Where the centre is expected, by the intake's word on pressure; none given 2.8."""

HABITS: Mapping[str, float] = {
    "foot": 0.3,
    "lower_leg_back": -0.2,
    "lower_leg_front": -0.2,
    "face": -1.2,
    "abdomen": -1.5,
}
"""How regions usually depart from a client's centre (from experience, no source); the others do not."""

EIGHTY = 1.2815515655446004
"""Standard deviations on either side of the mean that hold 80 %."""

DAMPED = 0.7
"""Part of each change that is made in a round: all answers change at once."""

ENOUGH = 1e-6
MOST_ROUNDS = 100

Sureness = Literal["sure", "fairly_sure", "not_known"]


@dataclass(frozen=True)
class Estimate:
    """The wish of a region at the next visit: mean and standard deviation in levels; `answers` it rests on."""

    mean: float
    sd: float
    answers: int

    @property
    def interval(self) -> tuple[float, float]:
        """The 80 % interval."""
        return (self.mean - EIGHTY * self.sd, self.mean + EIGHTY * self.sd)

    @property
    def sureness(self) -> Sureness:
        """In words: an interval wider than 1.2 levels is asked about early, one below 0.9 is sure."""
        width = 2 * EIGHTY * self.sd
        return "not_known" if width > 1.2 else "fairly_sure" if width > 0.9 else "sure"


@dataclass
class _Chain:
    """The visits at which a region was spoken of: variances of the steps to each, and where its data are."""

    region: str
    visits: list[int]
    steps: list[float]
    first: int
    habit: float

    @property
    def places(self) -> range:
        return range(self.first, self.first + len(self.visits))


@dataclass
class _Data:
    """Every answer and every wish set by hand, with the place (a region at a visit) that it is about."""

    chains: list[_Chain]
    size: int
    answer_place: NDArray[np.int64]
    depth: Numbers
    sign: NDArray[np.int64]
    hand_place: NDArray[np.int64]
    hand_depth: Numbers


class PressureModel:
    """What is known of a client's wishes after their visits.

    `evidence` in any order; `expected` is the centre before anything was said, see `CENTRES`.
    """

    def __init__(
        self,
        evidence: Sequence[Answer | SetByHand],
        expected: float = CENTRES[""],
        habits: Mapping[str, float] = HABITS,
    ) -> None:
        self._expected = expected
        self._habits = habits
        self._counts: dict[str, int] = {}
        for one in evidence:
            self._counts[one.region] = self._counts.get(one.region, 0) + 1
        self._data = _data_of(evidence, habits)
        self._last: dict[str, tuple[float, float]] = {}
        self._solve()

    def at(self, region: str, visit: int) -> Estimate:
        """The wish on a region at a visit to come (after all there is evidence of)."""
        chain = next((one for one in self._data.chains if one.region == region), None)
        if chain is None:
            mean = self.centre + self._habits.get(region, 0.0)
            variance = self._centre_variance + _first_variance(visit)
            return Estimate(mean, variance**0.5, 0)
        last = chain.visits[-1]
        mean, variance = self._last[region]
        walked = WALK * max(0, visit - last)
        return Estimate(mean, (variance + walked) ** 0.5, self._counts[region])

    def _solve(self) -> None:
        """Match each answer by a Gaussian in turn with all others (expectation propagation), until none moves."""
        data = self._data
        count = len(data.depth)
        precision, information = np.zeros(count), np.zeros(count)
        means, variances = self._marginals(precision, information)
        for _ in range(MOST_ROUNDS):
            if count == 0:
                return
            # What all the rest says of the place of each answer.
            mean, variance = means[data.answer_place], variances[data.answer_place]
            without = 1 / (1 / variance - precision)
            expected = without * (mean / variance - information)
            _, slope, curve = log_chance(expected - data.depth, data.sign, without)
            left = 1 + without * curve
            wanted = -curve / left
            precision_step = DAMPED * (wanted - precision)
            information_step = DAMPED * ((slope - curve * expected) / left - information)
            precision += precision_step
            information += information_step
            before = means
            means, variances = self._marginals(precision, information)
            if float(np.max(np.abs(means - before))) < ENOUGH:
                return

    def _marginals(self, precision: Numbers, information: Numbers) -> tuple[Numbers, Numbers]:
        """Mean and variance of every place, given what the answers stand for; keeps centre and last visits.

        Messages along the chains to the centre and back (belief propagation on a tree, exact).
        """
        data = self._data
        seen, told = (
            np.bincount(data.answer_place, weights, data.size)
            + np.bincount(data.hand_place, by_hand, data.size)
            for weights, by_hand in (
                (precision, np.full(len(data.hand_depth), 1 / BY_HAND_SD**2)),
                (information, data.hand_depth / BY_HAND_SD**2),
            )
        )
        upward = [_upward(chain, seen.tolist(), told.tolist()) for chain in data.chains]
        centre_precision = 1 / CENTRE_SD**2 + sum(p for _, p, _ in upward)
        centre_information = self._expected / CENTRE_SD**2 + sum(h for _, _, h in upward)
        self.centre, self._centre_variance = centre_information / centre_precision, 1 / centre_precision
        means, variances = np.empty(data.size), np.empty(data.size)
        for chain, (messages, p, h) in zip(data.chains, upward, strict=True):
            rest = centre_precision - p
            mean, variance = (centre_information - h) / rest + chain.habit, 1 / rest
            for place, step, (back_p, back_h) in zip(chain.places, chain.steps, messages, strict=True):
                variance += step
                q, i = 1 / variance + seen[place], mean / variance + told[place]
                means[place], variances[place] = (i + back_h) / (q + back_p), 1 / (q + back_p)
                mean, variance = i / q, 1 / q
            self._last[chain.region] = (float(mean), float(variance))
        return means, variances


def _upward(
    chain: _Chain, seen: list[float], told: list[float]
) -> tuple[list[tuple[float, float]], float, float]:
    """What the later visits tell each place of a chain, and what the chain tells the centre: precision, information."""
    message = (0.0, 0.0)
    messages = []
    for place, step in zip(reversed(chain.places), reversed(chain.steps), strict=True):
        messages.append(message)
        p, h = seen[place] + message[0], told[place] + message[1]
        message = (p / (1 + step * p), h / (1 + step * p))
    p, h = message
    return messages[::-1], p, h - p * chain.habit


def _first_variance(visit: int) -> float:
    """Variance of a region's departure at a visit, if it was never spoken of before."""
    return FIRST_SD**2 + WALK * (visit - 1)


def _data_of(evidence: Sequence[Answer | SetByHand], habits: Mapping[str, float]) -> _Data:
    visits: dict[str, set[int]] = {}
    for one in evidence:
        visits.setdefault(one.region, set()).add(one.visit)
    chains, place = [], {}
    size = 0
    for region in sorted(visits):
        known = sorted(visits[region])
        steps = [_first_variance(known[0])]
        steps += [WALK * (b - a) for a, b in pairwise(known)]
        chains.append(_Chain(region, known, steps, size, habits.get(region, 0.0)))
        for visit in known:
            place[region, visit] = size
            size += 1
    answers = [one for one in evidence if isinstance(one, Answer)]
    by_hand = [one for one in evidence if isinstance(one, SetByHand)]
    return _Data(
        chains=chains,
        size=size,
        answer_place=np.array([place[one.region, one.visit] for one in answers], dtype=np.int64),
        depth=np.array([one.depth for one in answers], dtype=np.float64),
        sign=np.array([TOWARD[one.word] for one in answers], dtype=np.int64),
        hand_place=np.array([place[one.region, one.visit] for one in by_hand], dtype=np.int64),
        hand_depth=np.array([one.depth for one in by_hand], dtype=np.float64),
    )
