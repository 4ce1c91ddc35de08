"""Sore points of a client, visit by visit."""

from collections.abc import Iterable
from datetime import datetime
from uuid import UUID

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.run.points import SorePoint, note_point
from mellow_tide.store.meeting.clients import PointRow


class PointsOfVisit(Record):
    """The sore points of one session, with their numbers in order."""

    session_id: UUID
    starts_at: AwareDatetime
    points: tuple[SorePoint, ...]


def group_points(noted: Iterable[PointRow]) -> tuple[PointsOfVisit, ...]:
    """The points of each visit, in the order the rows come."""
    visits: dict[tuple[UUID, datetime], tuple[SorePoint, ...]] = {}
    for row in noted:
        key = (row.session_id, row.starts_at)
        visits[key] = note_point(visits.get(key, ()), row.event)
    return tuple(
        PointsOfVisit(session_id=session_id, starts_at=starts_at, points=points)
        for (session_id, starts_at), points in visits.items()
        if points
    )


def measure_falls(visits: Iterable[PointsOfVisit]) -> dict[str, int]:
    """By how much the number of a place fell at best on these visits; the key is region, side and zone, if any."""
    falls: dict[str, int] = {}
    for point in (point for visit in visits for point in visit.points):
        key = " ".join(filter(None, (point.region, point.side, point.zone)))
        fall = point.numbers[0] - point.numbers[-1] if point.numbers else 0
        if fall > 0:
            falls[key] = max(falls.get(key, 0), fall)
    return falls
