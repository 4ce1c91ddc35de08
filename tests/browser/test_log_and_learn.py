"""What stays of the hour: the log signed in a tap, added to, and what the next visit starts from."""

import re
from datetime import timedelta
from uuid import UUID, uuid4

from playwright.sync_api import Page, expect

from mellow_tide.core.planner.plan import Plan as StoredPlan
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_ID
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.sessions import NewSession, add_session
from tests.browser.pages import Log, Plan, Today
from tests.conftest import NOW


def worked(page: Page, today: Today, client: str, *words: str) -> Log:
    """The log of a session that another device has worked to its end, with what was said of depth 3 on the back."""
    today.open(client)
    expect(Plan(page).fit).to_be_visible()
    address = page.url.replace("/session/", "/api/sessions/").removesuffix("/plan")
    told = page.request.get(address).json()
    origin = {"Origin": address.split("/api")[0]}
    page.request.put(
        f"{address}/day-answer", headers=origin, data={"revision": told["revision"], "answer": {}}
    )
    said = [{"kind": "said", "word": w, "region": "back", "side": "mid", "depth": 3} for w in words]
    kinds = [{"kind": "began", "sheet_id": told["sheet_id"]}, *said, {"kind": "ended"}]
    events = [
        {"id": str(uuid4()), "at": (NOW + timedelta(minutes=10 * n)).isoformat(), **kind}
        for n, kind in enumerate(kinds)
    ]
    answer = page.request.post(f"{address}/events", headers=origin, data={"events": events})
    assert answer.ok, answer.text()
    page.goto(page.url.removesuffix("plan") + "log")
    return Log(page)


def signed(page: Page) -> None:
    page.get_by_role("button", name="Sign the log").click()
    expect(page.get_by_text(re.compile("^Signed by Wenna Tidebrook"))).to_be_visible()


def learn(page: Page) -> None:
    page.get_by_role("navigation", name="Stages of the session").get_by_role("link", name="Learn").click()
    expect(page.get_by_role("heading", name="The depth that suits, by region")).to_be_visible()


def test_an_untroubled_session_is_on_record_in_two_acts_from_its_end(page: Page, today: Today):
    today.open("Isolde Kelpworth")
    work = Plan(page).to_work()
    work.begin()
    work.end()
    # The first act was the link from Work to the log; this is the second.
    signed(page)
    expect(page.get_by_label("What happened")).to_have_count(0)
    page.reload()
    expect(page.get_by_text(re.compile("^Signed by Wenna Tidebrook"))).to_be_visible()
    page.get_by_role("link", name="Mellow Tide").click()
    expect(today.next_action).not_to_contain_text("Isolde Kelpworth")


def test_the_actual_tide_lies_over_the_planned_one_and_what_was_skipped_and_added_is_told(
    page: Page, today: Today
):
    today.open("Isolde Kelpworth")
    work = Plan(page).to_work()
    work.begin()
    work.go_on_until(lambda: work.is_at("Kneading"))
    work.happened("Skip this stroke")
    work.happened("Add a region")
    page.get_by_role("dialog").get_by_role("button", name=re.compile("^Feet")).click()
    page.keyboard.press("PageDown")
    page.keyboard.press("PageDown")
    undone = page.get_by_role("dialog", name="Left undone here")
    work.go_on_until(undone.is_visible)
    undone.get_by_label("Why it is left out").fill("ticklish today")
    undone.get_by_role("button", name="Leave it out").click()
    work.end()
    expect(page.get_by_text("As it was", exact=True)).to_be_visible()
    told = page.get_by_role("region", name="How it went")
    expect(told).to_contain_text("Kneading, back: ticklish today")
    expect(told).to_contain_text("Right foot")


def test_a_signed_log_is_added_to_and_taken_along(page: Page, today: Today):
    today.open("Ottilie Saltgrove")
    page.get_by_label("What the client said").fill("The best hour of the week.")
    page.get_by_label("Rise slowly").check()
    page.get_by_role("button", name="Sign the log").click()
    expect(page.get_by_text("The best hour of the week.")).to_be_visible()
    page.get_by_label("Add to the log").fill("Rang next morning: slept through.")
    page.get_by_role("button", name="Add to the signed log").click()
    expect(page.get_by_role("region", name="Additions")).to_contain_text(
        "by Wenna Tidebrook: Rang next morning: slept through."
    )
    with page.expect_download() as paper:
        page.get_by_role("link", name="Download as PDF").click()
    assert paper.value.suggested_filename == "session-log.pdf"


def another_session(app_dsn: str, page: Page) -> str:
    """A session of this page's client later today, planned as this one was; its id."""
    url = page.url.replace("/session/", "/api/sessions/").rsplit("/", 1)[0]
    told = page.evaluate("url => fetch(url).then((answer) => answer.json())", url)
    made = uuid4()
    with Database(app_dsn, most_connections=1) as db, db.transaction(Sight(PRACTICE_ID)) as t:
        plan = StoredPlan.model_validate(told["plan"])
        add_session(
            t,
            NewSession(
                made,
                UUID(told["client"]["client_id"]),
                THERAPIST_ID,
                NOW + timedelta(days=2),
                plan,
            ),
        )
    return str(made)


