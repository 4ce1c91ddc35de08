from collections.abc import Iterator
from contextlib import ExitStack

import psycopg
import pytest
from fastapi.testclient import TestClient

from mellow_tide.app import make_app
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_EMAIL, THERAPIST_ID, THERAPIST_PASSWORD
from tests.conftest import NOW

BASE = "http://localhost"
ORIGIN = {"Origin": BASE}


def problem(answer, status):
    """The code of the problem that an answer with this status tells."""
    assert answer.status_code == status, answer.text
    assert answer.headers["content-type"] == "application/problem+json"
    return answer.json()["type"].rsplit(":", 1)[1]


def faults(answer):
    """The problem at each field that an answer names."""
    assert answer.status_code == 422, answer.text
    return {one["field"]: one["code"] for one in answer.json()["errors"]}


FIREFOX = "Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0"


class Served:
    """The application at a time of our own, and browsers of strangers that come to it."""

    def __init__(self, app_dsn: str, stack: ExitStack) -> None:
        self.now = NOW
        self._dsn = app_dsn
        self._stack = stack

    def browser(self, *offers, agent=FIREFOX, **keys) -> TestClient:
        """A browser at a door with these offers, or with all; signed in with `keys`, if there are any."""
        given = {"offers": frozenset(offers)} if offers else {}
        app = make_app(self._dsn, now=lambda: self.now, **given)
        headers = {**ORIGIN, "user-agent": agent}
        client = TestClient(app, base_url=BASE, headers=headers, raise_server_exceptions=False)
        self._stack.enter_context(client)
        if keys:
            assert client.post("/api/sign-in", json=keys).status_code == 204
        return client


@pytest.fixture
def served(app_dsn, superuser_dsn) -> Iterator[Served]:
    """Served with the demo alone; nobody has tried to sign in."""
    with psycopg.connect(superuser_dsn) as db:
        db.execute("DELETE FROM sign_in_attempt")
        db.execute("DELETE FROM practice WHERE practice_id <> %s", [PRACTICE_ID])
        db.execute("DELETE FROM person WHERE person_id <> %s", [THERAPIST_ID])
    with ExitStack() as stack:
        yield Served(app_dsn, stack)


def a_practice(name: str) -> dict[str, str]:
    """What somebody tells who opens a practice."""
    first, last = name.split()
    return {
        "practice": f"{last} Room",
        "name": name,
        "email": f"{first}@{last}.example".lower(),
        "password": "heron under seven bridges",
        "time_zone": "Europe/Lisbon",
        "country": "PT",
    }


@pytest.fixture(scope="module")
def stranger(app_dsn) -> Iterator[TestClient]:
    """A browser that has not signed in."""
    with TestClient(
        make_app(app_dsn), base_url=BASE, headers=ORIGIN, raise_server_exceptions=False
    ) as client:
        yield client


@pytest.fixture(scope="module")
def client(stranger) -> TestClient:
    """A browser in which the demo's therapist is signed in."""
    browser = TestClient(stranger.app, base_url=BASE, headers=ORIGIN, raise_server_exceptions=False)
    answer = browser.post("/api/sign-in", json={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD})
    assert answer.status_code == 204
    return browser
