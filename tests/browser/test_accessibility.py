"""Automated rules on every main view in both themes, and room for a knuckle."""

from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import Plan, Today, come_to_rest, edit, wait_for
from tests.browser.test_meeting import a_link, open_client, part

AXE = Path(__file__).parents[2] / "frontend" / "node_modules" / "axe-core" / "axe.min.js"
RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]


def broken_rules(page: Page) -> list[str]:
    come_to_rest(page)
    # Not as a script of the page: its policy runs none but ours.
    page.evaluate(AXE.read_text())
    found = page.evaluate("tags => axe.run({ runOnly: tags })", RULES)
    return [
        f"{v['id']}: {n['target']} {n['failureSummary']}" for v in found["violations"] for n in v["nodes"]
    ]


@pytest.fixture(params=["shore", "nightroom"])
def theme(request, context):
    context.add_init_script(f"localStorage.setItem('tide-theme', '{request.param}')")
    return request.param


@pytest.mark.long
def test_signing_in(page: Page, server, theme):
    page.goto(server.url)
    expect(page.get_by_role("button", name="Look round the demo")).to_be_visible()
    expect(page.locator("html")).to_have_attribute("data-theme", theme)
    assert broken_rules(page) == []
    page.goto(f"{server.url}/open")
    expect(page.get_by_label("Country")).to_be_visible()
    assert broken_rules(page) == []


@pytest.mark.long
def test_the_practice_s_settings(page: Page, server, theme, today: Today):
    page.goto(f"{server.url}/practice")
    page.get_by_role("button", name="Dry work: ").click()
    expect(page.get_by_text("existing plans.").first).to_be_visible()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Oil lasts: ").click()
    expect(page.get_by_label("Seconds")).to_be_visible()
    assert broken_rules(page) == []


def test_today(page: Page, theme, today: Today):
    expect(page.locator("html")).to_have_attribute("data-theme", theme)
    assert broken_rules(page) == []


@pytest.mark.long
def test_plan(page: Page, theme, today: Today):
    today.open("Isolde Kelpworth")
    plan = Plan(page)
    plan.swell("back").click()
    assert broken_rules(page) == []
    plan.panel("Focus")
    assert broken_rules(page) == []


@pytest.mark.long
def test_all_that_opens_on_the_plan_screen(page: Page, theme, today: Today):
    today.open("Isolde Kelpworth")
    plan = Plan(page)
    edit(page, [{"kind": "change_part", "part_id": "back", "oil": "much"}])
    page.reload()
    plan.swell("back").click()
    page.get_by_role("button", name="More about kneading").click()
    page.get_by_role("button", name="Add a stroke").click()
    expect(
        page.get_by_role("region", name="Strokes that fit here").get_by_role("heading").first
    ).to_be_visible()
    page.get_by_role("button", name="Choose several").click()
    page.get_by_role("button", name="Versions").click()
    assert broken_rules(page) == []
    for name in ("Left out", "To lay out", "Your hands", "Another length"):
        plan.beside(name)
        assert broken_rules(page) == []
    plan.beside("Other plans", "Other plans").get_by_role("button", name="Compare").first.click()
    expect(page.get_by_role("region", name="Comparison").get_by_role("table").first).to_be_visible()
    page.keyboard.press("/")
    page.keyboard.type("calf knead 3")
    expect(page.get_by_role("option").first).to_be_visible()
    assert broken_rules(page) == []
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Flows", exact=True).click()
    page.get_by_role("button", name="to check").click()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Take the usual amount").click()
    expect(page.get_by_role("region", name="Before you take it")).to_be_visible()
    assert broken_rules(page) == []


@pytest.mark.long
def test_the_library_and_the_run_sheet(page: Page, theme, today: Today):
    today.open("Isolde Kelpworth")
    page.get_by_role("link", name="Print").click()
    expect(page.get_by_role("article", name="Run sheet")).to_be_visible()
    assert broken_rules(page) == []
    page.get_by_role("link", name="Flows").click()
    page.get_by_role("button", name="Use it for a client: Lee side").click()
    page.get_by_role("button", name="Rename Short lee").click()
    page.get_by_role("button", name="Compare Lee side").click()
    page.get_by_role("button", name="Compare Short lee").click()
    expect(page.get_by_role("table").first).to_be_visible()
    assert broken_rules(page) == []


@pytest.mark.long
@pytest.mark.parametrize(
    "opened", ["Name and contact", "Health", "Wishes and places", "Intake", "Where this came from", "Delete"]
)
def test_a_client_s_page_with_all_that_opens_on_it(page: Page, today: Today, opened):
    open_client(page, "Averil Thornquay")
    part(page, opened)
    come_to_rest(page)
    assert broken_rules(page) == []


@pytest.mark.long
def test_meet_an_intake_to_read_and_bringing_clients_in(page: Page, theme, today: Today):
    today.open("Isolde Kelpworth")
    page.get_by_role("link", name="meet").click()
    page.get_by_label("Ask: is anything new?").fill("plaster on the left heel")
    expect(page.get_by_role("checkbox", name="Left foot, heel")).to_be_checked()
    assert broken_rules(page) == []
    open_client(page, "Mirabel Shoalcroft")
    page.get_by_role("link", name="An intake has been handed in").click()
    page.get_by_role("button", name="Question it: Medicines").click()
    assert broken_rules(page) == []
    page.get_by_role("link", name="Clients", exact=True).click()
    page.get_by_role("link", name="Import contacts").click()
    file = {"name": "a.csv", "mimeType": "text/csv", "buffer": b"Name,Height\nJory,tall\nTamsin,170\n"}
    page.get_by_label("File", exact=True).set_input_files(file)
    expect(page.get_by_role("region", name="Lines")).to_be_visible()
    assert broken_rules(page) == []


