import os
from datetime import UTC, datetime
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from mellow_tide.demo.load import reset_demo
from mellow_tide.store.database import Database
from tests.browser.pages import SignIn, Today
from tests.browser.serving import LiveServer

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

expect.set_options(timeout=10_000)


@pytest.fixture(scope="session")
def browser_type_launch_args():
    return {"executable_path": "/usr/bin/chromium", "args": CHROMIUM}


@pytest.fixture(scope="session")
def browser_context_args():
    # Most tests mean the page as the server has it now; those of the worker switch it on.
    return {"viewport": {"width": 1280, "height": 800}, "locale": "en-GB", "service_workers": "block"}


@pytest.fixture(scope="module")
def server(app_dsn, owner_dsn, tmp_path_factory):
    if not Path(os.environ.get("TIDE_WEB", "")).joinpath("index.html").exists():
        pytest.fail("the front end is not built: run the tests through ./tide test")
    live = LiveServer(app_dsn, tmp_path_factory.mktemp("server") / "log")
    live.start()
    yield live
    live.close()


@pytest.fixture(autouse=True)
def _demo_as_shipped(owner_dsn):
    """Every test finds the demo untouched, with its day today."""
    with Database(owner_dsn, most_connections=1) as owner:
        reset_demo(owner, datetime.now(UTC))


@pytest.fixture
def today(page: Page, server: LiveServer) -> Today:
    """Today, signed in."""
    page.goto(server.url)
    arrived = SignIn(page).enter()
    expect(arrived.next_action).to_be_visible()
    return arrived
