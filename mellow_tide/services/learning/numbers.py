"""The numbers of a practice: what its sessions of the last months add up to."""

import json
from functools import lru_cache
from zoneinfo import ZoneInfo

from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.formats.numbers_table import NumbersPart, write_numbers
from mellow_tide.core.hands.load import measure_hand_load
from mellow_tide.core.numbers.numbers import CountedSession, MonthlyNumbers, count_numbers, list_months
from mellow_tide.core.run.done import RegionDone, compare_done
from mellow_tide.core.run.events import Word, order_events
from mellow_tide.core.run.frozen import FrozenRun
from mellow_tide.core.run.state import fold
from mellow_tide.services.booking.clock import read_clock
from mellow_tide.services.desk import Desk
from mellow_tide.store.learning import WorkedByRow, list_worked_since
from mellow_tide.store.sessions import read_events

MONTHS = 6
"""Months that are counted: a season and the one before it."""


def read_numbers(desk: Desk) -> MonthlyNumbers:
    """The last months, this one included: everybody's sessions, and the hands of whoever asks."""
    with desk.reading() as t:
        clock = read_clock(desk, t)
        months = list_months(clock.today, MONTHS)
        rows = list_worked_since(t, clock.days(months[0], clock.today).start)
    counted = [_counted(desk, row, clock.zone) for row in rows]
    return count_numbers(counted, months)


def write_table(desk: Desk, part: NumbersPart) -> bytes:
    """One of the three as CSV."""
    return write_numbers(read_numbers(desk), part).encode()


def _counted(desk: Desk, row: WorkedByRow, zone: ZoneInfo) -> CountedSession:
    day, own = LocalStart.of(row.starts_at, zone).day, row.person_id == desk.person_id
    done, words, thumbs = _of_run(json.dumps(row.stored_run), json.dumps(row.stored_events), desk.shipped)
    return CountedSession(day=day, own=own, done=done, words=words, thumb_seconds=thumbs)


@lru_cache(maxsize=1024)
def _of_run(
    run_json: str, events_json: str, shipped: ShippedCatalogue
) -> tuple[tuple[RegionDone, ...], tuple[Word, ...], int]:
    """What a run adds: its regions, its words, its thumb seconds; kept by all that decides it."""
    run = FrozenRun.model_validate_json(run_json)
    state = fold(order_events(read_events(json.loads(events_json))), run.sheet)
    load = measure_hand_load(run.sheet, in_house(run.house, shipped))
    return compare_done(run.sheet, state), tuple(saying.word for saying in state.said), load.thumb_seconds
