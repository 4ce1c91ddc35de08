"""The transitions that not every session has."""

import pytest

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.timing.exposure import find_exposures
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import OwnPace, Tempo, tempo_of
from tests.core.flows import ARM, BACK, CLIENT, CLOSE, FEET, HAND, OPEN, flow, part, step

SIDE_OPEN = part("shoulders", "both", "side_left", "none", step("resting_hold", "open", depth=1), role="open")


def kinds(sheet, part_id):
    return [e.kind for e in sheet.entries if e.part_id == part_id and e.kind != "stroke"]


def seconds_of(sheet, kind):
    return [e.seconds for e in sheet.entries if e.kind == kind]


def test_from_side_to_side_takes_longer_than_from_front_to_back(catalogue):
    left = part("arm", "right", "side_left", "arm")
    right = part("arm", "left", "side_right", "arm")
    sheet = lay_out(flow(SIDE_OPEN, left, right), catalogue)
    assert seconds_of(sheet, "turn") == [catalogue.clock.side_turn] == [100]
    assert kinds(sheet, right.id)[:3] == ["close_window", "turn", "walk"]


def test_in_pregnancy_the_turn_takes_longer_and_a_practice_may_say_how_long(catalogue):
    left, right = (part("arm", s, f"side_{o}", "arm") for s, o in (("right", "left"), ("left", "right")))
    own = in_house(House(seconds={"side_turn_pregnant": 150}), load_catalogue())
    for kind, house, seconds in (
        ("side_lying", own, 100),
        ("prenatal", catalogue, 120),
        ("prenatal", own, 150),
    ):
        lying = flow(SIDE_OPEN, left, right)
        asked = lying.model_copy(update={"brief": lying.brief.model_copy(update={"kind": kind})})
        assert seconds_of(lay_out(asked, house), "turn") == [seconds]


def test_the_question_goes_over_the_stroke_or_takes_the_seconds_that_a_practice_gives_it(catalogue):
    asking = step("kneading", "knead", passes=2).model_copy(update={"check_in": True})
    back = part("back", "mid", "prone", "back", asking, step("effleurage", "settle", depth=1))
    own = in_house(House(seconds={"check_in": 8}), load_catalogue())
    over, apart = (lay_out(flow(OPEN, back), house) for house in (catalogue, own))
    assert [e.asks for e in over.entries if e.kind == "stroke"] == [False, True, False]
    assert "check_in" not in kinds(over, back.id)
    assert not any(e.asks for e in apart.entries)
    assert seconds_of(apart, "check_in") == [8]
    assert apart.seconds == over.seconds + 8


def test_a_practice_covers_and_uncovers_in_its_own_seconds(catalogue):
    own = in_house(House(seconds={"open_back": 31, "close_back": 17}), load_catalogue())
    bare = part("back", "mid", "prone", "back", step("kneading", "knead"))
    sheet = lay_out(flow(OPEN, bare, CLOSE), own)
    assert (seconds_of(sheet, "open_window"), seconds_of(sheet, "close_window")) == ([31], [17])


def test_in_the_chair_the_client_sits_back_and_nothing_is_uncovered(catalogue):
    leaning = part("back", "mid", "seated_leaning", "clothed", step("kneading", "knead"), medium="clothed")
    upright = part(
        "hand", "right", "seated_upright", "clothed", step("palm_spread", "knead"), medium="clothed"
    )
    sheet = lay_out(flow(leaning, upright), catalogue)
    assert kinds(sheet, leaning.id) == ["announce"]
    assert kinds(sheet, upright.id) == ["sit_back", "walk", "announce"]
    assert seconds_of(sheet, "sit_back") == [15]
    assert find_exposures(sheet, catalogue) == ()


def test_a_hot_towel_is_fetched_and_oil_wiped_off_where_a_step_asks_for_it(catalogue):
    steps = (
        step("oil_spread", "spread", depth=1, passes=2),
        step("traction", "mobilise", depth=1, passes=1).model_copy(update={"wipe": True}),
        step("hot_towel_press", "settle", "towel", 1, 1),
    )
    neck = part("neck", "mid", "supine", "none", *steps)
    sheet = lay_out(flow(neck), catalogue)
    assert kinds(sheet, neck.id) == ["stool", "announce", "oil", "wipe", "towel"] or kinds(
        sheet, neck.id
    ) == [
        "announce",
        "oil",
        "wipe",
        "towel",
    ]
    assert (seconds_of(sheet, "towel"), seconds_of(sheet, "wipe")) == ([20], [10])


