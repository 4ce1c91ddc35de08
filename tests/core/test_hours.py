"""What of a day does not go with a therapist's hours; over midnight, lunch, and where clocks change."""

from datetime import UTC, datetime, time, timedelta
from itertools import pairwise
from uuid import UUID
from zoneinfo import ZoneInfo

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from mellow_tide.core.booking.clashes import Booked, DayRules, find_clashes
from mellow_tide.core.booking.hours import Hours, Lunch
from mellow_tide.core.phrases.manner import manner_of

LISBON = ZoneInfo("Europe/Lisbon")
BRITISH = manner_of("GB")
HOURS = Hours(days=(0, 1, 2, 3, 4), first_start=time(9), last_start=time(17), gap_minutes=15)
MONDAY = datetime(2026, 11, 30, tzinfo=LISBON)


def booked(n, start, minutes=60, name=""):
    return Booked(session_id=UUID(int=n), client_name=name or f"Client {n}", starts_at=start, minutes=minutes)


def at(hour, minute=0, day=MONDAY):
    return day.replace(hour=hour, minute=minute)


def kinds(*bookings, hours=HOURS):
    return [clash.kind for clash in find_clashes(bookings, DayRules(hours, LISBON, BRITISH))]


class TestOneBooking:
    @pytest.mark.parametrize(
        ("start", "expected"),
        [
            (at(9), []),
            (at(8, 59), ["too_early"]),
            (at(17), []),
            (at(17, 1), ["too_late"]),
            (at(23, 30), ["too_late"]),
            (at(10, day=MONDAY + timedelta(days=5)), ["day_off"]),
        ],
    )
    def test_it_starts_within_the_hours_of_a_working_day(self, start, expected):
        assert kinds(booked(1, start)) == expected

    @pytest.mark.parametrize(
        ("start", "minutes", "expected"),
        [
            (at(11), 90, []),
            (at(11), 91, ["in_lunch"]),
            (at(13, 14), 30, ["in_lunch"]),
            (at(13, 15), 30, []),
        ],
    )
    def test_lunch_is_kept_free(self, start, minutes, expected):
        lunch = HOURS.model_copy(update={"lunch": Lunch(starts=time(12, 30), minutes=45)})
        assert kinds(booked(1, start, minutes), hours=lunch) == expected

    def test_a_browser_elsewhere_changes_nothing(self):
        elsewhere = at(9).astimezone(ZoneInfo("Pacific/Auckland"))
        assert kinds(booked(1, elsewhere)) == []


class TestTwoBookings:
    @pytest.mark.parametrize(("minute", "expected"), [(15, []), (14, ["gap_short"]), (0, ["gap_short"])])
    def test_the_gap_between_them_is_kept(self, minute, expected):
        assert kinds(booked(1, at(10)), booked(2, at(11, minute))) == expected

    def test_the_second_of_two_that_overlap_is_named_with_the_first(self):
        (clash,) = find_clashes(
            [booked(2, at(10, 30), name="Bram"), booked(1, at(10), name="Isolde")],
            DayRules(HOURS, LISBON, BRITISH),
        )
        assert (clash.session_id, clash.says) == (UUID(int=2), "Bram starts before Isolde is over.")

    def test_a_third_that_starts_in_the_first_is_named_too(self):
        assert kinds(booked(1, at(10), 120), booked(2, at(10, 10), 10), booked(3, at(11))) == ["overlap"] * 2

    def test_a_short_gap_says_how_short(self):
        (clash,) = find_clashes([booked(1, at(10)), booked(2, at(11, 5))], DayRules(HOURS, LISBON, BRITISH))
        assert clash.says == "Only 5 min between Client 1 and Client 2; you keep 15."

    def test_real_time_counts_where_clocks_go_back(self):
        # On 25 October 2026 clocks in Lisbon go back from 2 to 1: these hours come twice.
        night = Hours(days=tuple(range(7)), first_start=time(0), last_start=time(23), gap_minutes=15)
        first = datetime(2026, 10, 25, 0, 30, tzinfo=UTC)
        assert kinds(booked(1, first), booked(2, first + timedelta(minutes=75)), hours=night) == []
        assert kinds(booked(1, first), booked(2, first + timedelta(minutes=50)), hours=night) == ["overlap"]

    def test_over_midnight_the_gap_counts_too(self):
        night = Hours(days=tuple(range(7)), first_start=time(0), last_start=time(23, 59), gap_minutes=15)
        tuesday = MONDAY + timedelta(days=1)
        assert kinds(booked(1, at(23, 30)), booked(2, at(0, 40, tuesday)), hours=night) == ["gap_short"]


@given(
    st.lists(st.tuples(st.integers(0, 24 * 60), st.integers(10, 120)), max_size=8),
    st.integers(0, 60),
)
def test_bookings_laid_one_after_the_other_with_the_gap_never_clash(raw, gap):
    """Sessions end to end with the gap between them keep it, whatever their length and the order of telling."""
    hours = Hours(days=tuple(range(7)), first_start=time(0), last_start=time(23, 59), gap_minutes=gap)
    start, laid = MONDAY.astimezone(UTC), []
    for n, (wait, minutes) in enumerate(raw):
        start += timedelta(minutes=wait)
        laid.append(booked(n, start, minutes))
        start += timedelta(minutes=minutes + gap)
    assert find_clashes(laid[::-1], DayRules(hours, LISBON, BRITISH)) == ()
    moved = [
        one.model_copy(update={"starts_at": one.starts_at - timedelta(minutes=n)})
        for n, one in enumerate(laid)
    ]
    found = find_clashes(moved, DayRules(hours, LISBON, BRITISH))
    close = [b for a, b in pairwise(moved) if b.starts_at - a.ends_at < timedelta(minutes=gap)]
    assert [clash.session_id for clash in found] == [one.session_id for one in close]


@pytest.mark.parametrize(
    "wrong",
    [
        {"days": [7]},
        {"days": [-1]},
        {"gap_minutes": 121},
        {"first_start": "18:00", "last_start": "09:00"},
        {"lunch": {"starts": "12:00", "minutes": 0}},
        {"first_start": "25:00"},
        {"first_start": "09:00Z"},
        {"lunch": {"starts": "12:00+01:00", "minutes": 30}},
    ],
)
def test_hours_that_cannot_be_are_refused(wrong):
    with pytest.raises(ValidationError):
        Hours.model_validate(wrong)


def test_a_day_named_twice_is_one():
    assert Hours(days=(4, 0, 4)).days == (0, 4)


@pytest.mark.parametrize(
    ("lunch", "expected"),
    [
        (None, [(540, 1020)]),
        (Lunch(starts=time(12, 30), minutes=45), [(540, 750), (795, 1020)]),
        (Lunch(starts=time(8, 30), minutes=60), [(570, 1020)]),
        (Lunch(starts=time(16, 30), minutes=60), [(540, 990)]),
        (Lunch(starts=time(18), minutes=60), [(540, 1020)]),
    ],
)
def test_sessions_start_between_the_first_start_and_the_last_but_for_lunch(lunch, expected):
    hours = HOURS.model_copy(update={"lunch": lunch})
    assert [(span.begins, span.ends) for span in hours.starts_on(MONDAY.date())] == expected
    assert hours.starts_on(MONDAY.date() + timedelta(days=5)) == ()


def test_hours_are_kept_to_the_minute():
    told = Hours.model_validate({"first_start": "08:30:59.5"})
    assert told.model_dump(mode="json")["first_start"] == "08:30:00"
