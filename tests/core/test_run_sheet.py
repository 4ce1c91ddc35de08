from itertools import pairwise

import pytest

from mellow_tide.core.timing.oiling import plan_oilings
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import Tempo
from tests.core.flows import ARM, BACK, CLOSE, FACE, FEET, HAND, OPEN, flow, part, step


def kinds(sheet, part_id):
    return [e.kind for e in sheet.entries if e.part_id == part_id and e.kind != "stroke"]


def test_every_second_is_a_stroke_or_a_named_transition(catalogue):
    sheet = lay_out(flow(OPEN, BACK, *FEET, FACE, ARM, HAND, CLOSE), catalogue)
    assert sheet.entries[0].start == 0
    assert all(a.start + a.seconds == b.start for a, b in pairwise(sheet.entries))
    assert sheet.entries[-1].start + sheet.entries[-1].seconds == sheet.seconds
    assert sheet.hands_on_seconds == 50 * 60


def test_the_way_to_each_part_is_named_and_timed(catalogue):
    sheet = lay_out(flow(OPEN, BACK, *FEET, FACE, CLOSE), catalogue)
    pace = catalogue.clock
    assert kinds(sheet, OPEN.id) == []
    assert kinds(sheet, BACK.id) == ["open_window", "announce", "oil"]
    assert kinds(sheet, FEET[0].id) == ["close_window", "walk", "stool", "open_window", "announce", "oil"]
    assert kinds(sheet, FEET[1].id) == ["announce", "oil"]
    assert kinds(sheet, FACE.id) == [
        "close_window",
        "stool",
        "wash",
        "turn",
        "walk",
        "stool",
        "announce",
    ]
    assert kinds(sheet, CLOSE.id) == []
    turn = next(e for e in sheet.entries if e.kind == "turn")
    assert (turn.seconds, turn.about) == (pace.turn, "supine")


def test_a_stroke_over_a_whole_region_says_which_fragile_places_it_passes_lightly(catalogue):
    """What is lighter there than it is worked, and nothing for a stroke that has its place."""
    deep, light = (BACK.steps[1].model_copy(update={"depth": depth, "zone": None}) for depth in (3, 1))
    placed = deep.model_copy(update={"zone": "upper_back"})
    back = BACK.model_copy(update={"steps": (deep, light, placed)})
    entries = lay_out(flow(OPEN, back, CLOSE), catalogue).entries
    found = [entry.eases_over for entry in entries if entry.part_id == back.id and entry.stroke]
    assert found == [("the spine", "the kidneys, at the lowest ribs"), (), ()]


def test_an_entry_says_that_a_hand_holds_the_head(catalogue):
    pull = step("traction", "mobilise", "palms", 2, 1).model_copy(update={"support": True})
    neck = part("neck", "mid", "supine", "none", pull, step())
    entries = lay_out(flow(OPEN, neck, CLOSE), catalogue).entries
    assert [entry.support for entry in entries if entry.part_id == neck.id and entry.stroke] == [True, False]


def test_feet_soil_the_hands_until_they_are_washed(catalogue):
    sheet = lay_out(flow(OPEN, *FEET, HAND, CLOSE), catalogue)
    states = {e.part_id: e.hands for e in sheet.entries if e.kind == "stroke"}
    assert states[FEET[1].id] == "soiled"
    assert states[HAND.id] == "oiled"
    washing = next(e for e in sheet.entries if e.kind == "wash")
    assert (washing.seconds, washing.place, washing.part_id) == (40, "away", HAND.id)


def test_before_the_last_hold_and_on_the_side_a_wipe_does(catalogue):
    """Common practice: a wash of 40 s would cost the end its quiet; on the side the feet come twice."""
    closing = lay_out(flow(OPEN, *FEET, CLOSE), catalogue)
    assert "wipe" in kinds(closing, CLOSE.id)
    assert "wash" not in kinds(closing, CLOSE.id)
    lying = {"position": "side_left", "side": "right"}
    feet, hand = FEET[0].model_copy(update=lying), HAND.model_copy(update=lying)
    on_the_side = lay_out(flow(feet, hand), catalogue)
    assert [kind for kind in kinds(on_the_side, HAND.id) if kind in ("wash", "wipe")] == ["wipe"]


def test_oily_hands_are_wiped_before_the_face_but_not_before_the_arm(catalogue):
    sheet = lay_out(flow(OPEN, ARM, FACE, CLOSE), catalogue)
    assert [kind for kind in kinds(sheet, FACE.id) if kind in ("wash", "wipe")] == ["wipe"]
    assert not {"wash", "wipe"} & set(kinds(sheet, ARM.id))


def test_the_arm_stays_out_for_its_own_hand_only(catalogue):
    other = HAND.model_copy(update={"id": "other", "side": "left"})
    sheet = lay_out(flow(OPEN, ARM, HAND, other, CLOSE), catalogue)
    assert "close_window" not in kinds(sheet, HAND.id)
    assert "close_window" in kinds(sheet, "other")


