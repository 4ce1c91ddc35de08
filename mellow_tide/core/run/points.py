"""Sore points of one session: a number is a series tied to one point, and three holds are the most."""

from collections.abc import Sequence
from typing import Annotated
from uuid import UUID

from pydantic import Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.holding import MOST_HOLDS
from mellow_tide.core.run.events import (
    Number,
    PointFound,
    PointHeld,
    PointLeft,
    PointRated,
    PointTravels,
    PointWithdrawn,
)

PointEvent = Annotated[
    PointFound | PointRated | PointHeld | PointTravels | PointLeft | PointWithdrawn,
    Field(discriminator="kind"),
]


class SorePoint(Record):
    """A point with its numbers in order: the first before, the last after. `left`: slow to ease, for another day."""

    id: UUID
    region: str
    side: Side
    zone: str | None
    named: bool
    numbers: tuple[Number, ...] = ()
    holds: Annotated[int, Field(ge=0, le=MOST_HOLDS)] = 0
    travels: tuple[str, ...] = ()
    left: bool = False

    @property
    def open(self) -> bool:
        """Whether it may be held again today: not after three holds, not once left, not once it has risen."""
        risen = len(self.numbers) > 1 and self.numbers[-1] > self.numbers[-2]
        return not self.left and self.holds < MOST_HOLDS and not risen


def note_point(points: tuple[SorePoint, ...], event: PointEvent) -> tuple[SorePoint, ...]:
    """The points after an event; one for a point that is not there, or a further hold of a closed one, changes none.

    A point that is withdrawn is gone, with its numbers.
    """
    if isinstance(event, PointFound):
        if any(point.id == event.point for point in points):
            return points
        found = SorePoint(
            id=event.point, region=event.region, side=event.side, zone=event.zone, named=event.named
        )
        return (*points, found)
    if isinstance(event, PointWithdrawn):
        return tuple(point for point in points if point.id != event.point)
    return tuple(_changed(point, event) if point.id == event.point else point for point in points)


def _changed(point: SorePoint, event: PointRated | PointHeld | PointTravels | PointLeft) -> SorePoint:
    match event:
        case PointRated():
            change: dict[str, object] = {"numbers": (*point.numbers, event.number)}
        case PointHeld():
            change = {"holds": point.holds + 1} if point.open else {}
        case PointTravels():
            change = {"travels": (*point.travels, event.to)}
        case PointLeft():
            change = {"left": True}
    return point.model_copy(update=change)


def order_points(points: Sequence[SorePoint], ceiling: int) -> tuple[SorePoint, ...]:
    """The points that may still be held, in the order to treat them: first those the client named, then the highest
    under the ceiling, those over it last.
    """

    def rank(point: SorePoint) -> tuple[bool, bool, int]:
        number = point.numbers[-1] if point.numbers else ceiling
        return (not point.named, number > ceiling, -number)

    return tuple(sorted((point for point in points if point.open), key=rank))
