"""A day of 12 sessions in a year of 2,000, through HTTP, beside a bare query for the same rows."""

from collections.abc import Iterator
from datetime import UTC, datetime, time, timedelta
from itertools import cycle
from uuid import uuid4

import psycopg
from fastapi.testclient import TestClient
from httpx import Response

from benchmarks.figure import Figure, by_turns, figure
from mellow_tide.app import make_app
from mellow_tide.demo.people import CLIENTS, PRACTICE_ID, THERAPIST_EMAIL, THERAPIST_PASSWORD
from mellow_tide.services.booking.load import lay_stored_plan
from mellow_tide.store.database import Sight, look_through
from tests.demo_database import demo_database, look_over

WHO = ("ottilie", "bram", "isolde", "corin", "piet", "gethin", "sable", "rafe", "linnet")
A_DAY, A_YEAR, TIMES, TARGET = 12, 2_000, 60, 150.0
ANYTHING = [
    "too_early",
    "too_late",
    "in_lunch",
    "gap_short",
    "overlap",
    "client_elsewhere",
    "hands_strained",
    "thumbs_strained",
]
FILLED = """
    INSERT INTO session (practice_id, session_id, client_id, person_id, starts_at, plan)
    SELECT practice_id, gen_random_uuid(), client_id, person_id, %(day)s::timestamptz + hour * interval '1 hour', plan
    FROM session, generate_series(8, 15) AS hour
    WHERE practice_id = %(practice)s
    ORDER BY session_id, hour LIMIT 8
"""
BARE = """
    SELECT session_id, starts_at, stored_plan, stored_client FROM session_whole
    WHERE practice_id = %s AND starts_at >= %s AND starts_at < %s ORDER BY starts_at
"""


def figures() -> Iterator[Figure]:
    """Measure this area; times in ms, the target on the 95th percentile."""
    now = datetime.now(UTC)
    day = (now + timedelta(days=200)).date()
    with (
        demo_database("tide_bench") as dsn,
        psycopg.connect(dsn, autocommit=True) as connection,
        TestClient(
            make_app(dsn), base_url="http://localhost", headers={"Origin": "http://localhost"}
        ) as client,
    ):
        client.post("/api/sign-in", json={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD})
        fill(connection, now)
        look_over("tide_bench")
        for hour, one in zip(range(8, 8 + A_DAY), cycle(CLIENTS[key] for key in WHO), strict=False):
            start = {"day": day.isoformat(), "at": f"{hour:02}:00"}
            booking = {"session_id": str(uuid4()), "client_id": str(one.client_id), "start": start}
            booked = client.post("/api/bookings", json={**booking, "minutes": 60, "accepted": ANYTHING})
            booked.raise_for_status()
        midnight = datetime.combine(day, time(), UTC)

        def read() -> Response:
            return client.get("/api/day", params={"day": day.isoformat()}).raise_for_status()

        assert len(read().json()["sessions"]) == A_DAY

        def read_first() -> None:
            lay_stored_plan.cache_clear()
            read()

        def prepare() -> None:
            answer = client.get("/api/preparation", params={"day": day.isoformat()}).raise_for_status()
            assert len(answer.json()["sessions"]) == A_DAY

        http, first, prepared, bare = by_turns(
            [
                read,
                read_first,
                prepare,
                lambda: connection.execute(
                    BARE, (PRACTICE_ID, midnight, midnight + timedelta(days=1))
                ).fetchall(),
            ],
            TIMES,
        )
    yield figure(
        "day: 12 sessions in a year of 2,000, through HTTP", http, "a bare query", bare, target=TARGET
    )
    yield figure("day: 12 sessions prepared, through HTTP", prepared, "a bare query", bare, target=TARGET)
    yield figure("day: the same, its plans laid on the clock for the first time", first, "a bare query", bare)


def fill(connection: psycopg.Connection, now: datetime) -> None:
    """A year of days with eight sessions each, until there are 2,000."""
    connection.execute("SELECT set_config('tide.practice', %s, false)", [str(PRACTICE_ID)])
    look_through(connection, Sight(PRACTICE_ID))
    for number in range(A_YEAR // 8):
        connection.execute(
            FILLED, {"practice": PRACTICE_ID, "day": (now - timedelta(days=number + 1)).date()}
        )
    connection.execute("SELECT set_config('tide.practice', %s, false)", [str(PRACTICE_ID)])
