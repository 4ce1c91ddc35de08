"""The library of flows, starting a session from one, and the run sheet in print."""

import io
import re

import pytest
from playwright.sync_api import Page, expect
from pypdf import PdfReader

from tests.browser.pages import Plan, Today, edit


@pytest.fixture
def library(page: Page, today: Today) -> Page:
    page.get_by_role("link", name="Flows").click()
    expect(page.get_by_role("button", name="Copy The long ebb")).to_be_visible()
    return page


def test_the_library_is_searched_by_region_minutes_and_kind(library: Page):
    rows = library.get_by_role("listitem")
    search = library.get_by_label("Find a flow")
    assert rows.count() >= 12
    search.fill("chair 10")
    expect(rows).to_have_count(1)
    expect(rows).to_contain_text("Ten at the quay")
    search.fill("face 90 min")
    expect(rows.first).to_contain_text("90 minutes")
    search.fill("anchor chair")
    expect(library.get_by_text("No flow matches all of these words.")).to_be_visible()


def test_a_flow_is_copied_renamed_put_away_and_brought_back(library: Page):
    library.get_by_role("button", name="Copy Lee side").click()
    library.get_by_role("button", name="Rename Lee side, another").click()
    form = library.get_by_role("form", name="Rename Lee side, another")
    form.get_by_label("Name").fill(" ")
    form.get_by_role("button", name="Save", exact=True).click()
    expect(form.get_by_role("alert")).to_have_text("Give it a name.")
    form.get_by_label("Name").fill("Harbour side")
    form.get_by_role("button", name="Save", exact=True).click()
    expect(library.get_by_role("heading", name="Harbour side")).to_be_visible()
    library.get_by_role("button", name="Archive Harbour side").click()
    expect(library.get_by_role("heading", name="Harbour side")).to_have_count(0)
    library.get_by_label("Show archived").check()
    library.get_by_role("button", name="Restore Harbour side").click()
    library.get_by_label("Show archived").uncheck()
    expect(library.get_by_role("heading", name="Harbour side")).to_be_visible()


def test_two_flows_are_laid_over_one_another(library: Page):
    library.get_by_role("button", name="Compare The long ebb").click()
    expect(library.get_by_text("Choose a second one")).to_be_visible()
    library.get_by_role("button", name="Compare Anchor first").click()
    beside = library.get_by_role("region", name="Comparison")
    expect(beside.get_by_role("img")).to_have_attribute("aria-label", re.compile("The long ebb as water"))
    expect(beside.get_by_role("row", name=re.compile("^Feet"))).to_be_visible()


def test_a_flow_is_used_for_a_client_with_every_change_named(library: Page):
    library.get_by_role("button", name="Use it for a client: The long ebb").click()
    library.get_by_role("link", name="Isolde Kelpworth").click()
    page, plan = library, Plan(library)
    panel = page.get_by_role("region", name="Flows")
    expect(panel.get_by_role("heading", name="The long ebb, for Isolde Kelpworth")).to_be_visible()
    expect(panel).to_contain_text("there is less time than in the flow")
    expect(plan.word("Leave out")).to_have_text("face")
    panel.get_by_role("button", name="Use this flow").click()
    expect(plan.word("Leave out")).to_have_text("nothing")
    expect(plan.fit).to_have_text(re.compile("^Fits 50 min"))
    expect(page.get_by_text("Safe", exact=True)).to_be_visible()
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(plan.word("Leave out")).to_have_text("face")


def test_a_flow_for_a_headache_asks_first_where_it_is(page: Page, today: Today):
    today.open("Isolde Kelpworth")
    Plan(page).of_kind("Chair", "chair")
    page.get_by_role("link", name="Flows").click()
    page.get_by_role("button", name="Use it for a client: Lamp turned down").click()
    page.get_by_role("link", name="Isolde Kelpworth").click()
    page.get_by_role("region", name="Flows").get_by_role("button", name="Use this flow").click()
    expect(Plan(page).word("Order")).to_have_text("for a headache")
    page.get_by_role("link", name="To the table").click()
    asked = page.get_by_role("region", name="A headache")
    expect(asked.get_by_role("group", name="Where is it?")).to_be_visible()
    expect(page.get_by_role("button", name="Begin")).to_have_count(0)


