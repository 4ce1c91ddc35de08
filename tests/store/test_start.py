"""What `./tide start` does before it serves: every earlier schema with its data comes up, whatever the demo is like."""

import gzip
import os
import subprocess
import sys
from collections.abc import Callable
from pathlib import Path

import psycopg
import pytest
from fastapi.testclient import TestClient

from launcher.cluster import APP, OWNER, Cluster
from mellow_tide.app import make_app
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_EMAIL, THERAPIST_PASSWORD
from tests.browser.serving import ROOT
from tests.web.conftest import BASE, ORIGIN

SCHEMAS = sorted((Path(__file__).parent / "schemas").glob("*.sql.gz"))
"""Databases as earlier versions left them, each with the demo that version loaded and worked."""

Make = Callable[[str], str]


@pytest.fixture
def make_database(cluster: Cluster):
    """Makes a database from statements, as the superuser; its name."""
    made: list[str] = []

    def make(sql: str) -> str:
        name = f"start_{os.getpid()}_{len(made)}"
        cluster.psql("postgres", f"DROP DATABASE IF EXISTS {name} WITH (FORCE)")
        cluster.psql("postgres", f"CREATE DATABASE {name} OWNER {OWNER}")
        made.append(name)
        if sql:
            cluster.psql(name, sql)
        return name

    yield make
    for name in made:
        cluster.psql("postgres", f"DROP DATABASE {name} WITH (FORCE)")


def prepare(owner_dsn: str, **settings: str) -> subprocess.CompletedProcess[str]:
    """As the launcher does it, in a process of its own."""
    return subprocess.run(
        [sys.executable, "-m", "mellow_tide.cli", "prepare"],
        check=False,
        env={**os.environ, "PYTHONPATH": str(ROOT), "TIDE_OWNER_DSN": owner_dsn, **settings},
        capture_output=True,
        text=True,
    )


def rows(dsn: str, sql: str) -> list[tuple]:
    with psycopg.connect(dsn) as db:
        return db.execute(sql).fetchall()


@pytest.mark.parametrize(
    "schema",
    # The whole row is long: the oldest, one in the middle and the newest stand for it every day.
    [
        pytest.param(
            file, id=file.name[:4], marks=[] if file in SCHEMAS[:: len(SCHEMAS) // 2] else pytest.mark.long
        )
        for file in SCHEMAS
    ],
)
def test_every_earlier_schema_comes_up_with_all_its_data(cluster, make_database: Make, schema: Path):
    name = make_database(gzip.decompress(schema.read_bytes()).decode())
    superuser = cluster.dsn("postgres", name)
    people = rows(superuser, "SELECT name FROM client ORDER BY name")
    events = rows(superuser, "SELECT count(*) FROM run_event")
    assert len(people) > 3
    done = prepare(cluster.dsn(OWNER, name))
    assert (done.returncode, done.stderr) == (0, "")
    assert "could not" not in done.stdout
    assert rows(superuser, "SELECT count(*) FROM run_event") >= events
    with TestClient(make_app(cluster.dsn(APP, name)), base_url=BASE, headers=ORIGIN) as client:
        signed_in = client.post(
            "/api/sign-in", json={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD}
        )
        assert signed_in.status_code == 204
        listed = client.get("/api/clients").json()
        assert {one["name"] for one in listed} >= {name for (name,) in people}
        for one in listed:
            assert client.get(f"/api/clients/{one['client_id']}").status_code == 200, one["name"]
        for (session_id,) in rows(superuser, "SELECT session_id FROM session"):
            assert client.get(f"/api/sessions/{session_id}").status_code == 200
        assert len(client.get("/api/day").json()["sessions"]) == 4


def test_a_start_tells_of_a_demo_that_cannot_be_brought_up_to_date_and_goes_on(cluster, make_database: Make):
    name = make_database("")
    owner_dsn = cluster.dsn(OWNER, name)
    assert prepare(owner_dsn, TIDE_OPEN="").returncode == 0
    cluster.psql(
        name,
        "CREATE FUNCTION broken() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE 'the demo is broken'; END $$;"
        "CREATE TRIGGER broken BEFORE INSERT ON client FOR EACH ROW EXECUTE FUNCTION broken()",
    )
    done = prepare(owner_dsn)
    assert done.returncode == 0
    assert "The demo could not be brought up to date" in done.stdout
    assert "./tide reset-demo" in done.stdout


def test_a_door_that_does_not_offer_the_demo_makes_none(cluster, make_database: Make):
    owner_dsn = cluster.dsn(OWNER, make_database(""))
    assert prepare(owner_dsn, TIDE_OPEN="").returncode == 0
    superuser = owner_dsn.replace(owner_dsn.split("@")[0], cluster.dsn("postgres").split("@")[0])
    assert rows(superuser, "SELECT count(*) FROM practice") == [(0,)]
    assert prepare(owner_dsn).returncode == 0
    assert rows(superuser, "SELECT practice_id FROM practice") == [(PRACTICE_ID,)]


def test_a_setting_that_says_nothing_sensible_is_refused_with_what_would(cluster, make_database: Make):
    done = prepare(cluster.dsn(OWNER, make_database("")), TIDE_OPEN="gates")
    assert done.returncode != 0
    assert "TIDE_OPEN does not know “gates”: leave it empty or use demo, practices, invited" in done.stderr
    assert "Traceback" not in done.stderr
