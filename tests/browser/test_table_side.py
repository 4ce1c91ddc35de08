"""Hands off: what goes on by itself, what is announced, what can be added or spared, and what can be read from afar."""

import re
from datetime import timedelta

import pytest
from playwright.sync_api import BrowserContext, Page, expect

from tests.browser.pages import Plan, Today, Work, as_booked, run_of
from tests.browser.serving import LiveServer

SETTINGS = "Table settings"


@pytest.fixture
def table(page: Page, today: Today) -> Work:
    """Isolde's session, begun as booked, with the clock in our hands."""
    return begun(page, today, timedelta(minutes=5))


def begun(page: Page, today: Today, after: timedelta) -> Work:
    today.open("Isolde Kelpworth")
    work = Plan(page).to_work()
    as_booked(page, after)
    with page.expect_response(re.compile("/table-side$")):
        work.begin()
    return work


def to_work_on_the_back(work: Work) -> None:
    work.go_on_until(lambda: work.is_at("Kneading|Effleurage"))


def settle(page: Page, *words: str) -> None:
    page.get_by_role("button", name="More", exact=True).click()
    page.get_by_role("button", name=SETTINGS).click()
    dialog = page.get_by_role("dialog", name=SETTINGS)
    for word in words:
        dialog.get_by_role("button", name=word, exact=True).or_(
            dialog.get_by_role("checkbox", name=word)
        ).click()
    dialog.get_by_role("button", name="Back to the stroke").click()


def test_what_gives_way_can_be_redirected(page: Page, table: Work):
    to_work_on_the_back(table)
    page.clock.run_for(900_000)
    gives = page.get_by_role("region", name="What gives way")
    said = gives.get_by_role("status").inner_text()
    spare = gives.get_by_role("button", name=re.compile("^Spare the ")).first
    region = spare.inner_text().removeprefix("Spare the ")
    assert region in said.lower()
    spare.click()
    expect(gives.get_by_role("status")).not_to_contain_text(re.compile(f"{region} .*(less|left out)", re.I))
    expect(gives.get_by_role("status")).to_contain_text(re.compile("less|left out"))
    gives.get_by_role("button", name="Do this").click()
    assert run_of(page)["total"]


def test_a_late_start_can_end_on_time(page: Page, today: Today):
    begun(page, today, timedelta(minutes=18))
    gives = page.get_by_role("region", name="What gives way")
    expect(gives.get_by_role("status")).to_contain_text("Begun 12 min late. To end on time: ")
    gives.get_by_role("button", name="Do this").click()
    expect(gives).to_be_hidden()
    total = run_of(page)["total"]
    hands_on = page.evaluate("url => fetch(url).then((a) => a.json())", api_of(page))["evaluation"]["sheet"]
    assert abs(hands_on["seconds"] - 12 * 60 - total) < 15
    expect(page.get_by_role("status").filter(has_text="On time")).to_be_visible()


def api_of(page: Page) -> str:
    return page.url.replace("/session/", "/api/sessions/").removesuffix("/work")


def test_a_region_is_added_in_two_taps_its_other_side_follows_and_the_plan_goes_on(page: Page, table: Work):
    to_work_on_the_back(table)
    here = table.stroke.inner_text()
    table.happened("Add a region")
    page.get_by_role("dialog", name="Add a region").get_by_role("button", name=re.compile("^Calves")).click()
    expect(table.stroke).to_have_text("Right calf")
    page.clock.run_for(100_000)
    table.pad("Lighter").click()
    page.keyboard.press("PageDown")
    expect(table.stroke).to_have_text("Left calf")
    page.clock.run_for(100_000)
    page.keyboard.press("PageDown")
    expect(table.stroke).to_have_text(here)
    run = run_of(page)
    assert [(one["region"], one["side"]) for one in run["added"]] == [
        ("lower_leg_back", "right"),
        ("lower_leg_back", "left"),
    ]
    assert all(run["taken"][one["part_id"]] >= 100 for one in run["added"])
    assert [(one["region"], one["word"]) for one in run["said"]] == [("lower_leg_back", "lighter")]
    # What was added has to come from somewhere: it is said, and nothing happens by itself.
    page.clock.run_for(120_000)
    expect(page.get_by_role("region", name="What gives way")).to_be_visible()
    assert run_of(page)["allotted"] == {}


def test_breaths_are_counted_and_the_in_breath_releases(page: Page, table: Work):
    def heard_now():
        return re.fullmatch(r"(.*\D)(\d+) of 4", page.get_by_test_id("counting").inner_text()).groups()

    # Time stands still from here on, however long the test takes.
    page.clock.pause_at(page.evaluate("Date.now()") / 1000 + 1)
    heard = [heard_now()]
    while not heard[-1][0].startswith("Enough") and len(heard) < 100:
        page.clock.run_for(500)
        heard.append(heard_now())
    breaths = [said for said, before in zip(heard[1:], heard, strict=False) if said != before]
    assert breaths[-1][0] == "Enough; go on softly"
    for said, before in zip(breaths[1:-1], breaths, strict=False):
        inward = before[0] == "Breath out: sink in"
        assert said[0] == ("Breath in: release" if inward else "Breath out: sink in")
        assert int(said[1]) == int(before[1]) + inward


