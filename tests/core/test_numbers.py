"""Sessions counted by month, region and week; the table read back by Python's csv (RFC 4180)."""

import csv
import io
from datetime import date

from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.formats.numbers_table import write_numbers
from mellow_tide.core.hands.load import THUMB_SECONDS_A_DAY
from mellow_tide.core.numbers.numbers import CountedRun, CountedSession, count_numbers, list_months
from mellow_tide.core.run.done import RegionDone

MONTHS = (date(2026, 10, 1), date(2026, 11, 1))


def done(region="back", planned=600, taken=660):
    return RegionDone(region=region, planned=planned, taken=taken, suited=None, last_word=None)


def session(day, own=True, words=(), thumbs=300):
    return CountedSession(day, own, CountedRun(done=(done(),), words=words, thumb_seconds=thumbs))


def test_the_last_months_run_over_the_turn_of_a_year():
    assert list_months(date(2026, 2, 28), 4) == (
        date(2025, 11, 1),
        date(2025, 12, 1),
        date(2026, 1, 1),
        date(2026, 2, 1),
    )


def test_a_region_is_added_up_by_month_and_what_is_outside_is_left_out():
    days = [date(2026, 10, 3), date(2026, 10, 31), date(2026, 11, 1), date(2026, 9, 30)]
    made = count_numbers([session(day) for day in days], MONTHS)
    assert made.sessions == 3
    assert [(one.month, one.planned, one.taken) for one in made.regions] == [
        (MONTHS[0], 1200, 1320),
        (MONTHS[1], 600, 660),
    ]


def test_what_was_said_is_counted_word_by_word():
    said = session(date(2026, 11, 4), words=("just_right", "deeper", "just_right", "lighter"))
    october, november = count_numbers([said], MONTHS).depth
    assert (october.heard, november.heard) == (0, 4)
    assert (november.just_right, november.lighter, november.deeper) == (2, 1, 1)


def test_only_ones_own_hands_are_counted_and_a_day_bears_its_thumbs_once():
    monday, tuesday = date(2026, 11, 2), date(2026, 11, 3)
    sessions = [session(monday), session(monday), session(tuesday), session(monday, own=False)]
    (week,) = count_numbers(sessions, MONTHS).hands
    assert (week.week, week.days, week.thumb_seconds) == (monday, 2, 900)
    assert week.budget_seconds == 2 * THUMB_SECONDS_A_DAY
    assert not week.over
    (much,) = count_numbers([session(monday, thumbs=THUMB_SECONDS_A_DAY + 1)], MONTHS).hands
    assert much.over


@given(
    st.lists(st.tuples(st.dates(date(2026, 9, 1), date(2026, 12, 31)), st.booleans(), st.integers(0, 900)))
)
def test_nothing_is_counted_twice_or_lost(drawn):
    sessions = [session(day, own, thumbs=thumbs) for day, own, thumbs in drawn]
    made = count_numbers(sessions, MONTHS)
    within = [one for one in sessions if one.day.month in (10, 11)]
    assert made.sessions == len(within)
    assert sum(one.taken for one in made.regions) == 660 * len(within)
    assert sum(one.thumb_seconds for one in made.hands) == sum(
        one.run.thumb_seconds for one in within if one.own
    )


def test_a_table_reads_back_as_it_was_written():
    made = count_numbers([session(date(2026, 11, 4), words=("deeper",))], MONTHS)
    rows = list(csv.DictReader(io.StringIO(write_numbers(made, "regions"), newline="")))
    assert rows == [{"region": "back", "month": "2026-11-01", "planned": "600", "taken": "660"}]
    assert (
        write_numbers(count_numbers([], MONTHS), "hands") == "week,days,thumb_seconds,budget_seconds,over\r\n"
    )
    assert write_numbers(made, "depth").count("\r\n") == 3
