"""Simulated clients: wishes that differ by region and drift, answers as noisy as modelled, several ways to start."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from statistics import mean

import numpy as np

from mellow_tide.core.learning.evidence import Answer
from mellow_tide.core.learning.pressure import CENTRE_SD, CENTRES, FIRST_SD, HABITS, WALK, PressureModel
from mellow_tide.core.learning.start import choose_start, find_just_right
from mellow_tide.core.learning.wording import KAPPA, SIGMA
from mellow_tide.core.run.events import TOWARD, Word

REGIONS = (
    "back",
    "neck",
    "shoulders",
    "hips",
    "thigh_back",
    "lower_leg_back",
    "foot",
    "arm",
    "hand",
    "face",
)
ASKED = 4
ANSWERS = 2
"""At most so many answers a region and visit: the depth follows the first."""

WRONG = 0.75
"""Levels between the depth one starts at and the wish, from which it is clearly wrong."""

Policy = Callable[["Known", str, int], float]


@dataclass
class Known:
    """What is known of a client before a visit: the intake's centre, all answers, the last depth by region."""

    expected: float
    answers: list[Answer] = field(default_factory=list)
    last: dict[str, float] = field(default_factory=dict)
    model: PressureModel | None = None

    def learnt(self) -> PressureModel:
        """The model after all visits so far."""
        if self.model is None:
            self.model = PressureModel(self.answers, self.expected)
        return self.model


def by_model(known: Known, region: str, visit: int) -> float:
    """As the next plan starts."""
    return choose_start(region, known.learnt().at(region, visit), known.answers, 5).depth


def as_last_time(known: Known, region: str, visit: int) -> float:
    """Where the last visit left it, the intake's word at first."""
    return known.last.get(region, known.expected)


def mean_of_all(known: Known, region: str, visit: int) -> float:
    """The mean of the depths of all answers so far, shifted by what was said."""
    here = [one.depth + TOWARD[one.word] for one in known.answers if one.region == region]
    return mean(here) if here else known.expected


def by_intake(known: Known, region: str, visit: int) -> float:
    """The intake's word, for ever."""
    return known.expected


POLICIES: dict[str, Policy] = {
    "model": by_model,
    "same as last time": as_last_time,
    "mean of all visits": mean_of_all,
    "intake only": by_intake,
}


@dataclass(frozen=True)
class Outcome:
    """Shares by visit number of clearly wrong starts, and of wishes inside the 80 % interval (model only).

    Over the later visits: starts more than a level `too_light` and `too_deep`, and those `moved` from a depth that was
    just right when the region was last spoken of. All are of the whole level that a plan works.
    """

    wrong: dict[int, float]
    covered: float
    too_light: float
    too_deep: float
    moved: float


def simulate(policy: Policy, clients: int, visits: int, seed: int) -> Outcome:
    """Work so many clients so often, starting each region as `policy` says."""
    rng = np.random.default_rng(seed)
    wrong: dict[int, list[bool]] = {visit: [] for visit in range(1, visits + 1)}
    covered: list[bool] = []
    above: list[float] = []
    moved: list[bool] = []
    for _ in range(clients):
        known, wish = _client(rng)
        for visit in range(1, visits + 1):
            # A plan works whole levels, toward light.
            starts = {region: float(int(_on_scale(policy(known, region, visit)))) for region in REGIONS}
            if visit > 1:
                above += [_on_scale(wish[region]) - starts[region] for region in REGIONS]
                rights = {region: find_just_right(region, known.answers) for region in REGIONS}
                moved += [starts[id] != right for id, right in rights.items() if right is not None]
            wrong[visit] += [abs(starts[region] - _on_scale(wish[region])) > WRONG for region in REGIONS]
            if policy is by_model:
                intervals = {region: known.learnt().at(region, visit).interval for region in REGIONS}
                covered += [low <= wish[region] <= high for region, (low, high) in intervals.items()]
            _visit(known, wish, starts, visit, rng)
            for region in REGIONS:
                wish[region] += rng.normal(0, WALK**0.5)
    return Outcome(
        wrong={visit: float(np.mean(found)) for visit, found in wrong.items()},
        covered=float(np.mean(covered)) if covered else float("nan"),
        too_light=float(np.mean(np.array(above) > 1)),
        too_deep=float(np.mean(np.array(above) < -1)),
        moved=float(np.mean(moved)) if moved else float("nan"),
    )


def _client(rng: np.random.Generator) -> tuple[Known, dict[str, float]]:
    expected = float(rng.choice(list(CENTRES.values())))
    centre = rng.normal(expected, CENTRE_SD)
    wish = {region: centre + rng.normal(HABITS.get(region, 0.0), FIRST_SD) for region in REGIONS}
    return Known(expected), wish


def _visit(
    known: Known, wish: dict[str, float], starts: dict[str, float], visit: int, rng: np.random.Generator
) -> None:
    known.model = None
    for region in _drawn(rng):
        depth = _on_scale(starts[region])
        for _ in range(ANSWERS):
            word = said(_on_scale(wish[region]) - depth, rng)
            known.answers.append(Answer(visit=visit, region=region, depth=depth, word=word))
            depth = _on_scale(depth + TOWARD[word])
            if word == "just_right":
                break
        known.last[region] = depth


def _on_scale(depth: float) -> float:
    """Nobody is worked, or wishes to be, beyond the five levels."""
    return min(5.0, max(1.0, depth))


def _drawn(rng: np.random.Generator) -> Sequence[str]:
    return [REGIONS[i] for i in rng.choice(len(REGIONS), ASKED, replace=False)]


def said(above: float, rng: np.random.Generator) -> Word:
    """What is said where the wish lies `above` the depth."""
    felt = above + rng.normal(0, SIGMA)
    return "deeper" if felt > KAPPA else "lighter" if felt < -KAPPA else "just_right"
