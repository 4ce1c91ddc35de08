"""The clients of a practice: found again, added, described."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row

from mellow_tide.store.database import Row
from mellow_tide.store.errors import NotThere, Stale
from mellow_tide.store.queries import query
from mellow_tide.store.sessions import ClientOnTheDay

ALIKE = 0.45
"""How much of a typed word must be in what is sought (pg_trgm's word similarity); one wrong letter in six is less."""


@dataclass(frozen=True, kw_only=True)
class ClientLine:
    """A client in a list. `last_at` and `next_at`: when the last session began, and the next will."""

    client_id: UUID
    name: str
    address_as: str
    phone: str
    know_first: str
    archived: bool
    last_at: datetime | None
    next_at: datetime | None


@dataclass(frozen=True, kw_only=True)
class ClientRow(ClientOnTheDay):
    """A client whole, on the practice's present day."""

    client_id: UUID
    name: str
    address_as: str
    phone: str
    email: str
    note: str
    know_first: str
    archived: bool
    revision: int


@dataclass(frozen=True, kw_only=True)
class VisitRow:
    """A session of a client: when, for which brief, and its log if there is one; both as JSON."""

    session_id: UUID
    starts_at: datetime
    brief: dict[str, Any]
    log: dict[str, Any] | None


def clients_found(
    c: Connection[Row], practice_id: UUID, typed: str, archived: bool, most: int
) -> list[ClientLine]:
    """The clients in whose name, way of address or notes the letters are, or in whose phone number the digits are.

    Where there is none, those whose name is nearly so.
    """
    words = " ".join(typed.lower().split())
    digits = "".join(letter for letter in words if letter.isdigit())
    values = {
        "practice_id": practice_id,
        "words": words,
        # What is typed is sought as it is: no letter of it is a wild card.
        "pattern": words.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_"),
        "digits": digits if len(digits) > 2 else "",
        "alike": ALIKE,
        "archived": archived,
        "most": most,
    }
    with c.cursor(row_factory=class_row(ClientLine)) as cursor:
        found = cursor.execute(query("clients_found"), values).fetchall()
        return found or cursor.execute(query("clients_alike"), values).fetchall()


def find_client(c: Connection[Row], practice_id: UUID, client_id: UUID) -> ClientRow:
    """The client; raises `NotThere`."""
    with c.cursor(row_factory=class_row(ClientRow)) as cursor:
        values = {"practice_id": practice_id, "client_id": client_id}
        row = cursor.execute(query("find_client"), values).fetchone()
    if row is None:
        raise NotThere("client")
    return row


def add_plain_client(c: Connection[Row], practice_id: UUID, client_id: UUID, name: str, phone: str) -> None:
    """Add a client of whom no more than name and phone is known yet."""
    values = {"practice_id": practice_id, "client_id": client_id, "name": name, "phone": phone}
    c.execute(query("insert_plain_client"), values)


def change_client(
    c: Connection[Row], practice_id: UUID, client_id: UUID, revision: int, fields: dict[str, Any]
) -> None:
    """Describe the client read at `revision`; raises `NotThere`, `Stale`."""
    values = {"practice_id": practice_id, "client_id": client_id, "revision": revision, **fields}
    if c.execute(query("change_client"), values).fetchone() is None:
        find_client(c, practice_id, client_id)
        raise Stale("client")


def sessions_of_client(c: Connection[Row], practice_id: UUID, client_id: UUID, most: int) -> list[VisitRow]:
    """The newest sessions of a client, the last first, those to come among them."""
    with c.cursor(row_factory=class_row(VisitRow)) as cursor:
        values = {"practice_id": practice_id, "client_id": client_id, "most": most}
        return cursor.execute(query("sessions_of_client"), values).fetchall()
