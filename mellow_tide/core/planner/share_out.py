"""Reading a replanning table: what is worked, and how long, with the seconds that are left."""

from bisect import bisect_right
from itertools import pairwise

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.planner.question import CLOSE
from mellow_tide.core.planner.replan_table import StopTable


class SharedOut(Record):
    """Seconds per side of every region that is worked, and of the close; `between` are for transitions.

    `spare` seconds are more than all can use. With `short_by` more than 0 so many are missing, and nothing fits.
    """

    seconds: dict[str, float]
    dropped: tuple[str, ...]
    between: int
    spare: float
    short_by: int


def share_out(table: StopTable, left: float) -> SharedOut:
    """What to do from the table's stop on with `left` seconds, those owed to second sides taken off."""
    place = bisect_right([piece.start for piece in table.pieces], left) - 1
    if place < 0:
        short = table.pieces[0].start - int(left)
        return SharedOut(seconds={}, dropped=(), between=0, spare=0, short_by=short)
    piece = table.pieces[place]
    total = left - piece.fixed
    level = _level(piece.level, total)
    kept = {*piece.kept, CLOSE}
    seconds = {
        s.region: min(max(s.weight * level - s.saturation, s.least), s.most)
        for s in table.shares
        if s.region in kept
    }
    return SharedOut(
        seconds={id: round(t, 3) for id, t in seconds.items()},
        dropped=tuple(s.region for s in table.shares if s.region not in kept),
        between=piece.fixed,
        spare=round(max(0.0, total - piece.level[-1][0]), 3),
        short_by=0,
    )


def _level(corners: tuple[tuple[float, float], ...], total: float) -> float:
    """The water level at which the shares make `total`, between the corners on its either side."""
    for (low, level), (high, next_level) in pairwise(corners):
        if total <= high:
            part = 0.0 if high == low else max(0.0, total - low) / (high - low)
            return level + part * (next_level - level)
    return corners[-1][1]
