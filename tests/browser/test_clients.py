"""Clients: search first, add in one line, and what to know before touching."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import Today


@pytest.fixture
def clients(page: Page, today: Today) -> Page:
    page.get_by_role("link", name="Clients").click()
    expect(rows(page).first).to_be_visible()
    return page


def rows(page: Page):
    return page.get_by_role("list", name="Clients").get_by_role("listitem")


def test_a_client_is_found_with_a_typo_and_their_page_says_what_to_know_first(clients: Page):
    clients.get_by_label("Find a client").fill("otilie")
    expect(rows(clients)).to_have_count(1)
    rows(clients).get_by_role("link").click()
    expect(clients.get_by_role("heading", name="Ottilie Saltgrove")).to_be_visible()
    before = clients.get_by_role("region", name="Before touching")
    expect(before).to_contain_text("Likes the calves lighter.")
    expect(before).to_contain_text(re.compile("nut allergy", re.IGNORECASE))
    expect(clients.get_by_role("region", name="Wishes")).to_contain_text("Calves: depth 2")
    visits = clients.get_by_role("region", name="Visits")
    expect(visits).to_contain_text("Next time: A little deeper on the back")
    visits.get_by_role("link").first.click()
    expect(clients.get_by_role("link", name="Ottilie Saltgrove")).to_be_visible()


def test_a_client_is_added_described_and_put_away(clients: Page):
    form = clients.get_by_role("form", name="Add a client")
    form.get_by_role("button", name="Add").click()
    expect(form.get_by_role("alert")).to_have_text("Give a name.")
    form.get_by_label("Name").fill("Tamsin Ropewalk")
    form.get_by_label("Phone").fill("01326 555019")
    form.get_by_role("button", name="Add").click()
    expect(clients.get_by_role("heading", name="Tamsin Ropewalk")).to_be_visible()
    expect(clients.get_by_text("Nothing on record that restricts a session.")).to_be_visible()
    clients.get_by_role("button", name="Name and contact").click()
    form = clients.get_by_role("form", name="Name and contact")
    form.get_by_label("Height").fill("17")
    form.get_by_role("button", name="Save", exact=True).click()
    expect(form.get_by_role("alert")).to_have_text("Between 100 cm and 230 cm.")
    form.get_by_label("Height").fill("177")
    form.get_by_label("To know first").fill("Cold feet.")
    form.get_by_role("button", name="Save", exact=True).click()
    expect(clients.get_by_role("region", name="Before touching")).to_contain_text("Cold feet.")
    clients.get_by_role("button", name="Archive", exact=True).click()
    expect(clients.get_by_role("button", name="Restore")).to_be_visible()
    clients.get_by_role("link", name="Clients").click()
    clients.get_by_label("Find a client").fill("555 019")
    expect(clients.get_by_text("No client matches.")).to_be_visible()
    clients.get_by_label("Show archived").check()
    expect(rows(clients)).to_have_count(1)


def test_without_a_connection_a_page_says_so_and_opens_once_there_is_one(clients: Page, context):
    context.set_offline(True)
    clients.get_by_role("link", name="Flows").click()
    expect(clients.get_by_text("No connection. This opens as soon as you are connected.")).to_be_visible()
    context.set_offline(False)
    expect(clients.get_by_label("Find a flow")).to_be_visible()
