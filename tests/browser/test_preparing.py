"""Preparing a session and a day: ticked once, ready on every device, and what aches counts."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import Today


@pytest.fixture
def prepare(page: Page, today: Today) -> Page:
    today.open("Isolde Kelpworth")
    page.get_by_role("navigation", name="Stages of the session").get_by_role("link", name="Prepare").click()
    expect(page.get_by_role("heading", name="The room")).to_be_visible()
    return page


def test_what_is_ticked_is_ready_after_a_reload_and_in_the_day(prepare: Page):
    bolster = prepare.get_by_role("checkbox", name="Bolster")
    supports = prepare.get_by_role("region", name="Supports, in the order of use")
    expect(supports).to_contain_text(
        re.compile("prone: bolster under the ankles.*supine: bolster under the knees")
    )
    ready = prepare.get_by_role("status").filter(has_text="ready")
    expect(ready).to_have_text(re.compile("^0 of "))
    bolster.check()
    prepare.get_by_role("checkbox", name=re.compile("^Room warm.*by 13:30$")).check()
    expect(ready).to_have_text(re.compile("^2 of "))
    prepare.reload()
    expect(bolster).to_be_checked()
    prepare.get_by_role("link", name="Today", exact=True).click()
    prepare.get_by_role("link", name="Prepare the day").click()
    row = prepare.locator("details").filter(has_text="Isolde Kelpworth")
    expect(row).to_contain_text(re.compile("2 of \\d+ ready"))
    row.locator("summary").click()
    row.get_by_role("checkbox", name="Bolster").uncheck()
    expect(row).to_contain_text(re.compile("1 of \\d+ ready"))


def test_a_tick_that_was_not_saved_is_said_and_taken_back(prepare: Page):
    prepare.route(re.compile("/preparation/"), lambda route: route.abort())
    prepare.get_by_role("checkbox", name="Blanket", exact=True).click()
    expect(prepare.get_by_role("alert")).to_contain_text("That was not saved")
    expect(prepare.get_by_role("checkbox", name="Blanket", exact=True)).not_to_be_checked()


def test_from_plan_one_comes_to_prepare_and_on_to_the_table(prepare: Page):
    prepare.get_by_role("link", name="To the table").click()
    expect(prepare.get_by_role("heading", level=1, name="Isolde Kelpworth")).to_be_visible()
    expect(prepare).to_have_url(re.compile("/work$"))


def test_what_aches_is_asked_and_leaves_the_thumbs_less(page: Page, today: Today):
    page.get_by_role("link", name="Prepare the day").click()
    asked = page.get_by_role("region", name="How are you today?")
    asked.get_by_label("Thumbs").select_option("4")
    expect(asked).to_contain_text("27 min of thumb work today (usually 45 min)")
    asked.get_by_label("Back").select_option("8")
    expect(asked).to_contain_text(re.compile("Your back: .* doctor or physiotherapist"))
    page.reload()
    expect(asked.get_by_label("Thumbs")).to_have_value("4")
    expect(page.get_by_role("region", name="For the whole day")).to_contain_text("8 sheets")


def test_a_change_that_eases_the_hands_is_taken_and_taken_back(page: Page, today: Today):
    page.get_by_role("link", name="Prepare the day").click()
    eased = page.get_by_role("region", name="Ease my hands")
    eased.get_by_role("button", name="Find what helps on this day").click()
    thumbs = eased.get_by_text(re.compile("^Thumb work on this day: "))
    expect(thumbs).to_be_visible()
    before = thumbs.inner_text()
    first = eased.get_by_role("listitem").first
    expect(first).to_contain_text("less thumb work")
    first.get_by_role("button", name="Change it").click()
    expect(eased.get_by_role("status")).to_contain_text("Changed in the plan for")
    expect(thumbs).not_to_have_text(before)
    eased.get_by_role("button", name="Undo").click()
    expect(thumbs).to_have_text(before)


def test_the_stock_is_counted_and_what_runs_low_is_on_the_list(page: Page, today: Today):
    page.get_by_role("link", name="Prepare the day").click()
    stock = page.get_by_role("region", name="Stock")
    expect(stock).to_contain_text("Grapeseed oil: not counted")
    stock.get_by_label("What there is of grapeseed oil, in ml").fill("10")
    stock.get_by_role("button", name="Save").first.click()
    expect(stock).to_contain_text("Grapeseed oil: 10 ml, low: the next 14 days take")
    expect(stock.get_by_role("note")).to_contain_text("grapeseed oil: 1 bottle of 250 ml")
    stock.get_by_label("What there is of grapeseed oil, in ml").fill("900")
    stock.get_by_role("button", name="Save").first.click()
    expect(stock.get_by_role("note")).to_have_count(0)
    page.reload()
    expect(stock).to_contain_text("Grapeseed oil: 900 ml")
    sheets = stock.get_by_role("listitem").filter(has_text="Sheet: ")
    sheets.get_by_label("How many clean sheets there are").fill("1")
    sheets.get_by_role("button", name="Save").click()
    expect(sheets).to_contain_text("Sheet: 1 clean piece, low: the next 2 days take")
    expect(stock.get_by_role("note")).to_contain_text("to wash or buy")
