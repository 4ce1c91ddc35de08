"""Versions of a session's plan that were given a name."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row

from mellow_tide.store.database import Row
from mellow_tide.store.errors import NotThere
from mellow_tide.store.queries import query


@dataclass(frozen=True, kw_only=True)
class VersionRow:
    """A named version. `plan` is a core plan as JSON."""

    version_id: UUID
    name: str
    plan: dict[str, Any]
    made_at: datetime


def versions_of(c: Connection[Row], practice_id: UUID, session_id: UUID) -> list[VersionRow]:
    """All versions of a session, the first made first."""
    with c.cursor(row_factory=class_row(VersionRow)) as cursor:
        values = {"practice_id": practice_id, "session_id": session_id}
        return cursor.execute(query("versions_of_session"), values).fetchall()


def find_version(c: Connection[Row], practice_id: UUID, session_id: UUID, version_id: UUID) -> VersionRow:
    """The version; raises `NotThere`."""
    with c.cursor(row_factory=class_row(VersionRow)) as cursor:
        values = {"practice_id": practice_id, "session_id": session_id, "version_id": version_id}
        row = cursor.execute(query("find_version"), values).fetchone()
    if row is None:
        raise NotThere("version")
    return row


def name_standing_plan(
    c: Connection[Row], practice_id: UUID, session_id: UUID, version_id: UUID, name: str
) -> None:
    """Keep the plan that stands under a name; raises `NotThere`, and `Conflict` where the name is taken."""
    values = {"practice_id": practice_id, "session_id": session_id, "version_id": version_id, "name": name}
    if c.execute(query("name_standing_plan"), values).rowcount == 0:
        raise NotThere("session")


def rename_version(
    c: Connection[Row], practice_id: UUID, session_id: UUID, version_id: UUID, name: str
) -> None:
    """Give a version another name; raises `NotThere`, and `Conflict` where the name is taken."""
    values = {"practice_id": practice_id, "session_id": session_id, "version_id": version_id, "name": name}
    if c.execute(query("rename_version"), values).fetchone() is None:
        raise NotThere("version")


def forget_version(c: Connection[Row], practice_id: UUID, session_id: UUID, version_id: UUID) -> None:
    """Forget a version; raises `NotThere`."""
    values = {"practice_id": practice_id, "session_id": session_id, "version_id": version_id}
    if c.execute(query("forget_version"), values).fetchone() is None:
        raise NotThere("version")
