"""When the database goes away, is full or is slow: it is told plainly, and over as soon as it is back."""

import contextlib
import os
import select
import shutil
import socket
import threading
import time
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from urllib.parse import urlsplit

import psycopg
import pytest
from fastapi.testclient import TestClient

from launcher.cluster import Cluster
from launcher.commands import refuse_full_disk
from launcher.debian import POSTGRES_BIN
from launcher.places import DATABASE_USER, as_user
from launcher.say import Trouble, run
from mellow_tide.app import make_app
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_EMAIL, THERAPIST_PASSWORD, demo_id
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.errors import StoreUnavailable, TookTooLong
from tests.web.conftest import BASE, ORIGIN


class Gate:
    """A way to the database that can be closed and opened again, on one port."""

    def __init__(self, host: str, port: int) -> None:
        self._to = (host, port)
        self._listener: socket.socket | None = None
        self._open: list[socket.socket] = []
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            self.port = probe.getsockname()[1]

    def open(self) -> None:
        self._listener = socket.create_server(("127.0.0.1", self.port))
        threading.Thread(target=self._accept, args=(self._listener,), daemon=True).start()

    def close(self) -> None:
        if self._listener:
            # Wakes the thread that waits in accept.
            self._listener.shutdown(socket.SHUT_RDWR)
            self._listener.close()
        for one in self._open:
            with contextlib.suppress(OSError):
                one.shutdown(socket.SHUT_RDWR)
        self._open.clear()

    def _accept(self, listener: socket.socket) -> None:
        with contextlib.suppress(OSError):
            while True:
                here, _ = listener.accept()
                there = socket.create_connection(self._to)
                self._open += [here, there]
                threading.Thread(target=_pass_on, args=(here, there), daemon=True).start()


def _pass_on(here: socket.socket, there: socket.socket) -> None:
    with contextlib.suppress(OSError), here, there:
        while True:
            for one in select.select([here, there], [], [])[0]:
                read = one.recv(65536)
                if not read:
                    return
                (there if one is here else here).sendall(read)


@pytest.fixture
def gate(app_dsn):
    address = urlsplit(app_dsn)
    gate = Gate(str(address.hostname), int(address.port or 0))
    gate.open()
    yield gate
    gate.close()


@pytest.mark.long
def test_it_is_ready_while_the_database_answers_and_again_within_moments(gate, app_dsn):
    """However long it was away: a pool that doubles its pauses would sleep on after an outage of 18 s."""
    real = f":{urlsplit(app_dsn).port}/"
    app = make_app(app_dsn.replace(real, f":{gate.port}/"))
    with TestClient(app, base_url=BASE, headers=ORIGIN, raise_server_exceptions=False) as client:
        assert client.get("/api/ready").status_code == 204
        gate.close()
        until = time.monotonic() + 18
        while time.monotonic() < until:
            assert client.get("/api/ready").status_code == 503
            time.sleep(0.3)
        gate.open()
        began = time.monotonic()
        while client.get("/api/ready").status_code != 204:
            assert time.monotonic() < began + 4, "the pool does not come back"
            time.sleep(0.1)


def test_a_full_disk_is_told_in_plain_words_and_keeps_nothing_half(app_dsn, owner_dsn):
    with psycopg.connect(owner_dsn) as owner:
        owner.execute("""
            CREATE FUNCTION run_out() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN RAISE EXCEPTION USING ERRCODE = 'disk_full', MESSAGE = 'No space left on device'; END $$
        """)
        owner.execute(
            "CREATE TRIGGER full_up BEFORE INSERT ON client FOR EACH ROW EXECUTE FUNCTION run_out()"
        )
    try:
        with TestClient(
            make_app(app_dsn), base_url=BASE, headers=ORIGIN, raise_server_exceptions=False
        ) as client:
            client.post("/api/sign-in", json={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD})
            before = len(client.get("/api/clients").json())
            refused = client.post("/api/clients", json={"name": "Nobody Keptwell"})
            assert (refused.status_code, refused.json()["title"]) == (
                507,
                "The server’s disk is full: this was not saved.",
            )
            assert len(client.get("/api/clients").json()) == before
    finally:
        with psycopg.connect(owner_dsn) as owner:
            owner.execute("DROP FUNCTION run_out CASCADE")


def test_a_start_on_a_full_disk_says_what_to_do(tmp_path):
    refuse_full_disk(300_000_000, tmp_path)
    with pytest.raises(Trouble, match="nearly full: 12 MB are free") as trouble:
        refuse_full_disk(12_000_000, tmp_path)
    assert trouble.value.do.startswith("free 200 MB at least")


def test_a_statement_that_takes_too_long_ends(app_dsn):
    client = demo_id("client linnet")
    with (
        Database(
            app_dsn, most_connections=1, limits="-c statement_timeout=200ms -c lock_timeout=200ms"
        ) as db,
        psycopg.connect(app_dsn) as other,
    ):
        other.execute("SELECT set_config('tide.practice', %s, true)", [str(PRACTICE_ID)])
        assert other.execute("SELECT 1 FROM client WHERE client_id = %s FOR UPDATE", [client]).fetchone()
        with pytest.raises(TookTooLong), db.transaction(Sight(PRACTICE_ID)) as t:
            t.value("lock_client", client_id=client)
        db.ask()


def test_no_password_is_an_argument_of_a_process(cluster):
    """Arguments are read by everybody on the machine."""
    password = (urlsplit(cluster.dsn("postgres", "postgres")).password or "").encode()
    with ThreadPoolExecutor() as beside:
        asked = beside.submit(cluster.psql, "postgres", "SELECT pg_sleep(1)")
        seen: list[bytes] = []
        while not asked.done():
            seen += arguments()
    assert any(words.startswith(b"/usr/lib/postgresql/15/bin/psql") for words in seen)
    assert not any(password in words for words in seen)


def arguments() -> list[bytes]:
    found = []
    for entry in Path("/proc").iterdir():
        if entry.name.isdigit():
            with contextlib.suppress(OSError):
                found.append((entry / "cmdline").read_bytes())
    return found


def test_checksums_are_on_in_a_new_cluster_and_come_on_in_one_that_was_made_without(tmp_path):
    folder = Path("/var/tmp") / f"tide-{tmp_path.name}-{os.getpid()}"
    made = Cluster(folder)
    try:
        made.start()
        assert made.psql("postgres", "SHOW data_checksums").strip() == "on"
        made.stop()
        run(
            as_user(DATABASE_USER, [str(POSTGRES_BIN / "pg_checksums"), "-d", "-D", str(made.data)]),
            "",
            Path("/"),
        )
        made.start()
        assert made.psql("postgres", "SHOW data_checksums").strip() == "on"
    finally:
        made.stop()
        shutil.rmtree(folder)


def test_a_database_that_is_not_there_is_told(app_dsn):
    away = app_dsn.replace(f":{urlsplit(app_dsn).port}/", ":1/")
    with pytest.raises(StoreUnavailable), Database(away, most_connections=1):
        pass
