"""Weeks of pregnancy.

Sources (from memory): Naegele's rule, due date = first day of last period + 280 days; ACOG Committee Opinion 700
(2017), trimesters from 14w0d and 28w0d.
"""

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.care.pregnancy import due_date_of, gestation_days, trimester
from mellow_tide.core.phrases.times import say_weeks


def test_the_worked_example():
    due = due_date_of(date(2026, 1, 1))
    assert due == date(2026, 10, 8)
    days = gestation_days(due, date(2026, 5, 21))
    assert (days, say_weeks(days)) == (140, "20 weeks")


@given(st.dates(date(2000, 1, 1), date(2100, 1, 1)), st.integers(0, 308))
def test_days_count_from_the_last_period(last_period, days):
    assert gestation_days(due_date_of(last_period), last_period + timedelta(days=days)) == days


def test_before_it_began_and_long_after_there_is_none():
    assert gestation_days(date(2026, 10, 8), date(2025, 12, 31)) is None
    assert gestation_days(date(2026, 10, 8), date(2026, 11, 6)) is None


@pytest.mark.parametrize(("days", "third"), [(0, 1), (97, 1), (98, 2), (195, 2), (196, 3), (280, 3)])
def test_trimesters(days, third):
    assert trimester(days) == third
