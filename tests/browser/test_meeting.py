"""Meeting the client: consents in one tap, the intake, the question of the day, and what became known since a plan."""

import re

import pytest
from playwright.sync_api import Browser, BrowserContext, Locator, Page, expect

from tests.browser.pages import Plan, Today


def open_client(page: Page, name: str) -> None:
    page.get_by_role("link", name="Clients", exact=True).click()
    page.get_by_label("Find a client").fill(name)
    # The list narrows under the pointer: a press before that can be lost.
    expect(page.get_by_role("list", name="Clients").get_by_role("listitem")).to_have_count(1)
    page.get_by_role("link", name=name).click()
    expect(page.get_by_role("heading", name=name, level=1)).to_be_visible()


def part(page: Page, name: str):
    page.get_by_role("button", name=name, exact=True).click()
    return page.get_by_role("region", name=name, exact=True)


def add_condition(health: Locator, typed: str, name: str) -> None:
    health.get_by_label("Add a condition").fill(typed)
    health.get_by_role("button", name=name).click()


def a_link(page: Page, name: str) -> str:
    """The one-time link of a fresh intake."""
    open_client(page, name)
    intake = part(page, "Intake")
    intake.get_by_role("button", name="A link for their own phone").click()
    expect(intake.get_by_role("img", name="QR code of the link")).to_be_visible()
    return intake.get_by_role("textbox", name="The link").input_value()


@pytest.fixture
def phone(browser: Browser):
    """The client's own phone: another browser, that has never signed in."""
    context = browser.new_context(viewport={"width": 390, "height": 844}, locale="en-GB")
    yield context
    context.close()


def test_a_link_is_withdrawn_and_opens_nothing(page: Page, today: Today, phone: BrowserContext):
    link = a_link(page, "Corin Foghollow")
    page.get_by_role("button", name="Withdraw the link").first.click()
    expect(page.get_by_role("list", name="Intakes").get_by_role("listitem").first).to_contain_text("nded")
    form = phone.new_page()
    form.goto(link)
    expect(form.get_by_text("This link is no longer open.")).to_be_visible()


def go_on(form: Page, times: int = 1) -> None:
    for _ in range(times):
        form.get_by_role("button", name="Go on").click()


def test_a_consent_is_withdrawn_in_one_tap_and_the_record_says_since_when(page: Page, today: Today):
    open_client(page, "Isolde Kelpworth")
    feet = page.get_by_role("group", name="The feet: may it be touched?")
    expect(feet.get_by_role("button", name="Yes")).to_have_attribute("aria-pressed", "true")
    feet.get_by_role("button", name="No", exact=True).click()
    expect(page.get_by_role("region", name="Before touching")).to_contain_text("Said no to the feet.")
    history = part(page, "Where this came from")
    first = history.get_by_role("row").nth(1)
    expect(first).to_contain_text("The feet: said no, before: yes")
    expect(first).to_contain_text("written down, by Wenna Tidebrook")


def test_health_and_wishes_are_told_and_seen_at_once(page: Page, today: Today):
    open_client(page, "Bram Lanternby")
    health = part(page, "Health")
    add_condition(health, "vari", "Varicose veins")
    health.get_by_label("Medicines").fill("None.")
    health.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_role("region", name="Before touching")).to_contain_text(
        "Adapt: Varicose veins. Light on the legs"
    )
    wishes = part(page, "Wishes and places")
    wishes.get_by_label("Add a wish for a region").select_option(label="Back")
    wishes.get_by_label("Depth wished on the back").select_option("4.5")
    wishes.get_by_label("Keep off: a place").select_option(label="Right foot")
    wishes.get_by_label("Reason").fill("a blister")
    wishes.get_by_role("button", name="Add").click()
    expect(page.get_by_role("region", name="Before touching")).to_contain_text("Right foot: a blister")
    expect(page.get_by_role("region", name="Wishes", exact=True)).to_contain_text("Back: depth 4.5")


