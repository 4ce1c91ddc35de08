"""The numbers of half a year in a large practice, through HTTP, beside a bare query for the same rows."""

from collections.abc import Iterator
from datetime import UTC, datetime

import psycopg
from fastapi.testclient import TestClient

from benchmarks.figure import Figure, by_turns, figure
from mellow_tide.app import make_app
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_EMAIL, THERAPIST_PASSWORD
from mellow_tide.store.database import Sight, look_through
from tests.demo_database import demo_database, look_over

WORKED, TIMES, TARGET = 800, 5, 300.0
"""Sessions of half a year: two therapists with four on each of a hundred days."""

COPIED = """
    WITH source AS (
        SELECT b.practice_id, b.session_id FROM begun_run b
        WHERE b.practice_id = %(practice)s AND EXISTS (
            SELECT FROM counted_event e WHERE e.practice_id = b.practice_id AND e.session_id = b.session_id
            AND e.event ->> 'kind' = 'ended')
        ORDER BY b.session_id LIMIT 1
    ), copy AS (
        INSERT INTO session (practice_id, session_id, client_id, person_id, starts_at, plan)
        SELECT s.practice_id, gen_random_uuid(), s.client_id, s.person_id,
               %(now)s::timestamptz - number * interval '5 hours', s.plan
        FROM session s JOIN source USING (practice_id, session_id), generate_series(1, %(worked)s) AS number
        RETURNING practice_id, session_id
    ), run AS (
        INSERT INTO begun_run
        SELECT (jsonb_populate_record(b, jsonb_build_object('session_id', copy.session_id))).*
        FROM copy, source JOIN begun_run b USING (practice_id, session_id)
    )
    INSERT INTO run_event (practice_id, session_id, event_id, event)
    SELECT copy.practice_id, copy.session_id, e.event_id, jsonb_set(e.event, '{id}', to_jsonb(gen_random_uuid()))
    FROM copy, source JOIN run_event e USING (practice_id, session_id)
"""
BARE = "SELECT count(*), sum(length(event::text)) FROM run_event WHERE practice_id = %s"


def figures() -> Iterator[Figure]:
    """Measure this area; times in ms."""
    with (
        demo_database("tide_bench") as dsn,
        psycopg.connect(dsn, autocommit=True) as connection,
        TestClient(
            make_app(dsn), base_url="http://localhost", headers={"Origin": "http://localhost"}
        ) as client,
    ):
        client.post("/api/sign-in", json={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD})
        connection.execute("SELECT set_config('tide.practice', %s, false)", [str(PRACTICE_ID)])
        look_through(connection, Sight(PRACTICE_ID))
        values = {"practice": PRACTICE_ID, "now": datetime.now(UTC), "worked": WORKED}
        connection.execute(COPIED, values)
        look_over("tide_bench")

        def read() -> None:
            client.get("/api/numbers").raise_for_status()

        def read_first() -> None:
            connection.execute("UPDATE counted_run SET mark = ''")
            read()

        first, again, bare = by_turns(
            [read_first, read, lambda: connection.execute(BARE, (PRACTICE_ID,)).fetchall()], TIMES
        )
    yield figure(
        f"numbers: {WORKED} sessions, through HTTP",
        again,
        "a bare query",
        bare,
        target=TARGET,
        at_median=True,
    )
    yield figure("numbers: the same, for the first time", first, "a bare query", bare)
