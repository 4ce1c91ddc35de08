import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import Plan, SignIn, Today, edit, lengthen, take_away


@pytest.fixture
def plan(page: Page, today: Today) -> Plan:
    today.open("Isolde Kelpworth")
    screen = Plan(page)
    expect(screen.fit).to_be_visible()
    return screen


def test_absurd_minutes_are_refused_beside_the_field_and_nothing_is_saved(page: Page, plan: Plan):
    panel = plan.type_minutes("4000")
    expect(panel.get_by_role("alert")).to_have_text(re.compile("Too large: use 120 or less"))
    page.keyboard.press("Escape")
    expect(plan.word("Booked minutes")).to_have_text("4000 minutes")
    page.get_by_role("button", name="Undo the change to the brief").click()
    expect(plan.word("Booked minutes")).to_have_text("60 minutes")
    page.reload()
    expect(plan.word("Booked minutes")).to_have_text("60 minutes")


def test_a_brief_that_cannot_fit_names_what_to_change(page: Page, plan: Plan):
    panel = plan.panel("Focus")
    for region in ("back", "neck", "feet"):
        panel.get_by_role("checkbox", name=region, exact=True).check()
    page.keyboard.press("Escape")
    plan.planned()
    panel = plan.type_minutes("20")
    expect(panel.get_by_role("alert")).to_contain_text("too few: book")
    page.keyboard.press("Escape")
    would_do = page.get_by_role("region", name="What would work")
    expect(would_do.get_by_role("button")).to_have_count(3)
    expect(would_do).to_contain_text("Take back out of the focus")
    would_do.get_by_role("button", name="Book 30 minutes").click()
    plan.planned()
    expect(plan.word("Booked minutes")).to_have_text("30 minutes")
    expect(plan.fit).to_have_text(re.compile("^Fits"))


def test_the_tide_line_is_walked_by_keys_and_opens_the_list(page: Page, plan: Plan):
    plan.swell("back").click()
    expect(plan.part("Back")).to_have_attribute("aria-expanded", "true")
    expect(page.get_by_role("list", name="Strokes")).to_contain_text("effleurage")
    page.keyboard.press("ArrowRight")
    following = plan.tide.locator("[role=button][aria-pressed=true]")
    expect(following).to_be_focused()
    name = following.get_attribute("aria-label").split(",")[0]
    assert name != "back"
    expect(
        page.locator("[aria-expanded=true]").filter(has_text=re.compile(name, re.IGNORECASE))
    ).to_be_visible()
    page.keyboard.press("Home")
    expect(plan.tide.locator("[role=button]").first).to_be_focused()
    page.keyboard.press("ArrowLeft")
    expect(plan.tide.locator("[role=button]").first).to_be_focused()


def test_what_is_left_out_can_be_asked_for(page: Page, plan: Plan):
    left_out = plan.beside("Left out")
    ask = left_out.get_by_role("button", name=re.compile("^Ask for the")).first
    wanted = ask.inner_text().removeprefix("Ask for the ")
    ask.click()
    shown = page.get_by_role("region", name="Before you take it")
    priced = shown.get_by_text(re.compile("→|new, ")).first.inner_text()
    assert priced
    shown.get_by_role("button", name="Use it").click()
    expect(plan.word("Focus")).to_contain_text(wanted)


def test_a_change_in_another_window_is_not_overwritten_and_ones_own_not_lost(page: Page, plan: Plan, context):
    other = context.new_page()
    other.goto(page.url)
    elsewhere = Plan(other)
    elsewhere.panel("Pressure").get_by_role("radio", name=re.compile("^Light")).click()
    elsewhere.planned()
    plan.panel("Close with").get_by_role("radio", name="At the head").click()
    told = page.get_by_role("region", name="Changed in another window")
    expect(told.get_by_role("alert")).to_contain_text("was not made, but it is not lost")
    expect(told.get_by_text(re.compile("other strokes|→")).first).to_be_visible()
    told.get_by_role("button", name="Drop my change").click()
    expect(plan.word("Pressure")).to_have_text("light pressure")
    expect(plan.word("Close with")).to_have_text("at the feet")
    elsewhere.panel("Pressure").get_by_role("radio", name=re.compile("^Firm")).click()
    elsewhere.planned()
    plan.swell("right hip").click()
    page.keyboard.press("s")
    told.get_by_role("button", name="Make my change again").click()
    expect(told).to_be_hidden()
    expect(plan.word("Pressure")).to_have_text("firm pressure")
    expect(plan.swell("right hip")).to_have_count(2)


