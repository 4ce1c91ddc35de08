"""The chance of each word on the pressure, by how far the wish lies above the depth: an ordered probit.

P(deeper) = Phi((u - KAPPA) / SIGMA), P(lighter) = Phi((-u - KAPPA) / SIGMA) for a wish u levels above the depth, and
"just right" is the rest. The logarithm of each is concave in u.
"""

import numpy as np
from numpy.typing import NDArray

Numbers = NDArray[np.float64]

KAPPA = 0.5
"""Half the width, in levels, of what is felt as just right (from experience)."""

SIGMA = 0.6
"""Spread of an answer in levels (from experience)."""


def log_chance(
    u: Numbers, sign: NDArray[np.int64], variance: Numbers | float = 0.0
) -> tuple[Numbers, Numbers, Numbers]:
    """Logarithm of the chance of each answer (-1 lighter, 0 just right, 1 deeper), its slope and its curvature in u.

    All are arrays of one answer each. Where u itself is only known up to `variance`, the chance is the mean over it:
    the spread of the answer then is the root of SIGMA^2 + variance.
    """
    spread = np.sqrt(SIGMA**2 + variance)
    outer = sign != 0
    turned = np.where(outer, sign * u, u)
    a = (turned - KAPPA) / spread
    # Deeper, or lighter seen in the mirror.
    log_tail = _log_ndtr(a)
    ratio = np.exp(_log_density(a) - log_tail)
    slope = sign * ratio / spread
    curve = -ratio * (a + ratio) / spread**2
    # Just right: between the two thresholds.
    upper, lower = (KAPPA - u) / spread, (-KAPPA - u) / spread
    log_between = _log_difference(upper, lower)
    high = np.exp(_log_density(upper) - log_between)
    low = np.exp(_log_density(lower) - log_between)
    between_slope = (low - high) / spread
    between_curve = (lower * low - upper * high) / spread**2 - between_slope**2
    return (
        np.where(outer, log_tail, log_between),
        np.where(outer, slope, between_slope),
        np.where(outer, curve, between_curve),
    )


def _log_density(x: Numbers) -> Numbers:
    return np.asarray(-0.5 * x**2 - 0.5 * np.log(2 * np.pi))


def _log_difference(upper: Numbers, lower: Numbers) -> Numbers:
    """log(Phi(upper) - Phi(lower)), taken in the tail where neither is near 1."""
    flip = lower > 0
    high, low = np.where(flip, -lower, upper), np.where(flip, -upper, lower)
    log_high, log_low = _log_ndtr(high), _log_ndtr(low)
    return np.asarray(log_high + np.log1p(-np.exp(log_low - log_high)))


def _log_ndtr(x: Numbers) -> Numbers:
    """The logarithm of Phi, good far into the tail."""
    # Slow to load, and only learning needs it: not at the server's start.
    from scipy.special import log_ndtr

    return np.asarray(log_ndtr(x))
