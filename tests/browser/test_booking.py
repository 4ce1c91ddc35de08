"""The day: booking in one typed line, moving by hand and by keys, who does not come, and who walks in."""

import re

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.pages import Acting, Today
from tests.browser.test_accessibility import broken_rules
from tests.browser.test_door import open_practice

LINE = "Add a session"


def done(page: Page, words: str):
    """The line that says what was just done."""
    return page.get_by_role("status").filter(has_text=words)


def typed(page: Page, line: str) -> None:
    page.get_by_role("textbox", name=LINE).fill(line)


def read(page: Page, word: str):
    """A word of the booking as it is read."""
    return page.get_by_role("form", name=LINE).get_by_role("button", name=word)


def on_line(page: Page, hour: str, name: str):
    return page.get_by_role("region", name="The day").get_by_role("link", name=f"{hour} {name}, planned")


def test_the_next_client_is_booked_and_planned_in_four_acts(page: Page, today: Today):
    she = Acting()
    she.key(page, "a")
    expect(page.get_by_role("textbox", name=LINE)).to_be_focused()
    she.type(page, "linnet 60 thu 10")
    expect(read(page, "Client: Linnet Marrowby")).to_be_visible()
    expect(page.get_by_text("The plan is as last time, with what that visit taught.")).to_be_visible()
    expect(page.get_by_role("button", name="Book", exact=True)).to_be_enabled()
    she.key(page, "Enter")
    expect(done(page, "Booked: Linnet Marrowby, Thu 7 May, 10:00.")).to_be_visible()
    expect(page.get_by_role("heading", name="Thursday 7 May")).to_be_visible()
    expect(page.get_by_role("link", name="Look at the plan").first).to_be_focused()
    she.key(page, "Enter")
    expect(page.get_by_role("group", name="Tide line")).to_be_visible()
    assert she.acts <= 5


def test_enter_pressed_at_once_books_as_soon_as_it_is_planned_unless_something_clashes(
    page: Page, today: Today
):
    typed(page, "linnet 60 thu 10")
    page.keyboard.press("Enter")
    expect(done(page, "Booked: Linnet Marrowby, Thu 7 May, 10:00.")).to_be_visible()
    typed(page, "rafe 60 thu 10:30")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Book anyway")).to_be_enabled()
    expect(page.get_by_text("Rafe Cinderlock starts before Linnet Marrowby is over.")).to_be_visible()
    expect(done(page, "Booked: Rafe")).to_have_count(0)


def test_a_stranger_has_a_plan_for_a_first_client_in_four_acts(page: Page, server):
    page.goto(server.url)
    open_practice(page)
    she = Acting()
    she.fill(page.get_by_role("textbox", name=LINE), "new client Mara Quill, 60, tomorrow 14:30")
    expect(read(page, "Client: Mara Quill, a new client")).to_be_visible()
    she.press(page.get_by_role("button", name="Book", exact=True))
    expect(done(page, "Booked: Mara Quill")).to_be_visible()
    she.press(page.get_by_role("link", name="Look at the plan").first)
    expect(page.get_by_role("group", name="Tide line")).to_be_visible()
    assert she.acts <= 10


