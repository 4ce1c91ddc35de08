"""What to do with the time that is left, for the table's side and without a server.

The order of the flow is kept. At each part the regions still to come share what is left: the wished ones stay, others
may go, and sides already promised get what the first side got. The table is read at the remaining seconds less those
owed to second sides, so that it holds even where a first side took longer. It is a short list of pieces, each with the
set of regions that is then worked; inside a piece every region's seconds are clamp(weight * m - saturation, least,
most), where the level m is piecewise linear in the seconds. From one piece to the next a region comes back in and
others give way.
"""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.minutes.minutes import Share, weight_at
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import CLOSE, LEAVES, pose_question
from mellow_tide.core.planner.table.kept_order import FromPart, from_every_part
from mellow_tide.core.planner.table.kept_sets import Envelope, KeptSets
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import hands_on_seconds, lay_out
from mellow_tide.core.timing.timed import part_seconds
from mellow_tide.core.timing.worked import part_seconds_in, region_seconds_in

LONGER = 900
"""Seconds beyond the booked ones up to which a table reaches."""


PASSES_MISS = 12
"""Seconds by which whole passes may miss what a region was given."""


class TableShare(Record):
    """What a region, or the close, may claim: see `minutes.Share`; `count` sides are still to come. What a session is
    not without has a `bonus`, so it loses minutes before it leaves.
    """

    region: str
    count: int
    weight: float
    saturation: float
    least: float
    most: float
    bonus: float


class Piece(Record):
    """From `start` seconds on, `kept` regions are worked (the close always is) and `fixed` seconds are between them.

    `level` are corners (seconds for strokes, m) of the water level, which is linear between them.
    """

    start: int
    kept: tuple[str, ...]
    fixed: int
    level: tuple[tuple[float, float], ...]


class PartTable(Record):
    """What may be done from `part` (its place in the flow) on, before it is begun; pieces in order of their start.

    `owed` are the regions whose second side is still to come. With fewer seconds than the first piece starts at,
    nothing fits.
    """

    part: int
    owed: tuple[str, ...]
    shares: tuple[TableShare, ...]
    pieces: tuple[Piece, ...]


class ReplanTable(Record):
    """One table for each part of a flow, the opening's first; none for a session without minutes to meet."""

    parts: tuple[PartTable, ...]


def make_replan_table(
    flow: Flow,
    by_hand: tuple[str, ...],
    setting: Setting,
) -> ReplanTable:
    """The tables of a flow for `client`. What was set by hand weighs as much as it takes to get what it has."""
    asked = Asked.of(flow.brief, setting)
    if asked.kind.open_ended:
        return ReplanTable(parts=())
    shares = _shares(flow, by_hand, asked)
    must = {id for id in shares if id in flow.brief.focus}
    bits = {id: i for i, id in enumerate(id for id in shares if id not in must)}
    longest = hands_on_seconds(flow.brief, asked.catalogue) + LONGER
    tables = [_part_table(flow, shares, bits, there, longest) for there in from_every_part(flow, bits, asked)]
    return ReplanTable(parts=tuple(reversed(tables)))


def _shares(flow: Flow, by_hand: tuple[str, ...], asked: Asked) -> dict[str, Share]:
    """By region that the flow works, and for the close, what it may claim, by the clock.

    A part that opens or settles its passage has more by the clock than counts for its region: its bounds grow alike.
    """
    question = pose_question(asked)
    sheet = lay_out(flow, asked.catalogue, asked.tempo)
    counted, clock = region_seconds_in(sheet, flow, asked.catalogue), part_seconds_in(sheet)
    close = part_seconds(flow.parts[-1], asked.catalogue, asked.tempo)
    level = question.find_level({**counted, CLOSE: close})
    found = {}
    for id in dict.fromkeys(part.region for part in flow.parts if part.role == "work"):
        parts = [part for part in flow.parts if part.role == "work" and part.region == id]
        seconds = sum(clock[part.id] for part in parts) / len(parts)
        share = question.shares.get(id) or _unasked(round(seconds))
        # What has its usual seconds was not given them by its weight, either.
        own = id in by_hand or counted[id] <= question.usual.get(id, 0) + PASSES_MISS
        weight = weight_at(level, share, round(counted[id])) if own else share.weight
        grown = seconds / counted[id] if id in question.shares else 1.0
        # What has its least in the plan has it at the table, to the second that its passes make of it.
        least = round(seconds if counted[id] <= share.least + PASSES_MISS else share.least * grown)
        most = max(least, round(share.most * grown))
        bonus = share.bonus + LEAVES / level
        found[id] = Share(len(parts), weight * grown, share.saturation * grown, least, most, bonus=bonus)
    return {**found, CLOSE: question.close}


def _unasked(seconds: int) -> Share:
    """What a region claims that no plan would have worked: just what it has."""
    return Share(1, 1.0, max(1.0, float(seconds)), float(seconds), float(seconds))


def _part_table(
    flow: Flow, shares: dict[str, Share], bits: dict[str, int], there: FromPart, longest: int
) -> PartTable:
    before = {part.region for part in flow.parts[: there.part] if part.role == "work"}
    ahead = [part.region for part in flow.parts[there.part :] if part.role == "work"]
    owed = tuple(id for id in dict.fromkeys(ahead) if id in before)
    free = [id for id in dict.fromkeys(ahead) if id not in before]
    optional = [id for id in free if id in bits]
    must = [id for id in free if id not in bits]
    between = there.seconds[_indices(owed, optional, bits)]
    sets = KeptSets([shares[id] for id in optional], [*(shares[id] for id in must), shares[CLOSE]], between)
    pieces = tuple(_piece(found, optional, must, sets) for found in sets.envelope(longest))
    return PartTable(
        part=there.part,
        owed=owed,
        shares=tuple(_row(id, shares[id]) for id in (*free, CLOSE)),
        pieces=pieces,
    )


def _indices(owed: Sequence[str], optional: Sequence[str], bits: dict[str, int]) -> NDArray[np.int64]:
    """For every set of `optional`, its index among the sets of all regions; what is owed is in all."""
    index = np.zeros(1 << len(optional), dtype=np.int64)
    index[0] = sum(1 << bits[id] for id in owed if id in bits)
    for i, id in enumerate(optional):
        index[1 << i : 2 << i] = index[: 1 << i] | 1 << bits[id]
    return index


def _piece(found: Envelope, optional: Sequence[str], must: Sequence[str], sets: KeptSets) -> Piece:
    kept = [id for i, id in enumerate(optional) if found.kept >> i & 1]
    return Piece(
        start=found.start,
        kept=(*must, *kept),
        fixed=int(sets.between[found.kept]),
        level=tuple(
            (round(float(total), 3), round(float(level), 9))
            for total, level in zip(*sets.corners(found.kept), strict=True)
        ),
    )


def _row(id: str, share: Share) -> TableShare:
    return TableShare(
        region=id,
        count=share.count,
        weight=share.weight,
        saturation=share.saturation,
        least=share.least,
        most=share.most,
        bonus=share.bonus,
    )
