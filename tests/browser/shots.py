"""`./tide shots`: a current picture of each main view, from the demo as shipped, on a database of its own."""

import tempfile
from collections.abc import Callable
from contextlib import ExitStack
from datetime import UTC, datetime, timedelta
from pathlib import Path

from icalendar import Calendar, Event
from playwright.sync_api import Browser, FilePayload, Page, expect, sync_playwright

from tests.browser.conftest import CHROMIUM, SHIFT
from tests.browser.pages import Plan, SignIn, Today, Work, come_to_rest, hold_clock
from tests.browser.serving import ROOT, LiveServer
from tests.browser.test_meeting import a_link
from tests.conftest import NOW
from tests.demo_database import demo_database
from tests.devices.programs import running
from tests.web.conftest import a_practice

FOLDER = ROOT / "docs" / "screenshots"
MOMENT = NOW.replace(hour=10, minute=20)
"""When the pictures are taken: after the first session of the day."""
WIDE = {"width": 1280, "height": 800}
NARROW = {"width": 390, "height": 844}
RUNNING = ExitStack()
"""The machines that run until all pictures are taken."""


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


def prepare_day(page: Page) -> None:
    today(page)
    page.get_by_role("link", name="Prepare the day").click()
    eased = page.get_by_role("region", name="Ease my hands")
    eased.get_by_role("button", name="Find what helps in this week").click()
    eased.get_by_role("listitem").first.wait_for(timeout=60_000)
    eased.evaluate("(here) => scrollTo(0, here.getBoundingClientRect().top + scrollY - 24)")


def numbers(page: Page) -> None:
    today(page)
    page.get_by_role("link", name="Numbers of the last months").click()
    page.get_by_role("region", name="Your thumbs by week").wait_for()


def calendar_in(page: Page) -> None:
    today(page)
    page.get_by_role("link", name="Import a calendar").click()
    page.get_by_label("File").set_input_files(a_week_elsewhere())
    page.get_by_label("What “Dentist” becomes").wait_for()


def a_week_elsewhere() -> FilePayload:
    """A calendar of another program with a week in it."""
    calendar = Calendar()
    for uid, (title, days, hour, minutes) in enumerate(
        (
            ("Rafe Cinderlock, 60", 1, 9, 60),
            ("Dentist", 1, 13, 90),
            ("Choir", 2, 17, 90),
            ("Massage: Ottilie Saltgrove", 3, 10, 75),
            ("Roof of the boat shed", 4, 8, 480),
        )
    ):
        event = Event()
        event.add("uid", str(uid))
        event.add("summary", title)
        event.add("dtstart", MOMENT.replace(hour=hour, minute=0) + timedelta(days=days))
        event.add("duration", timedelta(minutes=minutes))
        if title == "Choir":
            event.add("rrule", {"freq": "weekly"})
        calendar.add_component(event)
    return {"name": "week.ics", "mimeType": "text/calendar", "buffer": calendar.to_ical()}


def aftercare(page: Page) -> None:
    today(page)
    Today(page).open("Ottilie Saltgrove")
    page.get_by_role("link", name="Aftercare").click()
    page.get_by_role("button", name="Copy").first.wait_for()


def machines(page: Page) -> None:
    """In a practice of its own: the demo pairs none."""
    url = page.evaluate("location.origin")
    origin, rule = {"origin": url}, {"item": "rules.table_height", "after": "lifts", "seen": None}
    page.request.post(f"{url}/api/door/practices", data=a_practice("Teal Quarrymoor"), headers=origin)
    page.request.put(f"{url}/api/house", data=rule, headers=origin)
    kinds = ("lift-table", "towel-warmer")
    programs = {kind.replace("-", " "): RUNNING.enter_context(running(kind)) for kind in kinds}
    page.goto(f"{url}/practice#machines")
    here = page.get_by_role("region", name="Machines of the room")
    here.get_by_role("button", name="Search for machines").click()
    for name, program in programs.items():
        row = here.get_by_role("listitem").filter(has_text=f"port {program.port}")
        row.get_by_label(f"Code that the {name} shows").fill(program.face()["code"])
        row.get_by_role("button", name="Pair").click()
        here.get_by_role("button", name=f"Delete the pairing of the {name}").wait_for()
    here.evaluate("(here) => scrollTo(0, here.getBoundingClientRect().top + scrollY - 90)")


def settings(page: Page) -> None:
    flows(page)
    page.get_by_role("link", name="Settings of").click()
    page.get_by_role("button", name="How it ends: ").click()
    page.get_by_role("dialog").get_by_text("existing plans.").last.wait_for()


SHOTS: list[tuple[str, Callable[[Page], None], dict[str, int], str]] = [
    ("today", today, WIDE, "shore"),
    ("plan", plan, WIDE, "shore"),
    ("prepare", prepare, WIDE, "nightroom"),
    ("plan-narrow", plan, NARROW, "shore"),
    ("machines", machines, WIDE, "shore"),
    ("settings", settings, WIDE, "shore"),
    ("prepare-day", prepare_day, WIDE, "shore"),
    ("numbers", numbers, WIDE, "shore"),
    ("calendar-in", calendar_in, WIDE, "shore"),
    ("log", log, WIDE, "shore"),
    ("flows", flows, WIDE, "shore"),
    ("client", client, WIDE, "shore"),
    ("meet", meet, WIDE, "shore"),
    ("intake", intake, NARROW, "shore"),
    ("sheet", sheet, WIDE, "shore"),
    ("work", work, WIDE, "shore"),
    # Last, since they change the plan that others show.
    ("learn", learn, WIDE, "shore"),
    ("aftercare", aftercare, WIDE, "shore"),
    ("labour", labour, WIDE, "shore"),
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
            RUNNING.close()
            server.close()


if __name__ == "__main__":
    main()
