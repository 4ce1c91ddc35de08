"""Sore points of a client, visit by visit."""

from collections.abc import Iterable
from datetime import datetime
from typing import Any
from uuid import UUID

from pydantic import AwareDatetime, TypeAdapter

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.run.points import PointEvent, SorePoint, after

_point_event: TypeAdapter[PointEvent] = TypeAdapter(PointEvent)


class PointsOfVisit(Record):
    """The sore points of one session, with their numbers in order."""

    session_id: UUID
    starts_at: AwareDatetime
    points: tuple[SorePoint, ...]


def points_by_visit(
    pointed: Iterable[tuple[UUID, datetime, dict[str, Any]]],
) -> tuple[PointsOfVisit, ...]:
    """The points of each visit from rows of session, start and event, in the order the rows come."""
    visits: dict[tuple[UUID, datetime], tuple[SorePoint, ...]] = {}
    for session_id, starts_at, event in pointed:
        key = (session_id, starts_at)
        visits[key] = after(visits.get(key, ()), _point_event.validate_python(event))
    return tuple(
        PointsOfVisit(session_id=session_id, starts_at=starts_at, points=points)
        for (session_id, starts_at), points in visits.items()
    )


def falls_of(visits: Iterable[PointsOfVisit]) -> dict[str, int]:
    """By how much the number of a place fell at best on these visits; the key is region, side and zone, if any."""
    falls: dict[str, int] = {}
    for point in (point for visit in visits for point in visit.points):
        key = " ".join(filter(None, (point.region, point.side, point.zone)))
        fall = point.numbers[0] - point.numbers[-1] if point.numbers else 0
        if fall > 0:
            falls[key] = max(falls.get(key, 0), fall)
    return falls
