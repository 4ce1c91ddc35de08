"""The clients of a practice: found again, kept whole, made one, erased."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, datetime
from functools import cached_property
from typing import Any
from uuid import UUID, uuid4

from psycopg.sql import SQL, Composed, Identifier, Placeholder
from psycopg.types.json import Jsonb
from pydantic import TypeAdapter

from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.run.log import Log
from mellow_tide.core.run.points import PointEvent
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere, Stale
from mellow_tide.store.sessions import Attendance

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
class ClientRow:
    """A client whole; `day` is the practice's present day."""

    client_id: UUID
    revision: int
    stored: dict[str, Any]
    day: date

    @cached_property
    def record(self) -> ClientRecord:
        """Everything that is known of the client."""
        return ClientRecord.model_validate(self.stored)


@dataclass(frozen=True, kw_only=True)
class ContactRow:
    """What tells one client from another: name, the digits of the phone, the e-mail in small letters."""

    client_id: UUID
    name: str
    digits: str
    email: str


@dataclass(frozen=True, kw_only=True)
class VisitRow:
    """A session of a client: when, for which brief, whether they came, and its log if there is one."""

    session_id: UUID
    starts_at: datetime
    attendance: Attendance
    stored_brief: dict[str, Any]
    stored_log: dict[str, Any] | None

    @property
    def brief(self) -> Brief:
        """What was asked of it."""
        return Brief.model_validate(self.stored_brief)

    @property
    def log(self) -> Log | None:
        """What was confirmed of it."""
        return Log.model_validate(self.stored_log) if self.stored_log else None


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


@dataclass(frozen=True, kw_only=True)
class PointRow:
    """What was noted of a sore point in a session that began at `starts_at`."""

    session_id: UUID
    starts_at: datetime
    stored: dict[str, Any]

    @property
    def event(self) -> PointEvent:
        """What was noted."""
        return _point_event.validate_python(self.stored)


_point_event: TypeAdapter[PointEvent] = TypeAdapter(PointEvent)


def search_clients(t: Transaction, typed: str, archived: bool, most: int) -> list[ClientLine]:
    """The clients in whose name, way of address or notes the letters are, or in whose phone number the digits are.

    Where there is none, those whose name is nearly so; first of those a word of which begins as a typed one does, since
    comparing with everybody takes several times as long and slips at the first letter are rare.
    """
    words = " ".join(typed.lower().split())
    digits = "".join(letter for letter in words if letter.isdigit())
    values = {
        "words": words,
        # What is typed is sought as it is: no letter of it is a wild card.
        "pattern": words.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_"),
        "digits": digits if len(digits) > 2 else "",
        "alike": ALIKE,
        "archived": archived,
        "most": most,
    }
    nearby = [f"% {word[0]}%" for word in words.split() if word[0].isalnum()]
    found = t.column("clients_found", **values)
    for begin in ([nearby] if nearby else []) + [["%"]]:
        found = found or t.column("clients_alike", **values, begin=begin)
    return t.all(ClientLine, "client_lines", client_ids=found)


@dataclass(frozen=True, kw_only=True)
class _ToldRow:
    condition: str
    clients: int


def count_conditions(t: Transaction) -> dict[str, int]:
    """Of how many of the practice's clients each condition is on record."""
    return {row.condition: row.clients for row in t.all(_ToldRow, "count_conditions")}


def find_client(t: Transaction, client_id: UUID) -> ClientRow:
    """The client; raises `NotThere`."""
    row = t.one(ClientRow, "find_client", client_id=client_id)
    if row is None:
        raise NotThere("client")
    return row


def lock_client(t: Transaction, client_id: UUID, revision: int | None = None) -> None:
    """Hold the client until the transaction ends. Raises `NotThere`, and `Stale` if `revision` is not the newest."""
    newest: int | None = t.value("lock_client", client_id=client_id)
    if newest is None:
        raise NotThere("client")
    if revision is not None and newest != revision:
        raise Stale("client")


