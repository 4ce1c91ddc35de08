"""The clients of a practice: found again, kept whole, and the evidence of how it became known."""

from collections.abc import Collection, Iterable, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any, Literal
from uuid import UUID, uuid4

from psycopg import Connection
from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from mellow_tide.core.catalogue.house import House
from mellow_tide.core.meeting.changes import ItemChange
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.store.database import Row
from mellow_tide.store.errors import NotThere, Stale
from mellow_tide.store.queries import query

ALIKE = 0.45
"""How much of a typed word must be in what is sought (pg_trgm's word similarity); one wrong letter in six is less."""

Source = Literal["by_hand", "intake", "day_question", "plan", "import", "merge", "learnt"]
"""How something became known."""


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
class ClientRow:
    """A client whole, on the practice's present day, and what the practice has chosen where schools differ."""

    client_id: UUID
    revision: int
    record: ClientRecord
    day: date
    house: House


@dataclass(frozen=True, kw_only=True)
class ChangeRow:
    """One dated change of what is known of a client."""

    changed_at: datetime
    source: Source
    person_name: str
    field: str
    item: str
    before: Any
    after: Any
    reason: str


@dataclass(frozen=True, kw_only=True)
class ContactRow:
    """What tells one client from another: name, the digits of the phone, the e-mail in small letters."""

    client_id: UUID
    name: str
    digits: str
    email: str


@dataclass(frozen=True, kw_only=True)
class VisitRow:
    """A session of a client: when, for which brief, and its log if there is one; both as JSON."""

    session_id: UUID
    starts_at: datetime
    brief: dict[str, Any]
    log: dict[str, Any] | None


@dataclass(frozen=True, kw_only=True)
class WholeVisitRow:
    """A session of a client with all that was planned, answered, tapped and logged; each as JSON."""

    starts_at: datetime
    flow: dict[str, Any]
    day_answer: dict[str, Any] | None
    events: list[dict[str, Any]]
    logs: list[dict[str, Any]]
    additions: list[dict[str, Any]]
    left_for_later: list[dict[str, Any]]
    marks: list[dict[str, Any]]


def clients_found(
    c: Connection[Row], practice_id: UUID, typed: str, archived: bool, most: int
) -> list[ClientLine]:
    """The clients in whose name, way of address or notes the letters are, or in whose phone number the digits are.

    Where there is none, those whose name is nearly so; first of those a word of which begins as a typed one does, since
    comparing with everybody takes several times as long and slips at the first letter are rare.
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
    nearby = [f"% {word[0]}%" for word in words.split() if word[0].isalnum()]
    found = c.execute(query("clients_found"), values).fetchall()
    for begin in ([nearby] if nearby else []) + [["%"]]:
        found = found or c.execute(query("clients_alike"), {**values, "begin": begin}).fetchall()
    ids = [row[0] for row in found]
    with c.cursor(row_factory=class_row(ClientLine)) as cursor:
        lines = {"practice_id": practice_id, "client_ids": ids}
        return cursor.execute(query("client_lines"), lines).fetchall()


def find_client(c: Connection[Row], practice_id: UUID, client_id: UUID) -> ClientRow:
    """The client; raises `NotThere`."""
    with c.cursor(row_factory=_client_row) as cursor:
        row: ClientRow | None = cursor.execute(query("find_client"), _key(practice_id, client_id)).fetchone()
    if row is None:
        raise NotThere("client")
    return row


def lock_client(c: Connection[Row], practice_id: UUID, client_id: UUID, revision: int | None = None) -> None:
    """Hold the client until the transaction ends. Raises `NotThere`, and `Stale` if `revision` is not the newest."""
    row = c.execute(query("lock_client"), _key(practice_id, client_id)).fetchone()
    if row is None:
        raise NotThere("client")
    if revision is not None and row[0] != revision:
        raise Stale("client")


def add_client(c: Connection[Row], practice_id: UUID, client_id: UUID, record: ClientRecord) -> None:
    """Add a client; one whose id is already there stays as it is."""
    c.execute(query("insert_client"), {**_key(practice_id, client_id), **_values(record)})


def replace_client(c: Connection[Row], practice_id: UUID, client_id: UUID, record: ClientRecord) -> None:
    """Keep what is now known of a client that is held."""
    c.execute(query("replace_client"), {**_key(practice_id, client_id), **_values(record)})


def add_changes(
    c: Connection[Row],
    practice_id: UUID,
    client_id: UUID,
    changes: Iterable[ItemChange],
    source: Source,
    person_name: str,
    changed_at: datetime | None = None,
    reason: str = "",
) -> None:
    """Add dated evidence, of now unless it is said when, with the reason if there is one."""
    values = [
        {
            **_key(practice_id, client_id),
            "changed_at": changed_at,
            "source": source,
            "person_name": person_name,
            "reason": reason,
            "field": change.field,
            "item": change.item,
            "before": None if change.before is None else Jsonb(change.before),
            "after": None if change.after is None else Jsonb(change.after),
        }
        for change in changes
    ]
    with c.cursor() as cursor:
        cursor.executemany(query("insert_change"), values)


def changes_of(c: Connection[Row], practice_id: UUID, client_id: UUID) -> list[ChangeRow]:
    """All evidence of a client, the newest first."""
    with c.cursor(row_factory=class_row(ChangeRow)) as cursor:
        return cursor.execute(query("changes_of_client"), _key(practice_id, client_id)).fetchall()


def changes_since_plan(
    c: Connection[Row], practice_id: UUID, session_id: UUID, fields: Collection[str]
) -> list[ChangeRow]:
    """What of `fields` became known of a session's client after its standing plan was made, the oldest first."""
    values = {"practice_id": practice_id, "session_id": session_id, "fields": sorted(fields)}
    with c.cursor(row_factory=class_row(ChangeRow)) as cursor:
        return cursor.execute(query("changes_since_plan"), values).fetchall()


