"""Effort spread over hand, fist and forearm: what was just strained rests."""

from collections.abc import Iterable

STRONG = 4
"""Depth from which a stroke strains its tool."""

BY_WEIGHT = frozenset({"forearm", "elbow"})
"""Tools that carry leaned weight and do not tire the hand."""


def tired_by(worked: Iterable[tuple[str, int]]) -> frozenset[str]:
    """The tools that strokes, told by tool and depth (1 to 5), have strained."""
    return frozenset(tool for tool, depth in worked if depth >= STRONG) - BY_WEIGHT