def add_client(t: Transaction, client_id: UUID, record: ClientRecord) -> None:
    """Add a client; one whose id is already there stays as it is."""
    t.run_composed(_INSERT, {"client_id": client_id, **_values(record)})


def replace_client(t: Transaction, client_id: UUID, record: ClientRecord) -> None:
    """Keep what is now known of a client that is held."""
    t.run_composed(_REPLACE, {"client_id": client_id, **_values(record)})


def set_walk_in(t: Transaction, client_id: UUID, walk_in: bool) -> None:
    """Whether the client came in without a name; then no list has them."""
    t.run("set_walk_in", client_id=client_id, walk_in=walk_in)


def merge_client(t: Transaction, kept: UUID, other: UUID) -> int:
    """Give sessions, intakes and evidence of `other` to `kept`, and take `other` away; how many sessions moved."""
    t.run("insert_merge", kept_id=kept, other_id=other)
    return int(t.value("merge_client", kept=kept, other=other))


def erase_client(t: Transaction, client_id: UUID, person_name: str) -> dict[str, int]:
    """Delete everything of a client that is held; how many rows of each kind went.

    That is kept, with the id, and those of the entries that were merged into it, so that no backup brings them back.
    """
    counts: dict[str, int] = t.value("erase_client", client_id=client_id)
    for id in t.column("ids_of_client", client_id=client_id):
        went = counts if id == client_id else {}
        t.run("insert_erasure", erasure_id=uuid4(), client_id=id, person_name=person_name, counts=Jsonb(went))
    return counts


def list_contacts(t: Transaction) -> list[ContactRow]:
    """What tells the practice's clients apart, those put away among them."""
    return t.all(ContactRow, "clients_with_contact")


def list_all_contacts(t: Transaction) -> list[ClientRecord]:
    """Of the clients that are not put away, by name: how each is called and reached, and no more."""
    return [ClientRecord.model_validate(one) for one in t.column("all_contacts")]


def list_sessions_of_client(t: Transaction, client_id: UUID, most: int) -> list[VisitRow]:
    """The newest sessions of a client, the last first, those to come among them."""
    return t.all(VisitRow, "sessions_of_client", client_id=client_id, most=most)


def list_point_events(t: Transaction, client_id: UUID) -> list[PointRow]:
    """What was noted of a client's sore points; the last session first, each in order."""
    return t.all(PointRow, "point_events_of_client", client_id=client_id)


def list_whole_visits(t: Transaction, client_id: UUID) -> list[WholeVisitRow]:
    """All sessions of a client with everything in them, the first one first."""
    return t.all(WholeVisitRow, "whole_visits", client_id=client_id)


_FIELDS = tuple(ClientRecord.model_fields)
"""A client's columns are the record's fields: a new one is a migration and a field, and no statement changes."""


def _columns(fields: Iterable[str]) -> Composed:
    return SQL(", ").join(Identifier(field) for field in fields)


_INSERT = SQL("INSERT INTO client ({}) VALUES ({}) ON CONFLICT (practice_id, client_id) DO NOTHING").format(
    _columns(("practice_id", "client_id", *_FIELDS)),
    SQL(", ").join(Placeholder(field) for field in ("practice_id", "client_id", *_FIELDS)),
)
_REPLACE = SQL(
    "UPDATE client SET revision = revision + 1, {} WHERE practice_id = {} AND client_id = {}"
).format(
    SQL(", ").join(SQL("{} = {}").format(Identifier(field), Placeholder(field)) for field in _FIELDS),
    Placeholder("practice_id"),
    Placeholder("client_id"),
)


def _values(record: ClientRecord) -> dict[str, Any]:
    return {field: _value(value) for field, value in dict(record).items()}


def _value(value: Any) -> Any:
    if isinstance(value, frozenset):
        return sorted(value)
    return Jsonb([one.model_dump() for one in value]) if isinstance(value, tuple) else value