def test_a_wrong_password_and_an_empty_field_say_what_to_do(page: Page, server):
    page.goto(server.url)
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_text("Enter the e-mail you sign in with.")).to_be_visible()
    SignIn(page).enter(password="spring tide")
    expect(page.get_by_role("alert")).to_contain_text("is wrong")


def test_signing_out_leads_back_and_in_again_to_the_same_page(page: Page, plan: Plan, server):
    wanted = page.url
    page.get_by_role("button", name="Sign out").click()
    expect(page.get_by_label("E-mail")).to_be_visible()
    page.goto(wanted)
    SignIn(page).enter()
    expect(plan.fit).to_be_visible()
    assert page.url == wanted


def test_a_finding_is_shown_at_its_place_and_its_repair_before_it_is_taken(page: Page, plan: Plan):
    take_away(page, "hips-left")
    page.reload()
    answer = page.get_by_role("button", name=re.compile("to check"))
    answer.click()
    findings = page.get_by_role("region", name="To check")
    expect(findings).to_contain_text("The right hip is worked, the left is not.")
    findings.get_by_text("Why").first.click()
    expect(findings.get_by_text("leaves feeling lopsided")).to_be_visible()
    findings.get_by_role("button", name="Show it").first.click()
    expect(plan.part("Right hip")).to_have_attribute("aria-expanded", "true")
    expect(plan.swell("right hip")).to_have_attribute("aria-pressed", "true")
    expect(findings).to_be_visible()
    findings.get_by_role("button", name="Work the left side the same").click()
    look = page.get_by_role("region", name="Before you take it")
    expect(look).to_contain_text(re.compile("Hips.* → "))
    expect(plan.swell("left hip")).to_be_visible()
    look.get_by_role("button", name="Leave it as it is").click()
    expect(plan.swell("left hip")).to_have_count(0)
    answer.click()
    findings.get_by_role("button", name="Work the left side the same").click()
    look.get_by_role("button", name="Use it").click()
    expect(look).to_be_hidden()
    expect(plan.part("Left hip")).to_be_visible()


def test_all_advice_is_mended_at_once_and_shown_first(page: Page, plan: Plan):
    edit(page, [{"kind": "change_part", "part_id": "back", "oil": "much"}])
    page.reload()
    page.get_by_role("button", name=re.compile("to check")).click()
    page.get_by_role("button", name="Fix all that is worth a thought").click()
    look = page.get_by_role("region", name="Before you take it")
    expect(look).to_contain_text("1 fixed at once")
    look.get_by_role("button", name="Use it").click()
    expect(page.get_by_text("Safe", exact=True)).to_be_visible()


def test_another_kind_of_session_is_planned_at_once_and_offers_only_what_it_works(page: Page, plan: Plan):
    plan.of_kind("Chair", "chair")
    expect(plan.word("Booked minutes")).to_have_text("30 minutes")
    expect(plan.fit).to_have_text(re.compile("^Fits 28 min"))
    expect(plan.word("Lubricant")).to_have_count(0)
    panel = plan.panel("Focus")
    expect(panel.get_by_role("checkbox", name="neck", exact=True)).to_be_visible()
    expect(panel.get_by_role("checkbox", name="feet", exact=True)).to_have_count(0)
    page.keyboard.press("Escape")
    plan.of_kind("Side-lying", "side-lying")
    expect(plan.swell("right half of the back")).to_be_visible()
    expect(plan.swell("left half of the back")).to_be_visible()
    page.reload()
    expect(plan.word("Kind of session")).to_have_text("side-lying")
    plan.panel("Begins").get_by_role("radio", name="Lying on the right side").click()
    expect(plan.word("Begins")).to_have_text("lying on the right side first")


