"""The hour at the table: what gives way, sore points, what the body says, pause and stop."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import Plan, Today, Work, as_booked, run_of


@pytest.fixture
def table(page: Page, today: Today) -> Work:
    """Isolde's session, begun, with the clock in our hands, at the back's first lubricated strokes."""
    today.open("Isolde Kelpworth")
    work = Plan(page).to_work()
    as_booked(page)
    with page.expect_response(re.compile("/table-side$")):
        work.begin()
    work.go_on_until(lambda: work.is_at("Kneading|Effleurage"))
    return work


def test_when_it_is_late_what_gives_way_is_said_before_it_happens(page: Page, table: Work):
    page.clock.run_for(900_000)
    gives = page.get_by_role("region", name="What gives way")
    expect(page.get_by_role("status").filter(has_text="behind")).to_be_visible()
    expect(gives.get_by_role("status")).to_contain_text("less")
    gives.get_by_role("button", name="Do this").click()
    expect(gives).to_be_hidden()
    bent = run_of(page)
    assert bent["total"]
    assert set(bent["allotted"].values()) != set()
    pairs = {part.rsplit("-", 1)[0] for part in bent["allotted"] if part.endswith("-left")}
    for pair in pairs:
        assert bent["allotted"].get(f"{pair}-left") == bent["allotted"].get(f"{pair}-right")


def test_what_gives_way_can_be_refused_and_is_offered_again_only_when_it_is_later_still(
    page: Page, table: Work
):
    page.clock.run_for(700_000)
    gives = page.get_by_role("region", name="What gives way")
    gives.get_by_role("button", name="Keep the plan").click()
    expect(gives).to_be_hidden()
    page.clock.run_for(30_000)
    expect(gives).to_be_hidden()
    page.clock.run_for(60_000)
    expect(gives).to_be_visible()
    assert run_of(page)["allotted"] == {}


def test_a_client_who_must_leave_early_loses_the_least_and_what_is_left_out_is_passed_over(
    page: Page, table: Work
):
    page.get_by_role("button", name="Leave early").click()
    gives = page.get_by_role("region", name="What gives way")
    gives.get_by_role("button", name="15 min").click()
    expect(gives.get_by_role("status")).to_contain_text("left out")
    gives.get_by_role("button", name="Do this").click()
    out = {part for part, seconds in run_of(page)["allotted"].items() if seconds == 0}
    assert out
    places = set()

    def is_over():
        if page.get_by_role("heading", name="End the session?").is_visible():
            return True
        next_up = page.get_by_text(re.compile("^Next: ")).or_(page.get_by_text("The last hold"))
        places.add(next_up.inner_text())
        return False

    table.go_on_until(is_over)
    spoken = " ".join(places).lower()
    # The close lies supine: what is left out does not take the turn with it.
    assert spoken.count("turn to supine") == 1
    regions = {"foot": "foot", "arm": "arm", "hand": "hand"}
    for part in out:
        region = part.rsplit("-", 1)[0]
        if region in regions:
            assert f", {part.rsplit('-', 1)[-1]} {regions[region]}" not in spoken


def test_time_stands_still_in_a_pause(page: Page, table: Work):
    page.get_by_role("button", name="Pause").click()
    expect(page.get_by_role("status").filter(has_text="Paused")).to_be_visible()
    before = run_of(page)
    page.clock.run_for(600_000)
    page.get_by_role("button", name="Resume", exact=True).click()
    after = run_of(page)
    assert after["paused"] >= 600
    assert sum(after["taken"].values()) - sum(before["taken"].values()) < 30
    expect(page.get_by_text(re.compile("behind$"))).to_have_count(0)


def test_a_sore_point_is_a_series_with_three_holds_at_most(page: Page, table: Work):
    page.keyboard.press("p")
    points = page.get_by_role("dialog", name="Sore points")
    points.get_by_role("checkbox", name="The client named it").check()
    points.get_by_role("button", name="Right inner edge of the shoulder blade").click()
    hold = points.get_by_role("button", name="Start hold")
    expect(hold).to_be_disabled()
    points.get_by_role("button", name="8", exact=True).click()
    expect(points.get_by_role("status")).to_contain_text("Over the ceiling: ease off at once.")
    expect(hold).to_be_disabled()
    points.get_by_role("button", name="7", exact=True).click()
    for number in ("6", "5", "3"):
        hold.click()
        page.clock.run_for(8000)
        expect(points.get_by_role("timer")).to_have_text(re.compile("^8 s"))
        points.get_by_role("button", name="Let go").click()
        points.get_by_role("button", name=number, exact=True).click()
    expect(points.get_by_role("status")).to_contain_text("Three holds: enough for today.")
    expect(hold).to_be_disabled()
    points.get_by_label("Travels to").fill("down the arm")
    points.get_by_role("button", name="Save").click()
    points.get_by_role("button", name="Back to the stroke").click()
    expect(page.get_by_role("button", name="Sore point 1 here")).to_be_visible()
    (point,) = run_of(page)["points"]
    assert (point["zone"], point["named"], point["holds"]) == ("medial_scapula", True, 3)
    assert point["numbers"] == [8, 7, 6, 5, 3]
    assert point["travels"] == ["down the arm"]


def test_a_point_that_rises_is_left_and_the_order_to_treat_them_is_proposed(page: Page, table: Work):
    page.keyboard.press("p")
    points = page.get_by_role("dialog", name="Sore points")
    for zone, numbers in (
        ("Left upper back", ("3",)),
        ("Right lower back", ("6",)),
        ("Left erectors", ("4", "6")),
    ):
        points.get_by_role("button", name=zone, exact=True).click()
        for number in numbers:
            points.get_by_role("button", name=number, exact=True).click()
        if zone == "Left erectors":
            expect(points.get_by_role("status")).to_contain_text("It rises: part")
        points.get_by_role("button", name="Another point").click()
    order = points.get_by_role("list", name="In the order to treat them").get_by_role("listitem")
    for index, words in enumerate(("Right lower back", "Left upper back", "Left erectors")):
        expect(order.nth(index)).to_contain_text(words)
    expect(order.nth(2)).to_contain_text("done for today")


def test_what_the_body_says_is_one_tap(page: Page, table: Work):
    table.happened("Breath held")
    table.happened("Sleeping")
    seen = run_of(page)["seen"]
    assert [(one["sign"], one["region"]) for one in seen] == [("breath_held", "back"), ("sleeping", "back")]


def test_stopping_for_safety_is_always_in_one_place_and_says_what_to_do(page: Page, table: Work):
    page.get_by_role("button", name="Stop", exact=True).click()
    dialog = page.get_by_role("dialog", name="Stop the session")
    expect(dialog).to_contain_text("call for help at once")
    expect(dialog).to_be_focused()
    page.keyboard.press("Escape")
    expect(dialog).to_be_hidden()
    page.get_by_role("button", name="Stop", exact=True).click()
    dialog.get_by_role("button", name="Go on with the session").click()
    expect(dialog).to_be_hidden()
    page.get_by_role("button", name="Stop", exact=True).click()
    dialog.get_by_role("button", name="Unwell or dizzy").click()
    expect(page.get_by_role("heading", name="The session was stopped.")).to_be_visible()
    expect(page.get_by_text("say what you saw, not what you think it is")).to_be_visible()
    run = run_of(page)
    assert run["halted"] == "Unwell or dizzy"
    assert run["ended_at"]


def test_on_a_phone_everything_of_stopping_can_be_reached(page: Page, table: Work):
    page.set_viewport_size({"width": 390, "height": 640})
    page.get_by_role("button", name="Stop", exact=True).click()
    dialog = page.get_by_role("dialog", name="Stop the session")
    go_on = dialog.get_by_role("button", name="Go on with the session")
    go_on.scroll_into_view_if_needed()
    expect(go_on).to_be_in_viewport(ratio=1)
    first = dialog.get_by_role("heading", name="Hands still, then off.")
    first.scroll_into_view_if_needed()
    expect(first).to_be_in_viewport(ratio=1)
    go_on.click()
    expect(dialog).to_be_hidden()


def test_two_sessions_under_way_are_both_in_sight(page: Page, today: Today):
    for client in ("Isolde Kelpworth", "Bram Lanternby"):
        today.open(client)
        Plan(page).to_work().begin()
        page.goto(page.url.split("/session")[0])
        expect(today.next_action).to_be_visible()
    expect(today.next_action).to_contain_text("Bram Lanternby")
    expect(page.get_by_role("region", name="Also under way")).to_contain_text("Isolde Kelpworth")


def test_a_point_shown_on_the_plan_is_known_with_its_side(page: Page, table: Work):
    page.keyboard.press("p")
    points = page.get_by_role("dialog", name="Sore points")
    plan = points.get_by_role("img", name=re.compile("^Table plan"))
    for half in ("medial_scapula 0", "medial_scapula 1"):
        plan.locator(f"[data-spot='{half}']").click()
        points.get_by_role("button", name="Another point").click()
    sides = {point["side"] for point in run_of(page)["points"]}
    assert sides == {"left", "right"}
    points.get_by_role("list", name="In the order to treat them").get_by_role("button").first.click()
    points.get_by_role("button", name="Set by mistake: remove it").click()
    assert len(run_of(page)["points"]) == 1


def test_it_goes_on_by_itself_at_the_plan_s_pace_or_waits_as_one_likes(page: Page, table: Work):
    here = page.get_by_text(re.compile("^Next: ")).inner_text()
    page.clock.run_for(120_000)
    expect(page.get_by_text(here, exact=True)).to_be_visible()
    table.more("Waits for you")
    page.clock.run_for(300_000)
    expect(page.get_by_text(here, exact=True)).to_be_hidden()
    moved = run_of(page)["entry"]
    page.get_by_role("button", name="Pause").click()
    page.clock.run_for(300_000)
    assert run_of(page)["entry"] in (moved, moved + 1)
    page.get_by_role("button", name="Resume", exact=True).click()
    table.more("Goes on by itself")
    waits = run_of(page)["entry"]
    page.clock.run_for(300_000)
    assert run_of(page)["entry"] == waits


def test_nothing_is_left_undone_unseen(page: Page, table: Work):
    skipped = table.stroke.inner_text()
    table.happened("Skip this stroke")
    expect(page.get_by_text("1 stroke skipped")).to_be_visible()
    undone = page.get_by_role("dialog", name="Left undone here")
    table.go_on_until(undone.is_visible)
    expect(undone).to_contain_text(f"Left undone here: {skipped.capitalize()}")
    here = table.stroke.inner_text()
    undone.get_by_role("button", name="Do it now").click()
    expect(table.stroke).to_have_text(skipped)
    expect(page.get_by_text("1 stroke skipped")).to_be_hidden()
    page.keyboard.press("PageDown")
    expect(table.stroke).to_have_text(here)
    assert run_of(page)["skipped"] == []


def test_what_is_left_out_has_a_reason_and_what_is_for_later_stands_until_the_end(page: Page, table: Work):
    table.happened("Skip this stroke")
    undone = page.get_by_role("dialog", name="Left undone here")
    table.go_on_until(undone.is_visible)
    undone.get_by_label("Why it is left out").fill("too tender")
    undone.get_by_role("button", name="Leave it out").click()
    assert [one["reason"] for one in run_of(page)["skipped"]] == ["too tender"]
    table.go_on_until(
        lambda: table.pad("Lighter").is_enabled() and page.get_by_text("passes").first.is_visible()
    )
    table.happened("Skip this stroke")
    # At the end of its region, and again when the cover goes back over the passage.
    for _ in range(2):
        table.go_on_until(undone.is_visible)
        undone.get_by_role("button", name="Later").click()
    table.go_to_the_end()
    expect(page.get_by_text("Still to do: ")).to_be_visible()


def test_a_whole_region_is_skipped_in_two_taps(page: Page, table: Work):
    table.happened("Skip the region")
    undone = page.get_by_role("dialog", name="Left undone here")
    undone.get_by_label("Why it is left out").fill("not today")
    undone.get_by_role("button", name="Leave it out").click()
    expect(undone).to_be_hidden()
    expect(page.get_by_role("main").get_by_text(re.compile("^Back"))).to_have_count(0)
    (skipped,) = run_of(page)["skipped"]
    assert (skipped["part_id"], skipped["reason"]) == ("back", "not today")
    assert len(skipped["entries"]) > 2


def test_a_whole_passage_is_skipped_as_one(page: Page, table: Work):
    table.happened("Skip the back with shoulders")
    undone = page.get_by_role("dialog", name="Left undone here")
    expect(undone).to_contain_text(re.compile(r"\d+ strokes on back, right shoulder and left shoulder"))
    undone.get_by_role("button", name="Leave it out").click()
    expect(undone).to_be_hidden()
    expect(table.stroke).to_have_text("Cover the back")
    skipped = run_of(page)["skipped"]
    assert [one["part_id"] for one in skipped] == ["back", "shoulders-right", "shoulders-left"]
    assert {one["reason"] for one in skipped} == {"left out"}


def test_acts_written_by_hand_are_read_at_the_table(page: Page, today: Today):
    """How the client lies, the strips of a search, the therapist's note, the breath, and the number asked again."""
    today.open("Isolde Kelpworth")
    plan = Plan(page)
    line = page.get_by_role("combobox", name="Add by typing")
    for typed, meant in (("search 3", "Search for sore places"), ("recheck", "Feel it again")):
        line.fill(f"right calf {typed}")
        page.get_by_role("option").filter(has_text=meant).first.click()
        plan.planned()
    plan.swell("right calf").click()
    page.get_by_role("button", name="More about search for sore places").click()
    page.get_by_label("Note").fill("Along the outer edge.")
    page.get_by_label("Press on the out-breath").check()
    page.get_by_role("button", name="Save", exact=True).click()
    plan.planned()
    work = plan.to_work()
    expect(page.get_by_role("region", name="Set up first")).to_contain_text("under the ankles")
    as_booked(page)
    work.begin()
    work.go_on_until(lambda: work.is_at("Search for sore places"))
    expect(page.get_by_test_id("counting")).to_contain_text("Strip")
    expect(page.get_by_text("Along the outer edge.")).to_be_visible()
    expect(page.get_by_text("Lean in on each out-breath")).to_be_visible()
    work.go_on_until(lambda: work.is_at("Feel it again"))
    expect(page.get_by_text("Ask: which number now, 0 to 10?")).to_be_visible()
