"""Keeping what becomes known of a client: the record as it is now, and the dated change that made it so."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.flow.brief import check_places
from mellow_tide.core.meeting.changes import compare_records
from mellow_tide.core.meeting.record import ClientRecord, nobody
from mellow_tide.core.meeting.sides import name_record_sides
from mellow_tide.core.refusal import UnknownReference
from mellow_tide.services.desk import Desk
from mellow_tide.store.database import Transaction
from mellow_tide.store.meeting.clients import add_client, find_client, lock_client, replace_client
from mellow_tide.store.meeting.evidence import Evidence, Source, add_changes


@dataclass(frozen=True)
class Told:
    """How something became known, when if that is not now, and why if that was said.

    `revision`: the client is changed only if that is still the newest.
    """

    source: Source
    at: datetime | None = None
    reason: str = ""
    revision: int | None = None


def tell(
    t: Transaction, desk: Desk, client_id: UUID, tell: Callable[[ClientRecord], ClientRecord], by: Told
) -> ClientRecord:
    """Keep what `tell` makes of the client's record, and what that changes as evidence.

    Where a condition was is forgotten with the condition.

    The transaction must see practice and person. Raises `NotThere`, `Stale` if `by.revision` is not the newest, and
    `UnknownReference` for an id that the catalogue does not know.
    """
    lock_client(t, client_id, by.revision)
    row = find_client(t, client_id)
    catalogue = desk.catalogue
    after = name_record_sides(tell(row.record).told_where(()), catalogue)
    restrict(after.facts(row.day), catalogue)
    # Where tension is felt restricts nothing, and is named all the same.
    unknown = tuple(check_places(after.tension, "tension", catalogue))
    if unknown:
        raise UnknownReference(*unknown)
    made = compare_records(name_record_sides(row.record, catalogue), after)
    if made:
        replace_client(t, client_id, after)
        add_changes(t, client_id, made, Evidence(by.source, desk.name(t), by.at, by.reason))
    return after


def tell_new(t: Transaction, desk: Desk, client_id: UUID, record: ClientRecord, by: Told) -> None:
    """Add a client with all that is known from the start, as evidence."""
    add_client(t, client_id, record)
    first = compare_records(nobody(record.name), record)
    add_changes(t, client_id, first, Evidence(by.source, desk.name(t), by.at, by.reason))
