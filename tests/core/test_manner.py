"""How a practice writes dates, times and measures: by the locale data of its country."""

from datetime import date, time
from zoneinfo import ZoneInfo

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.booking.clashes import DayRules, find_clashes
from mellow_tide.core.booking.hours import Hours
from mellow_tide.core.formats.contact import read_contact
from mellow_tide.core.phrases.manner import CM_IN_INCH, KG_IN_POUND, manner_of
from tests.core.test_hours import MONDAY, booked

DAY, AT = date(2026, 11, 9), time(14, 5)


# From CLDR 47, en and its regions: dateFormats long, timeFormats short, decimal.
@pytest.mark.parametrize(
    ("country", "day", "at", "height", "weight"),
    [
        ("GB", "9 November 2026", "14:05", "170 cm", "68.5 kg"),
        ("US", "November 9, 2026", "2:05 PM", "5 ft 7 in", "151 lb"),
        ("DE", "9 November 2026", "14:05", "170 cm", "68,5 kg"),
        ("AU", "9 November 2026", "2:05 pm", "170 cm", "68.5 kg"),
        ("CA", "November 9, 2026", "2:05 p.m.", "170 cm", "68.5 kg"),
        ("", "9 November 2026", "14:05", "170 cm", "68.5 kg"),
        ("BR", "9 November 2026", "14:05", "170 cm", "68.5 kg"),
    ],
)
def test_a_country_decides_dates_times_and_measures(country, day, at, height, weight):
    manner = manner_of(country)
    assert manner.say_day(DAY) == day
    assert manner.say_time(AT) == at
    assert (manner.say_height(170), manner.say_weight(68.5)) == (height, weight)


def test_a_clash_tells_the_hour_as_the_practice_writes_it():
    hours = Hours(days=(0,), first_start=time(9), last_start=time(16, 30))
    late = booked(1, MONDAY.replace(hour=18))
    (clash,) = find_clashes([late], DayRules(hours, ZoneInfo("Europe/Lisbon"), manner_of("US")))
    assert clash.says == "Client 1 starts after your last start (4:30 PM)."


@given(feet=st.integers(4, 6), inches=st.integers(0, 11))
def test_whole_inches_come_back_from_centimetres(feet, inches):
    cm = round((12 * feet + inches) * CM_IN_INCH)
    assert manner_of("US").say_height(cm) == f"{feet} ft {inches} in"


@given(pounds=st.integers(60, 660))
def test_whole_pounds_come_back_from_tenths_of_a_kilogram(pounds):
    assert manner_of("US").say_weight(round(pounds * KG_IN_POUND, 1)) == f"{pounds} lb"


@pytest.mark.parametrize(
    ("told", "cm"), [("170", 170), ("5 ft 7 in", 170), ("5'7\"", 170), ("6’ 1”", 185), ("5 feet", 152)]
)
def test_a_contact_s_height_may_be_in_feet_and_inches(told, cm):
    found = read_contact(2, {"name": "Tamsin", "height_cm": told})
    assert found.problems == ()
    assert found.record.height_cm == cm


def test_a_height_that_is_no_height_is_told():
    (problem,) = read_contact(2, {"name": "Tamsin", "height_cm": "tall"}).problems
    assert problem.code == "bad_height"
