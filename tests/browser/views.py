"""The main views, and the way to each of them."""

from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.pages import Plan, Today
from tests.browser.test_meeting import open_client

VIEWS = (
    "today",
    "clients",
    "flows",
    "numbers",
    "calendar in",
    "settings",
    "account",
    "sign in",
    "open",
    "client",
    "meet",
    "plan",
    "prepare",
    "the day prepared",
    "log",
    "learn",
    "work",
)


def open_view(page: Page, url: str, today: Today, view: str) -> None:
    """Go to one of `VIEWS`, as a therapist would, and wait until it is there."""

    def at(path: str) -> None:
        page.goto(f"{url}{path}")

    def stage(client: str, name: str) -> None:
        at("/")
        today.open(client)
        page.get_by_role("navigation", name="Stages of the session").get_by_role("link", name=name).click()

    def table() -> None:
        stage("Corin Foghollow", "Plan")
        Plan(page).to_work().begin()

    ways: dict[str, Callable[[], object]] = {
        "today": lambda: at("/"),
        "clients": lambda: at("/clients"),
        "flows": lambda: at("/flows"),
        "numbers": lambda: at("/numbers"),
        "calendar in": lambda: at("/calendar-in"),
        "settings": lambda: at("/practice"),
        "account": lambda: at("/account"),
        "sign in": lambda: at("/sign-in"),
        "open": lambda: at("/open"),
        "client": lambda: open_client(page, "Isolde Kelpworth"),
        "meet": lambda: stage("Isolde Kelpworth", "Meet"),
        "plan": lambda: stage("Isolde Kelpworth", "Plan"),
        "prepare": lambda: stage("Isolde Kelpworth", "Prepare"),
        "the day prepared": lambda: at("/prepare"),
        "log": lambda: stage("Ottilie Saltgrove", "Log"),
        "learn": lambda: stage("Ottilie Saltgrove", "Learn"),
        "work": table,
    }
    ways[view]()
    expect(page.get_by_role("heading").first).to_be_visible()
