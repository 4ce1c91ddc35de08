"""Starts, repeats and free starts: held against dateutil's recurrence rules, and by what they promise."""

from datetime import UTC, date, datetime, time, timedelta
from uuid import UUID
from zoneinfo import ZoneInfo

import pytest
from dateutil.rrule import WEEKLY, rrule
from dateutil.tz import resolve_imaginary
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from mellow_tide.core.booking.clashes import (
    BlockedTime,
    Booked,
    DayRules,
    find_clashes,
    find_elsewhere,
    judge_booking,
    judge_hands,
)
from mellow_tide.core.booking.free import Diary
from mellow_tide.core.booking.hours import Hours, Lunch
from mellow_tide.core.booking.starts import LocalStart, Repeat, repeat_starts
from mellow_tide.core.hands.load import DayLoad
from mellow_tide.core.phrases.manner import manner_of

LONDON = ZoneInfo("Europe/London")
ZONES = st.sampled_from(
    [ZoneInfo(name) for name in ("UTC", "Europe/London", "America/New_York", "Australia/Lord_Howe")]
)
DAYS = st.dates(date(2020, 1, 1), date(2035, 12, 31))
TIMES = st.times().map(lambda at: at.replace(second=0, microsecond=0, fold=0))
BRITISH = manner_of("GB")
MONDAY = date(2026, 11, 30)


def booked(number: int, start: datetime, minutes: int = 60) -> Booked:
    return Booked(
        session_id=UUID(int=number), client_name=f"Client {number}", starts_at=start, minutes=minutes
    )


def at(hour: int, minute: int = 0, day: date = MONDAY) -> datetime:
    return datetime.combine(day, time(hour, minute), UTC)


@given(DAYS, TIMES, st.integers(1, 26), st.integers(2, 60), ZONES)
def test_repeats_are_those_of_the_recurrence_rules(day, when, every, count, zone):
    first = LocalStart(day=day, at=when)
    ours = repeat_starts(first, Repeat(every_weeks=every, count=count))
    naive = datetime.combine(day, when)
    theirs = list(rrule(WEEKLY, interval=every, count=count, dtstart=naive))
    assert [datetime.combine(one.day, one.at) for one in ours] == theirs
    instants = [resolve_imaginary(one.replace(tzinfo=zone)).astimezone(UTC) for one in theirs]
    assert [one.instant(zone) for one in ours] == instants


@given(DAYS, TIMES, st.integers(1, 26), st.integers(0, 400))
def test_a_repeat_until_a_day_has_that_day(day, when, every, ahead):
    until = day + timedelta(days=ahead)
    ours = repeat_starts(LocalStart(day=day, at=when), Repeat(every_weeks=every, until=until))
    naive = datetime.combine(day, when)
    theirs = list(rrule(WEEKLY, interval=every, dtstart=naive, until=datetime.combine(until, time.max)))
    assert [one.day for one in ours] == [one.date() for one in theirs[:60]]


@pytest.mark.parametrize("ends", [{}, {"count": 3, "until": MONDAY}, {"count": 1}, {"count": 61}])
def test_a_repeat_without_one_end_is_refused(ends):
    with pytest.raises(ValidationError):
        Repeat(every_weeks=1, **ends)


def test_a_time_that_the_clock_skips_is_an_hour_later_and_one_that_comes_twice_is_the_first():
    forward = LocalStart(day=date(2026, 3, 29), at=time(1, 30))
    assert LocalStart.of(forward.instant(LONDON), LONDON).at == time(2, 30)
    back = LocalStart(day=date(2026, 10, 25), at=time(1, 30))
    assert back.instant(LONDON) == datetime(2026, 10, 25, 0, 30, tzinfo=UTC)


def test_a_repeat_of_a_session_in_the_second_of_two_like_hours_goes_on_by_the_first():
    first = LocalStart.of(datetime(2026, 10, 25, 1, 30, tzinfo=UTC), LONDON)
    assert first.instant(LONDON) == datetime(2026, 10, 25, 1, 30, tzinfo=UTC)
    later = repeat_starts(first, Repeat(every_weeks=1, count=54))[-1]
    assert later.instant(LONDON) == datetime(2027, 10, 31, 0, 30, tzinfo=UTC)


@given(DAYS, TIMES, ZONES)
def test_what_the_clock_shows_is_when_it_was_booked(day, when, zone):
    start = LocalStart(day=day, at=when)
    exists = resolve_imaginary(datetime.combine(day, when, zone)).replace(tzinfo=None)
    shown = LocalStart.of(start.instant(zone), zone)
    assert datetime.combine(shown.day, shown.at) == exists


