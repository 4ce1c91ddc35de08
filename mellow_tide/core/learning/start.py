"""Where the next visit starts on a region, and how that is said."""

from collections.abc import Iterable, Sequence
from math import ceil
from typing import Literal

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Wish
from mellow_tide.core.learning.evidence import Answer
from mellow_tide.core.learning.pressure import Estimate, Sureness
from mellow_tide.core.phrases.book import say

ASK_EARLY = 1.2
"""Levels: an 80 % interval wider than this is asked about early, unless the last visit has been just right."""

JUST_RIGHT_HOLDS = 0.75
"""Levels between the mean and what was just right last time, within which that stands (from simulation)."""

Basis = Literal["by_hand", "last_time", "learnt"]


class StartDepth(Record):
    """A region at the next visit: the depth to start at, what it goes by, and why not nearer to the wish if it is not.

    `basis`: it was set `by_hand`, was just right `last_time`, or is the whole level nearest to what is `learnt`;
    `why` says that, or what holds the depth lower. `low` to `high` is the 80 % interval of the wish, `mean` its middle,
    all in levels. `answers` is how many it rests on. `held_by` is `care` (health, the most that is allowed) or
    `last_time` (one level over what was borne), or empty.
    """

    region: str
    depth: float
    basis: Basis
    why: str
    mean: float
    low: float
    high: float
    sureness: Sureness
    ask_early: bool
    answers: int
    held_by: str = ""

    @property
    def as_wish(self) -> Wish:
        """The depth to start at, as a plan reads it."""
        return Wish(region=self.region, depth=self.depth)


def choose_start(
    region: str, estimate: Estimate, answers: Sequence[Answer], most: float, by_hand: float | None = None
) -> StartDepth:
    """Where to start after `answers` (of any region, in order): what `by_hand` still stands, else what was just right
    last time if the mean is near it, else the whole level nearest to the mean, an exact half going to the lighter.

    Never above `most`, nor one level over what was borne.
    """
    low, high = estimate.interval
    right = find_just_right(region, answers)
    wanted, basis = _wanted(estimate.mean, right, by_hand)
    borne = find_borne(region, answers)
    limits = [("care", most)] + ([("last_time", borne + 1)] if borne is not None else [])
    limited_by, limit = min(limits, key=lambda named: named[1])
    held_by = limited_by if wanted > limit else ""
    return StartDepth(
        region=region,
        depth=max(1.0, min(wanted, limit)),
        basis=basis,
        why=say(f"starts.held_by_{held_by}" if held_by else f"starts.{basis}"),
        mean=round(estimate.mean, 2),
        low=round(low, 2),
        high=round(high, 2),
        sureness=estimate.sureness,
        ask_early=right is None and high - low > ASK_EARLY,
        answers=estimate.answers,
        held_by=held_by,
    )


def _wanted(mean: float, right: float | None, by_hand: float | None) -> tuple[float, Basis]:
    if by_hand is not None:
        return by_hand, "by_hand"
    if right is not None and abs(mean - right) <= JUST_RIGHT_HOLDS:
        return right, "last_time"
    return float(min(5, max(1, ceil(mean - 0.5)))), "learnt"


def still_stands(depth: float, later: Iterable[Answer]) -> bool:
    """Whether no answer since contradicts a depth that was set by hand: lighter at or below it, deeper at or above."""
    return not any(
        (one.word == "lighter" and one.depth <= depth) or (one.word == "deeper" and one.depth >= depth)
        for one in later
    )


def find_just_right(region: str, answers: Sequence[Answer]) -> float | None:
    """The depth last said to be just right at the last visit at which the region was spoken of, if it was."""
    right = [one.depth for one in _latest(region, answers) if one.word == "just_right"]
    return right[-1] if right else None


def find_borne(region: str, answers: Sequence[Answer]) -> float | None:
    """The deepest that was borne on a region when it was last spoken of; one below the lightest if all was too deep."""
    latest = _latest(region, answers)
    if not latest:
        return None
    borne = [one.depth for one in latest if one.word != "lighter"]
    return max(borne) if borne else min(one.depth for one in latest) - 1


def _latest(region: str, answers: Sequence[Answer]) -> list[Answer]:
    here = [one for one in answers if one.region == region]
    last = max((one.visit for one in here), default=0)
    return [one for one in here if one.visit == last]
