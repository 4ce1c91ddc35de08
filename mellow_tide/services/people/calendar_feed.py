"""One's own sessions in another calendar: a private address, and what is read there."""

from datetime import timedelta

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.formats.calendar_feed import CalendarEntry, write_calendar
from mellow_tide.core.phrases.book import say
from mellow_tide.services.desk import Desk
from mellow_tide.services.people.tokens import hash_token, make_token
from mellow_tide.store.bookings import BookingRow, list_bookings
from mellow_tide.store.calendar.feed import (
    CalendarFeedRow,
    delete_feed,
    find_feed,
    find_feed_by_token,
    replace_feed,
    set_names_in_feed,
)
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.errors import NotThere
from mellow_tide.store.people import find_practice, list_members
from mellow_tide.store.sessions import Between

DAYS_BACK, DAYS_AHEAD = 31, 366
"""How far back and ahead another calendar sees."""


class CalendarFeed(Record):
    """Whether there is an address since `made_at`, and whether the clients' names are read there."""

    made_at: AwareDatetime | None
    names: bool


class NewFeed(CalendarFeed):
    """An address that was just made: `path` is told this once."""

    path: str


def read_feed_state(desk: Desk) -> CalendarFeed:
    """One's own feed."""
    # Whose it is the transaction must see, though nothing is written.
    with desk.writing() as t:
        return _state(find_feed(t))


def make_feed(desk: Desk, names: bool) -> NewFeed:
    """Make a new address; the one before it stops at once."""
    token = make_token()
    with desk.writing() as t:
        replace_feed(t, hash_token(token), names)
        made = _state(find_feed(t))
    return NewFeed(made_at=made.made_at, names=made.names, path=f"/api/calendar/{token}/sessions.ics")


def show_names(desk: Desk, names: bool) -> CalendarFeed:
    """Show the clients' names there, or hide them. Raises `NotThere`."""
    with desk.writing() as t:
        set_names_in_feed(t, names)
        return _state(find_feed(t))


def withdraw_feed(desk: Desk) -> CalendarFeed:
    """Let nothing be read under the address any more."""
    with desk.writing() as t:
        delete_feed(t)
    return _state(None)


def read_calendar(db: Database, token: str) -> bytes:
    """The sessions at an address, a month back and a year ahead, as a calendar. Raises `NotThere`."""
    with db.transaction(Sight(token_hash=hash_token(token))) as t:
        feed = find_feed_by_token(t, hash_token(token))
    now = db.now()
    about = Between(now - timedelta(days=DAYS_BACK), now + timedelta(days=DAYS_AHEAD))
    with db.transaction(Sight(feed.practice_id)) as t:
        # Who has left the practice reads nothing of it any more.
        if feed.person_id not in {member.person_id for member in list_members(t)}:
            raise NotThere("calendar")
        name = find_practice(t).name
        rows = list_bookings(t, about, feed.person_id)
    return write_calendar(name, (_entry(row, feed.names) for row in rows), now)


def _entry(row: BookingRow, names: bool) -> CalendarEntry:
    # What kind of session it is says something of a client's health, so it is never told.
    named = say("calendar.named", client=row.client_name, minutes=row.minutes)
    title = named if names else say("calendar.session", minutes=row.minutes)
    ends_at = row.starts_at + timedelta(minutes=row.minutes)
    return CalendarEntry(session_id=row.session_id, starts_at=row.starts_at, ends_at=ends_at, title=title)


def _state(row: CalendarFeedRow | None) -> CalendarFeed:
    return CalendarFeed(made_at=row.made_at if row else None, names=row.names if row else False)
