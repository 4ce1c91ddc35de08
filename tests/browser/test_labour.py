"""Beside a birthing person: one button for one thumb, and what is done changes with the contraction."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import Plan, Today, Work, hold_clock, run_of


@pytest.fixture
def table(page: Page, today: Today) -> Work:
    today.open("Corin Foghollow")
    plan = Plan(page)
    plan.of_kind("Labour support", "labour support")
    work = plan.to_work()
    hold_clock(page)
    work.begin()
    return work


def test_a_contraction_changes_the_stroke_and_is_timed(page: Page, table: Work):
    for _ in range(6):
        page.keyboard.press("PageDown")
    between = table.stroke.inner_text()
    page.get_by_role("button", name="A contraction begins").click()
    expect(table.stroke).not_to_have_text(between)
    expect(page.get_by_text("Now, on her word")).to_be_visible()
    page.clock.run_for(50_000)
    table_pad = page.get_by_role("button", name="Lighter")
    table_pad.click()
    page.get_by_role("button", name="It has passed").click()
    expect(table.stroke).to_have_text(between)
    page.clock.run_for(250_000)
    page.get_by_role("button", name="A contraction begins").click()
    page.clock.run_for(45_000)
    page.get_by_role("button", name="It has passed").click()
    expect(page.get_by_text(re.compile(r"last 4\d s long · 5 min( \d s)? apart · 2 timed"))).to_be_visible()
    run = run_of(page)
    assert len(run["contractions"]) == 2
    assert all(one["ended_at"] for one in run["contractions"])
    assert [one["word"] for one in run["said"]] == ["lighter"]


def test_close_together_for_an_hour_says_the_usual_advice_and_defers(page: Page, table: Work):
    advice = page.get_by_role("alert").filter(has_text="the usual advice is to call now")
    for n in range(13):
        page.get_by_role("button", name="A contraction begins").click()
        page.clock.run_for(65_000)
        page.get_by_role("button", name="It has passed").click()
        if n == 6:
            expect(advice).to_be_hidden()
        page.clock.run_for(225_000)
    expect(advice).to_contain_text("Your care team’s own advice goes before it.")


def test_the_round_begins_again_until_it_is_ended(page: Page, table: Work):
    again = page.get_by_role("button", name="Another round")
    first = ""
    while not again.is_visible():
        table.go_on()
        first = first or (
            table.stroke.inner_text() if re.match("Squeez|Knead", table.stroke.inner_text()) else ""
        )
        # During strokes come with a contraction, never by going on.
        expect(table.stroke).not_to_have_text("Press on the sacrum")
    again.click()
    expect(table.stroke).to_have_text(first)
    expect(page.get_by_role("region", name="What gives way")).to_be_hidden()
