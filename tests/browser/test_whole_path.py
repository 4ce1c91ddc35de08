"""The whole path: sign in, Today, change the brief, plan, work, say, reload, end, log, restart, read again."""

import re

from playwright.sync_api import Page, expect

from tests.browser.pages import Log, Plan, SignIn, Today, Work, hold_clock, to_plan


def test_from_signing_in_to_a_log_that_outlives_the_server(page: Page, server):
    page.goto(server.url)
    today = SignIn(page).enter()
    expect(today.next_action).to_contain_text("Bram Lanternby")
    today.next_action.get_by_role("link", name="Meet the client").click()
    to_plan(page)
    change_the_brief(page, Plan(page))
    work = Plan(page).to_work()
    work.begin("plaster on the left heel")
    go_on_and_back(page, work)
    say_and_reload(page, work)
    depth = save_a_log(page, work.end())
    server.stop()
    server.start()
    page.goto(server.url)
    find_it_all_again(page, Today(page), depth)


def change_the_brief(page: Page, plan: Plan):
    expect(plan.fit).to_have_text("Fits 80 min hands-on")
    plan.panel("Booked minutes").get_by_role("button", name="75 min").click()
    expect(plan.fit).to_have_text("Fits 65 min hands-on")
    plan.panel("Focus").get_by_role("checkbox", name="neck").check()
    page.keyboard.press("Escape")
    expect(plan.word("Focus")).to_have_text("more hips and neck")
    plan.panel("Leave out").get_by_role("checkbox", name="feet").check()
    page.keyboard.press("Escape")
    expect(plan.beside("Left out").get_by_text("By your wish.")).to_be_visible()
    expect(plan.swell("right foot")).to_have_count(0)
    plan.panel("Close with").get_by_role("radio", name="At the feet").click()
    plan.planned()
    expect(plan.word("Close with")).to_have_text("at the feet")
    expect(plan.fit).to_have_text("Fits 65 min hands-on")
    expect(page.get_by_text(re.compile("^Sides even"))).to_be_visible()


def go_on_and_back(page: Page, work: Work):
    expect(page.get_by_text("plaster on the left heel")).to_be_visible()
    expect(work.stroke).to_have_text("Resting hold")
    opening = [("PageDown", "Rocking"), (" ", "Palm compression"), ("ArrowRight", "Stroking over the drape")]
    for key, stroke in (*opening, ("PageDown", "Uncover the back"), ("ArrowRight", "Rest the hands")):
        page.keyboard.press(key)
        expect(work.stroke).to_have_text(stroke)
    page.keyboard.press("PageUp")
    expect(work.stroke).to_have_text("Uncover the back")
    for _ in range(3):
        page.get_by_role("button", name="Go on").click()


def say_and_reload(page: Page, work: Work):
    kept = work.stroke.inner_text()
    assert kept not in ("Uncover the back", "Rest the hands")
    # What is said is on the disk, and then on the server, a moment after it is on the screen.
    with page.expect_response(lambda told: '"deeper"' in (told.request.post_data or "")):
        work.pad("Deeper").click()
    expect(work.pad("Deeper")).to_have_attribute("aria-pressed", "true")
    page.reload()
    expect(work.stroke).to_have_text(kept)
    expect(work.pad("Deeper")).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("2")
    expect(work.pad("Just right")).to_have_attribute("aria-pressed", "true")


def save_a_log(page: Page, log: Log) -> str:
    expect(log.row("Back")).to_contain_text("said “just right”")
    depth = log.suited("back").input_value()
    assert depth in "12345"
    log.suited("hips").select_option("4")
    page.get_by_label("What happened").fill("Slept through the second half.")
    page.get_by_role("button", name="Save, sign later").click()
    expect(page.get_by_text(re.compile("^Saved at .*, not signed"))).to_be_visible()
    return depth


def find_it_all_again(page: Page, today: Today, depth: str):
    expect(today.next_action).to_contain_text("Isolde Kelpworth")
    today.open("Bram Lanternby")
    log = Log(page)
    expect(page.get_by_label("What happened")).to_have_value("Slept through the second half.")
    expect(log.suited("hips")).to_have_value("4")
    expect(log.suited("back")).to_have_value(depth)
    expect(page.get_by_text("New that day: plaster on the left heel")).to_be_visible()
    page.get_by_role("link", name="Plan").click()
    expect(page.get_by_text("This session has begun, so its plan can no longer change.")).to_be_visible()


def test_with_the_network_gone_no_tap_is_lost(page: Page, server, today: Today, context):
    today.open("Corin Foghollow")
    work = Plan(page).to_work()
    work.begin()
    context.set_offline(True)
    # Faster than the screen is drawn: each press counts all the same.
    page.evaluate(
        "for (let i = 0; i < 6; i++) dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown' }))"
    )
    here = work.stroke.inner_text()
    work.pad("Lighter").click()
    expect(page.get_by_text("Not connected: taps are kept here.")).to_be_visible()
    context.set_offline(False)
    expect(page.get_by_text("Not connected")).to_be_hidden()
    page.reload()
    expect(work.stroke).to_have_text(here)
    expect(work.pad("Lighter")).to_have_attribute("aria-pressed", "true")
    session = page.url.replace("/session/", "/api/sessions/").removesuffix("/work")
    run = page.evaluate("url => fetch(url).then((answer) => answer.json()).then((body) => body.run)", session)
    assert run["entry"] == 6
    assert [said["word"] for said in run["said"]] == ["lighter"]


def test_with_a_part_sign_there_is_no_session(page: Page, server, today: Today):
    def with_fever(route):
        session = route.fetch().json()
        fever = {"name": "fever or acute infection", "level": "refer", "says": "No session today."}
        session["evaluation"]["restrictions"]["reasons"] = [fever]
        route.fulfill(json=session)

    today.open("Isolde Kelpworth")
    page.route(re.compile(r"/api/sessions/[^/]+$"), with_fever)
    page.goto(page.url.replace("/plan", "/work"))
    expect(page.get_by_role("alert")).to_contain_text("There is no session today")
    expect(page.get_by_text("fever or acute infection")).to_be_visible()
    expect(page.get_by_role("button", name="begin")).to_have_count(0)


def test_the_water_falls_as_the_part_runs_out(page: Page, server, today: Today):
    today.open("Isolde Kelpworth")
    work = Plan(page).to_work()
    hold_clock(page)
    work.begin()

    def level():
        return 100 - work.water.evaluate("e => parseFloat(e.style.transform.match(/[\\d.]+/)[0])")

    full = level()
    page.clock.run_for(30_000)
    assert level() < full - 20
    page.clock.run_for(105_000)
    assert level() == 0
    expect(page.get_by_role("status").filter(has_text="behind")).to_have_text(re.compile(r"^2 min .*behind$"))
