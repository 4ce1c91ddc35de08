"""How much is tried at random: usually, and in `./tide test long`."""

import os

LONG = bool(os.environ.get("TIDE_TEST_LONG"))


def often(usual: int) -> int:
    """How many examples of a property."""
    return usual * 30 if LONG else usual


def seeds(usual: int) -> range:
    """The seeds of random cases."""
    return range(usual * 30 if LONG else usual)
