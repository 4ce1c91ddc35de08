"""Where the next visit starts on a region, and how that is said."""

from collections.abc import Sequence
from math import floor

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Wish
from mellow_tide.core.learning.evidence import Answer
from mellow_tide.core.learning.pressure import Estimate, Sureness

ASK_EARLY = 1.2
"""Levels: an 80 % interval wider than this is asked about early."""


class StartDepth(Record):
    """A region at the next visit: the depth to start at (half levels), and why not nearer to the wish if it is not.

    `low` to `high` is the 80 % interval of the wish, `mean` its middle, all in levels. `answers` is how many it rests
    on. `held_by` is `care` (health, the most that is allowed) or `last_time` (one level over what was borne), or empty.
    """

    region: str
    depth: float
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


def choose_start(region: str, estimate: Estimate, most: float, borne: float | None) -> StartDepth:
    """The mean, rounded toward light to the half level, never above `most` nor one level over what was `borne`."""
    low, high = estimate.interval
    wanted = min(5.0, max(1.0, floor(estimate.mean * 2) / 2))
    limits = [("care", most)] + ([("last_time", borne + 1)] if borne is not None else [])
    held_by, limit = min(limits, key=lambda named: named[1])
    return StartDepth(
        region=region,
        depth=max(1.0, min(wanted, limit)),
        mean=round(estimate.mean, 2),
        low=round(low, 2),
        high=round(high, 2),
        sureness=estimate.sureness,
        ask_early=high - low > ASK_EARLY,
        answers=estimate.answers,
        held_by=held_by if wanted > limit else "",
    )


def find_borne(region: str, answers: Sequence[Answer]) -> float | None:
    """The deepest that was borne on a region when it was last spoken of; one below the lightest if all was too deep."""
    here = [one for one in answers if one.region == region]
    if not here:
        return None
    last = max(one.visit for one in here)
    latest = [one for one in here if one.visit == last]
    borne = [one.depth for one in latest if one.word != "lighter"]
    return max(borne) if borne else min(one.depth for one in latest) - 1
