"""Migrations: one at a time, all or nothing, and no trace of a starter that was killed."""

import os
import signal
import subprocess
import sys
import time
from concurrent.futures import ThreadPoolExecutor

import psycopg
import pytest

from launcher.cluster import OWNER
from mellow_tide.store.upgrade.migrate import migrate
from tests.browser.serving import ROOT


@pytest.fixture
def empty_dsn(cluster):
    """The owner's address of a database with nothing in it."""
    name = f"empty_{os.getpid()}"
    cluster.psql("postgres", f"DROP DATABASE IF EXISTS {name} WITH (FORCE)")
    cluster.psql("postgres", f"CREATE DATABASE {name} OWNER {OWNER}")
    yield cluster.dsn(OWNER, name)
    cluster.psql("postgres", f"DROP DATABASE {name} WITH (FORCE)")


def tables(dsn: str) -> set[str]:
    with psycopg.connect(dsn) as connection:
        rows = connection.execute("SELECT tablename FROM pg_tables WHERE schemaname = 'public'")
        return {name for (name,) in rows if "yoyo" not in name}


def test_a_lock_row_of_a_starter_that_was_killed_stops_nobody(empty_dsn):
    """An earlier version kept its lock in a row, which outlived a kill -9."""
    assert migrate(empty_dsn) > 0
    with psycopg.connect(empty_dsn) as connection:
        connection.execute(
            "CREATE TABLE IF NOT EXISTS yoyo_lock (locked int PRIMARY KEY DEFAULT 1, ctime timestamp, pid int)"
        )
        connection.execute("INSERT INTO yoyo_lock (locked, ctime, pid) VALUES (1, now(), 4711)")
    assert migrate(empty_dsn) == 0


def test_two_starters_take_turns_and_apply_everything_once(empty_dsn):
    with ThreadPoolExecutor(2) as both:
        applied = sorted(both.map(migrate, [empty_dsn, empty_dsn]))
    assert applied[0] == 0
    assert applied[1] > 0
    assert "client" in tables(empty_dsn)


def test_a_starter_killed_in_a_migration_leaves_nothing_half_done(empty_dsn, tmp_path):
    (tmp_path / "0001.first.sql").write_text("CREATE TABLE first ();")
    (tmp_path / "0002.slow.sql").write_text(
        "CREATE TABLE half ();\nSELECT pg_sleep(1.5);\nCREATE TABLE whole ();"
    )
    code = (
        "import sys; from pathlib import Path; from mellow_tide.store.upgrade.migrate import migrate;"
        "migrate(sys.argv[1], Path(sys.argv[2]))"
    )
    starter = subprocess.Popen(
        [sys.executable, "-c", code, empty_dsn, str(tmp_path)],
        env={**os.environ, "PYTHONPATH": str(ROOT)},
    )
    _await_sleeping(empty_dsn)
    starter.send_signal(signal.SIGKILL)
    starter.wait()
    assert migrate(empty_dsn, tmp_path) == 1
    assert tables(empty_dsn) == {"first", "half", "whole"}


def _await_sleeping(dsn: str) -> None:
    with psycopg.connect(dsn, autocommit=True) as connection:
        for _ in range(1200):
            seen = connection.execute(
                "SELECT 1 FROM pg_stat_activity WHERE wait_event = 'PgSleep' AND datname = current_database()"
            ).fetchone()
            if seen:
                return
            time.sleep(0.05)
    raise AssertionError("the migration did not begin")
