"""What opens is wholly inside the window, at any width, in both themes, and with letters twice as large."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import Plan, Today, come_to_rest, wait_for
from tests.browser.views import VIEWS, open_view
from tests.sizes import LONG

SIZES = {"320": (320, 640), "390": (390, 844), "768": (768, 1024), "1280": (1280, 800), "2560": (2560, 1300)}
"""Width and height in CSS pixels. Twice as large letters are half as many pixels: 1280 at 200 % is 640."""

ALWAYS = ("320", "1280")

OUTSIDE = """() => [...document.querySelectorAll("[role=dialog], [role=listbox], dialog[open] > *")]
    .map((panel) => panel.getBoundingClientRect())
    .filter((box) => box.width > 0)
    .filter(({ left, top, right, bottom }) =>
        left < 0 || top < 0 || right > document.documentElement.clientWidth + 1 || bottom > innerHeight + 1)
    .map(({ left, top, right, bottom }) => [left, top, right, bottom].map(Math.round))"""


@pytest.fixture(params=["shore", "nightroom"])
def theme(request, context):
    context.add_init_script(f"localStorage.setItem('tide-theme', '{request.param}')")


def opened_one_by_one(page: Page, opens: str) -> list[str]:
    """Open all that opens over the page, one after the other, and name what did not fit."""
    cut = []
    names = [one.get_attribute("aria-label") or one.inner_text() for one in page.locator(opens).all()]
    assert names
    for name in names:
        page.get_by_role("button", name=name, exact=True).click()
        expect(page.get_by_role("dialog").first).to_be_visible()
        cut += [f"{name}: {box}" for box in page.evaluate(OUTSIDE)]
        page.keyboard.press("Escape")
        expect(page.get_by_role("dialog")).to_have_count(0)
    return cut


BRIEF = "section[aria-label=Brief] button[aria-expanded=false], button:text-is('Keys')"
CHANGES = "main button[aria-expanded=false][aria-label^='Change the session']"


@pytest.mark.long
@pytest.mark.parametrize("size", ["320", "390", "768", "1280"])
def test_no_panel_of_the_day_is_cut_by_an_edge(page: Page, today: Today, size: str):
    width, height = SIZES[size]
    page.set_viewport_size({"width": width, "height": height})
    expect(page.locator(CHANGES).first).to_be_visible()
    assert opened_one_by_one(page, CHANGES) == []
    assert page.evaluate("document.documentElement.scrollWidth") <= width


@pytest.mark.parametrize("size", [*SIZES, "640"] if LONG else ALWAYS)
def test_no_panel_of_plan_is_cut_by_an_edge(page: Page, theme, today: Today, size: str):
    width, height = SIZES.get(size, (640, 400))
    page.set_viewport_size({"width": width, "height": height})
    today.open("Isolde Kelpworth")
    plan = Plan(page)
    plan.planned()
    assert opened_one_by_one(page, BRIEF) == []
    page.get_by_role("combobox", name="Add by typing").fill("calf knead 3")
    expect(page.get_by_role("option").first).to_be_visible()
    wait_for(page, f"({OUTSIDE})().length", 0)
    assert page.evaluate("document.documentElement.scrollWidth") <= width


MARK = """() => {
    const opens = ["button[aria-expanded=false]", "[aria-haspopup]", "details:not([open]) > summary"].join();
    const found = [...document.querySelectorAll(opens)].filter((one) => one.checkVisibility() && !one.disabled);
    found.forEach((one, place) => { one.dataset.walked = place; });
    return found.map((one) => (one.ariaLabel ?? one.innerText).trim().replaceAll(/\\s+/g, " "));
}"""
"""All that opens something, marked with its place, and what each is called."""


def walk(page: Page, width: int) -> list[str]:
    """Open everything that opens, one after the other, and name what did not fit."""
    wrong = []
    names = page.evaluate(MARK)
    for place, name in enumerate(names):
        opener = page.locator(f"[data-walked='{place}']")
        if not opener.count() or not opener.is_visible():
            continue
        opener.click()
        come_to_rest(page)
        wrong += [f"{name}: {box}" for box in page.evaluate(OUTSIDE)]
        wide = page.evaluate("document.documentElement.scrollWidth")
        wrong += [f"{name}: the page is {wide} px wide"] if wide > width else []
        page.keyboard.press("Escape")
        if opener.count() and opener.get_attribute("aria-expanded") == "true":
            opener.click()
    return wrong


@pytest.mark.parametrize("size", ["320", "390", "768", "1280"] if LONG else ["390"])
@pytest.mark.parametrize("view", VIEWS if LONG else ["client"])
def test_whatever_a_view_opens_is_not_cut_by_an_edge(page: Page, server, today: Today, view: str, size: str):
    """The trial of a house rule plans for seconds; its answer is not waited for, nor sent."""
    width, height = SIZES[size]
    page.route(re.compile("/trial"), lambda route: route.abort())
    page.set_viewport_size({"width": width, "height": height})
    open_view(page, server.url, today, view)
    come_to_rest(page)
    assert walk(page, width) == []


@pytest.mark.parametrize("height", [720, 800])
def test_all_of_plan_is_seen_at_once_on_a_desk(page: Page, today: Today, height: int):
    page.set_viewport_size({"width": 1280, "height": height})
    today.open("Isolde Kelpworth")
    plan = Plan(page)
    plan.planned()
    plan.swell("right hip").click()
    seen = [
        page.get_by_role("region", name="Brief"),
        plan.tide,
        plan.part("Right hip"),
        page.get_by_role("img", name="prone"),
        plan.fit,
        page.get_by_role("link", name="To the table"),
    ]
    for one in seen:
        box = one.bounding_box()
        assert box
        assert box["y"] >= 0
        assert box["y"] + box["height"] <= height + 1
    for name in ("Left out", "To lay out", "Your hands"):
        beside = plan.beside(name).bounding_box()
        tide = plan.tide.bounding_box()
        assert beside
        assert tide
        assert beside["y"] >= tide["y"] + tide["height"]


def test_all_of_a_log_but_its_longest_list_is_seen_at_once_on_a_desk(page: Page, today: Today):
    today.open("Ottilie Saltgrove")
    seen = [
        page.get_by_label("What to change next time"),
        page.get_by_label("What the client said"),
        page.get_by_label("When they want to come again"),
        page.get_by_label("Depth that suited, back", exact=True),
        page.get_by_role("button", name="Sign the log"),
    ]
    expect(seen[0]).to_be_visible()
    bar = seen[-1].bounding_box()
    assert bar
    assert bar["y"] + bar["height"] <= 801
    for one in seen[:-1]:
        box = one.bounding_box()
        assert box
        assert box["y"] + box["height"] <= bar["y"]


def test_on_a_middling_screen_the_regions_stand_beside_the_words_of_the_log(page: Page, today: Today):
    page.set_viewport_size({"width": 1100, "height": 650})
    today.open("Ottilie Saltgrove")
    expect(page.get_by_role("button", name="Sign the log")).to_be_visible()
    table = page.get_by_role("table").bounding_box()
    words = page.get_by_label("What to change next time").bounding_box()
    assert table
    assert words
    assert table["x"] + table["width"] <= words["x"]
    assert abs(table["y"] - words["y"]) < 60