def test_an_intake_is_filled_in_on_a_phone_with_the_network_cut_and_restored(
    page: Page, today: Today, phone: BrowserContext
):
    link = a_link(page, "Corin Foghollow")
    form = phone.new_page()
    form.goto(link)
    form.get_by_label("What should we call you?").fill("Cory")
    expect(form.get_by_text("Saved.")).to_be_visible()
    phone.set_offline(True)
    go_on(form, 2)
    form.get_by_label("I have varicose veins").check()
    form.get_by_label("Which medicines do you take?").fill("Something for the heart")
    expect(form.get_by_text("No connection. Your answers are saved")).to_be_visible()
    phone.set_offline(False)
    expect(form.get_by_text("Saved.")).to_be_visible()
    # A reload, as after a flat battery: it is all there.
    form.reload()
    expect(form.get_by_label("What should we call you?")).to_have_value("Cory")
    go_on(form, 2)
    expect(form.get_by_label("I have varicose veins")).to_be_checked()
    go_on(form, 2)
    form.get_by_label("Or choose a place not to be touched").select_option(label="Left foot")
    form.get_by_label("Why, if you want to say: left foot").fill("a plaster")
    form.get_by_label("Legs").select_option(label="Firm")
    go_on(form)
    form.get_by_role("group", name="May the face be touched?").get_by_label("No").check()
    go_on(form)
    # Cut again at the worst moment: it is handed in as soon as there is a connection.
    phone.set_offline(True)
    form.get_by_role("button", name="Hand in the form").click()
    expect(form.get_by_role("button", name="Waiting for a connection")).to_be_visible()
    phone.set_offline(False)
    expect(form.get_by_role("heading", name="Thank you.")).to_be_visible()
    assert form.evaluate("localStorage.length") == 0

    page.reload()
    page.get_by_role("link", name="An intake has been handed in").click()
    answers = page.get_by_role("list", name="Answers")
    veins = answers.get_by_role("listitem").filter(has_text="Varicose veins")
    expect(veins).to_contain_text(
        "Light on the legs: no friction, stripping or points there. Mark large veins"
    )
    words = page.get_by_role("list", name="Wishes and words")
    calves = words.get_by_role("listitem").filter(has_text="Pressure, calves")
    expect(calves).to_contain_text("Held to depth 2: varicose veins.")
    page.get_by_role("button", name="Question it: Medicines").click()
    page.get_by_label("What to ask: medicines").fill("Which one?")
    page.get_by_role("button", name="To be asked").click()
    page.get_by_role("button", name=re.compile("^Accept all")).click()
    expect(page.get_by_text("All read.")).to_be_visible()
    page.get_by_role("link", name="To Corin Foghollow").click()
    before = page.get_by_role("region", name="Before touching")
    for told in ("Varicose veins", "Left foot: a plaster", "To ask: medicines", "Said no to the face."):
        expect(before).to_contain_text(told)


def test_a_link_opens_once(page: Page, today: Today, phone: BrowserContext, browser: Browser):
    link = a_link(page, "Corin Foghollow")
    form = phone.new_page()
    form.goto(link)
    expect(form.get_by_role("heading", name="You")).to_be_visible()
    expect(form.get_by_text("Corin")).to_have_count(0)
    other = browser.new_context()
    second = other.new_page()
    second.goto(link)
    expect(second.get_by_role("heading", name="This link has been opened on another device.")).to_be_visible()
    expect(second.get_by_text("ask the practice for a new link")).to_be_visible()
    other.close()
    form.reload()
    expect(form.get_by_role("heading", name="You")).to_be_visible()


def test_a_tablet_handed_over_is_signed_out(page: Page, today: Today):
    open_client(page, "Piet Gullander")
    part(page, "Intake").get_by_role("button", name="Hand over this tablet").click()
    expect(page.get_by_role("heading", name="You")).to_be_visible()
    form_url = page.url
    # Whoever holds it goes back, as far as it goes, and sees nobody.
    for _ in range(3):
        page.go_back()
        expect(
            page.get_by_label("E-mail").or_(page.get_by_role("heading", name="You", exact=True))
        ).to_be_visible()
        expect(page.get_by_text("Piet")).to_have_count(0)
    page.goto(form_url.split("/intake")[0])
    expect(page.get_by_label("E-mail")).to_be_visible()
    page.goto(form_url)
    expect(page.get_by_role("heading", name="You")).to_be_visible()


