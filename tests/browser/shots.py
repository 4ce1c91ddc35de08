"""`./tide shots`: a current picture of each main view, from the demo as shipped, on a database of its own."""

import tempfile
from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path

from playwright.sync_api import Browser, Page, expect, sync_playwright

from tests.browser.conftest import CHROMIUM, SHIFT
from tests.browser.pages import Plan, SignIn, Today, Work, come_to_rest, hold_clock
from tests.browser.serving import ROOT, LiveServer
from tests.browser.test_meeting import a_link, open_client
from tests.conftest import NOW
from tests.demo_database import demo_database

FOLDER = ROOT / "docs" / "screenshots"
MOMENT = NOW.replace(hour=10, minute=20)
"""When the pictures are taken: after the first session of the day."""
WIDE = {"width": 1280, "height": 800}
NARROW = {"width": 390, "height": 844}


def today(page: Page) -> None:
    SignIn(page).enter().next_action.wait_for()


def plan(page: Page) -> None:
    today(page)
    Today(page).open("Isolde Kelpworth")
    screen = Plan(page)
    screen.swell("right hip").click()
    screen.fit.wait_for()
    page.evaluate("scrollTo(0, 0)")


def prepare(page: Page) -> None:
    today(page)
    Today(page).open("Isolde Kelpworth")
    page.get_by_role("navigation", name="Stages of the session").get_by_role("link", name="Prepare").click()
    page.get_by_role("checkbox", name="Bolster").check()


def plan_side_lying(page: Page) -> None:
    today(page)
    Today(page).open("Isolde Kelpworth")
    Plan(page).of_kind("Side-lying", "side-lying")


def client(page: Page) -> None:
    today(page)
    page.get_by_role("link", name="Clients").click()
    page.get_by_label("Find a client").fill("tamsen")
    page.get_by_role("link", name="Tamsin Reedholm").click()
    page.get_by_role("region", name="Wishes").wait_for()


def meet(page: Page) -> None:
    today(page)
    Today(page).open("Isolde Kelpworth")
    page.get_by_role("link", name="Meet").click()
    page.get_by_label("Ask: is anything new?").fill("The left big toe has a plaster.")
    page.get_by_role("checkbox", name="Left foot, toes").wait_for()


def review(page: Page) -> None:
    today(page)
    open_client(page, "Mirabel Shoalcroft")
    page.get_by_role("link", name="An intake has been handed in").click()
    page.get_by_role("list", name="Answers").wait_for()


def intake(page: Page) -> None:
    today(page)
    page.goto(a_link(page, "Mirabel Shoalcroft"))
    for _ in range(4):
        page.get_by_role("button", name="Go on").click()
    page.get_by_label("Or choose a place that feels tense").select_option(label="Both shoulders")
    page.get_by_text("Saved.").wait_for()


def flows(page: Page) -> None:
    today(page)
    page.get_by_role("link", name="Flows").click()
    page.get_by_role("listitem").first.wait_for()


def sheet(page: Page) -> None:
    plan(page)
    page.get_by_role("link", name="Print").click()
    page.get_by_role("article", name="Run sheet").wait_for()


def work(page: Page) -> None:
    today(page)
    Today(page).open("Bram Lanternby")
    table = Plan(page).to_work()
    hold_clock(page)
    table.begin()
    table.go_on_until(lambda: table.is_at("Wringing"))
    page.clock.run_for(340_000)
    table.pad("Just right").click()
    Work(page).stroke.wait_for()
    connected(page)


def log(page: Page) -> None:
    today(page)
    Today(page).open("Ottilie Saltgrove")
    page.get_by_role("table").wait_for()


def learn(page: Page) -> None:
    log(page)
    page.get_by_role("button", name="Sign the log").click()
    page.get_by_role("link", name="What it taught").click()
    page.get_by_role("region", name="The next plan").wait_for()


def labour(page: Page) -> None:
    today(page)
    Today(page).open("Corin Foghollow")
    Plan(page).of_kind("Labour support", "labour support")
    table = Plan(page).to_work()
    hold_clock(page)
    table.begin()
    for length, rest in ((52, 260), (58, 244), (40, 0)):
        page.get_by_role("button", name="A contraction begins").click()
        page.clock.run_for(length * 1000)
        if rest:
            page.get_by_role("button", name="It has passed").click()
            page.clock.run_for(rest * 1000)
    connected(page)


