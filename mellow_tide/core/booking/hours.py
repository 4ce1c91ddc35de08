"""A therapist's hours: which days, from when to when, how much between two sessions, and when lunch is."""

from datetime import date, time
from typing import Annotated, Self

from pydantic import (
    AfterValidator,
    Field,
    WithJsonSchema,
    field_validator,
    model_validator,
)

from mellow_tide.core.catalogue.records import Record

Weekday = Annotated[int, Field(ge=0, le=6)]
"""Monday is 0."""


def _to_the_minute(when: time) -> time:
    if when.tzinfo is not None:
        raise ValueError("a time of the practice's own clock, without a zone")
    return when.replace(second=0, microsecond=0)


LocalTime = Annotated[
    time,
    AfterValidator(_to_the_minute),
    WithJsonSchema(
        {"type": "string", "maxLength": 8, "pattern": r"^([01][0-9]|2[0-3]):[0-5][0-9](:[0-5][0-9])?$"}
    ),
]
"""A time of day by the practice's clock, to the minute."""


class Lunch(Record):
    """When no session is: from an hour on, for so many minutes (5 to 240)."""

    starts: LocalTime
    minutes: Annotated[int, Field(ge=5, le=240)]

    @property
    def span(self) -> "MinuteSpan":
        """When it is, in minutes of the day."""
        begins = minute_of(self.starts)
        return MinuteSpan(begins=begins, ends=begins + self.minutes)


class MinuteSpan(Record):
    """A stretch of a day, in minutes since midnight by the practice's clock; over midnight it ends past 1440."""

    begins: int
    ends: int

    def touches(self, other: Self) -> bool:
        """Whether the two have time in common."""
        return self.begins < other.ends and other.begins < self.ends


class Hours(Record):
    """When a therapist works, by the practice's clock.

    `days` are weekdays from Monday, 0. A session starts at `first_start` at the earliest and at `last_start` at the
    latest; `gap_minutes` (0 to 120) are kept between the end of one booking and the start of the next.
    """

    days: Annotated[tuple[Weekday, ...], Field(max_length=7)] = (0, 1, 2, 3, 4)
    first_start: LocalTime = time(9)
    last_start: LocalTime = time(18)
    gap_minutes: Annotated[int, Field(ge=0, le=120)] = 15
    lunch: Lunch | None = None

    @field_validator("days")
    @classmethod
    def _each_once(cls, days: tuple[int, ...]) -> tuple[int, ...]:
        return tuple(sorted(set(days)))

    @model_validator(mode="after")
    def _ordered(self) -> Self:
        if self.first_start > self.last_start:
            raise ValueError("the first start is not after the last")
        return self

    def starts_on(self, day: date) -> tuple[MinuteSpan, ...]:
        """When sessions may start on a day, lunch left out; nothing on a day off."""
        if day.weekday() not in self.days:
            return ()
        whole = MinuteSpan(begins=minute_of(self.first_start), ends=minute_of(self.last_start))
        if self.lunch is None:
            return (whole,)
        lunch = self.lunch.span
        around = ((whole.begins, min(lunch.begins, whole.ends)), (max(lunch.ends, whole.begins), whole.ends))
        return tuple(MinuteSpan(begins=begins, ends=ends) for begins, ends in around if begins < ends)


USUAL_HOURS = Hours()


def minute_of(when: time) -> int:
    """Minutes since midnight."""
    return 60 * when.hour + when.minute