def test_what_cannot_be_right_is_said_where_it_is_and_the_way_there_is_shown(
    page: Page, today: Today, phone: BrowserContext
):
    form = phone.new_page()
    form.goto(a_link(page, "Corin Foghollow"))
    go_on(form, 3)
    form.get_by_label("Yes").check()
    form.get_by_label("When is the baby due?").fill("1999-04-01")
    expect(form.get_by_role("alert")).to_contain_text("no pregnancy of today has this due date")
    go_on(form, 3)
    form.get_by_role("button", name="Hand in the form").click()
    expect(form.get_by_role("alert")).to_contain_text("Something in “Pregnancy” needs another look.")
    form.get_by_role("button", name="Go there").click()
    form.get_by_label("No", exact=True).check()
    expect(form.get_by_label("When is the baby due?")).to_have_count(0)
    go_on(form, 3)
    form.get_by_role("button", name="Hand in the form").click()
    expect(form.get_by_role("heading", name="Thank you.")).to_be_visible()


def test_work_waits_for_the_question_and_the_answer_is_in_the_plan(page: Page, today: Today):
    today.open("Isolde Kelpworth")
    work = Plan(page).to_work()
    expect(page.get_by_role("button", name="Begin", exact=True)).to_have_count(0)
    page.get_by_label("Ask: is anything new?").fill("the right hand is burnt")
    expect(page.get_by_role("checkbox", name="Right hand")).to_be_checked()
    page.get_by_role("button", name="Noted: put it into the plan").click()
    told = page.get_by_role("status", name="Answered today")
    expect(told).to_contain_text("Keep off right hand.")
    expect(told).to_contain_text("Changed in the plan: ")
    page.get_by_role("button", name="Begin", exact=True).click()
    expect(page.get_by_role("button", name="Go on")).to_be_visible()
    page.goto(page.url.replace("/work", "/plan"))
    plan = Plan(page)
    plan.fit.wait_for()
    assert "right hand" not in plan.names()
    assert "left hand" in plan.names()
    assert work


def test_a_part_sign_of_today_ends_it_before_it_begins(page: Page, today: Today):
    today.open("Corin Foghollow")
    Plan(page).to_work()
    page.get_by_label("A condition to add today").fill("fev")
    page.get_by_role("button", name="Fever or acute infection").click()
    page.get_by_role("button", name="Noted: put it into the plan").click()
    expect(page.get_by_role("alert")).to_contain_text("There is no session today")
    expect(page.get_by_role("button", name=re.compile("begin", re.IGNORECASE))).to_have_count(0)


def test_a_headache_is_asked_about_on_one_screen(page: Page, today: Today):
    today.open("Corin Foghollow")
    Plan(page).to_work()
    page.get_by_label("A condition to add today").click()
    page.get_by_role("button", name="A headache").click()
    asked = page.get_by_role("region", name="A headache")
    answer = page.get_by_role("button", name="Noted: put it into the plan")
    expect(answer).to_be_disabled()
    asked.get_by_label("At the back of the head, on both sides").check()
    asked.get_by_label("It came suddenly").check()
    asked.get_by_label("Dull, and nothing else with it").check()
    verdict = asked.get_by_role("status", name="What it means")
    expect(verdict).to_contain_text("No session. Call for help at once.")
    asked.get_by_label("They know it").check()
    expect(verdict).to_contain_text("Slow work on shoulders, neck and the base of the skull")
    answer.click()
    expect(page.get_by_role("status", name="Answered today")).to_contain_text("A headache, asked about.")
    expect(page.get_by_role("button", name="Begin", exact=True)).to_be_visible()


def test_a_place_that_was_chosen_and_not_added_is_not_lost(page: Page, today: Today):
    today.open("Isolde Kelpworth")
    Plan(page).to_work()
    page.get_by_label("A place to keep off today").select_option(label="Left hand")
    expect(page.get_by_role("button", name="Nothing new: begin")).to_have_count(0)
    page.get_by_role("button", name="Noted: put it into the plan").click()
    expect(page.get_by_role("status", name="Answered today")).to_contain_text("Keep off left hand.")


def test_meet_asks_the_same_question_and_shows_what_to_know(page: Page, today: Today):
    today.open("Corin Foghollow")
    page.get_by_role("link", name="meet").click()
    expect(page.get_by_role("region", name="Before touching")).to_contain_text("Contact lenses")
    page.get_by_role("button", name="Nothing new today").click()
    expect(page.get_by_role("status", name="Answered today")).to_have_text("Asked today: nothing new.")
    page.get_by_role("link", name="Work", exact=True).click()
    page.get_by_role("button", name="Begin", exact=True).click()
    expect(page.get_by_role("button", name="Go on")).to_be_visible()


