"""What visits have to teach, and whether they count."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from mellow_tide.store.database import Row
from mellow_tide.store.queries import query


@dataclass(frozen=True, kw_only=True)
class TaughtRow:
    """A visit that has ended: its flow and its moves, words and numbers, as JSON; the last mark on it, if any."""

    session_id: UUID
    starts_at: datetime
    flow: dict[str, Any]
    events: list[dict[str, Any]]
    left_out: bool | None
    reason: str | None
    person_name: str | None
    marked_at: datetime | None


def visits_to_learn_from(c: Connection[Row], practice_id: UUID, client_id: UUID) -> list[TaughtRow]:
    """All visits of a client that have ended, the first first."""
    with c.cursor(row_factory=class_row(TaughtRow)) as cursor:
        values = {"practice_id": practice_id, "client_id": client_id}
        return cursor.execute(query("visits_to_learn_from"), values).fetchall()


def mark_visit(
    c: Connection[Row], practice_id: UUID, session_id: UUID, left_out: bool, reason: str, person_name: str
) -> None:
    """Say that a visit counts or does not, and why."""
    values = {"left_out": left_out, "reason": reason, "person_name": person_name}
    c.execute(query("mark_visit"), {"practice_id": practice_id, "session_id": session_id, **values})


@dataclass(frozen=True, kw_only=True)
class WorkedRow:
    """A session that a therapist has worked: its flow and its moves, as JSON, and what scales the clock."""

    session_id: UUID
    starts_at: datetime
    flow: dict[str, Any]
    height_cm: int
    breaths_per_minute: int
    house: dict[str, Any]
    events: list[dict[str, Any]] | None


def worked_by(c: Connection[Row], practice_id: UUID, person_id: UUID, most: int) -> list[WorkedRow]:
    """The last sessions that a therapist has worked, at most so many, the last first."""
    with c.cursor(row_factory=class_row(WorkedRow)) as cursor:
        values = {"practice_id": practice_id, "person_id": person_id, "most": most}
        return cursor.execute(query("worked_by"), values).fetchall()


def own_pace_of(
    c: Connection[Row], practice_id: UUID, person_id: UUID
) -> tuple[dict[str, float], datetime] | None:
    """The pace that a therapist accepted last, and when; None if never, empty factors if they went back."""
    values = {"practice_id": practice_id, "person_id": person_id}
    return c.execute(query("own_pace_of"), values).fetchone()


def accept_pace(c: Connection[Row], practice_id: UUID, person_id: UUID, factors: dict[str, float]) -> None:
    """Keep a pace as accepted from now on."""
    values = {"practice_id": practice_id, "person_id": person_id, "factors": Jsonb(factors)}
    c.execute(query("accept_pace"), values)