def test_a_window_of_a_pair_is_opened_for_each_side(catalogue):
    right, left = (part("thigh_back", side, "prone", "leg_back") for side in ("right", "left"))
    sheet = lay_out(flow(OPEN, right, left, CLOSE), catalogue)
    assert kinds(sheet, left.id)[:3] == ["close_window", "walk", "open_window"]
    assert [e.window_side for e in sheet.entries if e.kind == "stroke" and e.part_id == left.id] == [
        "left"
    ] * 2


def test_oil_goes_on_again_after_seven_minutes_of_work(catalogue):
    long = [
        step("oil_spread", "spread", depth=1, passes=2),
        step(passes=40),
        step(passes=6),
        step(slot="settle"),
    ]
    sheet = lay_out(flow(OPEN, part("back", "mid", "prone", "back", *long), CLOSE), catalogue)
    oils = [e.seconds for e in sheet.entries if e.kind == "oil"]
    assert oils == [catalogue.clock.oil_first, catalogue.clock.oil_again]


@pytest.mark.parametrize(
    ("seconds", "again"),
    [
        ((100, 300, 60), None),  # used up after the last begins, and not much
        ((100, 300, 90), 2),  # the last would end on dry skin
        ((100, 200, 240), None),  # too early for more oil, whatever comes
        ((100, 330, 20), 2),
    ],
)
def test_more_oil_comes_before_a_stroke_that_would_end_without_any(seconds, again):
    """Common practice: oil is renewed after 6 to 8 minutes."""
    found, _ = plan_oilings(((True, False, one) for one in seconds), 420)
    assert found == ["first", *("again" if at == again else None for at in (1, 2))]


@pytest.mark.parametrize(
    ("wanted", "seconds"),
    [
        # 55 cm there and back at 10 cm/s, and at 5 cm/s: domain numbers, common practice.
        (step(passes=1, depth=2), 11),
        # Over the kidneys, 8 cm of the way, at depth 2 and so at 10 cm/s.
        (step("reinforced_stroking", tool="stacked_palms", passes=2, depth=4), 41),
        (step("kneading", "knead", passes=2, depth=3), 66),  # 12 s for each of 55/20
        (step("palm_compression", "dry", passes=1, depth=2), 18),  # 3 s on each of 5.5 spots, rounded to 6
        (step("resting_hold", "open", depth=1, passes=4), 20),  # four breaths of 5 s
    ],
)
def test_a_step_takes_its_passes(catalogue, wanted, seconds):
    back = part("back", "mid", "prone", "back", wanted)
    entry = next(e for e in lay_out(flow(back), catalogue).entries if e.kind == "stroke")
    assert entry.seconds == seconds


@pytest.mark.parametrize(
    ("zone", "depth", "height", "seconds"),
    [
        # 38 cm of calf at 8 cm/s, 5 cm of them behind the knee at depth 1 and as fast: there and back four times.
        (None, 3, 170, round(4 * 2 * (33 / 8 + 5 / 8))),
        # At depth 4 the calf is slow, 5 cm/s, and the hollow of the knee is not.
        (None, 4, 170, round(4 * 2 * (33 / 5 + 5 / 8))),
        (None, 4, 204, round(4 * 2 * 1.2 * (33 / 5 + 5 / 8))),
        ("calf", 4, 170, round(4 * 2 * 38 / 5)),
    ],
)
def test_a_glide_over_a_whole_region_is_as_fast_as_its_depth_at_a_fragile_place(
    catalogue, zone, depth, height, seconds
):
    glide = step("reinforced_stroking", tool="stacked_palms", passes=4, depth=depth, zone=zone)
    calf = part("lower_leg_back", "left", "prone", "leg_back", glide)
    sheet = lay_out(flow(calf), catalogue, Tempo(height))
    assert [e.seconds for e in sheet.entries if e.kind == "stroke"] == [seconds]


def test_what_a_glide_passes_lightly_is_less_than_the_region_is_long(catalogue):
    for region in catalogue.regions.values():
        passed = sum(place.passed_cm.get(region.id, 0) for place in catalogue.places.values())
        assert passed < region.glide_cm / 2, region.id


def test_a_taller_client_has_longer_glides(catalogue):
    seconds = [
        lay_out(flow(part("back", "mid", "prone", "back", step())), catalogue, Tempo(h)).seconds
        for h in (150, 170, 200)
    ]
    assert seconds == sorted(set(seconds))


def test_laying_out_twice_gives_the_same(catalogue):
    whole = flow(OPEN, BACK, *FEET, FACE, CLOSE)
    assert lay_out(whole, catalogue) == lay_out(whole, catalogue)
