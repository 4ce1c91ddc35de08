"""What of a therapist's diary is free: the water between sessions, and the starts that keep gaps and hours."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from itertools import islice
from zoneinfo import ZoneInfo

from mellow_tide.core.booking.clashes import BlockedTime, Booked
from mellow_tide.core.booking.hours import Hours, MinuteSpan
from mellow_tide.core.booking.starts import LocalStart, next_quarter, time_of

LOOK_AHEAD = 60
"""Days that are searched for a free start."""

WORTH_NAMING = 20
"""Minutes: what is shorter is a gap, not free time."""

DAY = 24 * 60
"""Minutes of a day."""


@dataclass(frozen=True)
class Diary:
    """What a therapist has booked, the hours they keep, which are local times in `zone`, and what is blocked."""

    booked: Sequence[Booked]
    hours: Hours
    zone: ZoneInfo
    blocks: Sequence[BlockedTime] = ()

    def find_free_spans(self, day: date, now: LocalStart) -> tuple[MinuteSpan, ...]:
        """The free stretches of a day between first and last start, of 20 minutes and more; lunch is not free.

        What is over by `now` is not free any more.
        """
        over = MinuteSpan(begins=0, ends=max(0, _minute_on(day, now)))
        held: list[Booked | BlockedTime] = [*self.booked, *self.blocks]
        taken = [span_on(day, one.starts_at, one.ends_at, self.zone) for one in held]
        taken.sort(key=lambda span: span.begins)
        free: list[MinuteSpan] = list(self.hours.starts_on(day))
        for one in (over, *taken):
            free = [left for span in free for left in _without(span, one)]
        return tuple(span for span in free if span.ends - span.begins >= WORTH_NAMING)

    def find_free_starts(self, minutes: int, earliest: LocalStart, most: int = 4) -> tuple[LocalStart, ...]:
        """The next starts from `earliest` on at which a booking of `minutes` keeps hours, lunch and gaps.

        In a long free stretch they lie a booking and its gap apart, so that they are real alternatives.
        """
        return tuple(islice(self._free_starts(minutes, earliest), most))

    def _free_starts(self, minutes: int, earliest: LocalStart) -> Iterator[LocalStart]:
        for ahead in range(LOOK_AHEAD):
            day = earliest.day + timedelta(days=ahead)
            begin = earliest.minute if ahead == 0 else 0
            for span in self.hours.starts_on(day):
                minute = next_quarter(max(span.begins, begin))
                while minute <= span.ends and minute < DAY:
                    start = LocalStart(day=day, at=time_of(minute))
                    if self._has_room(start, minutes):
                        yield start
                        minute = next_quarter(minute + minutes + self.hours.gap_minutes)
                    else:
                        minute += 15

    def _has_room(self, start: LocalStart, minutes: int) -> bool:
        lunch, gap = self.hours.lunch, timedelta(minutes=self.hours.gap_minutes)
        if lunch and lunch.span.touches(MinuteSpan(begins=start.minute, ends=start.minute + minutes)):
            return False
        begins = start.instant(self.zone)
        ends = begins + timedelta(minutes=minutes)
        # A gap is kept between sessions; what is blocked brings its own.
        return all(ends + gap <= one.starts_at or one.ends_at + gap <= begins for one in self.booked) and all(
            ends <= one.starts_at or one.ends_at <= begins for one in self.blocks
        )


def span_on(day: date, starts_at: datetime, ends_at: datetime, zone: ZoneInfo) -> MinuteSpan:
    """A stretch of time in minutes of a day's clock, beyond it where it begins before or ends after that day."""
    begins, ends = (LocalStart.of(instant, zone) for instant in (starts_at, ends_at))
    return MinuteSpan(begins=_minute_on(day, begins), ends=_minute_on(day, ends))


def _minute_on(day: date, at: LocalStart) -> int:
    return (at.day - day).days * DAY + at.minute


def _without(span: MinuteSpan, taken: MinuteSpan) -> Iterator[MinuteSpan]:
    if not span.touches(taken):
        yield span
        return
    before = (span.begins, min(span.ends, taken.begins))
    after = (max(span.begins, taken.ends), span.ends)
    for begins, ends in (before, after):
        if begins < ends:
            yield MinuteSpan(begins=begins, ends=ends)
