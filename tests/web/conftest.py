from collections.abc import Iterator

import pytest
from fastapi.testclient import TestClient

from mellow_tide.app import make_app
from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD

BASE = "http://localhost"
ORIGIN = {"Origin": BASE}


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
