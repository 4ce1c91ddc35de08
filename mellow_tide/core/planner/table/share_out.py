"""Reading a replanning table: what is worked, and how long, with the seconds that are left."""

from bisect import bisect_right
from collections.abc import Mapping
from itertools import pairwise

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.planner.minutes.minutes import Share, allot
from mellow_tide.core.planner.question.question import CLOSE
from mellow_tide.core.planner.table.replan_table import PartTable, Piece, TableShare


class SharedOut(Record):
    """Seconds per side of every region that is worked, and of the close; `between` are for transitions.

    `spare` seconds are more than all can use. With `short_by` more than 0 so many are missing, and nothing fits.
    """

    seconds: dict[str, float]
    dropped: tuple[str, ...]
    between: int
    spare: float
    short_by: int


def share_out(table: PartTable, left: float, held: Mapping[str, float] | None = None) -> SharedOut:
    """What to do from the table's part on with `left` seconds, those owed to second sides taken off.

    A region in `held` keeps just so many seconds per side; what must give, the others give.
    """
    if held:
        return _around(table, left, held)
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


def _around(table: PartTable, left: float, held: Mapping[str, float]) -> SharedOut:
    """The rest shared out around what is held: of the sets that the table knows, the one that does most good."""
    fixed = sum(s.count * held[s.region] for s in table.shares if s.region in held)
    best: tuple[float, SharedOut] | None = None
    missing: list[float] = []
    for piece in table.pieces:
        if not held.keys() <= {*piece.kept, CLOSE}:
            continue
        rest = [s for s in table.shares if s.region in {*piece.kept, CLOSE} and s.region not in held]
        total = left - piece.fixed - fixed
        missing.append(sum(s.count * s.least for s in rest) - total)
        found = _shared(table, piece, rest, total, held)
        if found and (best is None or found[0] > best[0]):
            best = found
    if best:
        return best[1]
    # A half second counts as a whole one, as on the devices at the table.
    short = max(1, int(min(missing, default=left) + 0.5))
    return SharedOut(seconds={}, dropped=(), between=0, spare=0, short_by=short)


def _shared(
    table: PartTable, piece: Piece, rest: list[TableShare], total: float, held: Mapping[str, float]
) -> tuple[float, SharedOut] | None:
    """The value of one set's rest at `total` seconds, and what everything gets; None if it does not fit."""
    shares = [Share(s.count, s.weight, s.saturation, s.least, s.most, bonus=s.bonus) for s in rest]
    most = sum(s.count * s.most for s in shares)
    given = allot(shares, min(total, most))
    if given is None:
        return None
    seconds = {**held, **{s.region: t for s, t in zip(rest, given, strict=True)}}
    out = SharedOut(
        seconds={s.region: round(seconds[s.region], 3) for s in table.shares if s.region in seconds},
        dropped=tuple(s.region for s in table.shares if s.region not in seconds),
        between=piece.fixed,
        spare=round(max(0.0, total - most), 3),
        short_by=0,
    )
    return sum(share.value(t) for share, t in zip(shares, given, strict=True)), out
