"""The database through the launcher: made once, mended after kill -9, out of the way of a taken port."""

import os
import shutil
import signal
import socket
from collections.abc import Iterator

import psycopg
import pytest

from launcher.cluster import OWNER, Cluster, free_port
from launcher.places import settle
from launcher.say import Trouble


@pytest.fixture(scope="module")
def own() -> Iterator[Cluster]:
    folder = settle().state / f"test-launcher-{os.getpid()}"
    cluster = Cluster(folder)
    cluster.start()
    cluster.ensure_roles()
    yield cluster
    cluster.stop()
    shutil.rmtree(folder)


def ask(cluster, sql):
    with psycopg.connect(cluster.dsn(OWNER)) as connection:
        return connection.execute(sql).fetchone()[0]


def test_it_is_durable_and_only_on_loopback(own):
    settings = {
        name: ask(own, f"SHOW {name}") for name in ("fsync", "synchronous_commit", "listen_addresses")
    }
    assert settings == {"fsync": "on", "synchronous_commit": "on", "listen_addresses": "127.0.0.1"}


def test_its_passwords_are_for_its_keeper_alone(own):
    assert (own.folder / "settings.json").stat().st_mode & 0o077 == 0
    assert not (own.folder / "password").exists()


def test_killed_it_recovers_with_what_was_committed(own):
    with psycopg.connect(own.dsn(OWNER)) as connection:
        connection.execute("CREATE TABLE kept AS SELECT 42 AS answer")
    postmaster = int((own.data / "postmaster.pid").read_text().split()[0])
    os.kill(postmaster, signal.SIGKILL)
    own.start()
    assert ask(own, "SELECT answer FROM kept") == 42
    assert int((own.data / "postmaster.pid").read_text().split()[0]) != postmaster


def test_starting_what_runs_changes_nothing(own):
    before = (own.data / "postmaster.pid").read_text().split()[0]
    own.start()
    own.ensure_roles()
    assert (own.data / "postmaster.pid").read_text().split()[0] == before


def test_a_foreign_process_with_the_old_number_is_left_alone(own):
    own.stop()
    (own.data / "postmaster.pid").write_text(f"{os.getpid()}\n{own.data}\n")
    own.start()
    assert ask(own, "SELECT 1") == 1


def test_a_taken_port_is_passed_over():
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        assert free_port(port) > port


def test_a_refused_statement_says_what_and_where_to_look(own):
    with pytest.raises(Trouble) as refused:
        own.psql("postgres", "SELECT nonsense")
    assert "nonsense" in refused.value.what
    assert str(own.folder) in refused.value.do


def test_a_port_taken_between_the_look_and_the_start_is_given_up(own, monkeypatch):
    own.stop()
    with socket.socket() as other:
        other.bind(("127.0.0.1", 0))
        other.listen()
        taken = other.getsockname()[1]
        looks = iter([taken])
        monkeypatch.setattr(
            "launcher.cluster.free_port", lambda wanted: next(looks, None) or free_port(wanted)
        )
        own.start()
        assert f":{taken}/" not in own.dsn()
    assert ask(own, "SELECT 1") == 1
