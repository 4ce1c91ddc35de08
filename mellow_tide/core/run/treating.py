"""Which sore points to treat in the time there is: a small knapsack, solved exactly."""

from collections.abc import Mapping, Sequence
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.holding import MOST_HOLDS, NUMBER_SECONDS
from mellow_tide.core.run.points import SorePoint, order_points

FLUSH = 9
"""Seconds to clear the place afterwards: a point with three holds of 8 s takes about 45."""

Worth = tuple[int, int, int, int]
"""How many the client named, their numbers and their falls on earlier visits summed up, and how many they are."""


class Treating(Record):
    """The points to treat `now`, in their order, and their whole seconds; the others are `left` for another day."""

    now: tuple[UUID, ...]
    left: tuple[UUID, ...]
    seconds: int


def next_hold_seconds(point: SorePoint, hold: int) -> int:
    """Whole seconds of a point's next hold: half as long again where its number stayed (common practice)."""
    stayed = len(point.numbers) > 1 and point.numbers[-1] == point.numbers[-2]
    return hold + (hold + 1) // 2 if stayed else hold


def point_seconds(point: SorePoint, hold: int) -> int:
    """Whole seconds of what a point still takes: holds of `hold` seconds, each with its number, and the clearing.

    The next one may be longer.
    """
    holds = MOST_HOLDS - point.holds
    longer = next_hold_seconds(point, hold) - hold if holds else 0
    return holds * (hold + NUMBER_SECONDS) + longer + FLUSH


def choose_points(
    points: Sequence[SorePoint],
    seconds: int,
    ceiling: int,
    hold: int,
    falls: Mapping[UUID, int] | None = None,
) -> Treating:
    """What does the most good in `seconds`: first as many as can be of those the client named, then the highest numbers
    under the ceiling, then those that fell most on earlier visits (`falls`, by point), then as many as can be.

    A hold lasts `hold` seconds. Exact, by the best choice for every number of seconds that a choice may take.
    """
    wanted = order_points(points, ceiling)
    best: dict[int, tuple[Worth, tuple[UUID, ...]]] = {0: ((0, 0, 0, 0), ())}
    for point in wanted:
        number = point.numbers[-1] if point.numbers else ceiling
        fall = (falls or {}).get(point.id, 0)
        own: Worth = (int(point.named), number if number <= ceiling else 0, fall, 1)
        takes = point_seconds(point, hold)
        for used, (worth, chosen) in list(best.items()):
            more = used + takes
            better: Worth = (worth[0] + own[0], worth[1] + own[1], worth[2] + own[2], worth[3] + own[3])
            if more <= seconds and (more not in best or better > best[more][0]):
                best[more] = (better, (*chosen, point.id))
    used = max(best, key=lambda total: (best[total][0], -total))
    now = best[used][1]
    return Treating(now=now, left=tuple(p.id for p in wanted if p.id not in now), seconds=used)
