"""Designing by hand: on the tide line, on the table plan, in the list, and by typing."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.pages import Plan, Today, press_until, remove_stroke


@pytest.fixture
def plan(page: Page, today: Today) -> Plan:
    today.open("Isolde Kelpworth")
    screen = Plan(page)
    expect(screen.fit).to_be_visible()
    return screen


def test_where_a_part_may_not_go_the_reason_shows_and_letting_go_changes_nothing(page: Page, plan: Plan):
    before = plan.names()
    plan.drag("right hip", (660, 0))
    expect(page.get_by_test_id("drag")).to_contain_text("cannot be worked with the client supine")
    page.mouse.up()
    expect(page.get_by_test_id("drag")).to_have_count(0)
    assert plan.names() == before
    expect(page.get_by_role("button", name="Undo", exact=True)).to_be_disabled()


def test_a_dragged_part_lands_is_kept_and_can_be_taken_back(page: Page, plan: Plan):
    before = plan.names()
    back = before.index("back")
    distance = plan.swell("left shoulder").bounding_box()["x"] - plan.swell("back").bounding_box()["x"]
    plan.drag("back", (int(distance), 4))
    expect(page.get_by_test_id("drag")).to_contain_text("between strokes")
    page.mouse.up()
    expect(plan.tide.get_by_role("button").nth(back)).not_to_have_attribute(
        "aria-label", re.compile("^back,")
    )
    page.reload()
    expect(plan.fit).to_be_visible()
    assert plan.names().index("back") > back
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(plan.tide.get_by_role("button").nth(back)).to_have_attribute("aria-label", re.compile("^back,"))
    assert plan.names() == before


def test_a_passage_is_carried_as_one_and_the_part_that_is_chosen_alone(page: Page, plan: Plan):
    leg = ["right hip", "right back of the thigh", "right calf"]
    distance = (
        plan.swell("right arm").bounding_box()["x"]
        - plan.swell("right back of the thigh").bounding_box()["x"]
    )
    plan.drag("right back of the thigh", (int(distance / 3), 0))
    carried = page.get_by_test_id("drag")
    expect(carried).to_contain_text(re.compile("[Rr]ight leg, behind"))
    expect(carried.locator("path")).to_have_count(3)
    page.mouse.up()
    told = page.get_by_role("status", name="What was done")
    expect(told).to_contain_text("Right leg, behind")
    names = plan.names()
    at = names.index(leg[0])
    assert names[at : at + 3] == leg
    plan.swell("right back of the thigh").click()
    plan.drag("right back of the thigh", (120, 0))
    expect(carried.locator("path")).to_have_count(1)
    page.keyboard.press("Escape")
    page.mouse.up()


def test_where_a_passage_may_not_go_the_part_that_was_taken_up_goes_alone(page: Page, plan: Plan):
    # Face down nothing lifts the head: with this stretch the neck could not go there either.
    remove_stroke(page, "neck", "held_stretch")
    page.reload()
    distance = plan.swell("back").bounding_box()["x"] - plan.swell("neck").bounding_box()["x"]
    plan.drag("neck", (int(distance), 0))
    carried = page.get_by_test_id("drag")
    expect(carried).to_contain_text("neck alone here")
    expect(carried.locator("path")).to_have_count(1)
    page.mouse.up()
    expect(page.get_by_role("status", name="What was done")).to_contain_text("Neck alone here")
    names = plan.names()
    assert names.index("neck") < names.index("back") < names.index("right chest")


def test_the_edge_of_a_passage_is_pulled_and_each_of_its_parts_takes_its_share(page: Page, plan: Plan):
    plan.swell("right calf").click()
    whole = page.get_by_role("slider", name=re.compile("^Length of right leg, behind$", re.I))
    alone = page.get_by_role("slider", name="Length of right calf", exact=True)
    before = [int(one.get_attribute("aria-valuenow")) for one in (whole, alone)]
    page.evaluate("scrollTo(0, 0)")
    box = whole.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 48, y, steps=8)
    page.mouse.up()
    expect(plan.part("Right calf")).to_contain_text("set by hand")
    after = [int(one.get_attribute("aria-valuenow")) for one in (whole, alone)]
    assert after[0] > before[0]
    assert after[1] > before[1]
    assert after[0] - before[0] > after[1] - before[1]


def test_the_other_side_gets_a_whole_passage_from_the_list(page: Page, plan: Plan):
    page.get_by_role("button", name=re.compile("Left leg, behind:")).click()
    page.get_by_role("button", name="Remove", exact=True).first.click()
    expect(plan.swell("left calf")).to_have_count(0)
    page.get_by_role("button", name=re.compile("Right leg, behind:")).click()
    page.get_by_role("button", name="The same on the left").first.click()
    for name in ("left hip", "left back of the thigh", "left calf"):
        expect(plan.swell(name)).to_have_count(1)


def test_escape_puts_a_dragged_part_back(page: Page, plan: Plan):
    before = plan.names()
    plan.drag("back", (200, 0))
    page.keyboard.press("Escape")
    page.mouse.up()
    expect(page.get_by_test_id("drag")).to_have_count(0)
    assert plan.names() == before
    expect(page.get_by_role("button", name="Undo", exact=True)).to_be_disabled()


def test_keys_move_a_part_as_far_as_it_may_go_and_say_so(page: Page, plan: Plan):
    told = page.get_by_role("status", name="What was done")
    plan.swell("left calf").click()
    page.keyboard.press("Shift+ArrowRight")
    expect(told).to_contain_text(re.compile("Left calf here: "))
    plan.swell("right hip").click()
    as_far_as_it_goes = "Not moved: the right hip cannot be worked with the client supine."
    press_until(page, "Shift+ArrowRight", lambda: told.inner_text() == as_far_as_it_goes)


def test_a_first_visit_leaves_less_time_on_the_table(page: Page, plan: Plan):
    plan.panel("Who").get_by_role("radio", name="A first visit").click()
    plan.planned()
    expect(plan.word("Who")).to_have_text("a first visit")
    expect(plan.fit).to_have_text(re.compile("^Fits 45 min"))


def test_a_part_is_split_mirrored_and_taken_away_by_keys(page: Page, plan: Plan):
    plan.swell("right foot").click()
    page.keyboard.press("s")
    expect(plan.swell("right foot")).to_have_count(2)
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(plan.swell("right foot")).to_have_count(1)
    plan.swell("left foot").focus()
    page.keyboard.press("Shift+Delete")
    expect(plan.swell("left foot")).to_have_count(0)
    plan.swell("right foot").focus()
    page.keyboard.press("m")
    expect(plan.swell("left foot")).to_have_count(1)
    plan.swell("right foot").focus()
    page.keyboard.press("m")
    expect(page.get_by_role("status", name="What was done")).to_contain_text("has the same already")


def test_the_line_is_brought_nearer_by_keys_and_wheel_until_strokes_have_names(page: Page, plan: Plan):
    expect(plan.tide.get_by_text("kneading")).to_have_count(0)
    plan.swell("back").click()
    page.keyboard.press("z")
    expect(plan.tide.get_by_text("kneading").first).to_be_visible()
    page.keyboard.press("Escape")
    expect(plan.swell("neck")).to_be_visible()
    expect(plan.tide.get_by_text("kneading")).to_have_count(0)
    box = plan.swell("back").bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.keyboard.down("Control")
    for _ in range(6):
        page.mouse.wheel(0, -120)
    page.keyboard.up("Control")
    expect(plan.tide.get_by_text("kneading").first).to_be_visible()
    page.get_by_role("button", name="Whole session").click()
    expect(plan.swell("neck")).to_be_visible()


def table(page: Page):
    return page.get_by_role("img", name=re.compile("^Table plan"))


def test_the_table_plan_follows_selection_and_pointer_and_plays(page: Page, plan: Plan):
    plan.swell("right hip").click()
    expect(table(page)).to_have_attribute("aria-label", re.compile("prone.*Uncovered: right leg, behind"))
    box = plan.swell("neck").bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    expect(table(page)).to_have_attribute("aria-label", re.compile("supine.*neck"))
    page.mouse.move(5, 5)
    expect(table(page)).to_have_attribute("aria-label", re.compile("right hip"))
    page.get_by_role("button", name="Play", exact=True).click()
    expect(table(page)).to_have_attribute("aria-label", re.compile("You stand at the head"))
    expect(page.get_by_role("button", name="Pause", exact=True)).to_be_visible()
    moment = page.get_by_role("slider", name="Moment of the session")
    expect(moment).not_to_have_value("0")
    page.get_by_role("button", name="Pause", exact=True).click()


def test_a_zone_is_picked_on_the_table_plan_and_in_the_list(page: Page, plan: Plan):
    plan.swell("back").click()
    strokes = page.get_by_role("list", name="Strokes")
    row = strokes.get_by_role("listitem").filter(has_text="kneading")
    zone = row.get_by_label("Zone, kneading")
    zone.select_option("erectors")
    expect(zone).to_have_value("erectors")
    row.get_by_role("button", name="Point at it").click()
    table(page).locator("[data-spot=lower_back]").click()
    expect(zone).to_have_value("lower_back")
    page.reload()
    plan.swell("back").click()
    expect(zone).to_have_value("lower_back")
    zone.select_option("")
    expect(row).not_to_contain_text("lower back,")


def test_a_place_on_the_table_plan_chooses_its_part(page: Page, plan: Plan):
    plan.swell("back").click()
    # Pointed at where no arrow lies over it.
    table(page).locator("[data-spot='hips right']").dispatch_event("click")
    expect(plan.part("Right hip")).to_have_attribute("aria-expanded", "true")


def test_minutes_passes_and_words_are_typed_in_the_list(page: Page, plan: Plan):
    plan.swell("neck").click()
    minutes = page.get_by_label("Minutes, neck")
    minutes.fill("soon")
    minutes.press("Enter")
    expect(page.get_by_text("Between 0:15 and 30:00")).to_be_visible()
    minutes.fill("5:00")
    minutes.press("Enter")
    expect(plan.part("Neck")).to_contain_text(re.compile(r"set by hand\s*(4 min 5\d|5 min)"))
    expect(plan.fit).to_have_text(re.compile("^Fits 50 min"))
    strokes = page.get_by_role("list", name="Strokes")
    passes = strokes.get_by_label("Passes, kneading").first
    passes.fill("1")
    passes.press("Enter")
    expect(passes).to_have_value("1")
    strokes.get_by_role("button", name="More about kneading").first.click()
    more = page.get_by_role("form", name="More about kneading")
    more.get_by_label("Note").fill("slower than you think")
    more.get_by_label("Seconds, instead").fill("1:30")
    more.get_by_role("button", name="Save", exact=True).click()
    expect(strokes).to_contain_text("Note: slower than you think")
    expect(strokes.get_by_role("listitem").filter(has_text="kneading").first).to_contain_text("1 min 30 s")
    page.reload()
    plan.swell("neck").click()
    expect(strokes).to_contain_text("Note: slower than you think")


def test_a_stroke_is_given_a_place_to_stand(page: Page, plan: Plan):
    plan.swell("back").click()
    strokes = page.get_by_role("list", name="Strokes")
    strokes.get_by_role("button", name="More about effleurage").first.click()
    more = page.get_by_role("form", name="More about effleurage")
    expect(more.get_by_label("Where you stand")).to_have_value("")
    more.get_by_label("Where you stand").select_option("head")
    more.get_by_role("button", name="Save", exact=True).click()
    expect(strokes.get_by_text("Stand at the head")).to_have_count(1)
    page.get_by_role("link", name="Print").click()
    expect(page.get_by_text(re.compile("· walk to the head · effleurage"))).to_be_visible()


def test_the_picker_offers_what_fits_and_says_why_the_rest_does_not(page: Page, plan: Plan):
    plan.swell("right calf").click()
    page.get_by_role("button", name="Add a stroke").click()
    picker = page.get_by_role("region", name="Strokes that fit here")
    expect(picker.get_by_role("heading", name="When it is warm")).to_be_visible()
    picker.get_by_text(re.compile("that do not fit here")).click()
    expect(picker).to_contain_text("Toe work: not for the calf")
    picker.get_by_role("button", name=re.compile("^Wringing")).click()
    expect(page.get_by_role("list", name="Strokes")).to_contain_text("wringing")
    plan.swell("left calf").click()
    expect(page.get_by_role("list", name="Strokes")).to_contain_text("wringing")


def test_several_parts_are_changed_together(page: Page, plan: Plan):
    page.get_by_role("button", name="Choose several").click()
    for name in ("right hip", "left hip"):
        page.get_by_role("checkbox", name=f"Choose {name}").check()
    bar = page.get_by_role("toolbar", name="Several parts")
    expect(bar).to_contain_text("2 parts")
    bar.get_by_role("button", name="A pass more").click()
    expect(plan.part("Right hip")).to_contain_text("set by hand")
    expect(plan.part("Left hip")).to_contain_text("set by hand")
    bar.get_by_role("button", name="Remove", exact=True).click()
    expect(plan.swell("right hip")).to_have_count(0)
    expect(plan.swell("left hip")).to_have_count(0)


def test_one_side_is_left_out_of_this_session_alone(page: Page, plan: Plan):
    plan.swell("left calf").click()
    page.get_by_role("button", name="Leave this side out").click()
    expect(plan.swell("left calf")).to_have_count(0)
    expect(plan.swell("right calf")).to_have_count(1)
    expect(plan.fit).to_have_text(re.compile("^Fits"))
    page.get_by_role("button", name="Places to keep off").click()
    off = page.get_by_role("region", name="Keep off")
    expect(off.get_by_role("listitem")).to_contain_text(
        "Left calf: left out in this session (this session only)"
    )


def test_a_stroke_is_left_out_of_the_whole_session_and_comes_back(page: Page, plan: Plan):
    plan.swell("back").click()
    strokes = page.get_by_role("list", name="Strokes")
    strokes.get_by_role("button", name="More about skin rolling").first.click()
    page.get_by_role("button", name="Leave out of the session").click()
    expect(plan.word("Strokes")).to_have_text("without skin rolling")
    expect(strokes.get_by_text("skin rolling", exact=True)).to_have_count(0)
    expect(plan.fit).to_have_text(re.compile("^Fits 50 min"))
    line = page.get_by_role("combobox", name="Add by typing")
    line.fill("more stripping")
    expect(page.get_by_role("option").first).to_contain_text("Stripping wherever it can be done")
    line.press("Enter")
    expect(plan.word("Strokes")).to_have_text("with stripping, without skin rolling")
    panel = plan.panel("Strokes")
    panel.get_by_role("button", name="Remove: skin rolling").click()
    expect(plan.word("Strokes")).to_have_text("with stripping")
    panel.get_by_role("combobox", name="Stroke").select_option("Skin rolling")
    panel.get_by_role("button", name="Bring it in").click()
    expect(plan.word("Strokes")).to_have_text("with stripping and skin rolling")
    # The list shows what is planned and stored; the word is there at once.
    expect(strokes.get_by_text("skin rolling", exact=True)).not_to_have_count(0)
    page.reload()
    expect(plan.word("Strokes")).to_have_text("with stripping and skin rolling")


def test_strokes_are_added_by_typing(page: Page, plan: Plan):
    line = page.get_by_role("combobox", name="Add by typing")
    expect(line).to_be_visible()
    page.keyboard.press("/")
    expect(line).to_be_focused()
    line.fill("feet knead")
    options = page.get_by_role("option")
    expect(options.first).to_be_visible()
    line.fill("hand finger pull 1")
    expect(options.first).to_contain_text("Finger pull on the hands, 1 pass")
    page.keyboard.press("Enter")
    expect(line).to_have_value("")
    expect(plan.part("Right hand")).to_contain_text("set by hand")
    line.fill("calf toe work")
    expect(options.first).to_contain_text("Not so: not for the calf")
    page.keyboard.press("Enter")
    expect(line).to_have_value("calf toe work")
    line.fill("xyzzy")
    expect(page.get_by_text("Nothing in the catalogue has that name.")).to_be_visible()
    line.fill("no hands")
    page.keyboard.press("Enter")
    expect(plan.word("Leave out")).to_have_text("face and hands")
    line.fill("turn")
    expect(options.first).to_contain_text("cannot be worked with the client supine")


def test_keys_alone_lead_from_the_brief_to_a_saved_plan(page: Page, plan: Plan):
    plan.word("Pressure").focus()
    page.keyboard.press("Enter")
    page.keyboard.press("ArrowUp")
    expect(plan.word("Pressure")).to_have_text("light pressure")
    plan.planned()
    plan.swell(plan.names()[0]).focus()
    for _ in range(3):
        page.keyboard.press("ArrowRight")
    chosen = plan.tide.locator("[role=button][aria-pressed=true]").get_attribute("aria-label")
    name = chosen.split(",")[0]
    page.keyboard.press(".")
    expect(plan.part(name.capitalize())).to_contain_text("set by hand")
    page.keyboard.press("/")
    page.keyboard.type("more neck")
    expect(page.get_by_role("option").first).to_contain_text("neck")
    page.keyboard.press("Enter")
    expect(plan.word("Focus")).to_have_text("more neck")
    plan.planned()
    page.reload()
    expect(plan.word("Focus")).to_have_text("more neck")
    expect(plan.word("Pressure")).to_have_text("light pressure")
    expect(plan.part(name.capitalize())).to_contain_text("set by hand")


def test_versions_are_kept_compared_and_brought_back(page: Page, plan: Plan):
    page.get_by_role("button", name="Versions").click()
    versions = page.get_by_role("region", name="Versions")
    name = versions.get_by_label("Name of this version")
    name.fill("As we agreed")
    name.press("Enter")
    expect(versions.get_by_role("listitem")).to_contain_text("As we agreed, as it stands now")
    name.fill("As we agreed")
    name.press("Enter")
    expect(versions.get_by_role("alert")).to_contain_text("This name is taken.")
    plan.type_minutes("45")
    page.keyboard.press("Escape")
    plan.planned()
    expect(plan.word("Booked minutes")).to_have_text("45 minutes")
    versions.get_by_role("button", name="Compare").click()
    expect(versions.get_by_role("img", name="Now as water, As we agreed as a line over it")).to_be_visible()
    versions.get_by_role("button", name="Go back to this version").click()
    expect(plan.word("Booked minutes")).to_have_text("60 minutes")
    expect(versions.get_by_role("listitem")).to_contain_text("as it stands now")
    versions.get_by_role("button", name="Delete").click()
    expect(versions.get_by_role("listitem")).to_have_count(0)


def test_a_place_is_kept_off_by_pointing_and_allowed_again_by_keys(page: Page, plan: Plan):
    plan.swell("right foot").click()
    page.get_by_role("button", name="Places to keep off").click()
    off = page.get_by_role("region", name="Keep off")
    table(page).locator("[data-spot='foot left']").dispatch_event("click")
    expect(off.get_by_label("Place to keep off")).to_have_value("foot left")
    table(page).locator("[data-spot=toes]").dispatch_event("click")
    expect(off.get_by_label("All of it, or a zone")).to_have_value("toes")
    off.get_by_label("All of it, or a zone").select_option("")
    off.get_by_label("Reason").fill("a plaster")
    off.get_by_role("button", name="Keep off it").click()
    expect(off.get_by_role("listitem")).to_have_text(re.compile("^Left foot: a plaster"))
    expect(table(page)).to_have_attribute("aria-label", re.compile("Keep off: left foot"))
    expect(plan.swell("left foot")).to_have_count(0)
    expect(plan.fit).to_have_text(re.compile("^Fits"))
    page.reload()
    expect(plan.swell("right foot")).to_have_count(1)
    expect(plan.swell("left foot")).to_have_count(0)
    page.get_by_role("button", name="Places to keep off").click()
    off.get_by_role("button", name="Allow it again: left foot").press("Enter")
    expect(off.get_by_role("listitem")).to_have_count(0)
    off.get_by_label("Place to keep off").select_option("hand right")
    off.get_by_label("In this session only").check()
    off.get_by_role("button", name="Keep off it").click()
    expect(off.get_by_role("listitem")).to_contain_text("Right hand (this session only)")
    expect(plan.swell("right hand")).to_have_count(0)