@st.composite
def diaries(draw):
    zone = draw(ZONES)
    first = draw(st.integers(0, 20))
    hours = Hours(
        days=draw(st.sets(st.integers(0, 6), min_size=1).map(tuple)),
        first_start=time(first),
        last_start=time(draw(st.integers(first, 23))),
        gap_minutes=draw(st.sampled_from((0, 10, 15, 45))),
        lunch=draw(st.none() | st.just(Lunch(starts=time(13), minutes=45))),
    )
    day = draw(DAYS)
    minutes = draw(st.lists(st.integers(0, 3 * 24 * 12), max_size=8))
    bookings = [
        booked(
            n, datetime.combine(day, time(), UTC) + timedelta(minutes=5 * minute), draw(st.integers(10, 120))
        )
        for n, minute in enumerate(minutes)
    ]
    blocks = [
        BlockedTime(
            block_id=UUID(int=n),
            title="",
            starts_at=begins,
            ends_at=begins + timedelta(hours=length),
            whole_days=False,
        )
        for n, (hour, length) in enumerate(
            draw(st.lists(st.tuples(st.integers(0, 71), st.integers(1, 30)), max_size=2))
        )
        for begins in [datetime.combine(day, time(), UTC) + timedelta(hours=hour)]
    ]
    return Diary(bookings, hours, zone, blocks), LocalStart(day=day, at=draw(TIMES))


@given(diaries(), st.integers(10, 120))
def test_a_free_start_clashes_with_nothing(diary_and_start, minutes):
    diary, earliest = diary_and_start
    starts = diary.find_free_starts(minutes, earliest, most=4)
    assert len(starts) == len(set(starts))
    assert list(starts) == sorted(starts, key=lambda one: (one.day, one.at))
    for start in starts:
        assert (start.day, start.at) >= (earliest.day, earliest.at)
        # An hour that the clock skips is shown as another one.
        if LocalStart.of(start.instant(diary.zone), diary.zone) == start:
            wanted = booked(99, start.instant(diary.zone), minutes)
            assert (
                judge_booking(diary.booked, wanted, DayRules(diary.hours, diary.zone, BRITISH, diary.blocks))
                == ()
            )


@given(diaries())
def test_free_water_is_within_hours_and_touches_no_booking(diary_and_start):
    diary, start = diary_and_start
    whole = diary.hours.starts_on(start.day)
    spans = diary.find_free_spans(start.day, start)
    assert spans == tuple(span for span in spans if span.begins >= start.minute)
    assert diary.find_free_spans(start.day, LocalStart(day=start.day + timedelta(days=2), at=start.at)) == ()
    for free in spans:
        assert any(span.begins <= free.begins and free.ends <= span.ends for span in whole)
        assert free.ends - free.begins >= 20
        for one in (*diary.booked, *diary.blocks):
            begins, ends = (LocalStart.of(x, diary.zone) for x in (one.starts_at, one.ends_at))
            if begins.day == ends.day == start.day and begins.minute < ends.minute:
                assert ends.minute <= free.begins or free.ends <= begins.minute


def test_the_next_free_start_keeps_gap_and_lunch():
    hours = Hours(gap_minutes=15, lunch=Lunch(starts=time(13), minutes=60))
    diary = Diary([booked(1, at(9), 60), booked(2, at(11, 30), 60)], hours, ZoneInfo("UTC"))
    starts = diary.find_free_starts(60, LocalStart(day=MONDAY, at=time(8)), most=3)
    assert [one.at for one in starts] == [time(10, 15), time(14), time(15, 15)]
    free = diary.find_free_spans(MONDAY, LocalStart(day=MONDAY - timedelta(days=1), at=time(12)))
    assert [(span.begins, span.ends) for span in free] == [(600, 690), (750, 780), (840, 1080)]


def test_only_what_a_booking_brings_in_is_told_of_it():
    hours = Hours(gap_minutes=15)
    others = [booked(1, at(9), 60), booked(2, at(10, 5), 60)]
    assert [clash.kind for clash in find_clashes(others, DayRules(hours, ZoneInfo("UTC"), BRITISH))] == [
        "gap_short"
    ]
    new = judge_booking(others, booked(3, at(11, 10)), DayRules(hours, ZoneInfo("UTC"), BRITISH))
    assert [(clash.session_id, clash.kind) for clash in new] == [(UUID(int=3), "gap_short")]
    assert judge_booking(others, booked(3, at(14)), DayRules(hours, ZoneInfo("UTC"), BRITISH)) == ()


def test_a_client_is_in_one_place_at_a_time():
    there = [booked(1, at(9), 60)]
    assert [clash.kind for clash in find_elsewhere(there, booked(2, at(9, 59)))] == ["client_elsewhere"]
    assert find_elsewhere(there, booked(2, at(10))) == ()


def test_a_day_too_full_for_the_hands_is_told_where_a_booking_makes_it_so():
    easy = DayLoad(thumb_seconds=600, thumb_budget_seconds=2700, strain=4.0, hazardous=False)
    full = DayLoad(thumb_seconds=2800, thumb_budget_seconds=2700, strain=11.2, hazardous=True)
    wanted = booked(1, at(9))
    assert [clash.kind for clash in judge_hands(wanted, easy, full)] == ["hands_strained", "thumbs_strained"]
    assert "11.2" in judge_hands(wanted, easy, full)[0].says
    assert judge_hands(wanted, full, full) == judge_hands(wanted, easy, easy) == ()
