"""Logs of sessions: revisions until they are signed, dated additions after that, and what they leave for later."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from mellow_tide.core.run.log import FollowUp, FollowUpKind
from mellow_tide.store.database import Row
from mellow_tide.store.errors import NotThere
from mellow_tide.store.queries import query


@dataclass(frozen=True)
class LogRow:
    """The newest revision of a log; `signed_by` is None until it is signed."""

    revision: int
    log: dict[str, Any]
    logged_at: datetime
    signed_by: str | None


@dataclass(frozen=True)
class AdditionRow:
    """What was added to a signed log, when and by whom."""

    words: str
    person_name: str
    added_at: datetime


@dataclass(frozen=True)
class FollowUpRow:
    """What session `session_id` left for later; `done_at` once it is ticked off."""

    session_id: UUID
    number: int
    kind: FollowUpKind
    words: str
    made_at: datetime
    done_at: datetime | None
    done_by: str | None


def _key(practice_id: UUID, session_id: UUID) -> dict[str, Any]:
    return {"practice_id": practice_id, "session_id": session_id}


def newest_log(c: Connection[Row], practice_id: UUID, session_id: UUID) -> LogRow | None:
    """The log of a session, if there is one."""
    with c.cursor(row_factory=class_row(LogRow)) as cursor:
        return cursor.execute(query("newest_log"), _key(practice_id, session_id)).fetchone()


def add_log(
    c: Connection[Row],
    practice_id: UUID,
    session_id: UUID,
    revision: int,
    log: dict[str, Any],
    signed_by: str | None = None,
) -> None:
    """Add a revision of the log; raises `Conflict` if that revision is there already."""
    values = {"revision": revision, "log": Jsonb(log), "signed_by": signed_by}
    c.execute(query("insert_log"), {**_key(practice_id, session_id), **values})


def additions_of(c: Connection[Row], practice_id: UUID, session_id: UUID) -> list[AdditionRow]:
    """What was added to the log, the first first."""
    with c.cursor(row_factory=class_row(AdditionRow)) as cursor:
        return cursor.execute(query("log_additions"), _key(practice_id, session_id)).fetchall()


def add_addition(
    c: Connection[Row], practice_id: UUID, session_id: UUID, words: str, person_name: str
) -> None:
    """Add to a log. Raises `Conflict` if somebody else did so at the same instant."""
    values = {"words": words, "person_name": person_name}
    c.execute(query("insert_log_addition"), {**_key(practice_id, session_id), **values})


def add_follow_ups(
    c: Connection[Row], practice_id: UUID, session_id: UUID, found: Sequence[FollowUp]
) -> None:
    """Keep what a session leaves for the next ones."""
    values = [
        {**_key(practice_id, session_id), "number": number, "kind": one.kind, "words": one.words}
        for number, one in enumerate(found, 1)
    ]
    with c.cursor() as cursor:
        cursor.executemany(query("insert_follow_up"), values)


def follow_ups_before(c: Connection[Row], practice_id: UUID, session_id: UUID) -> list[FollowUpRow]:
    """What earlier sessions of the same client left: what is open, and what was ticked off for this one."""
    with c.cursor(row_factory=class_row(FollowUpRow)) as cursor:
        return cursor.execute(query("follow_ups_before"), _key(practice_id, session_id)).fetchall()


def tick_follow_up(
    c: Connection[Row],
    practice_id: UUID,
    session_id: UUID,
    made_in: UUID,
    number: int,
    done: bool,
    person_name: str,
) -> None:
    """Tick off in a session what session `made_in` left, or open it again. Raises `NotThere`."""
    values = {
        "done_in": session_id,
        "made_in": made_in,
        "number": number,
        "done": done,
        "person_name": person_name,
    }
    if c.execute(query("tick_follow_up"), {"practice_id": practice_id, **values}).fetchone() is None:
        raise NotThere("follow-up")
