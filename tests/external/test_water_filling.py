"""Minutes against a worked example and an independent optimiser.

Source: Boyd & Vandenberghe, Convex Optimization (2004), example 5.2, water-filling (from memory): minimise
-sum(log(a_i + x_i)) subject to sum(x) = 1, x >= 0; x_i = max(0, 1/v - a_i). Second reference: SciPy's SLSQP.
"""

from math import log

import numpy as np
import pytest
from scipy.optimize import minimize

from mellow_tide.core.planner.minutes.minutes import Share, allot


def water_filling(alphas):
    """The example's own answer, by raising the water until one unit is poured."""
    low, high = min(alphas), max(alphas) + 1
    for _ in range(200):
        level = (low + high) / 2
        low, high = (level, high) if sum(max(0, level - a) for a in alphas) < 1 else (low, level)
    return [max(0.0, low - a) for a in alphas]


@pytest.mark.parametrize(
    "alphas", [[0.3, 0.6, 1.1], [0.1, 0.1, 0.1, 0.1], [0.2, 1.9], [0.8, 1.0, 1.2, 1.4, 1.6, 1.8], [5.0]]
)
def test_the_worked_example_comes_out(alphas):
    # ln(1 + t/a) is log(a + t) less a constant: the same optimum.
    found = allot([Share(1, 1.0, a, 0, 1) for a in alphas], 1.0)
    assert found == pytest.approx(water_filling(alphas), abs=1e-12)


@pytest.mark.parametrize("seed", range(20))
def test_an_independent_optimiser_finds_nothing_better(seed):
    random = np.random.default_rng(seed)
    n = int(random.integers(2, 9))
    claims = []
    for _ in range(n):
        least = float(random.uniform(10, 200))
        most = least + float(random.uniform(1, 600))
        claims.append(
            Share(int(random.integers(1, 3)), random.uniform(0.5, 10), random.uniform(30, 400), least, most)
        )
    counts = np.array([s.count for s in claims])
    low = np.array([s.least for s in claims])
    high = np.array([s.most for s in claims])
    total = float(counts @ low + random.uniform(0, 1) * (counts @ (high - low)))
    ours = sum(s.value(t) for s, t in zip(claims, allot(claims, total), strict=True))

    def cost(t):
        return -sum(s.count * s.weight * log(1 + x / s.saturation) for s, x in zip(claims, t, strict=True))

    theirs = minimize(
        cost,
        low + (total - counts @ low) / (counts @ (high - low)) * (high - low),
        method="SLSQP",
        bounds=list(zip(low, high, strict=True)),
        constraints={"type": "eq", "fun": lambda t: counts @ t - total},
        options={"ftol": 1e-14, "maxiter": 1000},
    )
    assert ours == pytest.approx(-theirs.fun, rel=1e-6)
    assert ours >= -theirs.fun - 1e-6 * abs(ours)