def connected(page: Page) -> None:
    """The clock has leapt past answers that were on their way: the picture is taken once they are here."""
    expect(page.get_by_text("Not connected")).to_be_hidden()


def door(page: Page) -> None:
    page.get_by_role("button", name="Look round the demo").wait_for()


def first_steps(page: Page) -> None:
    page.get_by_role("link", name="Create a practice").click()
    page.get_by_label("Name of the practice").fill("Reedbank Room")
    page.get_by_label("Your name").fill("Morwen Reedbank")
    page.get_by_label("E-mail").fill("morwen@reedbank.example")
    page.get_by_label("Password").fill("heron under seven bridges")
    page.get_by_role("button", name="Create the practice").click()
    page.get_by_role("region", name="First steps").wait_for()


def settings(page: Page) -> None:
    flows(page)
    page.get_by_role("link", name="Settings of").click()
    page.get_by_role("button", name="How it ends: ").click()
    page.get_by_role("dialog").get_by_text("existing plans.").last.wait_for()


def school(page: Page) -> None:
    today(page)
    page.get_by_role("link", name="Settings of").click()
    page.get_by_role("button", name="Copy Back outwards").click()
    for region, weight in (("Calves", "1.8"), ("Feet", "2.4")):
        share = page.get_by_label(f"Weight of {region}, typed")
        share.fill(weight)
        share.press("Enter")
        expect(page.get_by_role("slider", name=f"Weight of {region}")).to_have_value(weight)
    expect(page.get_by_text("planning both")).to_have_count(0)
    expect(page.get_by_role("row", name="Feet").get_by_role("cell").last).not_to_have_text("–")
    page.get_by_text("Drag a region up").evaluate("(here) => here.scrollIntoView()")


SHOTS: list[tuple[str, Callable[[Page], None], dict[str, int], str]] = [
    ("today", today, WIDE, "shore"),
    ("plan", plan, WIDE, "shore"),
    ("prepare", prepare, WIDE, "nightroom"),
    ("plan-narrow", plan, NARROW, "shore"),
    ("door", door, WIDE, "shore"),
    ("first-steps", first_steps, WIDE, "shore"),
    ("settings", settings, WIDE, "shore"),
    ("log", log, WIDE, "shore"),
    ("flows", flows, WIDE, "shore"),
    ("client", client, WIDE, "shore"),
    ("meet", meet, WIDE, "shore"),
    ("review", review, WIDE, "shore"),
    ("intake", intake, NARROW, "shore"),
    ("sheet", sheet, WIDE, "shore"),
    ("work", work, WIDE, "shore"),
    # Last, since they change the plan that others show.
    ("learn", learn, WIDE, "shore"),
    ("labour", labour, WIDE, "shore"),
    ("plan-side-lying", plan_side_lying, WIDE, "shore"),
    ("school", school, WIDE, "shore"),
]


def take(
    browser: Browser, server: LiveServer, name: str, arrange: Callable[[Page], None], size, theme: str
) -> None:
    context = browser.new_context(viewport=size, locale="en-GB", reduced_motion="reduce")
    context.add_init_script(SHIFT % (server.ahead.total_seconds() * 1000))
    context.add_init_script(f"localStorage.setItem('tide-theme', '{theme}')")
    page = context.new_page()
    page.goto(server.url)
    page.get_by_label("E-mail").wait_for()
    arrange(page)
    page.mouse.move(2, 2)
    page.evaluate("document.fonts.ready")
    come_to_rest(page)
    page.screenshot(path=FOLDER / f"{name}.png")
    context.close()


def main() -> None:
    with demo_database("tide_shots", MOMENT, lived=True) as dsn:
        server = LiveServer(dsn, Path(tempfile.mkdtemp()) / "log", MOMENT - datetime.now(UTC))
        server.start()
        try:
            with sync_playwright() as playwright:
                browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=CHROMIUM)
                for shot in SHOTS:
                    take(browser, server, *shot)
                browser.close()
        finally:
            server.close()


if __name__ == "__main__":
    main()
