import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.hands.load import find_easier_tool, find_hold_limit, measure_day_load
from tests.core import handmade as made
from tests.settings import setting

C = made.C
WORKED = [
    evaluate(made.focus(), setting(made.CLIENT, C)),
    evaluate(made.side_lying(), setting(made.CLIENT, C)),
]
SESSIONS = [(e.hands, e.sheet.seconds) for e in WORKED]


def test_one_session_alone_is_the_day():
    load, seconds = SESSIONS[0]
    assert measure_day_load([(load, seconds)]).strain == pytest.approx(load.strain, abs=0.02)
    assert measure_day_load([]).strain == 0


def test_a_further_session_strains_more_than_either_and_less_than_both():
    both = measure_day_load(SESSIONS)
    alone = [load.strain for load, _ in SESSIONS]
    assert max(alone) < both.strain < sum(alone)
    assert both.thumb_seconds == sum(load.thumb_seconds for load, _ in SESSIONS)
    assert both.thumb_budget_seconds == 45 * 60
    assert measure_day_load(SESSIONS[::-1]) == both


def test_the_easiest_tool_a_stroke_allows():
    assert find_easier_tool(C.strokes["stripping"], "reinforced_thumb", C) == "forearm"
    assert find_easier_tool(C.strokes["stripping"], "forearm", C) is None


def test_a_light_press_tires_nobody_and_a_deep_thumb_soon_does():
    assert find_hold_limit("palms", 1, C) is None
    assert 20 < find_hold_limit("thumb", 5, C) < find_hold_limit("fist", 5, C)