def test_the_stool_is_fetched_once_for_both_feet_and_put_back_before_walking(catalogue):
    sheet = lay_out(flow(OPEN, BACK, *FEET, ARM, CLOSE), catalogue)
    about = [(e.part_id, e.about) for e in sheet.entries if e.kind == "stool"]
    assert about == [(FEET[0].id, "fetch"), (ARM.id, "back"), (CLOSE.id, "fetch")]
    seated = {e.part_id: e.seated for e in sheet.entries if e.kind == "stroke"}
    assert (seated[BACK.id], seated[FEET[1].id], seated[ARM.id]) == (False, True, False)


def test_a_table_that_lifts_goes_up_and_down_with_the_work(catalogue):
    lifts = in_house(House(rules={"table_height": "lifts"}), load_catalogue())
    sheet = lay_out(flow(OPEN, BACK, ARM, CLOSE), lifts)
    assert [(e.part_id, e.about) for e in sheet.entries if e.kind == "height"] == [(ARM.id, "high")]
    assert seconds_of(sheet, "height") == [6]


def test_what_is_skipped_takes_no_time_and_leaves_its_trace(catalogue):
    hand = HAND.model_copy(update={"skips": ("clean_hands", "announce")})
    sheet = lay_out(flow(OPEN, *FEET, hand, CLOSE), catalogue)
    assert not {"wash", "announce"} & set(kinds(sheet, hand.id))
    bare = part("thigh_front", "right", "supine", "leg_front").model_copy(update={"skips": ("cover",)})
    left_open = lay_out(flow(OPEN, ARM, bare, CLOSE), catalogue)
    assert "close_window" not in kinds(left_open, bare.id)
    assert {e.also_open for e in left_open.entries if e.part_id == bare.id and e.kind == "stroke"} == {"arm"}
    assert kinds(left_open, CLOSE.id)[:2] == ["close_window", "close_window"]


@pytest.mark.parametrize(("rate", "seconds"), [(4, 60), (12, 20), (20, 12), (40, 6)])
def test_a_hold_lasts_the_client_s_own_breaths(catalogue, rate, seconds):
    client = CLIENT.model_copy(update={"breaths_per_minute": rate})
    assert lay_out(flow(OPEN), catalogue, tempo_of(client)).seconds == seconds


def test_the_therapist_s_own_pace_scales_strokes_and_the_closer_factor_wins(catalogue):
    def kneading(**factors):
        back = part("back", "mid", "prone", "back", step("kneading", "knead", passes=2))
        tempo = tempo_of(CLIENT, OwnPace(factors={k.replace("_on_", "/"): v for k, v in factors.items()}))
        return next(e.seconds for e in lay_out(flow(back), catalogue, tempo).entries if e.kind == "stroke")

    usual = kneading()
    assert kneading(kneading=1.5) == round(usual * 1.5)
    assert kneading(kneading=1.5, kneading_on_back=0.5) == round(usual * 0.5)
    assert kneading(effleurage=2) == usual


def test_cleaning_the_hands_is_the_way_and_a_towel_for_the_back_is_work(catalogue):
    wipes = in_house(House(rules={"clean_after_feet": "wipe"}), load_catalogue())
    way = lay_out(flow(OPEN, *FEET, HAND, CLOSE), wipes)
    assert {e.working for e in way.entries if e.kind in ("towel", "wipe")} == {False}
    warmed = part("back", "mid", "prone", "back", step("hot_towel_press", "settle", "towel", 1, 1))
    at_work = lay_out(flow(warmed), catalogue)
    assert {e.working for e in at_work.entries if e.kind in ("towel", "stroke")} == {True}
    assert {e.working for e in at_work.entries if e.kind in ("open_window", "announce")} == {False}


def test_a_step_with_seconds_of_its_own_takes_those(catalogue):
    timed = step(passes=3).model_copy(update={"seconds": 100})
    assert [e.seconds for e in lay_out(flow(part("back", "mid", "prone", "back", timed)), catalogue).entries][
        -1
    ] == 100


def test_every_second_is_covered_or_in_one_stretch_of_bareness(catalogue):
    sheet = lay_out(flow(OPEN, BACK, *FEET, ARM, HAND, CLOSE), catalogue, Tempo())
    stretches = find_exposures(sheet, catalogue)
    assert [x.window for x in stretches] == ["back", "foot", "arm"]
    for entry in sheet.entries:
        inside = [x for x in stretches if x.start <= entry.start < x.start + x.seconds]
        assert len(inside) == (entry.window != "none")
        assert all(x.window == entry.window for x in inside)
    back, feet, arm = stretches
    assert back.percent == pytest.approx(8 + 2 * 1.25 + 2 * 1)  # Lund & Browder: back, shoulders, flanks
    assert feet.percent == pytest.approx(2 * 3.5)
    assert arm.percent == pytest.approx(7 + 2.5)
