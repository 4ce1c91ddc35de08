"""Sessions counted: planned and taken by region and month, what was said of the depth, the thumbs by week."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.hands.load import THUMB_SECONDS_A_DAY
from mellow_tide.core.run.done import RegionDone
from mellow_tide.core.run.events import Word


class CountedRun(Record):
    """What a run adds: what was done by region, what was said of the depth, its thumb work in whole seconds."""

    done: tuple[RegionDone, ...]
    words: tuple[Word, ...]
    thumb_seconds: int


@dataclass(frozen=True)
class CountedSession:
    """A session that has ended, and on which day; `own`: worked by whoever asks, whose hands are counted."""

    day: date
    own: bool
    run: CountedRun


class RegionInMonth(Record):
    """Whole seconds of a region in a month, both sides together; `month` is its first day."""

    region: str
    month: date
    planned: int
    taken: int


class DepthInMonth(Record):
    """How often clients said how the depth was in a month: in all, and by what they said."""

    month: date
    heard: int
    just_right: int
    lighter: int
    deeper: int


class HandsInWeek(Record):
    """Thumb seconds of a week's sessions beside what its days with sessions usually bear; whether that is `over`.

    `week` is its Monday.
    """

    week: date
    days: int
    thumb_seconds: int
    budget_seconds: int
    over: bool


class MonthlyNumbers(Record):
    """All three, from the first month to the last. `months` are all of them, also those without a session."""

    months: tuple[date, ...]
    sessions: int
    regions: tuple[RegionInMonth, ...]
    depth: tuple[DepthInMonth, ...]
    hands: tuple[HandsInWeek, ...]


def list_months(last: date, count: int) -> tuple[date, ...]:
    """The first days of so many months, the one of `last` being the last."""
    number = 12 * last.year + last.month - 1
    return tuple(date(at // 12, at % 12 + 1, 1) for at in range(number - count + 1, number + 1))


def count_numbers(sessions: Sequence[CountedSession], months: Sequence[date]) -> MonthlyNumbers:
    """The sessions of these months counted; those of other days are left out."""
    within = [one for one in sessions if one.day.replace(day=1) in months]
    return MonthlyNumbers(
        months=tuple(months),
        sessions=len(within),
        regions=tuple(_regions(within)),
        depth=tuple(_depth(month, within) for month in months),
        hands=tuple(_hands(one for one in within if one.own)),
    )


def _regions(sessions: Iterable[CountedSession]) -> list[RegionInMonth]:
    planned: dict[tuple[str, date], int] = {}
    taken: dict[tuple[str, date], int] = {}
    for one in sessions:
        for done in one.run.done:
            key = (done.region, one.day.replace(day=1))
            planned[key] = planned.get(key, 0) + done.planned
            taken[key] = taken.get(key, 0) + done.taken
    return [
        RegionInMonth(region=region, month=month, planned=seconds, taken=taken[region, month])
        for (region, month), seconds in sorted(planned.items())
    ]


def _depth(month: date, sessions: Iterable[CountedSession]) -> DepthInMonth:
    words = [word for one in sessions if one.day.replace(day=1) == month for word in one.run.words]
    return DepthInMonth(
        month=month,
        heard=len(words),
        just_right=words.count("just_right"),
        lighter=words.count("lighter"),
        deeper=words.count("deeper"),
    )


def _hands(sessions: Iterable[CountedSession]) -> list[HandsInWeek]:
    thumbs: dict[date, int] = {}
    days: dict[date, set[date]] = {}
    for one in sessions:
        monday = one.day - timedelta(days=one.day.weekday())
        thumbs[monday] = thumbs.get(monday, 0) + one.run.thumb_seconds
        days.setdefault(monday, set()).add(one.day)
    budgets = {monday: THUMB_SECONDS_A_DAY * len(worked) for monday, worked in days.items()}
    return [
        HandsInWeek(
            week=monday,
            days=len(days[monday]),
            thumb_seconds=seconds,
            budget_seconds=budgets[monday],
            over=seconds > budgets[monday],
        )
        for monday, seconds in sorted(thumbs.items())
    ]
