"""Runs stored before run sheets were frozen are carried over once, and every tap names the stroke it was made on."""

import psycopg
import pytest
from psycopg.types.json import Jsonb

from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.run.events import order_events
from mellow_tide.core.run.state import fold
from mellow_tide.demo.people import PRACTICE_ID, demo_id
from mellow_tide.store.database import Sight, look_through
from mellow_tide.store.sessions import find_session, list_events
from mellow_tide.store.upgrade.carry_over import freeze_stored_runs

WORKED = demo_id("session 2026-05-04 ottilie")
HERE = Sight(PRACTICE_ID)


@pytest.fixture
def as_before(db, owner_dsn):
    """The worked session as it was stored before: taps by their place in a sheet that is laid out at every read."""
    with db.transaction(HERE) as t:
        run = find_session(t, WORKED).run
        state = fold(order_events(list_events(t, WORKED)), run.sheet)
    with psycopg.connect(owner_dsn) as connection:
        look_through(connection, HERE)
        connection.execute("DELETE FROM begun_run WHERE session_id = %s", [WORKED])
        rows = connection.execute("SELECT event_id, event FROM run_event WHERE session_id = %s", [WORKED])
        for event_id, event in rows.fetchall():
            event.pop("sheet_id", None)
            if event["kind"] == "moved":
                event["to"] = run.sheet.find(event["to"])
            connection.execute(
                "UPDATE run_event SET event = %s WHERE event_id = %s", [Jsonb(event), event_id]
            )
    return run, state


def test_a_stored_run_is_carried_over_once_and_reads_as_it_did(db, owner_dsn, as_before):
    run, state = as_before
    carried = freeze_stored_runs(owner_dsn, load_catalogue())
    moves = len(run.sheet.entries) - 1
    assert (carried.runs, carried.taps, carried.beyond) == (1, moves, 0)
    assert str(carried) == f"run sheets frozen: 1; taps carried over to addresses: {moves}"
    with db.transaction(HERE) as t:
        assert find_session(t, WORKED).run == run
        assert fold(order_events(list_events(t, WORKED)), run.sheet) == state
    assert freeze_stored_runs(owner_dsn, load_catalogue()).runs == 0
