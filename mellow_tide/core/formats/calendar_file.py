"""A calendar file as it comes in (RFC 5545): every time that each of its events takes place.

The packages icalendar (the file) and dateutil (recurrence rules) do the reading.
"""

from collections.abc import Iterator, Mapping
from datetime import UTC, date, datetime, time, timedelta, tzinfo
from itertools import islice
from typing import Any, NamedTuple
from zoneinfo import ZoneInfo

from dateutil.rrule import rrulestr
from icalendar import Calendar, Component, Event
from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.formats.calendar_feed import OWN_EVENTS
from mellow_tide.core.refusal import FieldProblem, Refused

MOST_TIMES = 2_000
"""Times of one file: an event on every day of a year, five times over."""

TOO_OFTEN = frozenset({"SECONDLY", "MINUTELY", "HOURLY"})
TIMING = frozenset({"DTSTART", "DTEND", "DURATION", "RRULE", "RDATE", "EXDATE", "RECURRENCE-ID"})
"""An event is left out where one of these is not understood; anything else in it may be odd."""

LONGEST_TITLE, LONGEST_UID = 200, 400


class UnreadableCalendar(Refused):
    """The file is no calendar, or has more in it than can be taken."""

    code = "unreadable-calendar"


class EventTime(Record):
    """One time of an event.

    `mark` stays the same in every later file: when a time of a repeated event was before it was moved, "" for the only
    time of an event.
    """

    mark: str
    starts_at: AwareDatetime
    ends_at: AwareDatetime


class CalendarEvent(Record):
    """An event with its times in order.

    `whole_days`: it has a date and no hour. `keeps_free`: it is marked as taking no time. `own`: it came out of
    this program's own calendar. `moved`: times that are not where the rule of the event has them.
    """

    uid: str
    title: str
    whole_days: bool
    keeps_free: bool
    own: bool
    moved: int
    times: tuple[EventTime, ...]


class CancelledTime(Record):
    """A time of an event that the file says does not take place: which event, and the mark of the time."""

    uid: str
    mark: str


class CalendarFile(Record):
    """The events that take place in the time asked for; ids of those that do not; titles of those not understood.

    `cancelled`: times that are cancelled or excepted, of all events.
    """

    events: tuple[CalendarEvent, ...]
    gone: tuple[str, ...]
    unread: tuple[str, ...]
    cancelled: tuple[CancelledTime, ...] = ()


class _Within(NamedTuple):
    """The time that is asked for, and the zone of what names none."""

    begin: datetime
    until: datetime
    zone: ZoneInfo

    def has(self, time: EventTime) -> bool:
        """Whether any of a time lies in it."""
        return time.ends_at > self.begin and time.starts_at < self.until


def read_calendar_file(text: str, zone: ZoneInfo, begin: datetime, until: datetime) -> CalendarFile:
    """The events of a file with the times that end after `begin` and start before `until`, both aware.

    A time without a zone, and a date, is by `zone`. Of an event that is there twice the later sequence counts.
    An event whose rule cannot be read is named and left out. Raises `UnreadableCalendar`.
    """
    within = _Within(begin, until, zone)
    found: list[CalendarEvent] = []
    gone: list[str] = []
    unread: list[str] = []
    cancelled: list[CancelledTime] = []
    for uid, parts in _by_uid(text).items():
        try:
            event, without = _read_event(uid, parts, within)
        except (ValueError, TypeError, OverflowError, KeyError, AttributeError):
            # What other programs write is not always what the standard says; the rest of the file is good.
            unread.append(_title(parts[0]))
            continue
        cancelled += (CancelledTime(uid=uid, mark=mark) for mark in sorted(without))
        if event.times:
            found.append(event)
        else:
            gone.append(uid)
    if sum(len(event.times) for event in found) > MOST_TIMES:
        raise UnreadableCalendar(FieldProblem("text", "calendar_too_full", most=MOST_TIMES))
    found.sort(key=lambda event: (event.times[0].starts_at, event.uid))
    return CalendarFile(
        events=tuple(found), gone=tuple(gone), unread=tuple(unread), cancelled=tuple(cancelled)
    )


def _by_uid(text: str) -> Mapping[str, list[Event]]:
    try:
        calendars = Calendar.from_ical(text, multiple=True)
        events = [one for calendar in calendars for one in calendar.walk("VEVENT") if isinstance(one, Event)]
    except (ValueError, KeyError, IndexError, TypeError, AttributeError) as cause:
        raise UnreadableCalendar(FieldProblem("text", "no_calendar")) from cause
    if not calendars:
        raise UnreadableCalendar(FieldProblem("text", "no_calendar"))
    by_uid: dict[str, list[Event]] = {}
    for number, event in enumerate(events):
        by_uid.setdefault(str(event.get("UID", "")).strip()[:LONGEST_UID] or f"event {number}", []).append(
            event
        )
    return by_uid


def _read_event(uid: str, parts: list[Event], within: _Within) -> tuple[CalendarEvent, set[str]]:
    """The event, and the marks of its times that do not take place."""
    if any(name in TIMING for part in parts for name, _ in part.errors):
        raise ValueError("a time or rule that was not understood")
    masters = [part for part in parts if "RECURRENCE-ID" not in part]
    master = max(masters, key=_sequence, default=None)
    times: dict[str, EventTime] = {}
    cancelled: set[str] = set()
    if master:
        off = _status(master) == "CANCELLED"
        for one, excepted in _times_of(master, within):
            if not off and not excepted:
                times[one.mark] = one
            elif within.has(one):
                cancelled.add(one.mark)
    moved = 0
    # The later a part was written, the more it counts.
    for part in sorted((one for one in parts if "RECURRENCE-ID" in one), key=_sequence):
        moved += _apply(part, times, cancelled, within)
    shown = master or parts[0]
    inside = (one for one in times.values() if within.has(one))
    event = CalendarEvent(
        uid=uid,
        title=_title(shown),
        whole_days=not isinstance(shown.start, datetime),
        keeps_free=str(shown.get("TRANSP", "")).upper() == "TRANSPARENT",
        own=uid.endswith(OWN_EVENTS),
        moved=moved,
        times=tuple(sorted(inside, key=lambda one: (one.starts_at, one.mark))),
    )
    return event, cancelled


