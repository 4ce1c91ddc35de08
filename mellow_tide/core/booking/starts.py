"""When a booking starts: a day and a time by the practice's clock, as an instant, and again every so many weeks."""

from datetime import UTC, date, datetime, time, timedelta
from typing import Annotated, Self
from zoneinfo import ZoneInfo

from pydantic import Field, model_validator

from mellow_tide.core.booking.hours import LocalTime, minute_of
from mellow_tide.core.catalogue.records import Record

MOST_REPEATS = 60
"""Bookings of one repeat; weekly, that is more than a year."""

BACK = timedelta(days=366)
AHEAD = timedelta(days=3 * 366)
"""How far from today a session may be booked: long ago is a slip of the year, far ahead nobody keeps."""


class LocalStart(Record):
    """A day and a time of it, by the practice's clock."""

    day: date
    at: LocalTime

    @property
    def minute(self) -> int:
        """Minutes since midnight."""
        return minute_of(self.at)

    def instant(self, zone: ZoneInfo) -> datetime:
        """The instant, in UTC.

        Where the clock goes forward, a time that does not exist is as much later; where it goes back, the time that
        comes twice is the first.
        """
        return datetime.combine(self.day, self.at, zone).astimezone(UTC)

    @classmethod
    def of(cls, instant: datetime, zone: ZoneInfo) -> Self:
        """What the practice's clock shows at an instant."""
        local = instant.astimezone(zone)
        return cls(day=local.date(), at=local.time())


class Repeat(Record):
    """The same again every `every_weeks` (1 to 26): `count` times in all (2 to 60), or until a day, that day included.

    One of the two is said: a repeat without an end is refused.
    """

    every_weeks: Annotated[int, Field(ge=1, le=26)]
    count: Annotated[int, Field(ge=2, le=MOST_REPEATS)] | None = None
    until: date | None = None

    @model_validator(mode="after")
    def _ends(self) -> Self:
        if (self.count is None) == (self.until is None):
            raise ValueError("say how often, or until which day")
        return self


def repeat_starts(first: LocalStart, repeat: Repeat) -> tuple[LocalStart, ...]:
    """All starts of a repeat, the first among them, at the same time of the practice's clock; at most 60."""
    found = [first]
    # The second of an hour that comes twice is only that day's.
    at = first.at.replace(fold=0)
    for number in range(1, repeat.count or MOST_REPEATS):
        day = first.day + timedelta(weeks=number * repeat.every_weeks)
        if repeat.until and day > repeat.until:
            break
        found.append(LocalStart(day=day, at=at))
    return tuple(found)


def may_book_on(day: date, today: date) -> bool:
    """Whether a session may be booked on a day: within a year back and three ahead."""
    return today - BACK <= day <= today + AHEAD


def next_quarter(minute: int) -> int:
    """The next full quarter of an hour, in minutes since midnight."""
    return -(-minute // 15) * 15


def time_of(minute: int) -> time:
    """The time of day at so many minutes since midnight (0 to 1439)."""
    return time(minute // 60, minute % 60)
