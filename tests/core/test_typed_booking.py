"""A booking typed in one line, and a day as one types it."""

from datetime import date, time, timedelta

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from mellow_tide.core.booking.hours import USUAL_HOURS, Hours
from mellow_tide.core.booking.typed_booking import read_booking
from mellow_tide.core.booking.typed_day import MONTHS, WEEKDAYS, read_day
from tests.settings import CATALOGUE

SATURDAY = date(2026, 11, 28)
THURSDAY = date(2026, 12, 3)
KINDS = CATALOGUE.kinds


def said(line: str, hours: Hours = USUAL_HOURS) -> dict[str, object]:
    read = read_booking(line, hours, SATURDAY, KINDS)
    return {field: value for field, value in dict(read).items() if value not in ("", False, None)}


LINES = {
    "ott 75 thu 10": {"name": "ott", "minutes": 75, "day": THURSDAY, "at": time(10)},
    "new client, chair 15, now": {"new": True, "kind": "chair", "minutes": 15, "now": True},
    "new client Mara Quill, 60, tomorrow 14:30": {
        "new": True,
        "name": "Mara Quill",
        "minutes": 60,
        "day": date(2026, 11, 29),
        "at": time(14, 30),
    },
    "ott thu 10 75": {"name": "ott", "minutes": 75, "day": THURSDAY, "at": time(10)},
    "ott 60 10 thu": {"name": "ott", "minutes": 60, "day": THURSDAY, "at": time(10)},
    "bram next fri at 9.30 90 min": {
        "name": "bram",
        "minutes": 90,
        "day": date(2026, 12, 11),
        "at": time(9, 30),
    },
    "isolde side-lying 60 in 2 weeks 11": {
        "name": "isolde",
        "kind": "side_lying",
        "minutes": 60,
        "day": date(2026, 12, 12),
        "at": time(11),
    },
    "side lying 60 min isolde": {"name": "isolde", "kind": "side_lying", "minutes": 60},
    "thu 3 dec ott": {"name": "ott", "day": THURSDAY},
    "3rd of december 2027 ott 4pm": {"name": "ott", "day": date(2027, 12, 3), "at": time(16)},
    "ott at 12 am": {"name": "ott", "at": time(0)},
    "full body ott 60 2 pm": {"name": "ott", "kind": "full_body", "minutes": 60, "at": time(14)},
    "chair 10": {"kind": "chair", "minutes": 10},
    "ott 10": {"name": "ott", "at": time(10)},
    "May Winters 60 thu 10": {"name": "May Winters", "minutes": 60, "day": THURSDAY, "at": time(10)},
    "ott 1000 min": {"name": "ott", "minutes": 1000},
    "ott 99999999999": {"name": "ott", "minutes": 999999},
    "ott 31 feb": {"name": "ott feb", "minutes": 31},
    "": {},
}


@pytest.mark.parametrize("line", LINES)
def test_a_line_is_read(line):
    assert said(line) == LINES[line]


def test_three_is_in_the_afternoon_for_who_begins_at_nine():
    assert said("ott thu 3")["at"] == time(15)
    early = Hours(first_start=time(2), last_start=time(20))
    assert said("ott thu 3", early)["at"] == time(3)


@given(st.text(max_size=200))
def test_no_line_is_an_error(line):
    read_booking(line, USUAL_HOURS, SATURDAY, KINDS)


@given(st.dates(date(2000, 1, 1), date(2100, 1, 1)), st.sampled_from(WEEKDAYS))
def test_a_weekday_is_the_next_one(today, weekday):
    found, taken = read_day([weekday[:3]], today)
    assert taken == 1
    assert WEEKDAYS[found.weekday()] == weekday
    assert 0 <= (found - today).days < 7
    later, both = read_day(["next", weekday], today)
    assert (later - found, both) == (timedelta(days=7), 2)


@given(st.dates(date(2001, 1, 1), date(2099, 12, 31)), st.data())
def test_a_date_is_found_however_it_is_written(day, data):
    month = MONTHS[day.month - 1]
    written = data.draw(
        st.sampled_from(
            [
                [day.isoformat()],
                [str(day.day), month[:3], str(day.year)],
                [month, str(day.day), str(day.year)],
                [f"{day.day}th", "of", month, str(day.year)],
            ]
        )
    )
    assert read_day(written, SATURDAY) == (day, len(written))


@given(st.dates(date(2001, 1, 1), date(2099, 12, 31)), st.integers(-7, 330))
@example(date(2026, 1, 1), -1)
def test_a_date_without_a_year_is_the_next_one(today, ahead):
    day = today + timedelta(days=ahead)
    if (day.month, day.day) != (2, 29):
        assert read_day([str(day.day), MONTHS[day.month - 1][:3]], today) == (day, 2)