def test_what_became_known_since_the_plan_is_shown_with_what_it_changes(page: Page, today: Today):
    open_client(page, "Bram Lanternby")
    health = part(page, "Health")
    add_condition(health, "vari", "Varicose veins")
    health.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_role("region", name="Before touching")).to_contain_text("Varicose veins")
    page.get_by_role("link", name="Today", exact=True).click()
    today.open("Bram Lanternby")
    expect(page.get_by_role("link", name="Plan something new")).to_be_visible()
    news = page.get_by_role("region", name="New since the plan")
    expect(news).to_contain_text("Varicose veins: noted")
    expect(page.get_by_role("button", name=re.compile("^Not safe"))).to_be_visible()
    news.get_by_role("button", name="See what it changes").click()
    expect(news).to_contain_text("Fronts of the thighs")
    news.get_by_role("button", name="Update the plan").click()
    expect(news).to_be_hidden()
    expect(page.get_by_role("button", name=re.compile("^Not safe"))).to_have_count(0)


def test_the_conditions_told_most_are_offered_and_any_other_is_found(page: Page, today: Today):
    open_client(page, "Bram Lanternby")
    health = part(page, "Health")
    offered = health.get_by_role("list", name="Conditions to add").get_by_role("listitem")
    expect(offered).to_have_count(8)
    search = health.get_by_label("Add a condition")
    search.fill("bruise")
    expect(offered).to_have_text(["Blood thinners or a bleeding disorder"])
    search.press("Enter")
    clinician = health.get_by_role("region", name="Ask a clinician first")
    expect(clinician).to_contain_text("no friction, stripping, point holds")
    clinician.get_by_role("button", name="Remove: blood thinners or a bleeding disorder").click()
    expect(clinician).to_have_count(0)
    search.fill("xyz")
    expect(health.get_by_role("status")).to_contain_text("No condition has that name")


def test_a_plan_asks_where_a_condition_is_and_one_tap_answers(page: Page, today: Today):
    open_client(page, "Isolde Kelpworth")
    health = part(page, "Health")
    add_condition(health, "frac", "Recent fracture or dislocation")
    health.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_role("region", name="Before touching")).to_contain_text(
        "Ask where it is: recent fracture"
    )
    page.get_by_role("link", name="Today", exact=True).click()
    today.open("Isolde Kelpworth")
    plan = Plan(page)
    asked = page.get_by_role("region", name="Ask before you plan on")
    expect(asked.get_by_role("group", name="Where is it: recent fracture or dislocation?")).to_be_visible()
    plan.type_minutes("75")
    page.keyboard.press("Escape")
    expect(page.get_by_role("alert")).to_contain_text("nobody has said where it is: recent fracture")
    # Nothing that was typed is lost: with the answer it is planned.
    asked.locator("[data-spot='hand right']").click()
    expect(plan.word("Booked minutes")).to_have_text("75 minutes")
    plan.planned()
    expect(plan.swell("right hand")).to_have_count(0)
    expect(plan.swell("left hand")).to_have_count(1)
    expect(page.get_by_role("alert")).to_have_count(0)
    asked.get_by_role("button", name="Nowhere we work").click()
    expect(plan.swell("right hand")).to_have_count(1)
    asked.get_by_role("button", name="Done").click()
    expect(asked).to_have_count(0)


def test_an_injury_of_the_day_is_pointed_at_before_work_begins(page: Page, today: Today):
    today.open("Corin Foghollow")
    Plan(page).to_work()
    page.get_by_label("A condition to add today").fill("injury")
    page.get_by_role("button", name="Acute injury within 72 hours").click()
    page.get_by_role("button", name="Noted: put it into the plan").click()
    expect(page.get_by_role("alert")).to_contain_text("nobody has said where it is: acute injury")
    where = page.get_by_role("group", name="Where is it: acute injury within 72 hours?")
    where.get_by_label("Or choose where it is").select_option(label="Left foot")
    expect(where.get_by_role("listitem")).to_contain_text("Left foot")
    page.get_by_role("button", name="Noted: put it into the plan").click()
    expect(page.get_by_role("status", name="Answered today")).to_contain_text(
        "Acute injury within 72 hours: left foot."
    )
    page.get_by_role("button", name="Begin", exact=True).click()
    expect(page.get_by_role("button", name="Go on")).to_be_visible()


