"""The private address under which a therapist's sessions are read by another calendar: one at most."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere


@dataclass(frozen=True)
class CalendarFeedRow:
    """Whose sessions are read; `names`: with the clients' names."""

    practice_id: UUID
    person_id: UUID
    names: bool
    made_at: datetime


def find_feed_by_token(t: Transaction, token_hash: bytes) -> CalendarFeedRow:
    """The feed at an address. Raises `NotThere`."""
    row = t.one(CalendarFeedRow, "calendar_feed_by_token", token_hash=token_hash)
    if row is None:
        raise NotThere("calendar")
    return row


def find_feed(t: Transaction) -> CalendarFeedRow | None:
    """The feed of whoever asks, if they have one."""
    return t.one(CalendarFeedRow, "calendar_feed_of_person")


def replace_feed(t: Transaction, token_hash: bytes, names: bool) -> None:
    """Give whoever asks a new address; the one before it is gone."""
    t.run("delete_calendar_feed")
    t.run("insert_calendar_feed", token_hash=token_hash, names=names)


def set_names_in_feed(t: Transaction, names: bool) -> None:
    """Show the clients' names in the feed of whoever asks, or hide them. Raises `NotThere`."""
    if not t.run("name_in_calendar_feed", names=names):
        raise NotThere("calendar")


def delete_feed(t: Transaction) -> None:
    """Nothing is read any more under the address of whoever asks."""
    t.run("delete_calendar_feed")
