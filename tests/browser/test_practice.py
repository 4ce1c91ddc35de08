"""A practice made one's own: the first steps, the house rules, the seconds, and what they do to plans."""

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from mellow_tide.core.library.shipped import shipped_flows
from tests.browser.pages import Acting, Plan, Today
from tests.browser.test_accessibility import broken_rules
from tests.browser.test_door import PASSWORD, open_practice


@pytest.fixture
def own(page: Page, server) -> Page:
    """A practice that somebody has just opened."""
    page.goto(server.url)
    open_practice(page)
    expect(page.get_by_role("region", name="First steps")).to_be_visible()
    return page


def to_settings(page: Page) -> None:
    page.get_by_role("link", name="Settings of").click()
    expect(page.get_by_role("list", name="How we work")).to_be_visible()


def answered(page: Page, sentence: str) -> Locator:
    """The word in a sentence, as it stands."""
    return page.get_by_role("button", name=sentence, exact=True)


def choose(page: Page, rule: str, answer: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{rule}: ")).click()
    page.get_by_role("dialog", name=rule).get_by_role("radio", name=answer).click()


def test_a_stranger_has_a_practice_a_client_and_rules_of_her_own_in_twenty_acts(page: Page, server):
    page.goto(server.url)
    she = Acting()
    she.press(page.get_by_role("link", name="Create a practice"))
    she.fill(page.get_by_label("Name of the practice"), "Reedbank Room")
    she.fill(page.get_by_label("Your name"), "Morwen Reedbank")
    she.fill(page.get_by_label("E-mail"), "morwen@reedbank.example")
    she.fill(page.get_by_label("Password"), PASSWORD)
    she.press(page.get_by_role("button", name="Create the practice"))
    steps = page.get_by_role("region", name="First steps").get_by_role("listitem")
    expect(steps).to_have_count(4)
    she.press(page.get_by_role("link", name="See the house rules"))
    she.press(page.get_by_role("button", name="Which way up first: "))
    she.press(page.get_by_role("radio", name="face up first"))
    expect(page.get_by_text("Changed by Morwen Reedbank")).to_be_visible()
    she.press(page.get_by_role("button", name="Turning over, with the bolster: "))
    she.fill(page.get_by_label("Seconds"), "90")
    she.press(
        page.get_by_role("dialog", name="Turning over, with the bolster").get_by_role("button", name="Save")
    )
    expect(answered(page, "Turning over, with the bolster: 90 s")).to_be_visible()
    she.press(page.get_by_role("link", name="Today", exact=True))
    expect(steps).to_have_count(3)
    she.press(page.get_by_role("link", name="Add a client by name"))
    she.fill(page.get_by_role("form", name="Add a client").get_by_label("Name"), "Pell Dunmarsh")
    she.press(page.get_by_role("button", name="Add", exact=True))
    expect(page.get_by_role("heading", name="Pell Dunmarsh")).to_be_visible()
    assert she.acts <= 20
    page.get_by_role("link", name="Today", exact=True).click()
    expect(page.get_by_text("No sessions today.")).to_be_visible()
    expect(steps).to_have_count(2)


def test_a_step_is_skipped_for_good(own: Page):
    steps = own.get_by_role("region", name="First steps").get_by_role("listitem")
    for left, step in ((3, "How you work"), (2, "Your room"), (1, "Your hours")):
        own.get_by_role("button", name=f"Skip: {step}").click()
        expect(steps).to_have_count(left)
    assert broken_rules(own) == []
    own.get_by_role("button", name="Skip: Your first client").click()
    expect(own.get_by_role("region", name="First steps")).to_have_count(0)
    own.reload()
    expect(own.get_by_text("No sessions today.")).to_be_visible()
    expect(own.get_by_role("region", name="First steps")).to_have_count(0)


def test_an_answer_says_what_it_would_do_is_kept_at_once_and_undone(page: Page, today: Today):
    page.get_by_role("link", name="Flows").click()
    expect(page.get_by_role("listitem").first).to_be_visible()
    to_settings(page)
    page.get_by_role("button", name="How it ends: ").click()
    panel = page.get_by_role("dialog", name="How it ends")
    expect(panel.get_by_role("status").first).to_contain_text("flows and 2 of 3 existing plans.")
    assert broken_rules(page) == []
    panel.get_by_role("button", name="Compare").first.click()
    touched = page.get_by_role("dialog", name="What it would change")
    for which in ("Bram Lanternby", "Anchor first"):
        touched.get_by_role("button", name=which).click()
        expect(touched.get_by_role("button", name=which, pressed=True)).to_be_visible()
        expect(touched.get_by_role("row", name=re.compile("Between strokes"))).to_be_visible()
    assert broken_rules(page) == []
    page.keyboard.press("Escape")
    expect(touched).to_be_hidden()
    panel.get_by_role("radio", name="a hold at the feet").click()
    expect(panel).to_be_hidden()
    expect(answered(page, "How it ends: a hold at the feet")).to_be_visible()
    expect(page.get_by_text("Changed by Wenna Tidebrook")).to_be_visible()
    page.reload()
    page.get_by_role("button", name="Undo: How it ends: a hold at the feet").click()
    expect(answered(page, "How it ends: a hold at the head")).to_be_visible()


def test_a_plan_that_stands_tells_what_the_practice_does_otherwise_and_offers_it(page: Page, today: Today):
    to_settings(page)
    choose(page, "How it ends", "a hold at the feet")
    expect(page.get_by_text("Changed by Wenna Tidebrook")).to_be_visible()
    page.get_by_role("link", name="Today", exact=True).click()
    today.open("Bram Lanternby")
    plan = Plan(page)
    news = page.get_by_role("region", name="New since the plan")
    expect(news).to_contain_text("How it ends: a hold at the feet (Wenna Tidebrook).")
    expect(plan.word("Close with")).to_contain_text("head")
    news.get_by_role("button", name="See what it changes").click()
    news.get_by_role("button", name="Update the plan").click()
    expect(plan.word("Close with")).to_contain_text("feet")
    expect(news).to_be_hidden()


def test_a_plan_that_no_longer_meets_its_minutes_is_fitted_in_one_act(page: Page, today: Today):
    to_settings(page)
    page.get_by_role("button", name="Turning over, with the bolster: ").click()
    page.get_by_label("Seconds").fill("300")
    page.get_by_role("dialog").get_by_role("button", name="Save").click()
    expect(page.get_by_text("Changed by Wenna Tidebrook")).to_be_visible()
    page.get_by_role("link", name="Today", exact=True).click()
    today.open("Bram Lanternby")
    plan = Plan(page)
    expect(plan.fit).to_contain_text("over the")
    page.get_by_role("button", name="Fit the plan").click()
    expect(plan.fit).to_contain_text("Fits")
    expect(page.get_by_role("button", name="Fit the plan")).to_be_hidden()


def test_of_two_owners_the_second_sees_what_the_first_did(own: Page, browser, server):
    to_settings(own)
    own.get_by_label("Whom you invite").fill("Ivo Marlpit")
    own.get_by_label("Role", exact=True).select_option("owner")
    own.get_by_role("button", name="Invite").click()
    other = browser.new_page()
    other.goto(own.get_by_text("/join#").inner_text())
    other.get_by_label("E-mail").fill("ivo@marlpit.example")
    other.get_by_label("Password").fill("seven kettles over dunes")
    other.get_by_role("button", name="Join").click()
    to_settings(other)
    choose(other, "Stool", "none, standing throughout")
    expect(other.get_by_text("Changed by Ivo Marlpit")).to_be_visible()
    choose(own, "Stool", "none, standing throughout")
    expect(own.get_by_role("alert")).to_contain_text("Ivo Marlpit has changed this meanwhile.")
    expect(own.get_by_role("alert")).to_contain_text("standing throughout")
    expect(answered(own, "Stool: none, standing throughout")).to_be_visible()
    other.close()


def test_what_is_missing_in_the_room_is_said_in_two_acts_and_changes_what_is_offered(own: Page):
    own.get_by_role("link", name="Set up your room").click()
    choose(own, "Massage chair", "none")
    expect(answered(own, "Massage chair: none")).to_be_visible()
    kinds = own.get_by_role("list", name="Kinds we offer")
    expect(kinds.get_by_role("listitem").filter(has_text="Chair")).to_contain_text(
        "not offered, because there is no chair"
    )
    own.get_by_role("button", name="Undo: Massage chair: none").click()
    expect(answered(own, "Chair: offered")).to_be_visible()
    own.get_by_role("link", name="Today", exact=True).click()
    expect(own.get_by_role("button", name="Skip: Your hours")).to_be_visible()
    expect(own.get_by_role("button", name="Skip: Your room")).to_have_count(0)


def test_a_kind_s_minutes_and_bookings_are_changed_in_place_and_what_cannot_be_is_said(own: Page):
    to_settings(own)
    answered(own, "Chair: usual bookings: 10, 15, 20 or 30 min").click()
    own.get_by_label("Minutes", exact=True).fill("25, 5")
    own.get_by_role("dialog", name="Chair: usual bookings").get_by_role("button", name="Save").click()
    expect(own.get_by_role("alert")).to_contain_text("give up to 8 numbers from 10 to 120")
    # What was typed is still there, to be mended.
    expect(own.get_by_label("Minutes", exact=True)).to_have_value("25, 5")
    own.get_by_label("Minutes", exact=True).fill("25, 15")
    own.get_by_role("dialog", name="Chair: usual bookings").get_by_role("button", name="Save").click()
    expect(answered(own, "Chair: usual bookings: 15 or 25 min")).to_be_visible()
    answered(own, "Full body: minutes before, first visit: 11 min").click()
    own.get_by_label("Minutes", exact=True).fill("15")
    own.keyboard.press("Enter")
    expect(answered(own, "Full body: minutes before, first visit: 15 min")).to_be_visible()
    own.get_by_role("button", name=re.compile("^Undo: Full body")).click()
    expect(answered(own, "Full body: minutes before, first visit: 11 min")).to_be_visible()


def test_a_bottle_of_one_s_own_is_added_with_what_it_contains(own: Page):
    to_settings(own)
    own.get_by_label("Add a bottle").fill("Rosemary balm")
    own.get_by_role("checkbox", name="scent").check()
    own.get_by_role("button", name="Add", exact=True).click()
    expect(answered(own, "Rosemary balm: in stock")).to_be_visible()
    skin = own.get_by_role("list", name="Oils and creams").get_by_role("listitem")
    expect(skin.filter(has_text="Rosemary balm")).to_contain_text("Contains scent.")
    choose(own, "Rosemary balm", "not in stock")
    expect(answered(own, "Rosemary balm: not in stock")).to_be_visible()
    assert broken_rules(own) == []


def test_one_s_hours_are_said_in_a_sentence_and_the_day_names_what_does_not_go_with_them(
    page: Page, today: Today
):
    to_settings(page)
    page.get_by_role("button", name="First start: ").click()
    page.locator("input[type=time]").fill("13:00")
    page.get_by_role("dialog", name="First start").get_by_role("button", name="Save").click()
    expect(answered(page, "First start: 13:00")).to_be_visible()
    page.get_by_role("button", name="Lunch: ").click()
    page.get_by_label("From", exact=True).fill("14:00")
    page.get_by_role("dialog", name="Lunch").get_by_role("button", name="Save").click()
    expect(answered(page, "Lunch: 14:00 for 45 min")).to_be_visible()
    page.get_by_role("button", name="Working days: ").click()
    page.get_by_role("checkbox", name="Saturday").check()
    page.get_by_role("checkbox", name="Sunday").check()
    page.get_by_role("dialog", name="Working days").get_by_role("button", name="Save").click()
    expect(answered(page, "Working days: every day")).to_be_visible()
    page.get_by_role("link", name="Today", exact=True).click()
    said = page.get_by_role("list", name="What does not fit")
    expect(said).to_contain_text("starts before your first start (13:00).")
    assert broken_rules(page) == []


def test_hours_that_cannot_be_are_refused_and_undone(own: Page):
    own.get_by_role("link", name="Set your hours").click()
    own.get_by_role("button", name="First start: ").click()
    for time in ("19:00", "08:30"):
        own.locator("input[type=time]").fill(time)
        own.get_by_role("dialog", name="First start").get_by_role("button", name="Save").click()
        if time == "19:00":
            # The last start is at 18:00.
            expect(own.get_by_role("alert")).to_contain_text("first start")
    expect(answered(own, "First start: 08:30")).to_be_visible()
    own.get_by_role("region", name="Your hours").get_by_role("button", name="Undo").click()
    expect(answered(own, "First start: 09:00")).to_be_visible()


def test_seconds_out_of_range_are_refused_in_place(own: Page):
    to_settings(own)
    own.get_by_role("button", name="Washing hands: ").click()
    own.get_by_label("Seconds").fill("4000")
    # The field itself refuses it, and what was typed stays.
    own.get_by_role("dialog", name="Washing hands").get_by_role("button", name="Save").click()
    expect(own.get_by_label("Seconds")).to_have_value("4000")
    own.get_by_label("Seconds").fill("30")
    own.get_by_role("dialog", name="Washing hands").get_by_role("button", name="Save").click()
    expect(answered(own, "Washing hands: 30 s")).to_be_visible()
    answered(own, "Washing hands: 30 s").click()
    own.get_by_role("button", name="As usual: 40 s").click()
    expect(answered(own, "Washing hands: 40 s")).to_be_visible()


def test_with_the_server_gone_what_was_typed_stays_and_is_kept_when_it_is_back(own: Page):
    to_settings(own)
    own.get_by_role("button", name="Washing hands: ").click()
    panel = own.get_by_role("dialog", name="Washing hands")
    panel.get_by_label("Seconds").fill("30")
    own.context.set_offline(True)
    panel.get_by_role("button", name="Save").click()
    expect(panel.get_by_role("alert")).to_be_visible()
    expect(panel.get_by_label("Seconds")).to_have_value("30")
    own.context.set_offline(False)
    panel.get_by_role("button", name="Save").click()
    expect(answered(own, "Washing hands: 30 s")).to_be_visible()


@pytest.mark.parametrize("width", [1024, 1280])
def test_what_opens_stays_on_the_screen_however_far_right_its_word_is(own: Page, width):
    own.set_viewport_size({"width": width, "height": 800})
    to_settings(own)
    for word in ("Order in the body", "From one side to the other, with all pillows"):
        own.get_by_role("button", name=f"{word}: ").click()
        panel = own.get_by_role("dialog", name=word)
        expect(panel).to_be_visible()
        if word == "Order in the body":
            # The library is planned for it: what a change would do is known before anybody has opened Flows.
            expect(panel.get_by_role("status").first).to_contain_text(f"of your {len(shipped_flows())} flows")
        box = panel.bounding_box()
        assert box["x"] >= 0
        assert box["x"] + box["width"] <= width
        assert own.evaluate("document.documentElement.scrollWidth") <= width
        own.keyboard.press("Escape")


@pytest.fixture
def ours(own: Page) -> Locator:
    """A school of one's own that has just been begun, open."""
    to_settings(own)
    own.get_by_role("button", name="Copy Back outwards").click()
    school = (
        own.get_by_role("list", name="How much of what").get_by_role("listitem").filter(has_text="A copy of")
    )
    expect(school.get_by_role("button", name="Close Our back outwards")).to_be_visible()
    return school.first


def test_a_school_of_one_s_own_is_weighed_compared_and_begun_with(own: Page, ours: Locator):
    calves = ours.get_by_role("row", name=re.compile("^Calves"))
    expect(calves.get_by_role("cell").last).to_have_text(re.compile(r"^\d"))
    before = calves.get_by_role("cell").last.inner_text()
    expect(calves.get_by_role("cell").nth(1)).to_have_text(before)
    share = ours.get_by_role("slider", name="Weight of Calves")
    share.focus()
    for _ in range(8):
        own.keyboard.press("ArrowRight")
    expect(ours.get_by_label("Weight of Calves, typed")).to_have_value("1.6")
    expect(calves.get_by_role("cell").nth(1)).not_to_have_text(before)
    expect(calves.get_by_role("cell").last).to_have_text(before)
    typed = ours.get_by_label("Weight of Calves, typed")
    typed.fill("2.5")
    typed.press("Enter")
    expect(share).to_have_value("2.5")
    place = ours.locator('[data-spot="foot left"]').bounding_box()
    x, y = place["x"] + place["width"] / 2, place["y"] + place["height"] / 2
    own.mouse.move(x, y)
    own.mouse.down()
    own.mouse.move(x + 60, y, steps=6)
    own.mouse.up()
    expect(ours.get_by_label("Weight of Feet, typed")).to_have_value("2.1")
    ours.get_by_label("The usual one for this kind").check()
    expect(own.get_by_text("Our back outwards, the usual one")).to_be_visible()
    assert broken_rules(own) == []
    own.reload()
    own.get_by_role("button", name="Open Our back outwards").click()
    expect(own.get_by_label("Weight of Calves, typed")).to_have_value("2.5")
    own.get_by_role("button", name="Reset to “back outwards”").click()
    expect(own.get_by_label("Weight of Calves, typed")).to_have_value("0.8")


def test_its_rows_are_moved_left_out_and_taken_in_again_and_it_is_archived(own: Page, ours: Locator):
    ours.get_by_role("button", name="Earlier: Feet").first.click()
    expect(ours.get_by_role("button", name="Join: Feet and the row before").first).to_be_visible()
    ours.get_by_role("button", name="Leave out: shoulders and sides of the body").click()
    expect(ours.get_by_role("row", name=re.compile("^Shoulders"))).to_have_count(0)
    ours.get_by_role("button", name="Add shoulders").click()
    expect(ours.get_by_role("row", name=re.compile("^Shoulders"))).to_have_count(1)
    ours.get_by_role("button", name="Archive").click()
    expect(own.get_by_text("Our back outwards, archived")).to_be_visible()
    ours.get_by_role("button", name="Restore").click()
    expect(own.get_by_text("Our back outwards, archived")).to_have_count(0)


def test_its_name_is_changed_and_asked_for_in_a_plan(page: Page, today: Today):
    to_settings(page)
    page.get_by_role("button", name="Copy Feet upwards").click()
    page.get_by_label("Name", exact=True).first.fill("boat shed order")
    page.get_by_role("button", name="Save", exact=True).first.click()
    expect(page.get_by_text("Boat shed order", exact=True).first).to_be_visible()
    page.get_by_role("link", name="Today", exact=True).click()
    today.open("Bram Lanternby")
    plan = Plan(page)
    plan.word("Order").click()
    page.get_by_role("dialog", name="Order").get_by_role("radio", name="Boat shed order").click()
    expect(plan.word("Order")).to_contain_text("boat shed order")


def test_the_country_decides_how_hours_and_heights_are_written(own: Page):
    to_settings(own)
    own.get_by_label("Country").select_option(label="United States")
    with own.expect_response(lambda answer: answer.url.endswith("/api/me")):
        own.get_by_role("button", name="Save", exact=True).click()
    own.get_by_role("link", name="Clients").click()
    form = own.get_by_role("form", name="Add a client")
    form.get_by_label("Name").fill("Tamsin Ropewalk")
    form.get_by_role("button", name="Add").click()
    own.get_by_role("button", name="Name and contact").click()
    form = own.get_by_role("form", name="Name and contact")
    form.get_by_label("Feet").fill("5")
    form.get_by_label("Inches").fill("4")
    form.get_by_label("Weight").fill("151")
    form.get_by_role("button", name="Save", exact=True).click()
    expect(own.get_by_text("5 ft 4 in", exact=False).first).to_be_visible()
    own.reload()
    own.get_by_role("button", name="Name and contact").click()
    expect(form.get_by_label("Inches")).to_have_value("4")
    expect(form.get_by_label("Weight")).to_have_value("151")
    own.get_by_role("link", name="Settings of").click()
    expect(own.get_by_role("button", name="Last start: 6:00 PM")).to_be_visible()
