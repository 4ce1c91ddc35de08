"""Room for a thumb on every main view, and letters twice as large on a page that does not grow sideways.

44 by 44 CSS pixels is the size of WCAG 2.2, 2.5.5 (enhanced). Its exceptions are ours: a link inside a sentence, and
the swells of tide and day, which are as long as what they show and have their equals in the list below them.
"""

from collections.abc import Callable, Iterator
from contextlib import closing

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import SHIFT
from tests.browser.pages import PATIENCE, Plan, Today, come_to_rest
from tests.browser.test_meeting import open_client
from tests.sizes import LONG

TOO_SMALL = """() => {
    const large = ({ width, height }) => width >= 43.5 && height >= 43.5;
    const inSentence = (one) => one.tagName === "A" && getComputedStyle(one).display === "inline" &&
        [...one.parentElement.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.data.trim() !== "");
    return [...document.querySelectorAll("a[href], button, input, select, textarea, summary, [role=slider]")]
        .filter((one) => one.checkVisibility({ visibilityProperty: true }) && !one.disabled)
        .filter((one) => !one.closest("[inert], [aria-hidden=true], [aria-label='Tide line'], [aria-label='The day']"))
        .filter((one) => one.getBoundingClientRect().width > 1.5 && !inSentence(one))
        .filter((one) => ![one, ...(one.labels ?? [])].some((part) => large(part.getBoundingClientRect())))
        .map((one) => {
            const { width, height } = one.getBoundingClientRect();
            return `${one.tagName} ${one.ariaLabel ?? one.innerText}: ${Math.round(width)} by ${Math.round(height)}`;
        });
}"""


def opens(page: Page, url: str, today: Today) -> dict[str, Callable[[], object]]:
    """How each main view is come to, and what is seen when it is there."""

    def at(path: str) -> None:
        page.goto(f"{url}{path}")

    def stage(client: str, name: str) -> None:
        at("/")
        today.open(client)
        page.get_by_role("navigation", name="Stages of the session").get_by_role("link", name=name).click()

    def table() -> None:
        stage("Corin Foghollow", "Plan")
        Plan(page).to_work().begin()

    return {
        "today": lambda: at("/"),
        "clients": lambda: at("/clients"),
        "flows": lambda: at("/flows"),
        "settings": lambda: at("/practice"),
        "account": lambda: at("/account"),
        "sign in": lambda: at("/sign-in"),
        "open": lambda: at("/open"),
        "client": lambda: open_client(page, "Isolde Kelpworth"),
        "meet": lambda: stage("Isolde Kelpworth", "Meet"),
        "plan": lambda: stage("Isolde Kelpworth", "Plan"),
        "log": lambda: stage("Ottilie Saltgrove", "Log"),
        "learn": lambda: stage("Ottilie Saltgrove", "Learn"),
        "work": table,
    }


VIEWS = (
    "today",
    "clients",
    "flows",
    "settings",
    "account",
    "sign in",
    "open",
    "client",
    "meet",
    "plan",
    "log",
    "learn",
    "work",
)
ALWAYS = ("plan", "log", "work")


@pytest.mark.parametrize("size", [(1280, 800), (390, 844)], ids=["desk", "phone"])
@pytest.mark.parametrize("view", VIEWS if LONG else ALWAYS)
def test_a_thumb_finds_every_target(page: Page, server, today: Today, view: str, size):
    page.set_viewport_size({"width": size[0], "height": size[1]})
    opens(page, server.url, today)[view]()
    expect(page.get_by_role("heading").first).to_be_visible()
    come_to_rest(page)
    assert page.evaluate(TOO_SMALL) == []


@pytest.fixture
def large_letters(browser_type, browser_type_launch_args, context, server) -> Iterator[Page]:
    """A page in a browser whose letters are set to twice their size; who is signed in in the other is so in this."""
    args = [*browser_type_launch_args["args"], "--blink-settings=defaultFontSize=32"]
    with closing(browser_type.launch(**{**browser_type_launch_args, "args": args})) as browser:
        page = browser.new_page(
            storage_state=context.storage_state(), locale="en-GB", service_workers="block"
        )
        page.add_init_script(SHIFT % (server.ahead.total_seconds() * 1000))
        page.set_default_timeout(PATIENCE)
        yield page


@pytest.mark.long
@pytest.mark.parametrize("width", [1280, 768])
@pytest.mark.parametrize("view", VIEWS)
def test_letters_twice_as_large_do_not_push_a_page_sideways(
    today: Today, large_letters: Page, server, view: str, width: int
):
    page = large_letters
    page.set_viewport_size({"width": width, "height": 900})
    page.goto(server.url)
    opens(page, server.url, Today(page))[view]()
    expect(page.get_by_role("heading").first).to_be_visible()
    come_to_rest(page)
    assert page.evaluate("getComputedStyle(document.documentElement).fontSize") == "34px"
    assert page.evaluate("document.documentElement.scrollWidth") <= width