def test_labour_support_has_no_minutes_to_meet_and_a_focus_keeps_to_its_part(page: Page, plan: Plan):
    plan.of_kind("Labour support", "labour support")
    expect(page.get_by_text("at her pace")).to_be_visible()
    expect(plan.word("Booked minutes")).to_have_count(0)
    plan.of_kind("Focus", "focus")
    plan.panel("Part of the body").get_by_role("radio", name="Legs", exact=True).click()
    expect(plan.word("Part of the body")).to_have_text("legs")
    plan.planned()
    expect(plan.swell("right calf")).to_be_visible()
    expect(plan.swell("back")).to_have_count(0)


def test_another_way_is_compared_taken_in_one_action_and_undone(page: Page, plan: Plan):
    others = plan.beside("Other plans", "Other plans")
    expect(others.get_by_role("listitem")).to_have_count(2)
    expect(others.get_by_role("listitem").first).to_contain_text(re.compile(r"Feet upwards.*\."))
    others.get_by_role("button", name="Compare").first.click()
    beside = page.get_by_role("region", name="Comparison")
    expect(beside.get_by_role("img", name="Now as water, Feet upwards as a line over it")).to_be_visible()
    expect(beside.get_by_role("row", name=re.compile("^Feet"))).to_be_visible()
    expect(beside.get_by_role("row", name=re.compile("^Turns"))).to_be_visible()
    others.get_by_role("button", name="Use feet upwards").click()
    expect(plan.word("Order")).to_have_text("feet upwards")
    plan.planned()
    expect(plan.fit).to_have_text(re.compile("^Fits"))
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(plan.word("Order")).to_have_text("back outwards")


def test_a_late_client_gets_the_plan_with_the_least_change_taken_or_left(page: Page, plan: Plan):
    fit = page.get_by_role("region", name="Fit to time")
    page.get_by_role("button", name="Another length").click()
    fit.get_by_role("button", name="15 minutes").click()
    expect(fit.get_by_role("heading", name="45 minutes, with the least change")).to_be_visible()
    expect(fit.get_by_text(re.compile(r"\d s →|left out, ")).first).to_be_visible()
    fit.get_by_role("button", name="Leave it as it is").click()
    expect(fit.get_by_role("heading")).to_have_count(0)
    page.reload()
    expect(plan.word("Booked minutes")).to_have_text("60 minutes")
    page.get_by_role("button", name="Another length").click()
    fit.get_by_role("button", name="15 minutes").click()
    fit.get_by_role("button", name="Use it").click()
    expect(plan.word("Booked minutes")).to_have_text("45 minutes")
    expect(plan.fit).to_have_text(re.compile("^Fits 35 min"))
    page.reload()
    expect(plan.word("Booked minutes")).to_have_text("45 minutes")
    # The clock begins later, too.
    expect(page.get_by_text("today at 14:15")).to_be_visible()
    expect(page.get_by_text("Came late")).to_be_visible()


def test_an_opened_part_says_why_it_has_its_minutes(page: Page, plan: Plan):
    plan.swell("back").click()
    expect(page.get_by_text("One more minute here")).to_contain_text(re.compile(r"\d+ s from the \w+"))
    expect(page.get_by_text("This order saves")).to_be_visible()


def test_what_was_set_by_hand_outlives_another_brief(page: Page, plan: Plan):
    lengthen(page, "back", 3)
    page.reload()
    expect(plan.part("Back")).to_contain_text("set by hand")
    taken = plan.part("Back").inner_text()
    panel = plan.panel("Leave out")
    panel.get_by_role("checkbox", name="hands", exact=True).check()
    page.keyboard.press("Escape")
    plan.planned()
    expect(page.get_by_text("Kept as you set it: back.")).to_be_visible()
    assert plan.part("Back").inner_text().split()[-4:] == taken.split()[-4:]


def test_an_edge_is_pulled_and_the_rest_makes_room(page: Page, plan: Plan):
    plan.swell("back").click()
    grip = page.get_by_role("slider", name="Length of back", exact=True)
    before = int(grip.get_attribute("aria-valuenow"))
    page.evaluate("scrollTo(0, 0)")
    box = grip.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 8, y)
    page.mouse.move(x + 48, y, steps=8)
    shown = grip.get_attribute("aria-valuenow")
    page.mouse.up()
    assert int(shown) > before
    expect(page.get_by_text(re.compile(r"^Back \+"))).to_be_visible()
    expect(plan.part("Back")).to_contain_text("set by hand")
    expect(plan.fit).to_have_text(re.compile("^Fits 50 min"))
    page.reload()
    expect(plan.part("Back")).to_contain_text("set by hand")


