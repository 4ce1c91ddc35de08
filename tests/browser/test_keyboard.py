"""From the door to a signed log with the keyboard alone, and nothing that has the focus lies hidden."""

import re

from playwright.sync_api import Page, expect

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD
from tests.browser.pages import Plan, Work

MOST_STOPS = 120
"""A page on which more stops than this lie before what one wants is no page for a keyboard."""

WHERE = """() => {
    const one = document.activeElement;
    if (!one || one === document.body) return { name: "", seen: true };
    const { left, top, right, bottom } = one.getBoundingClientRect();
    const name = one.ariaLabel || one.labels?.[0]?.innerText || one.innerText || one.getAttribute("aria-label") || "";
    const within = [0.1, 0.5, 0.9];
    const inside = within.flatMap((x) => within.map((y) => [left + x * (right - left), top + y * (bottom - top)]));
    const hit = inside.map(([x, y]) => document.elementFromPoint(x, y)).filter(Boolean);
    const label = one.labels?.[0];
    return { name, seen: hit.some((there) => one.contains(there) || there.contains(one) || label?.contains(there)) };
}"""


def tab_to(page: Page, name: str) -> None:
    """Press Tab until what is called so has the focus; on the way nothing has it that lies hidden under something."""
    passed = []
    for _ in range(MOST_STOPS):
        page.keyboard.press("Tab")
        there = page.evaluate(WHERE)
        assert there["seen"], f"{there['name']} has the focus and is covered"
        if re.match(name, there["name"].strip()):
            return
        passed.append(there["name"][:30])
    raise AssertionError(f"{name} is not among {passed}")


def enter(page: Page, name: str) -> None:
    """Press what is called so."""
    tab_to(page, name)
    page.keyboard.press("Enter")


def test_from_the_door_to_a_signed_log_by_keyboard_alone(page: Page, server, context):
    context.clear_cookies()
    page.goto(server.url)
    expect(page.get_by_label("E-mail")).to_be_visible()
    tab_to(page, "E-mail")
    page.keyboard.type(THERAPIST_EMAIL)
    tab_to(page, "Password")
    page.keyboard.type(THERAPIST_PASSWORD)
    page.keyboard.press("Enter")
    expect(page.get_by_role("link", name="Meet the client")).to_be_visible()
    enter(page, "Meet the client")
    expect(page.get_by_role("button", name="Nothing new today")).to_be_visible()
    enter(page, "Nothing new today")
    expect(page.get_by_role("status", name="Answered today")).to_be_visible()
    enter(page, "Plan")
    plan = Plan(page)
    plan.planned()
    enter(page, "Booked minutes")
    enter(page, "60 min")
    expect(plan.fit).to_have_text("Fits 50 min hands-on")
    enter(page, "To the table")
    work = Work(page)
    expect(page.get_by_role("button", name="Begin", exact=True)).to_be_visible()
    enter(page, "Begin")
    expect(page.get_by_role("button", name="Go on")).to_be_visible()
    work.go_on_until(lambda: work.pad("Just right").is_enabled())
    enter(page, "Just right")
    work.go_to_the_end()
    page.keyboard.press("PageDown")
    expect(page.get_by_role("link", name="Log the session")).to_be_visible()
    enter(page, "Log the session")
    expect(page.get_by_role("button", name="Sign the log")).to_be_visible()
    tab_to(page, "What to change next time")
    page.keyboard.type("More time for the neck.")
    enter(page, "Sign the log")
    expect(page.get_by_text(re.compile("^Signed by "))).to_be_visible()
    expect(page.get_by_text("More time for the neck.")).to_be_visible()