def test_a_flow_for_two_at_home_says_how_and_not_the_name_of_a_stroke(library: Page):
    library.get_by_role("button", name="Use it for a client: An evening for two").click()
    library.get_by_role("link", name="Isolde Kelpworth").click()
    library.get_by_role("region", name="Flows").get_by_role("button", name="Use this flow").click()
    expect(Plan(library).word("Kind of session")).not_to_have_text("full body")
    Plan(library).planned()
    library.get_by_role("link", name="Print").click()
    sheet = library.get_by_role("article", name="Run sheet")
    expect(sheet).to_contain_text("Full palms, weight on the way toward the heart")
    expect(sheet).not_to_contain_text(re.compile("effleurage|kneading", re.IGNORECASE))
    library.get_by_role("link", name="Back to the plan").click()
    work = Plan(library).to_work()
    work.begin()
    expect(library.get_by_role("heading", level=1)).to_have_text(
        re.compile(r"^[A-Z][a-z ]+: .*(Very lightly|Lightly)\.")
    )


def test_a_plan_is_kept_as_a_flow(page: Page, today: Today):
    today.open("Isolde Kelpworth")
    page.get_by_role("button", name="Flows", exact=True).click()
    keep = page.get_by_role("form", name="Save as a flow")
    keep.get_by_label("Name of the flow").fill("Isolde, slow feet")
    keep.get_by_role("button", name="Save").click()
    expect(keep.get_by_role("status")).to_contain_text("is in the library")
    page.get_by_role("link", name="Flows").click()
    expect(page.get_by_role("listitem").first).to_contain_text("Isolde, slow feet")
    expect(page.get_by_role("listitem").first).to_contain_text("your own")


def keep_off_today(page: Page) -> None:
    """What is new today, answered on another device: the left ribs are sunburnt."""
    address = page.url.replace("/session/", "/api/sessions/").removesuffix("/plan")
    place = {"region": "back", "side": "left", "zone": "ribs", "because": "sunburn"}
    answer = page.request.put(
        f"{address}/day-answer",
        headers={"Origin": address.split("/api")[0]},
        data={
            "revision": page.request.get(address).json()["revision"],
            "answer": {"excluded": [place]},
        },
    )
    assert answer.ok, answer.text()


@pytest.mark.parametrize("minutes", ["60", pytest.param("120", marks=pytest.mark.long)])
def test_the_run_sheet_prints_on_one_or_two_pages_with_every_part(page: Page, today: Today, minutes: str):
    today.open("Isolde Kelpworth")
    plan = Plan(page)
    if minutes != "60":
        plan.type_minutes(minutes)
        page.keyboard.press("Escape")
        expect(plan.word("Booked minutes")).to_have_text(f"{minutes} minutes")
        plan.planned()
    edit(page, [{"kind": "change_step", "part_id": "back", "step": 1, "note": "mind the left blade"}])
    keep_off_today(page)
    page.reload()
    expect(plan.fit).to_be_visible()
    parts = plan.names()
    page.get_by_role("link", name="Print").click()
    expect(page.get_by_role("article", name="Run sheet")).to_be_visible()
    page.emulate_media(media="print")
    expect(page.get_by_role("button", name="Print")).to_be_hidden()
    pages = PdfReader(io.BytesIO(page.pdf(prefer_css_page_size=True))).pages
    assert len(pages) <= 2
    text = " ".join(" ".join(page.extract_text() for page in pages).lower().split())
    assert all(name.split(", ")[-1] in text for name in parts)
    assert "isolde kelpworth" in text
    assert "mind the left blade" in text
    assert "keep off: left half of the back, ribs (sunburn)" in text
    assert "to the table" not in text