def test_by_keys_alone_a_part_is_lengthened_left_out_and_all_taken_back(page: Page, plan: Plan):
    plan.swell("back").click()
    focused = plan.tide.locator("[role=button][aria-pressed=true]")
    focused.focus()
    length = page.get_by_role("slider", name="Length of back", exact=True)
    before = int(length.get_attribute("aria-valuenow"))
    for _ in range(3):
        now = length.get_attribute("aria-valuenow")
        page.keyboard.press(".")
        expect(length).not_to_have_attribute("aria-valuenow", now)
        plan.planned()
    after = int(length.get_attribute("aria-valuenow"))
    assert after >= before + 20
    focused.focus()
    page.keyboard.press("Delete")
    expect(plan.word("Leave out")).to_have_text("face and back")
    expect(plan.swell("back")).to_have_count(0)
    # Taken back over a reload: nothing of it is the page's own memory.
    page.reload()
    expect(page.get_by_role("button", name="Undo", exact=True)).to_be_enabled()
    page.keyboard.press("Control+z")
    expect(plan.swell("back")).to_be_visible()
    page.keyboard.press("Control+Shift+Z")
    expect(plan.swell("back")).to_have_count(0)
    for _ in range(4):
        with page.expect_response(re.compile("/undo$")):
            page.get_by_role("button", name="Undo", exact=True).click()
    plan.swell("back").click()
    expect(length).to_have_attribute("aria-valuenow", str(before))
    expect(page.get_by_role("button", name="Undo", exact=True)).to_be_disabled()


def test_a_stroke_is_changed_in_the_list_on_both_sides(page: Page, plan: Plan):
    plan.swell("right hip").click()
    strokes = page.get_by_role("list", name="Strokes")
    strokes.get_by_role("button", name="One more: effleurage").first.click()
    expect(plan.part("Right hip")).to_contain_text("set by hand")
    expect(plan.part("Left hip")).to_contain_text("set by hand")
    depth = strokes.get_by_label("Depth, effleurage").first
    depth.select_option("1")
    expect(depth).to_have_value("1")
    page.reload()
    plan.swell("left hip").click()
    expect(strokes.get_by_label("Depth, effleurage").first).to_have_value("1")


def test_a_part_is_moved_by_keys_and_keeps_its_place_when_the_brief_changes(page: Page, plan: Plan):
    def names():
        return [
            swell.get_attribute("aria-label").split(",")[0] for swell in plan.tide.get_by_role("button").all()
        ]

    before = names()
    plan.swell("neck").click()
    plan.swell("neck").focus()
    page.keyboard.press("Shift+ArrowLeft")
    place = before.index("neck") - 1
    expect(plan.tide.get_by_role("button").nth(place)).to_have_attribute("aria-label", re.compile("^neck,"))
    panel = plan.panel("Pressure")
    panel.get_by_role("radio", name=re.compile("^Light")).click()
    plan.planned()
    expect(plan.word("Pressure")).to_have_text("light pressure")
    after = names()
    assert after.index("neck") < after.index(before[place])


def test_the_keys_are_told_on_a_question_mark(page: Page, plan: Plan):
    expect(plan.fit).to_be_visible()
    page.keyboard.press("?")
    keys = page.get_by_role("dialog", name="Keys of this screen")
    expect(keys).to_contain_text("15 s shorter, 15 s longer")
    page.keyboard.press("Escape")
    expect(keys).to_be_hidden()