def test_the_next_plan_knows_what_this_visit_taught_and_what_it_left(
    page: Page, today: Today, server, app_dsn
):
    worked(page, today, "Isolde Kelpworth", "lighter", "lighter")
    later = another_session(app_dsn, page)
    page.get_by_label("Wishes for next time").fill("longer on the hands")
    page.get_by_label("A question for their own clinician").fill("Is swimming all right again?")
    page.get_by_role("button", name="Sign the log").click()
    learn(page)
    draft = page.get_by_role("region", name="The next plan")
    expect(draft).to_contain_text(re.compile(r"Back: to depth \d \(it was \d\), since it starts at"))
    draft.get_by_role("button", name="Compare with the last plan").click()
    expect(draft.get_by_role("table").first).to_be_visible()
    page.goto(f"{server.url}/session/{later}/plan")
    expect(page.get_by_text(re.compile("Pressure, back: depth"))).to_be_visible()
    wish = page.get_by_role("checkbox", name=re.compile("^Longer on the hands"))
    wish.check()
    page.reload()
    expect(wish).to_be_checked()
    page.get_by_role("link", name="Meet").click()
    expect(page.get_by_role("checkbox", name=re.compile("^Is swimming all right again"))).to_be_visible()


def test_an_unusual_visit_is_left_out_and_the_estimate_moves(page: Page, today: Today):
    worked(page, today, "Isolde Kelpworth", "deeper", "deeper")
    signed(page)
    learn(page)
    wishes = page.get_by_role("region", name="Wishes by region")
    back = wishes.get_by_role("row").filter(has=page.get_by_role("rowheader", name="Back"))
    expect(back).to_contain_text("starts at")
    page.get_by_role("button", name="That visit was unusual").click()
    page.get_by_label("Why it was unusual").fill("she had not slept")
    page.get_by_role("button", name="Leave it out").click()
    expect(page.get_by_text("Left out by Wenna Tidebrook: she had not slept.")).to_be_visible()
    expect(back).to_have_count(0)
    page.get_by_role("button", name="Count it again").click()
    expect(back).to_contain_text("starts at")


def test_a_wish_set_by_hand_moves_the_estimate_and_says_why(page: Page, today: Today):
    worked(page, today, "Isolde Kelpworth", "just_right")
    signed(page)
    learn(page)
    hill = page.get_by_role("row").filter(has=page.get_by_role("rowheader", name="Back")).get_by_role("img")
    before = hill.get_attribute("aria-label")
    page.get_by_role("button", name="Set a wish by hand").click()
    form = page.get_by_role("form", name="Set a wish by hand")
    form.get_by_label("Region").select_option("back")
    form.get_by_label("Depth").select_option("1.5")
    form.get_by_label("Why").fill("a bruise heals")
    form.get_by_role("button", name="Let it count").click()
    expect(page.get_by_text("because a bruise heals")).to_be_visible()
    expect(hill).not_to_have_attribute("aria-label", before)


def test_before_anything_was_said_learn_says_what_to_do(page: Page, today: Today):
    today.open("Corin Foghollow")
    learn(page)
    expect(page.get_by_text("Nothing has been said about pressure yet.")).to_be_visible()
    expect(page.get_by_text("No visit yet.")).to_be_visible()


def test_the_own_pace_is_shown_and_used_once_it_is_accepted(page: Page, today: Today):
    today.open("Ottilie Saltgrove")
    learn(page)
    pace = page.get_by_role("region", name="Your own pace")
    expect(pace.get_by_text("until you accept yours")).to_be_visible()
    pace.get_by_text("Stroke by stroke").click()
    expect(pace.get_by_role("row").nth(1)).to_contain_text(re.compile("usual|slower|faster"))
    pace.get_by_role("button", name="Use my pace").click()
    expect(pace.get_by_text("New plans use it.")).to_be_visible()
    page.reload()
    pace.get_by_text("Stroke by stroke").click()
    pace.get_by_role("button", name="Back to the usual pace").click()
    expect(pace.get_by_text("until you accept yours")).to_be_visible()


def test_what_the_client_takes_home_is_written_from_the_signed_log(page: Page, today: Today):
    today.open("Ottilie Saltgrove")
    expect(page.get_by_role("button", name="Sign the log")).to_be_visible()
    page.goto(page.url.removesuffix("log") + "aftercare")
    expect(page.get_by_text("Sign the log first")).to_be_visible()
    page.get_by_role("link", name="To the log").click()
    signed(page)
    page.get_by_role("link", name="Aftercare").click()
    words = page.get_by_role("article", name="Aftercare")
    expect(words).to_contain_text("Thank you for coming to The Loft above the Boat Shed")
    expect(words).to_contain_text("once a day")
    page.get_by_label("A stretch to go with it").select_option("")
    expect(words).not_to_contain_text("once a day")
    page.get_by_text("The practice’s text").click()
    text = page.get_by_role("textbox", name="The practice’s text")
    text.fill("Tea for {somebody}.")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert")).to_contain_text("use: {client}")
    expect(text).to_have_value("Tea for {somebody}.")
    text.fill("Tea for {client}.")
    page.get_by_role("button", name="Save").click()
    expect(words).to_have_text(re.compile("^Tea for "))
    with page.expect_download() as paper:
        page.get_by_role("link", name="Download as a PDF").click()
    assert paper.value.suggested_filename == "after-your-session.pdf"
