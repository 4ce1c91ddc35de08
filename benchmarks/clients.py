"""Finding a client among ten thousand, through HTTP, beside a bare query for the same letters."""

from collections.abc import Iterator
from itertools import cycle
from uuid import uuid4

import psycopg
from fastapi.testclient import TestClient

from benchmarks.figure import Figure, by_turns, figure
from mellow_tide.app import make_app
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_EMAIL, THERAPIST_PASSWORD
from mellow_tide.store.database import Sight, look_through
from tests.demo_database import demo_database, look_over

MANY, TIMES, TARGET = 10_000, 60, 100.0
FIRST = ("Tamsin", "Jory", "Elowen", "Perran", "Merryn", "Kitto", "Loveday", "Denzil", "Morwenna", "Cador")
LAST = (
    "Ropewalk",
    "Saltpan",
    "Netmaker",
    "Coble",
    "Harbourne",
    "Breakwater",
    "Skerry",
    "Lanyard",
    "Kedge",
    "Foreshore",
)
TYPED = ("tamsin rop", "morwena", "skery", "555 01", "", "loveday kedge 77")
BARE = "SELECT client_id, name FROM client WHERE practice_id = %s AND name ILIKE %s ORDER BY name LIMIT 50"


def figures() -> Iterator[Figure]:
    """Measure this area; times in ms, the target on the 95th percentile."""
    with demo_database("tide_bench") as dsn, psycopg.connect(dsn) as connection:
        fill(connection)
        look_over("tide_bench")
        with TestClient(
            make_app(dsn), base_url="http://localhost", headers={"Origin": "http://localhost"}
        ) as client:
            client.post("/api/sign-in", json={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD})
            here, there = cycle(TYPED), cycle(TYPED)
            http, bare = by_turns(
                [
                    lambda: client.get("/api/clients", params={"typed": next(here)}),
                    lambda: connection.execute(BARE, (PRACTICE_ID, f"%{next(there)}%")).fetchall(),
                ],
                TIMES,
            )
    yield figure("clients: one of 10,000, through HTTP", http, "a bare query", bare, target=TARGET)


def fill(connection: psycopg.Connection) -> None:
    """Ten thousand made-up clients with notes."""
    look_through(connection, Sight(PRACTICE_ID))
    rows = []
    for number in range(MANY):
        name = f"{FIRST[number % 10]} {LAST[number // 10 % 10]} {number}"
        note = f"Came {number % 9} times; likes it quiet, and the {LAST[number % 7].lower()} story."
        rows.append((PRACTICE_ID, uuid4(), name, f"01326 555{number:05d}", note))
    with connection.cursor() as cursor:
        cursor.executemany(
            "INSERT INTO client (practice_id, client_id, name, phone, note) VALUES (%s, %s, %s, %s, %s)", rows
        )
    connection.commit()
    look_through(connection, Sight(PRACTICE_ID))
