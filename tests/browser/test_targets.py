"""Room for a thumb on every main view, and letters twice as large on a page that does not grow sideways.

44 by 44 CSS pixels is the size of WCAG 2.2, 2.5.5 (enhanced). Its exceptions are ours: a link inside a sentence, and
the swells of tide and day, which are as long as what they show and have their equals in the list below them.
"""

from collections.abc import Iterator
from contextlib import closing

import pytest
from playwright.sync_api import Page

from tests.browser.conftest import SHIFT
from tests.browser.pages import PATIENCE, Today, come_to_rest
from tests.browser.views import VIEWS, open_view
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


ALWAYS = ("plan", "log", "work")


@pytest.mark.parametrize("size", [(1280, 800), (390, 844)], ids=["desk", "phone"])
@pytest.mark.parametrize("view", VIEWS if LONG else ALWAYS)
def test_a_thumb_finds_every_target(page: Page, server, today: Today, view: str, size):
    page.set_viewport_size({"width": size[0], "height": size[1]})
    open_view(page, server.url, today, view)
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
    open_view(page, server.url, Today(page), view)
    come_to_rest(page)
    assert page.evaluate("getComputedStyle(document.documentElement).fontSize") == "34px"
    assert page.evaluate("document.documentElement.scrollWidth") <= width
