"""A stranger at the door: looks round, opens a practice, keeps an account, brings a colleague in."""

import pyotp
import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import SignIn
from tests.browser.test_accessibility import broken_rules
from tests.conftest import NOW

PASSWORD = "heron under seven bridges"


@pytest.fixture
def door(page: Page, server) -> Page:
    page.goto(server.url)
    expect(page.get_by_label("E-mail")).to_be_visible()
    return page


def open_practice(page: Page, email="morwen@reedbank.example", password=PASSWORD) -> None:
    page.get_by_role("link", name="Create a practice").click()
    page.get_by_label("Name of the practice").fill("Reedbank Room")
    page.get_by_label("Your name").fill("Morwen Reedbank")
    page.get_by_label("E-mail").fill(email)
    page.get_by_label("Password").fill(password)
    page.get_by_role("button", name="Create the practice").click()


def sign_out(page: Page) -> None:
    page.get_by_role("button", name="Sign out Morwen Reedbank").click()
    # The account has an e-mail of its own: what only the door has says that one is out.
    expect(page.get_by_role("button", name="Look round the demo")).to_be_visible()


def test_one_tap_shows_the_demo_which_stays_everybody_s(door: Page):
    door.get_by_role("button", name="Look round the demo").click()
    expect(door.get_by_role("region", name="Next action")).to_be_visible()
    door.get_by_role("link", name="Account of Wenna Tidebrook").click()
    expect(door.get_by_role("note")).to_contain_text("The demo is shared")
    door.get_by_role("note").get_by_role("link").click()
    expect(door.get_by_label("Name of the practice")).to_be_visible()


def test_a_practice_is_opened_and_what_was_wrong_is_told_with_nothing_lost(door: Page, context):
    open_practice(door, email="morwen@reedbank", password="morwen12")
    expect(door.get_by_text("This is not an e-mail address:")).to_be_visible()
    expect(door.get_by_text("The password is too easy to guess:")).to_be_visible()
    expect(door.get_by_label("Your name")).to_have_value("Morwen Reedbank")
    expect(door.get_by_label("Password")).to_have_value("morwen12")
    assert broken_rules(door) == []
    door.get_by_label("E-mail").fill("morwen@reedbank.example")
    door.get_by_label("Password").fill(PASSWORD)
    context.set_offline(True)
    door.get_by_role("button", name="Create the practice").click()
    expect(door.get_by_text("The server cannot be reached.")).to_be_visible()
    context.set_offline(False)
    door.get_by_role("button", name="Create the practice").click()
    expect(door.get_by_role("link", name="Settings of Reedbank Room")).to_be_visible()


def test_nothing_of_the_practice_before_is_shown_to_the_next(door: Page):
    door.get_by_role("button", name="Look round the demo").click()
    door.get_by_role("link", name="Clients").click()
    expect(door.get_by_text("Linnet")).to_be_visible()
    door.goto(door.url.replace("/clients", "/sign-in"))
    open_practice(door)
    door.get_by_role("link", name="Clients").click()
    expect(door.get_by_role("status")).to_be_visible()
    expect(door.get_by_text("Linnet")).to_have_count(0)


