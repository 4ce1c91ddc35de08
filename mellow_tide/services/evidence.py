"""Keeping what becomes known of a client: the record as it is now, and the dated change that made it so."""

from collections.abc import Callable
from datetime import datetime
from uuid import UUID

from psycopg import Connection

from mellow_tide.core.care.restrictions import restrict
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.meeting.changes import changes
from mellow_tide.core.meeting.record import ClientRecord, nobody
from mellow_tide.store.clients import (
    Source,
    add_changes,
    add_client,
    find_client,
    lock_client,
    replace_client,
)
from mellow_tide.store.database import Row
from mellow_tide.store.people import SignedIn, find_person


def told(
    c: Connection[Row],
    who: SignedIn,
    client_id: UUID,
    tell: Callable[[ClientRecord], ClientRecord],
    source: Source,
    catalogue: Catalogue,
    revision: int | None = None,
    at: datetime | None = None,
    reason: str = "",
) -> ClientRecord:
    """Keep what `tell` makes of the client's record, and what that changes as evidence of now or of `at`, and why.

    The transaction must see practice and person. Raises `NotThere`, `Stale` if `revision` is not the newest, and
    `UnknownReference` for an id that the catalogue does not know.
    """
    lock_client(c, who.practice_id, client_id, revision)
    row = find_client(c, who.practice_id, client_id)
    after = tell(row.record)
    restrict(after.facts(row.day), catalogue)
    made = changes(row.record, after)
    if made:
        replace_client(c, who.practice_id, client_id, after)
        add_changes(c, who.practice_id, client_id, made, source, person_name(c, who), at, reason)
    return after


def newly_told(
    c: Connection[Row],
    practice_id: UUID,
    client_id: UUID,
    record: ClientRecord,
    source: Source,
    by: str,
    at: datetime | None = None,
) -> None:
    """Add a client with all that is known from the start, as evidence of now or of `at`; `by` wrote it down."""
    add_client(c, practice_id, client_id, record)
    first = changes(nobody(record.name), record)
    add_changes(c, practice_id, client_id, first, source, by, at)


def person_name(c: Connection[Row], who: SignedIn) -> str:
    """Who writes it down, by name: it stays readable when the person is gone."""
    return find_person(c, who.person_id).name