@pytest.mark.long
def test_every_part_of_the_intake(page: Page, theme, today: Today):
    page.goto(a_link(page, "Corin Foghollow"))
    for title in (
        "You",
        "Today",
        "Health",
        "Pregnancy",
        "What you wish for",
        "Yes and no",
        "So that you are",
    ):
        expect(page.get_by_role("heading", name=title)).to_be_visible()
        if title == "Pregnancy":
            page.get_by_label("Yes").check()
        if title == "Health":
            page.get_by_label("I have eczema or psoriasis").check()
            expect(page.get_by_role("group", name="Where is it: I have eczema or psoriasis?")).to_be_visible()
        assert broken_rules(page) == []
        if not title.startswith("So"):
            page.get_by_role("button", name="Go on").click()


@pytest.mark.long
def test_what_is_asked_before_touching(page: Page, theme, today: Today):
    today.open("Corin Foghollow")
    page.get_by_role("link", name="Meet").click()
    page.get_by_label("A condition to add today").click()
    page.get_by_role("button", name="Acute injury within 72 hours").click()
    page.get_by_role("button", name="A headache").click()
    page.get_by_label("On one side").check()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Health", exact=True).click()
    health = page.get_by_role("region", name="Health", exact=True)
    health.get_by_label("Add a condition").fill("frac")
    health.get_by_role("button", name="Recent fracture or dislocation").click()
    assert broken_rules(page) == []


@pytest.mark.long
def test_log_and_learn(page: Page, theme, today: Today):
    today.open("Ottilie Saltgrove")
    expect(page.get_by_role("table")).to_be_visible()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Sign the log").click()
    expect(page.get_by_label("Add to the log")).to_be_visible()
    assert broken_rules(page) == []
    page.get_by_role("link", name="What it taught").click()
    page.get_by_role("button", name="Set a wish by hand").click()
    page.get_by_role("button", name="That visit was unusual").click()
    page.get_by_role("button", name="Compare with the last plan").click()
    assert broken_rules(page) == []


@pytest.mark.long
def test_work_and_all_that_opens_on_it(page: Page, today: Today):
    today.open("Corin Foghollow")
    work = Plan(page).to_work()
    assert broken_rules(page) == []
    work.begin()
    for _ in range(9):
        page.keyboard.press("PageDown")
    assert broken_rules(page) == []
    page.keyboard.press("p")
    page.get_by_role("button", name="Left inner edge of the shoulder blade").click()
    page.get_by_role("button", name="9", exact=True).click()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Another point").click()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Back to the stroke").click()
    page.get_by_role("button", name="Stop", exact=True).click()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Go on with the session").click()
    page.get_by_role("button", name="What happened").click()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Add a region").click()
    assert broken_rules(page) == []
    page.keyboard.press("Escape")
    page.get_by_role("button", name="More", exact=True).click()
    assert broken_rules(page) == []
    page.get_by_role("button", name="Table settings").click()
    page.get_by_role("button", name="One picture, one sentence").click()
    page.keyboard.press("Escape")
    assert broken_rules(page) == []


@pytest.mark.long
def test_labour_and_the_simulated_foot_switch(page: Page, server, today: Today):
    today.open("Corin Foghollow")
    plan = Plan(page)
    plan.of_kind("Labour support", "labour support")
    plan.to_work().begin()
    page.get_by_role("button", name="A contraction begins").click()
    assert broken_rules(page) == []
    page.goto(f"{server.url}/foot-switch")
    expect(page.get_by_role("button", name="On", exact=True)).to_be_visible()
    assert broken_rules(page) == []


@pytest.mark.long
@pytest.mark.parametrize("width", [360, 390, 2560])
def test_no_page_scrolls_sideways(page: Page, server, today: Today, width):
    page.set_viewport_size({"width": width, "height": 844})
    for client in ("Isolde Kelpworth", "Ottilie Saltgrove"):
        today.open(client)
        expect(page.get_by_role("heading", name=client)).to_be_visible()
        fits_the_width(page)
        page.get_by_role("link", name="Flows").click()
        expect(page.get_by_role("listitem").first).to_be_visible()
        fits_the_width(page)
        open_client(page, "Mirabel Shoalcroft")
        fits_the_width(page)
        page.get_by_role("link", name="An intake has been handed in").click()
        expect(page.get_by_role("list", name="Answers")).to_be_visible()
        fits_the_width(page)
        page.get_by_role("link", name="Mellow Tide").click()
        expect(today.next_action).to_be_visible()
        fits_the_width(page)


@pytest.mark.long
@pytest.mark.parametrize("width", [360, 2560])
def test_nor_does_what_is_set_and_what_is_seen_from_outside(page: Page, server, today: Today, width):
    page.set_viewport_size({"width": width, "height": 844})
    for path, seen in (
        ("/practice", page.get_by_role("list", name="How long things take")),
        ("/account", page.get_by_role("note")),
        ("/open", page.get_by_label("Country")),
        ("/sign-in", page.get_by_role("button", name="Look round the demo")),
    ):
        page.goto(f"{server.url}{path}")
        expect(seen).to_be_visible()
        fits_the_width(page)


def fits_the_width(page: Page) -> None:
    """A page that is still being drawn may be wider for a moment."""
    wait_for(page, "document.documentElement.scrollWidth <= innerWidth", True)


def test_targets_are_large_enough_for_a_knuckle(page: Page, today: Today):
    today.open("Bram Lanternby")
    work = Plan(page).to_work()
    work.begin()
    expect(work.pad("Deeper")).to_be_visible()
    for word in ("Lighter", "Just right", "Deeper"):
        box = work.pad(word).bounding_box()
        assert min(box["width"], box["height"]) >= 96
