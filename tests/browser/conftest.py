import os
import secrets
import time
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest
from playwright.sync_api import BrowserContext, ConsoleMessage, Page, Request, expect

from launcher.cluster import APP, OWNER, Cluster
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_ID
from mellow_tide.services.people.tokens import hash_token
from mellow_tide.store.accounts import NewSignIn, add_sign_in
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.web.guard import SIGN_IN
from tests.as_shipped import keep_as_shipped, put_back
from tests.browser.pages import PATIENCE, Today
from tests.browser.serving import LiveServer
from tests.conftest import NOW

CHROMIUM = [
    "--headless",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]

expect.set_options(timeout=PATIENCE)

SHIFT = """
    const ahead = %d;
    const Real = Date;
    globalThis.Date = class extends Real {
        constructor(...given) { given.length ? super(...given) : super(Real.now() + ahead); }
        static now() { return Real.now() + ahead; }
    };
"""
"""Sets the clock of a page ahead by so many milliseconds; it runs on from there."""


@pytest.fixture(scope="session")
def browser_type_launch_args():
    return {"executable_path": "/usr/bin/chromium", "args": CHROMIUM}


@pytest.fixture(scope="session")
def browser_context_args():
    # Most tests mean the page as the server has it now; those of the worker switch it on.
    return {
        "viewport": {"width": 1280, "height": 800},
        "locale": "en-GB",
        "timezone_id": os.environ.get("TIDE_TEST_ZONE", "UTC"),
        "service_workers": "block",
    }


@pytest.fixture(scope="session")
def database_name(cluster: Cluster, template: str) -> str:
    """One database for all browser tests of a worker: every test finds the demo in it as it was shipped."""
    name = template.replace("template", "browser")
    cluster.psql("postgres", f"DROP DATABASE IF EXISTS {name} WITH (FORCE)")
    cluster.psql("postgres", f"CREATE DATABASE {name} TEMPLATE {template} OWNER {OWNER}")
    return name


@pytest.fixture(scope="session")
def owner(cluster: Cluster, database_name: str) -> Iterator[Database]:
    with Database(cluster.dsn(OWNER, database_name), most_connections=1) as owner:
        yield owner


@pytest.fixture(scope="session")
def server(cluster, database_name, tmp_path_factory):
    if not Path(os.environ.get("TIDE_WEB", "")).joinpath("index.html").exists():
        pytest.fail("the front end is not built: run the tests through ./tide test")
    keep_as_shipped(cluster.dsn("postgres", database_name))
    live = LiveServer(
        cluster.dsn(APP, database_name), tmp_path_factory.mktemp("server") / "log", NOW - datetime.now(UTC)
    )
    live.start()
    yield live
    live.close()


@pytest.fixture(autouse=True)
def token(server: LiveServer, owner: Database, superuser_dsn: str) -> str:
    """What a browser holds that has signed in already; with it every test finds the demo untouched.

    Each test has its own: what the browser of the test before still sends, or the server still holds, is nobody's.
    """
    server.finish()
    put_back(superuser_dsn)
    token = secrets.token_urlsafe(32)
    with owner.transaction(Sight(PRACTICE_ID, THERAPIST_ID)) as t:
        new = NewSignIn(hash_token(token), NOW, NOW + timedelta(days=30))
        add_sign_in(t, SignedIn(PRACTICE_ID, THERAPIST_ID), new)
    server.start_again()
    return token


@pytest.fixture
def context(context: BrowserContext, server: LiveServer) -> Iterator[BrowserContext]:
    """A browser by whose clock it is when the tests take place.

    It is closed only once its writes are answered: one that the server still holds would land in the next test's demo.
    """
    context.add_init_script(SHIFT % (server.ahead.total_seconds() * 1000))
    context.set_default_timeout(PATIENCE)
    under_way: set[Request] = set()

    def asked(one: Request) -> None:
        if one.method != "GET":
            under_way.add(one)

    def answered(one: Request) -> None:
        under_way.discard(one)

    refused: list[str] = []

    def said(one: ConsoleMessage) -> None:
        if "Content Security Policy" in one.text:
            refused.append(one.text)

    context.on("console", said)
    context.on("request", asked)
    context.on("requestfinished", answered)
    context.on("requestfailed", answered)
    yield context
    # A device sends one batch of taps after another: still for a moment is done.
    still, until = 0, time.monotonic() + 5
    while context.pages and still < 3 and time.monotonic() < until:
        context.pages[0].wait_for_timeout(20)
        still = 0 if under_way else still + 1
    # Whatever a test opens, its page needs nothing that the policy forbids.
    assert refused == []


@pytest.fixture
def today(context: BrowserContext, page: Page, server: LiveServer, token: str) -> Today:
    """Today, signed in."""
    context.add_cookies([{"name": SIGN_IN, "value": token, "url": server.url, "httpOnly": True}])
    page.goto(server.url)
    arrived = Today(page)
    expect(arrived.next_action).to_be_visible()
    return arrived