def test_a_passage_is_one_row_that_opens_and_is_pulled_moved_and_taken_away_as_one(page: Page, plan: Plan):
    rows = page.get_by_role("region", name="Sequence")
    leg = rows.get_by_role("button", name=re.compile("Right leg, behind: "))
    hip = rows.get_by_role("button", name=re.compile("Right hip"))
    expect(hip).to_have_count(0)
    leg.click()
    expect(hip).to_be_visible()
    minutes = rows.get_by_role("textbox", name="Minutes, right leg, behind")
    before = minutes.input_value()
    minutes.fill(f"{int(before.split(':')[0]) + 1}:30")
    minutes.press("Enter")
    plan.planned()
    expect(leg).to_contain_text("set by hand")
    expect(minutes).not_to_have_value(before)
    order = [
        row.split(":")[1] for row in rows.get_by_role("listitem").all_inner_texts() if "leg, behind:" in row
    ]
    rows.get_by_role("button", name="Later").first.click()
    expect(page.get_by_role("status").filter(has_text="Right leg, behind")).to_be_attached()
    plan.planned()
    assert order
    rows.get_by_role("button", name="Remove", exact=True).first.click()
    plan.planned()
    expect(leg).to_have_count(0)
    page.keyboard.press("Control+z")
    plan.planned()
    expect(leg).to_be_visible()


def test_the_bottom_line_says_where_the_time_between_strokes_goes(page: Page, plan: Plan):
    page.get_by_role("button", name=re.compile("min of work, .* between")).click()
    expect(page.get_by_role("term").filter(has_text="Turning over")).to_be_visible()
    expect(page.get_by_role("definition").first).to_have_text(re.compile("min|s"))


def test_a_sore_point_has_its_minutes_and_each_stroke_says_why_it_is_there(page: Page, plan: Plan):
    panel = plan.panel("Sore points")
    panel.get_by_label("Sore point on").select_option("shoulders right")
    panel.get_by_label("All of it, or a zone").select_option("levator")
    panel.get_by_role("button", name="Add point").click()
    plan.planned()
    page.keyboard.press("Escape")
    expect(plan.word("Sore points")).to_have_text("time for right shoulder, levator")
    expect(plan.fit).to_have_text(re.compile("^Fits"))
    expect(page.get_by_text(re.compile("^Sides even"))).to_be_visible()
    plan.swell("right shoulder").click()
    expect(page.get_by_role("list", name="Strokes")).to_contain_text("hold on a point")
    page.get_by_role("button", name="Why these strokes").click()
    expect(page.get_by_text("is for the sore point").first).to_be_visible()
    expect(page.get_by_text(re.compile("would take .* of ")).first).to_be_visible()


def test_a_focus_is_chosen_on_the_body_as_in_the_list(page: Page, plan: Plan):
    panel = plan.panel("Focus")
    panel.locator('[data-spot="back mid"]').click()
    expect(panel.get_by_role("checkbox", name="back", exact=True)).to_be_checked()
    page.keyboard.press("Escape")
    expect(plan.word("Focus")).to_have_text("more back")
    plan.planned()
    off = plan.panel("Leave out")
    off.locator('[data-spot="foot left"]').click()
    expect(off.get_by_role("checkbox", name="feet")).to_be_checked()
    off.locator('[data-spot="back mid"]').click()
    expect(off.get_by_role("checkbox", name="back", exact=True)).not_to_be_checked()
    page.keyboard.press("Escape")
    expect(plan.swell("right foot")).to_have_count(0)


def test_more_much_more_or_nothing_is_chosen_on_the_body_and_in_the_list(page: Page, plan: Plan):
    panel = plan.panel("Focus")
    foot = panel.locator("[data-spot='foot left']")
    foot.click()
    expect(plan.word("Focus")).to_have_text("more feet")
    foot.click()
    expect(plan.word("Focus")).to_have_text("much more feet")
    panel.get_by_role("button", name="Much more, feet").click()
    expect(plan.word("Focus")).to_have_text("more feet")
    panel.get_by_role("button", name="Much more, feet").click()
    expect(plan.word("Focus")).to_have_text("much more feet")
    foot.click()
    expect(plan.word("Focus")).to_have_text("no focus")
    panel.locator("[data-spot='back mid']").click(delay=900)
    expect(plan.word("Leave out")).to_have_text("face and back")
    expect(panel.get_by_role("checkbox", name="back", exact=True)).to_be_disabled()
    panel.locator("[data-spot='back mid']").click(delay=900)
    expect(plan.word("Leave out")).to_have_text("face")