def test_what_does_not_fit_is_said_first_and_a_free_start_is_one_tap_away(page: Page, today: Today):
    typed(page, "linnet 60 today 11:30")
    expect(page.get_by_text("Linnet Marrowby starts before Bram Lanternby is over.")).to_be_visible()
    expect(page.get_by_role("button", name="Book anyway")).to_be_enabled()
    read(page, "Start: ").click()
    page.get_by_role("dialog", name="Start").get_by_role(
        "button", name=re.compile("^(Mon|Tue)")
    ).first.click()
    expect(page.get_by_text("starts before Bram")).to_have_count(0)
    page.get_by_role("button", name="Book", exact=True).click()
    expect(done(page, "Booked: Linnet Marrowby")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(done(page, "Undone.")).to_be_visible()


@pytest.mark.parametrize(
    ("line", "says"), [("ott 1000 min", "1000 min"), ("ott 9999-01-01 10", "9999-01-01")]
)
def test_what_cannot_be_booked_is_said_and_the_line_stays(page: Page, today: Today, line, says):
    typed(page, line)
    expect(page.get_by_role("alert").filter(has_text=says)).to_be_visible()
    expect(page.get_by_role("button", name="Book", exact=True)).to_have_count(0)
    expect(page.get_by_role("textbox", name=LINE)).to_have_value(line)


def test_with_the_server_gone_while_typing_nothing_typed_is_lost(page: Page, today: Today):
    typed(page, "linnet 60 thu")
    expect(read(page, "Client: Linnet Marrowby")).to_be_visible()
    page.context.set_offline(True)
    typed(page, "linnet 60 thu 10")
    expect(page.get_by_text("The server cannot be reached.").first).to_be_visible()
    page.context.set_offline(False)
    expect(page.get_by_role("textbox", name=LINE)).to_have_value("linnet 60 thu 10")
    page.get_by_role("button", name="Try again").first.click()
    expect(page.get_by_role("button", name="Book", exact=True)).to_be_enabled()


def test_a_session_repeats_until_it_ends(page: Page, today: Today):
    typed(page, "linnet 60 thu 10")
    read(page, "How often: once").click()
    panel = page.get_by_role("dialog", name="How often")
    panel.get_by_label("Weeks between").fill("2")
    panel.get_by_label("Times in all").fill("3")
    panel.get_by_role("button", name="Repeat").click()
    expect(page.get_by_text("Also on Thu 21 May, Thu 4 Jun.")).to_be_visible()
    page.get_by_role("button", name="Book", exact=True).click()
    expect(done(page, "Booked")).to_be_visible()
    find = page.get_by_role("textbox", name="Go to a day")
    find.fill("4 jun")
    find.press("Enter")
    expect(page.get_by_role("heading", name="Thursday 4 June")).to_be_visible()
    expect(on_line(page, "10:00", "Linnet Marrowby")).to_be_visible()
    find.fill("someday")
    find.press("Enter")
    expect(page.get_by_role("alert").filter(has_text="That is not a day.")).to_be_attached()


def test_a_session_is_pulled_to_another_day_and_back(page: Page, today: Today):
    pull(page, on_line(page, "11:00", "Bram Lanternby"), page.get_by_role("link", name="Wed 6 May"))
    expect(done(page, "Moved: Bram Lanternby, Wed 6 May, 11:00.")).to_be_visible()
    expect(on_line(page, "11:00", "Bram Lanternby")).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(on_line(page, "11:00", "Bram Lanternby")).to_be_visible()


def test_pulled_onto_another_session_it_asks_first(page: Page, today: Today):
    bram, isolde = on_line(page, "11:00", "Bram Lanternby"), on_line(page, "14:00", "Isolde Kelpworth")
    pull(page, bram, isolde)
    asked = page.get_by_role("region", name="What does not fit it")
    expect(asked).to_contain_text("Bram Lanternby")
    asked.get_by_role("button", name="Leave it where it is").click()
    expect(bram).to_be_visible()
    expect(asked).to_have_count(0)


def pull(page: Page, what, onto) -> None:
    here, there = what.bounding_box(), onto.bounding_box()
    page.mouse.move(here["x"] + 30, here["y"] + 60)
    page.mouse.down()
    page.mouse.move(there["x"] + 30, there["y"] + 20, steps=6)
    page.mouse.up()


def test_keys_move_a_session_and_make_it_longer(page: Page, today: Today):
    on_line(page, "14:00", "Isolde Kelpworth").focus()
    for key in ("Shift+ArrowRight", "Shift+ArrowRight", "."):
        page.keyboard.press(key)
    expect(done(page, "Moved: Isolde Kelpworth, Mon 4 May, 14:10, 75 min.")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("listitem").filter(has_text="60 min full body, no face")).to_be_visible()
    expect(on_line(page, "14:00", "Isolde Kelpworth")).to_be_visible()


def test_made_shorter_it_says_what_gives_way(page: Page, today: Today):
    page.get_by_role("button", name="Change the session of Isolde Kelpworth").click()
    panel = page.get_by_role("dialog", name="Change the session of Isolde Kelpworth")
    panel.get_by_label("Minutes").fill("45")
    expect(panel.get_by_text("In the plan: ")).to_be_visible()
    panel.get_by_role("button", name="Save the change").click()
    expect(done(page, "Changed: Isolde Kelpworth, 45 min.")).to_be_visible()
    expect(page.get_by_role("listitem").filter(has_text="45 min full body")).to_be_visible()


def test_whoever_cancels_is_told_with_a_word_and_can_come_back(page: Page, today: Today):
    page.get_by_role("button", name="Change the session of Bram Lanternby").click()
    panel = page.get_by_role("dialog", name="Change the session of Bram Lanternby")
    panel.get_by_label("Why, if they said").fill("flu")
    panel.get_by_role("button", name="Cancel the session").click()
    expect(done(page, "Bram Lanternby: cancelled.")).to_be_visible()
    row = page.get_by_role("listitem").filter(has_text="Bram Lanternby")
    expect(row).to_contain_text("cancelled: flu")
    expect(today.next_action).to_contain_text("Isolde Kelpworth")
    page.get_by_role("button", name="Undo").click()
    expect(today.next_action).to_contain_text("Bram Lanternby")


def test_the_second_who_moves_a_session_sees_what_the_first_did(page: Page, today: Today, server):
    page.get_by_role("button", name="Change the session of Corin Foghollow").click()
    panel = page.get_by_role("dialog", name="Change the session of Corin Foghollow")
    panel.get_by_label("Time", exact=True).fill("16:30")
    expect(panel.get_by_text("It fits the day.")).to_be_visible()
    corin = next(
        one
        for one in page.request.get(f"{server.url}/api/day").json()["sessions"]
        if one["client_name"] == "Corin Foghollow"
    )
    start = {"day": "2026-05-04", "at": "17:00"}
    moved = page.request.put(
        f"{server.url}/api/sessions/{corin['session_id']}/booking",
        data={"revision": corin["revision"], "move": {"start": start}},
        headers={"Origin": server.url},
    )
    assert moved.ok, moved.text()
    panel.get_by_role("button", name="Save the change").click()
    expect(page.get_by_text("This was changed in another window.")).to_be_visible()
    expect(on_line(page, "17:00", "Corin Foghollow")).to_be_visible()


def test_somebody_walks_in_and_is_worked_on_after_four_taps(page: Page, today: Today):
    page.get_by_role("link", name="Walk-in").click()
    she = Acting()
    she.acts = 1
    she.press(page.get_by_role("button", name="None of this: plan and begin"))
    # Before the first start of the day that is said, and meant.
    she.press(page.get_by_role("button", name="Begin anyway"))
    she.press(page.get_by_role("button", name="Begin", exact=True))
    expect(page.get_by_role("button", name="Just right")).to_be_visible()
    assert she.acts <= 4


def test_whoever_walked_in_gets_a_name_and_the_log_goes_with_it(page: Page, today: Today):
    page.get_by_role("link", name="Walk-in").click()
    page.get_by_role("button", name="None of this: plan and begin").click()
    page.get_by_role("button", name="Begin anyway").click()
    page.get_by_role("link", name="Back to the plan").click()
    page.get_by_role("button", name="Who was it?").click()
    page.get_by_role("dialog", name="Who was it?").get_by_label("Who was it?").fill("Jory Blee")
    page.get_by_role("button", name="Add as a new client").click()
    expect(page.get_by_role("heading", name="Jory Blee")).to_be_visible()
    expect(page.get_by_role("button", name="Who was it?")).to_have_count(0)


def test_a_stop_sign_stops_who_walks_in(page: Page, today: Today):
    page.get_by_role("link", name="Walk-in").click()
    page.get_by_label("Fever or acute infection").check()
    expect(page.get_by_role("alert")).to_contain_text("No session today.")
    expect(page.get_by_role("button", name="Plan and begin")).to_be_disabled()


def test_the_day_holds_for_a_browser_in_another_zone(browser: Browser, page: Page, today: Today, server):
    kept = page.context.storage_state()
    elsewhere = browser.new_context(storage_state=kept, timezone_id="Pacific/Auckland", locale="en-GB")
    there = elsewhere.new_page()
    there.goto(f"{server.url}/?day=2026-05-04")
    expect(there.get_by_role("heading", name="Monday 4 May")).to_be_visible()
    expect(on_line(there, "14:00", "Isolde Kelpworth")).to_be_visible()
    elsewhere.close()


def test_a_client_is_booked_again_at_the_same_hour_from_their_page(page: Page, today: Today):
    she = Acting()
    page.get_by_role("link", name="Clients").click()
    page.get_by_role("link", name="Linnet Marrowby").click()
    again = page.get_by_role("navigation", name="Book again").get_by_role("link")
    expect(again).to_have_count(4)
    she.press(again.nth(1))
    expect(read(page, "Start: Mon 25 May, 10:00")).to_be_visible()
    she.press(page.get_by_role("button", name="Book", exact=True))
    expect(done(page, "Booked: Linnet Marrowby, Mon 25 May, 10:00.")).to_be_visible()
    assert she.acts == 2


def test_a_flow_is_used_for_a_new_booking(page: Page, today: Today):
    page.get_by_role("link", name="Flows").click()
    page.get_by_role("listitem").first.get_by_role("button", name="Use it for a client").click()
    page.get_by_role("link", name="Book a session with it").click()
    typed(page, "bram thu 10")
    expect(page.get_by_text("The plan is made from")).to_be_visible()
    page.get_by_role("button", name="Book", exact=True).click()
    expect(done(page, "Booked: Bram Lanternby, Thu 7 May, 10:00.")).to_be_visible()


@pytest.mark.parametrize("theme", ["shore", "nightroom"])
def test_every_rule_of_access_is_kept_where_one_books(page: Page, today: Today, theme):
    page.evaluate(f"localStorage.setItem('tide-theme', '{theme}')")
    page.reload()
    typed(page, "linnet 60 today 11:30")
    expect(page.get_by_role("button", name="Book anyway")).to_be_enabled()
    read(page, "Start: ").click()
    assert broken_rules(page) == []
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Change the session of Bram Lanternby").click()
    assert broken_rules(page) == []
    page.get_by_role("link", name="Walk-in").click()
    expect(page.get_by_role("heading", name="Walk-in")).to_be_visible()
    assert broken_rules(page) == []
