"""A whole world of its own to break: a database cluster, a server, a browser with a disk."""

import os
import shutil
import signal
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from dataclasses import dataclass, field
from datetime import UTC, datetime
from pathlib import Path
from random import Random
from types import TracebackType
from typing import Self
from uuid import UUID

import psycopg
from playwright.sync_api import BrowserContext, Error, Page, Playwright
from psycopg.types.json import Jsonb

from launcher.cluster import APP, OWNER, Cluster
from launcher.places import settle
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.demo.load import ensure_demo, reset_demo
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_EMAIL, THERAPIST_ID, THERAPIST_PASSWORD
from mellow_tide.store.database import Database, Sight, Transaction
from mellow_tide.store.learning import accept_pace
from mellow_tide.store.upgrade.migrate import migrate
from tests.browser.conftest import CHROMIUM
from tests.browser.serving import LiveServer


@dataclass
class World:
    """Everything a run needs; each part can be killed and comes back."""

    playwright: Playwright
    disk: Path = field(default_factory=lambda: Path(tempfile.mkdtemp(prefix="tide-chaos-")))
    context: BrowserContext | None = None

    def __enter__(self) -> Self:
        """Start the database and the server, with the demo."""
        # As durable as the real one: what a kill leaves is what is judged here.
        self.cluster = Cluster(settle().state / "chaos-postgres")
        self.cluster.start()
        self.cluster.ensure_roles()
        migrate(self.cluster.dsn(OWNER))
        with self._owner() as owner:
            ensure_demo(owner, datetime.now(UTC))
        self.server = LiveServer(self.cluster.dsn(APP), self.disk / "server.log")
        self.server.start()
        return self

    def __exit__(
        self, kind: type[BaseException] | None, error: BaseException | None, trace: TracebackType | None
    ) -> None:
        """Stop everything and leave nothing behind but the cluster, for the next time."""
        self.kill_browser()
        self.server.close()
        self.cluster.stop()
        shutil.rmtree(self.disk, ignore_errors=True)

    def _owner(self) -> Database:
        return Database(self.cluster.dsn(OWNER), most_connections=1)

    @contextmanager
    def store(self) -> Iterator[Database]:
        """The database as the application sees it."""
        with Database(self.cluster.dsn(APP), most_connections=1) as db:
            yield db

    def as_shipped(self) -> None:
        """The demo untouched, and a browser that has never been here."""
        self.kill_browser()
        shutil.rmtree(self._profile, ignore_errors=True)
        with self._owner() as owner:
            reset_demo(owner, datetime.now(UTC))

    @property
    def _profile(self) -> Path:
        return self.disk / "profile"

    def open_browser(self) -> Page:
        """A browser on the same disk as the last one, signed in if there is a server to sign in at."""
        self.context = self.playwright.chromium.launch_persistent_context(
            str(self._profile), executable_path="/usr/bin/chromium", args=CHROMIUM, locale="en-GB"
        )
        with suppress(Error):
            self.context.request.post(
                f"{self.server.url}/api/sign-in",
                data={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD},
                headers={"Origin": self.server.url},
                timeout=5000,
            )
        return self.context.pages[0] if self.context.pages else self.context.new_page()

    def kill_browser(self) -> None:
        """Kill -9 of the browser and all its processes."""
        if self.context is None:
            return
        for pid in _working_with(str(self._profile)):
            with suppress(ProcessLookupError):
                os.kill(pid, signal.SIGKILL)
        with suppress(Error):
            self.context.close()
        self.context = None
        for lock in self._profile.glob("Singleton*"):
            lock.unlink(missing_ok=True)

    def kill_server(self) -> None:
        """Kill -9 of the server."""
        self.server.kill()

    def kill_postgres(self) -> None:
        """Kill -9 of PostgreSQL and its back ends at once."""
        for pid in _working_in(self.cluster.data):
            with suppress(ProcessLookupError):
                os.kill(pid, signal.SIGKILL)

    def change_house(self, random: Random, session_id: UUID) -> None:
        """Another pace, other house rules and seconds, another height of the client: while the session is under way."""
        pace = {
            stroke: round(random.uniform(0.6, 1.8), 2)
            for stroke in ("effleurage", "kneading", "resting_hold")
        }
        house = House(
            rules={"point_hold": "count_of_ten"}, seconds={"turn": random.randrange(40, 300), "walk": 9}
        )
        # Of the database that is down, nobody changes anything.
        with suppress(psycopg.OperationalError), psycopg.connect(self.cluster.dsn(OWNER)) as connection:
            t = Transaction(connection, Sight(PRACTICE_ID, THERAPIST_ID))
            accept_pace(t, THERAPIST_ID, pace)
            connection.execute("UPDATE practice SET house = %s", [Jsonb(house.model_dump())])
            connection.execute(
                "UPDATE client SET height_cm = %s FROM session s"
                " WHERE s.client_id = client.client_id AND s.session_id = %s",
                [random.randrange(150, 200), session_id],
            )

    def mend(self) -> None:
        """Whatever was killed runs again."""
        self.cluster.start()
        if self.server.dsn != self.cluster.dsn(APP):
            # Another database took the port meanwhile: the server is told the new one, as a start would.
            self.server.kill()
            self.server.dsn = self.cluster.dsn(APP)
        self.server.start_again()


def _working_with(word: str) -> list[int]:
    found = []
    for entry in Path("/proc").iterdir():
        if entry.name.isdigit() and int(entry.name) != os.getpid():
            with suppress(OSError):
                if word in (entry / "cmdline").read_bytes().decode(errors="replace"):
                    found.append(int(entry.name))
    return found


def _working_in(folder: Path) -> list[int]:
    found = []
    for entry in Path("/proc").iterdir():
        if entry.name.isdigit():
            with suppress(OSError):
                if os.readlink(entry / "cwd") == str(folder.resolve()):
                    found.append(int(entry.name))
    return found


def wait_until(done: object, seconds: float, what: str) -> None:
    """Ask `done` again and again until it is true; raises `TimeoutError`."""
    until = time.monotonic() + seconds
    while time.monotonic() < until:
        if done():  # type: ignore[operator]
            return
        time.sleep(0.1)
    raise TimeoutError(what)