def _apply(part: Event, times: dict[str, EventTime], cancelled: set[str], within: _Within) -> int:
    """Let a part that speaks of one time, or of one and all later ones, change them; how many it moved."""
    named = part.get("RECURRENCE-ID")
    at = _instant(named.dt, within.zone)
    mark = _mark(named.dt, at)
    if _status(part) == "CANCELLED":
        times.pop(mark, None)
        cancelled.add(mark)
        return 0
    starts_at, ends_at = (_instant(one, within.zone) for one in (part.start, part.end))
    by = starts_at - at
    if str(named.params.get("RANGE", "")).upper() == "THISANDFUTURE":
        later = [one for one in times.values() if one.mark > mark]
        for one in later:
            moved_to = one.starts_at + by
            times[one.mark] = EventTime(
                mark=one.mark, starts_at=moved_to, ends_at=moved_to + (ends_at - starts_at)
            )
    else:
        later = []
    times[mark] = EventTime(mark=mark, starts_at=starts_at, ends_at=ends_at)
    cancelled.discard(mark)
    return (1 + len(later)) if by else 0


def _times_of(event: Event, within: _Within) -> Iterator[tuple[EventTime, bool]]:
    """The times that its rules give, each with whether it is excepted."""
    first = event.start
    zone = _zone_of(first, within.zone)
    begins = _wall(first, zone)
    lasts = _wall(event.end, zone) - begins
    # Rules count by the event's own clock, so that nine o'clock stays nine o'clock in summer.
    until = within.until.astimezone(zone).replace(tzinfo=None)
    starts = {begins, *_by_rules(event, begins, until, zone)}
    for one in event.rdates:
        extra = one[0] if isinstance(one, tuple) else one
        starts.add(_wall(extra, zone))
    excluded = list(event.exdates)
    without = {_wall(one, zone) for one in excluded if isinstance(one, datetime)}
    whole_days = {one for one in excluded if not isinstance(one, datetime)}
    repeats = bool(event.rrules or event.rdates)
    for wall in sorted(starts):
        excepted = wall in without or wall.date() in whole_days
        named: date | datetime = wall.replace(tzinfo=zone) if isinstance(first, datetime) else wall.date()
        starts_at = _instant(named, within.zone)
        ends_at = _instant(_plus(named, lasts), within.zone)
        # What is long over is kept for a year, since one time of it may have been moved ahead.
        if ends_at > within.begin - timedelta(days=366):
            mark = _mark(named, starts_at) if repeats else ""
            yield EventTime(mark=mark, starts_at=starts_at, ends_at=ends_at), excepted


def _by_rules(event: Event, begins: datetime, until: datetime, zone: tzinfo) -> Iterator[datetime]:
    for rule in event.rrules:
        frequency = str(rule.get("FREQ", [""])[0]).upper()
        if frequency in TOO_OFTEN:
            raise ValueError("more often than daily")
        ends = [_wall(one, zone, end_of_day=True) for one in rule.get("UNTIL", [])]
        kept = ";".join(
            part
            for part in rule.to_ical().decode().split(";")
            if part.split("=")[0] not in ("UNTIL", "COUNT")
        )
        # A rule whose dates never come would be followed to the end of the calendar, so it always ends.
        bounded = rrulestr(kept, dtstart=begins).replace(until=min([until, *ends]))
        yield from islice(bounded, *rule.get("COUNT", [None]))


def _zone_of(value: date | datetime, default: ZoneInfo) -> tzinfo:
    return (value.tzinfo if isinstance(value, datetime) else None) or default


def _wall(value: date | datetime, zone: tzinfo, end_of_day: bool = False) -> datetime:
    """A time as the clock of `zone` shows it, without the zone; a date is its midnight, or the end of the day."""
    if isinstance(value, datetime):
        return (value if value.tzinfo is None else value.astimezone(zone)).replace(tzinfo=None)
    return datetime.combine(value, time.max if end_of_day else time())


def _instant(value: date | datetime, zone: ZoneInfo) -> datetime:
    if isinstance(value, datetime):
        return (value if value.tzinfo else value.replace(tzinfo=zone)).astimezone(UTC)
    return datetime.combine(value, time(), zone).astimezone(UTC)


def _plus(start: date | datetime, lasts: timedelta) -> date | datetime:
    if isinstance(start, datetime):
        # An event lasts as long as it lasts where clocks change while it does.
        return start.astimezone(UTC) + lasts
    return start + lasts


def _mark(named: date | datetime, at: datetime) -> str:
    return at.isoformat() if isinstance(named, datetime) else named.isoformat()


def _title(event: Component) -> str:
    return " ".join(str(event.get("SUMMARY", "")).split())[:LONGEST_TITLE]


def _sequence(event: Event) -> int:
    value: Any = event.get("SEQUENCE", 0)
    return int(value)


def _status(event: Event) -> str:
    return str(event.get("STATUS", "")).upper()