def test_an_intake_asks_where_and_is_not_handed_in_without(page: Page, today: Today, phone: BrowserContext):
    form = phone.new_page()
    form.goto(a_link(page, "Corin Foghollow"))
    go_on(form, 2)
    form.get_by_label("I have eczema or psoriasis").check()
    expect(form.get_by_role("alert")).to_contain_text("we do not know where it is")
    where = form.get_by_role("group", name="Where is it: I have eczema or psoriasis?")
    where.locator("[data-spot='hand left']").click()
    expect(where.get_by_role("listitem")).to_contain_text("Left hand")
    expect(form.get_by_role("alert")).to_have_count(0)
    go_on(form, 4)
    form.get_by_role("button", name="Hand in the form").click()
    expect(form.get_by_role("heading", name="Thank you.")).to_be_visible()
    page.reload()
    page.get_by_role("link", name="An intake has been handed in").click()
    answers = page.get_by_role("list", name="Answers")
    expect(answers).to_contain_text("I have eczema or psoriasis: left hand")
    answers.get_by_role("button", name="Accept: eczema or psoriasis").click()
    page.get_by_role("link", name="To Corin Foghollow").click()
    expect(page.get_by_role("region", name="Before touching")).to_contain_text(
        "Left hand: eczema or psoriasis"
    )


def test_two_entries_become_one(page: Page, today: Today):
    page.get_by_role("link", name="Clients", exact=True).click()
    form = page.get_by_role("form", name="Add a client")
    form.get_by_label("Name").fill("Ottilie Saltgrov")
    form.get_by_label("Phone").fill("0777 555111")
    form.get_by_role("button", name="Add").click()
    expect(page.get_by_role("heading", name="Ottilie Saltgrov")).to_be_visible()
    open_client(page, "Ottilie Saltgrove")
    entries = part(page, "Merge")
    entries.get_by_role("button", name="Ottilie Saltgrov 0777 555111").click()
    entries.get_by_role("button", name="Merge the two records").click()
    expect(entries.get_by_role("status")).to_have_text("Merged: one visit in all.")
    part(page, "Where this came from")
    expect(page.get_by_text("Merged with the record “Ottilie Saltgrov”")).to_be_visible()


def test_erasing_asks_for_the_name_and_says_what_went(page: Page, today: Today):
    open_client(page, "Linnet Marrowby")
    erase = page.get_by_role("form", name="Delete this client")
    part(page, "Delete")
    erase.get_by_role("textbox").fill("Linnet")
    erase.get_by_role("button", name="Delete this client").click()
    expect(erase.get_by_role("alert")).to_contain_text("“Linnet” is not “Linnet Marrowby”")
    erase.get_by_role("textbox").fill("linnet marrowby")
    erase.get_by_role("button", name="Delete this client").click()
    expect(page.get_by_role("status").first).to_contain_text("Linnet Marrowby is deleted: 1 session, 1 log, ")
    page.get_by_label("Find a client").fill("Linnet")
    expect(page.get_by_text("No client matches.")).to_be_visible()


def test_clients_come_in_from_a_table_with_every_line_looked_at(page: Page, today: Today):
    page.get_by_role("link", name="Clients", exact=True).click()
    page.get_by_role("link", name="Import contacts").click()
    text = "Who;Mobile;Remarks\nTegen Dunecroft;01632 555071;Rows.\nOttilie Saltgrove;;\n"
    file = {"name": "a.csv", "mimeType": "text/csv", "buffer": text.encode()}
    page.get_by_label("File", exact=True).set_input_files(file)
    expect(page.get_by_role("region", name="Lines")).to_contain_text("there is no name")
    page.get_by_label("Column Who is").select_option(label="Name")
    lines = page.get_by_role("region", name="Lines")
    expect(lines.get_by_role("listitem").nth(1)).to_contain_text("there already: Ottilie Saltgrove")
    page.get_by_role("button", name="Add one client").click()
    expect(page.get_by_role("status")).to_contain_text("One client was added.")
    open_client(page, "Tegen Dunecroft")
    expect(page.get_by_text("01632 555071")).to_be_visible()
    part(page, "Export")
    with page.expect_download() as download:
        page.get_by_role("link", name="Whole record as PDF").click()
    assert download.value.suggested_filename == "client-record.pdf"
