"""The numbers of a practice: what its sessions of the last months add up to."""

from collections.abc import Sequence
from itertools import islice
from uuid import UUID

from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.formats.numbers_table import NumbersPart, write_numbers
from mellow_tide.core.hands.load import measure_hand_load
from mellow_tide.core.numbers.numbers import (
    CountedRun,
    CountedSession,
    MonthlyNumbers,
    count_numbers,
    list_months,
)
from mellow_tide.core.run.done import compare_done
from mellow_tide.core.run.events import order_events
from mellow_tide.core.run.frozen import FrozenRun
from mellow_tide.core.run.state import fold
from mellow_tide.services.booking.clock import read_clock
from mellow_tide.services.desk import Desk
from mellow_tide.store.learning import EndedRow, RunRow, keep_counted, list_ended_since, list_runs
from mellow_tide.store.sessions import read_events

MONTHS = 6
"""Months that are counted: a season and the one before it."""

RULES = 1
"""Goes up when a run is counted otherwise than before, so that what is kept is counted anew."""

AT_A_TIME = 50


def read_numbers(desk: Desk) -> MonthlyNumbers:
    """The last months, this one included: everybody's sessions, and the hands of whoever asks.

    What a run adds is counted once and kept; it is counted anew after later events, or by other rules.
    """
    with desk.reading() as t:
        clock = read_clock(desk, t)
        months = list_months(clock.today, MONTHS)
        rows = list_ended_since(t, clock.days(months[0], clock.today).start, _rules(desk.shipped))
    kept = {row.session_id: row.stored_counted for row in rows if row.stored_counted is not None}
    runs = {id: CountedRun.model_validate(stored) for id, stored in kept.items()}
    runs |= _count_anew(desk, [row for row in rows if row.session_id not in runs])
    counted = [
        CountedSession(
            day=LocalStart.of(row.starts_at, clock.zone).day,
            own=row.person_id == desk.person_id,
            run=runs[row.session_id],
        )
        for row in rows
        if row.session_id in runs
    ]
    return count_numbers(counted, months)


def write_table(desk: Desk, part: NumbersPart) -> bytes:
    """One of the three as CSV."""
    return write_numbers(read_numbers(desk), part).encode()


def _count_anew(desk: Desk, rows: Sequence[EndedRow]) -> dict[UUID, CountedRun]:
    """Count the runs of these sessions and keep each, a few at a time."""
    marks = {row.session_id: row.mark for row in rows}
    left, found = iter(marks), dict[UUID, CountedRun]()
    while few := tuple(islice(left, AT_A_TIME)):
        with desk.writing() as t:
            for row in list_runs(t, few):
                found[row.session_id] = count_run(row, desk.shipped)
                keep_counted(t, row.session_id, marks[row.session_id], found[row.session_id])
    return found


def count_run(row: RunRow, shipped: ShippedCatalogue) -> CountedRun:
    """What a run adds to the numbers."""
    run = FrozenRun.model_validate(row.stored_run)
    state = fold(order_events(read_events(row.stored_events)), run.sheet)
    load = measure_hand_load(run.sheet, in_house(run.house, shipped))
    return CountedRun(
        done=compare_done(run.sheet, state),
        words=tuple(saying.word for saying in state.said),
        thumb_seconds=load.thumb_seconds,
    )


def _rules(shipped: ShippedCatalogue) -> str:
    return f"{RULES} {shipped.digest}"