def test_several_points_are_held_against_the_time_there_is(page: Page, table: Work):
    to_work_on_the_back(table)
    page.keyboard.press("p")
    points = page.get_by_role("dialog", name="Sore points")
    for zone, number in (("Left upper back", "3"), ("Right lower back", "6")):
        points.get_by_role("button", name=zone, exact=True).click()
        points.get_by_role("button", name=number, exact=True).click()
        points.get_by_role("button", name="Another point").click()
    time = points.get_by_role("status", name="Time for points")
    expect(time).to_contain_text("are enough for left upper back and right lower back (1 min 30 s)")
    page.get_by_role("button", name="Back to the stroke").click()
    # Nearly all of the part's time goes by; what is left is enough for the higher number.
    seconds = part_seconds(page)
    taken = sum(run_of(page)["taken"].values())
    page.clock.run_for((seconds - taken - 60) * 1000)
    page.keyboard.press("p")
    expect(time).to_contain_text("enough for right lower back (45 s). Left for another day: left upper back.")


def part_seconds(page: Page) -> float:
    """Seconds of work of the back, with what came before it."""
    entries = page.evaluate("url => fetch(url).then((a) => a.json())", api_of(page))["evaluation"]["sheet"][
        "entries"
    ]
    run = run_of(page)
    part = entries[run["entry"]]["part_id"]
    before = sum(seconds for id, seconds in run["taken"].items() if id != part)
    return before + sum(one["seconds"] for one in entries if one["part_id"] == part and one["working"])


RECORDER = """() => {
    window.heard = [];
    window.buzzed = [];
    const voice = { localService: true, lang: "en-GB", name: "own" };
    speechSynthesis.getVoices = () => [voice, { localService: false, lang: "en-GB", name: "far" }];
    window.SpeechSynthesisUtterance = function (words) { this.words = words; };
    speechSynthesis.speak = (saying) => heard.push([saying.words, saying.voice.name]);
    navigator.vibrate = (ms) => buzzed.push(ms);
}"""


def test_a_voice_says_what_comes_as_often_as_it_is_wished(page: Page, table: Work):
    page.evaluate(RECORDER)
    settle(page, "A voice", "Every stroke", "A short buzz with it")
    here = page.get_by_text(re.compile("^Next: ")).inner_text()
    page.keyboard.press("PageDown")
    expect(page.get_by_text(here, exact=True)).to_be_hidden()
    words, voice = page.evaluate("heard.at(-1)")
    assert table.stroke.inner_text() in words
    assert voice == "own"
    said = page.evaluate("heard.length")
    assert page.evaluate("buzzed.length") == 1
    settle(page, "Only turns")
    page.keyboard.press("PageDown")
    page.keyboard.press("PageDown")
    assert page.evaluate("heard.length") == said
    table.go_on_until(lambda: table.is_at("Turn to"))
    assert page.evaluate("heard.length") == said + 1
    assert "Turn to" in page.evaluate("heard.at(-1)")[0]


def test_one_picture_and_one_sentence(page: Page, table: Work):
    settle(page, "One picture, one sentence")
    to_next = page.get_by_role("button", name="Go on")
    expect(page.get_by_text("depth 1")).to_be_hidden()
    expect(page.get_by_role("button", name="Skip this stroke")).to_be_hidden()
    expect(table.stroke).to_contain_text(re.compile(r"^Back: .*\. (Very lightly|Lightly)\.$"))
    to_next.click()
    page.reload()
    expect(page.get_by_text("depth 1")).to_be_hidden()


def test_the_simulated_foot_switch_goes_on_and_back(
    page: Page, context: BrowserContext, server: LiveServer, today: Today
):
    today.open("Isolde Kelpworth")
    work = Plan(page).to_work()
    work.begin()
    settle(page, "Listen to the simulated foot switch")
    first = work.stroke.inner_text()
    switch = context.new_page()
    switch.goto(f"{server.url}/foot-switch")
    for codes in ("Page keys", "Arrows", "Space and backspace"):
        switch.get_by_role("button", name=codes).click()
        switch.get_by_role("button", name="On", exact=True).click()
        expect(work.stroke).not_to_have_text(first)
        switch.get_by_role("button", name="Back", exact=True).click()
        expect(work.stroke).to_have_text(first)


LEGIBLE = """(element) => {
    const paint = (colour) => {
        const one = document.createElement("canvas").getContext("2d", { willReadFrequently: true });
        one.fillStyle = colour;
        one.fillRect(0, 0, 1, 1);
        return [...one.getImageData(0, 0, 1, 1).data].slice(0, 3);
    };
    const light = (rgb) => {
        const [r, g, b] = rgb.map((c) => c / 255).map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
        return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    const against = (a, b) => (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    const style = getComputedStyle(element);
    const letter = document.createElement("canvas").getContext("2d");
    letter.font = `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`;
    const room = getComputedStyle(element.closest("main")).backgroundColor;
    const water = getComputedStyle(document.querySelector("[data-testid=water]")).backgroundColor;
    const own = light(paint(style.color));
    return {
        xHeight: letter.measureText("x").actualBoundingBoxAscent,
        contrast: Math.min(against(own, light(paint(room))), against(own, light(paint(water)))),
    };
}"""


@pytest.mark.parametrize("plain", [False, True])
def test_the_stroke_is_legible_at_a_metre_and_a_half(page: Page, table: Work, plain):
    """ISO 9241-303 (2011, from memory): 20 minutes of arc; at 1.5 m that is 8.7 mm, 33 CSS px at 96 dpi."""
    if plain:
        settle(page, "One picture, one sentence")
    for width, height in ((1024, 768), (1280, 800), (2560, 1440)):
        page.set_viewport_size({"width": width, "height": height})
        found = table.stroke.evaluate(LEGIBLE)
        assert found["xHeight"] >= 33
        assert found["contrast"] >= 7
        quiet = page.get_by_text(re.compile("^Next: ")).evaluate(LEGIBLE)
        assert quiet["contrast"] >= 7