def merge_client(c: Connection[Row], kept: UUID, other: UUID) -> int:
    """Give sessions, intakes and evidence of `other` to `kept`, and take `other` away; how many sessions moved."""
    row = c.execute(query("merge_client"), {"kept": kept, "other": other}).fetchone()
    return int(row[0]) if row else 0


def erase_client(c: Connection[Row], practice_id: UUID, client_id: UUID, person_name: str) -> dict[str, int]:
    """Delete everything of a client that is held; how many rows of each kind went. That alone is kept."""
    row = c.execute(query("erase_client"), {"client_id": client_id}).fetchone()
    counts: dict[str, int] = row[0] if row else {}
    values = {"practice_id": practice_id, "erasure_id": uuid4(), "person_name": person_name}
    c.execute(query("insert_erasure"), {**values, "counts": Jsonb(counts)})
    return counts


def contacts(c: Connection[Row], practice_id: UUID) -> list[ContactRow]:
    """What tells the practice's clients apart, those put away among them."""
    with c.cursor(row_factory=class_row(ContactRow)) as cursor:
        return cursor.execute(query("clients_with_contact"), {"practice_id": practice_id}).fetchall()


def all_contacts(c: Connection[Row], practice_id: UUID) -> list[ClientRecord]:
    """Of the clients that are not put away, by name: how each is called and reached, and no more."""
    rows = c.execute(query("all_contacts"), {"practice_id": practice_id}).fetchall()
    fields = ("name", "address_as", "phone", "email")
    return [ClientRecord(**dict(zip(fields, row, strict=True))) for row in rows]


def sessions_of_client(c: Connection[Row], practice_id: UUID, client_id: UUID, most: int) -> list[VisitRow]:
    """The newest sessions of a client, the last first, those to come among them."""
    with c.cursor(row_factory=class_row(VisitRow)) as cursor:
        values = {**_key(practice_id, client_id), "most": most}
        return cursor.execute(query("sessions_of_client"), values).fetchall()


def point_events_of(
    c: Connection[Row], practice_id: UUID, client_id: UUID
) -> list[tuple[UUID, datetime, dict[str, Any]]]:
    """What was noted of sore points: session, when it began, event; the last session first, each in order."""
    return c.execute(query("point_events_of_client"), _key(practice_id, client_id)).fetchall()


def whole_visits(c: Connection[Row], practice_id: UUID, client_id: UUID) -> list[WholeVisitRow]:
    """All sessions of a client with everything in them, the first one first."""
    with c.cursor(row_factory=class_row(WholeVisitRow)) as cursor:
        return cursor.execute(query("whole_visits"), _key(practice_id, client_id)).fetchall()


def _key(practice_id: UUID, client_id: UUID) -> dict[str, Any]:
    return {"practice_id": practice_id, "client_id": client_id}


def _values(record: ClientRecord) -> dict[str, Any]:
    return {field: _value(value) for field, value in dict(record).items()}


def _value(value: Any) -> Any:
    if isinstance(value, frozenset):
        return sorted(value)
    return Jsonb([one.model_dump() for one in value]) if isinstance(value, tuple) else value


def _client_row(cursor: Any) -> Any:
    """Makes a `ClientRow` of a row: the record's fields are columns of the same names."""
    names: Sequence[str] = [column.name for column in cursor.description or ()]

    def made(values: Sequence[Any]) -> ClientRow:
        row = dict(zip(names, values, strict=True))
        record = ClientRecord.model_validate({field: row[field] for field in ClientRecord.model_fields})
        house = House.model_validate(row["house_json"])
        return ClientRow(
            client_id=row["client_id"], revision=row["revision"], record=record, day=row["day"], house=house
        )

    return made
