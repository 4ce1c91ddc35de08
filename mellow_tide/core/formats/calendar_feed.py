"""Sessions as a calendar that other programs subscribe to (RFC 5545, RFC 7986), by the package icalendar."""

from collections.abc import Iterable
from datetime import UTC, datetime, timedelta
from uuid import UUID

from icalendar import Calendar, Event
from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record

READ_AGAIN = timedelta(hours=1)
"""How often a calendar is asked to read the feed again."""


OWN_EVENTS = "@mellow-tide"
"""How the ids of this program's events end, by which it knows them again."""


class CalendarEntry(Record):
    """A session in a calendar: when it is, and what it is called there."""

    session_id: UUID
    starts_at: AwareDatetime
    ends_at: AwareDatetime
    title: str


def write_calendar(name: str, entries: Iterable[CalendarEntry], now: datetime) -> bytes:
    """The calendar called `name`; each session keeps its id, so that one that moves is moved there too."""
    calendar = Calendar()
    calendar.add("prodid", "-//Mellow Tide//sessions//EN")
    calendar.add("version", "2.0")
    calendar.add("method", "PUBLISH")
    calendar.add("name", name)
    calendar.add("x-wr-calname", name)
    calendar.add("refresh-interval", READ_AGAIN)
    for entry in entries:
        event = Event()
        event.add("uid", f"{entry.session_id}{OWN_EVENTS}")
        event.add("dtstamp", now.astimezone(UTC))
        event.add("dtstart", entry.starts_at.astimezone(UTC))
        event.add("dtend", entry.ends_at.astimezone(UTC))
        event.add("summary", entry.title)
        event.add("class", "PRIVATE")
        calendar.add_component(event)
    return bytes(calendar.to_ical())
