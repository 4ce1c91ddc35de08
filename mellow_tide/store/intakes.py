"""Intakes: made for a client, opened once, filled in, handed in, read."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from mellow_tide.store.database import Row
from mellow_tide.store.errors import NotThere
from mellow_tide.store.queries import query


@dataclass(frozen=True, kw_only=True)
class IntakeRow:
    """An intake as stored. `answers` and `verdicts` are JSON; `key_hash` is of the device that opened it."""

    practice_id: UUID
    intake_id: UUID
    client_id: UUID
    key_hash: bytes | None
    made_at: datetime
    expires_at: datetime
    opened_at: datetime | None
    handed_in_at: datetime | None
    reviewed_at: datetime | None
    sequence: int
    answers: dict[str, Any]
    verdicts: dict[str, Any]


def add_intake(
    c: Connection[Row],
    practice_id: UUID,
    intake_id: UUID,
    client_id: UUID,
    link_hash: bytes,
    expires_at: datetime,
) -> None:
    """Add an intake that waits to be opened by its link."""
    values = {"client_id": client_id, "link_hash": link_hash, "expires_at": expires_at}
    c.execute(query("insert_intake"), {**_key(practice_id, intake_id), **values})


def find_intake(c: Connection[Row], practice_id: UUID, intake_id: UUID) -> IntakeRow:
    """The intake; raises `NotThere`."""
    with c.cursor(row_factory=class_row(IntakeRow)) as cursor:
        row = cursor.execute(query("find_intake"), _key(practice_id, intake_id)).fetchone()
    if row is None:
        raise NotThere("intake")
    return row


def intake_by_token(c: Connection[Row], token_hash: bytes) -> IntakeRow | None:
    """The intake that a link or a device's key opens, if there is one; the transaction must see by that hash."""
    with c.cursor(row_factory=class_row(IntakeRow)) as cursor:
        return cursor.execute(query("intake_by_token"), {"token_hash": token_hash}).fetchone()


def intakes_of(c: Connection[Row], practice_id: UUID, client_id: UUID) -> list[IntakeRow]:
    """All intakes of a client, the newest first."""
    with c.cursor(row_factory=class_row(IntakeRow)) as cursor:
        values = {"practice_id": practice_id, "client_id": client_id}
        return cursor.execute(query("intakes_of_client"), values).fetchall()


def lock_intake(c: Connection[Row], practice_id: UUID, intake_id: UUID) -> None:
    """Hold the intake until the transaction ends."""
    c.execute(query("lock_intake"), _key(practice_id, intake_id))


def open_intake(
    c: Connection[Row], practice_id: UUID, intake_id: UUID, key_hash: bytes, now: datetime
) -> bool:
    """Bind the intake to a device; False if another one was first."""
    values = {**_key(practice_id, intake_id), "key_hash": key_hash, "now": now}
    return c.execute(query("open_intake"), values).rowcount == 1


def save_answers(
    c: Connection[Row], practice_id: UUID, intake_id: UUID, sequence: int, answers: dict[str, Any]
) -> None:
    """Keep the answers, unless newer ones are there, or it has been handed in."""
    values = {**_key(practice_id, intake_id), "sequence": sequence, "answers": Jsonb(answers)}
    c.execute(query("save_answers"), values)


def hand_in(c: Connection[Row], practice_id: UUID, intake_id: UUID, now: datetime) -> None:
    """Close the intake for the client; a second time changes nothing."""
    c.execute(query("hand_in"), {**_key(practice_id, intake_id), "now": now})


def set_verdicts(
    c: Connection[Row],
    practice_id: UUID,
    intake_id: UUID,
    verdicts: dict[str, Any],
    reviewed_at: datetime | None,
) -> None:
    """Keep what the therapist made of the answers."""
    values = {"verdicts": Jsonb(verdicts), "reviewed_at": reviewed_at}
    c.execute(query("set_verdicts"), {**_key(practice_id, intake_id), **values})


def _key(practice_id: UUID, intake_id: UUID) -> dict[str, Any]:
    return {"practice_id": practice_id, "intake_id": intake_id}
