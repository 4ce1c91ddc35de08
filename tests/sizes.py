"""How much is tried at random: usually, and in `./tide test long`."""

import os

LONG = bool(os.environ.get("TIDE_TEST_LONG"))
MORE = 15
"""How many times as much is tried in the long run."""


def often(usual: int) -> int:
    """How many examples of a property."""
    return usual * MORE if LONG else usual


def seeds(usual: int) -> range:
    """The seeds of random cases."""
    return range(usual * MORE if LONG else usual)