def test_a_code_from_an_app_is_set_up_asked_for_and_given_up(door: Page):
    open_practice(door)
    door.get_by_role("link", name="Account of").click()
    door.get_by_role("button", name="Set up a code").click()
    door.get_by_label("Your password").fill(PASSWORD)
    door.get_by_role("button", name="Set up a code").click()
    app = pyotp.TOTP(door.locator("code").inner_text().replace(" ", ""))

    def code() -> str:
        return app.at(door.evaluate("Date.now()") // 1000)

    door.get_by_label("Code from the app").fill(code())
    door.get_by_role("button", name="Turn on the code").click()
    recovery = door.get_by_role("list", name="Recovery codes").get_by_role("listitem")
    expect(recovery).to_have_count(10)
    kept = recovery.first.inner_text()
    assert broken_rules(door) == []
    door.get_by_role("button", name="I have saved them").click()
    expect(door.get_by_text("10 recovery codes are left.")).to_be_visible()
    sign_out(door)
    SignIn(door).enter("morwen@reedbank.example", PASSWORD)
    door.get_by_label("Code", exact=True).fill("000000")
    door.get_by_role("button", name="Sign in").click()
    expect(door.get_by_role("alert")).to_contain_text("This code is wrong.")
    expect(door.get_by_label("Password")).to_have_value(PASSWORD)
    door.get_by_label("Code", exact=True).fill(kept)
    door.get_by_role("button", name="Sign in").click()
    door.get_by_role("link", name="Account of").click()
    door.get_by_role("button", name="Turn off the code").click()
    door.get_by_label("Your password").fill(PASSWORD)
    door.get_by_role("button", name="Turn off the code").click()
    expect(door.get_by_role("button", name="Set up a code")).to_be_visible()


def test_name_password_and_devices_are_seen_to_on_the_account_page(door: Page, browser, server):
    open_practice(door)
    door.get_by_role("link", name="Account of").click()
    door.get_by_label("Name", exact=True).fill("Morwen Reed")
    door.get_by_role("button", name="Save").click()
    expect(door.get_by_role("link", name="Account of Morwen Reed", exact=True)).to_be_visible()
    tablet = browser.new_page(base_url=server.url)
    tablet.goto("/")
    SignIn(tablet).enter("morwen@reedbank.example", PASSWORD)
    expect(tablet.get_by_role("link", name="Account of Morwen Reed")).to_be_visible()
    door.reload()
    devices = door.get_by_role("list", name="Devices signed in").get_by_role("listitem")
    expect(devices).to_have_count(2)
    assert broken_rules(door) == []
    door.get_by_label("Current password").fill("not it at all")
    door.get_by_label("New password").fill("quiet basalt ferry")
    door.get_by_role("button", name="Change password").click()
    expect(door.get_by_role("alert")).to_contain_text("This is not your password")
    door.get_by_label("Current password").fill(PASSWORD)
    door.get_by_role("button", name="Change password").click()
    expect(door.get_by_text("Password changed. Your other devices are signed out.")).to_be_visible()
    expect(devices).to_have_count(1)
    tablet.reload()
    expect(tablet.get_by_label("E-mail")).to_be_visible()
    tablet.close()


def test_ones_sessions_are_read_by_another_calendar_until_the_address_is_deleted(door: Page):
    open_practice(door)
    door.get_by_role("link", name="Account of").click()
    feed = door.get_by_role("region", name="Your sessions in your own calendar")
    feed.get_by_role("button", name="Create an address").click()
    address = feed.get_by_label("The address").input_value()
    assert address.endswith("/sessions.ics")
    assert door.request.get(address).text().startswith("BEGIN:VCALENDAR")
    expect(feed.get_by_role("checkbox", name="Show the clients’ names there")).not_to_be_checked()
    assert broken_rules(door) == []
    door.reload()
    expect(feed).to_contain_text("There is an address, created today at")
    expect(feed.get_by_label("The address")).to_have_count(0)
    feed.get_by_role("button", name="Delete the address").click()
    expect(feed).to_contain_text("Nothing can be read at the address any more.")
    assert door.request.get(address).status == 404


def test_a_colleague_joins_by_a_link_and_finds_only_what_is_hers(door: Page, browser, server):
    open_practice(door)
    door.get_by_role("link", name="Settings of").click()
    door.get_by_label("Whom you invite").fill("Ivo Marlpit")
    door.get_by_role("button", name="Invite").click()
    link = door.get_by_text("/join#").inner_text()
    assert broken_rules(door) == []
    guest = browser.new_page()
    guest.goto(link)
    expect(
        guest.get_by_text("Morwen Reedbank invites you to work at Reedbank Room, as a therapist.")
    ).to_be_visible()
    expect(guest.get_by_label("Your name")).to_have_value("Ivo Marlpit")
    assert broken_rules(guest) == []
    guest.get_by_label("E-mail").fill("ivo@marlpit.example")
    guest.get_by_label("Password").fill("seven kettles over dunes")
    guest.get_by_role("button", name="Join").click()
    guest.get_by_role("link", name="Clients").click()
    expect(guest.get_by_role("form", name="Add a client")).to_be_visible()
    expect(guest.get_by_role("link", name="Import contacts")).to_have_count(0)
    guest.get_by_role("link", name="Settings of").click()
    expect(guest.get_by_role("list", name="People").get_by_role("listitem")).to_have_count(2)
    expect(guest.get_by_role("button", name="Invite")).to_have_count(0)
    door.reload()
    people = door.get_by_role("list", name="People").get_by_role("listitem")
    expect(people).to_have_count(2)
    door.get_by_role("button", name="Remove Ivo Marlpit").click()
    asked = door.get_by_role("dialog", name="Remove Ivo Marlpit?")
    expect(asked).to_contain_text("The notes and sessions of Ivo Marlpit stay.")
    asked.get_by_role("button", name="Remove").click()
    expect(people).to_have_count(1)
    guest.reload()
    expect(guest.get_by_label("E-mail")).to_be_visible()
    guest.goto(link)
    guest.reload()
    expect(guest.get_by_text("This invitation is over.")).to_be_visible()
    guest.close()


def test_on_a_phone_all_that_is_one_s_own_is_found_at_the_account(door: Page):
    door.set_viewport_size({"width": 390, "height": 844})
    open_practice(door)
    door.get_by_role("link", name="Account of Morwen Reedbank").click()
    door.get_by_role("button", name="Dim the screen for the night room").click()
    expect(door.locator("html")).to_have_attribute("data-theme", "nightroom")
    door.get_by_role("link", name="Settings of the practice").click()
    expect(door.get_by_role("list", name="How we work")).to_be_visible()
    door.get_by_role("link", name="Account of Morwen Reedbank").click()
    sign_out(door)


def test_a_forgotten_password_is_set_anew_by_a_link(door: Page, owner, server):
    from mellow_tide.services.people.password_link import make_password_link

    open_practice(door)
    expect(door.get_by_role("link", name="Settings of")).to_be_visible()
    owner.now = lambda: NOW
    token = make_password_link(owner, "morwen@reedbank.example", False)
    door.goto(f"{server.url}/password#{token}")
    door.get_by_label("Password").fill("quiet basalt ferry")
    door.get_by_role("button", name="Set the password").click()
    door.get_by_role("link", name="Sign in").click()
    SignIn(door).enter("morwen@reedbank.example", "quiet basalt ferry")
    expect(door.get_by_role("link", name="Settings of Reedbank Room")).to_be_visible()
