"""What a run teaches: words with their depths, strokes with their time; and a pace that waits for evidence."""

from datetime import UTC, datetime, timedelta
from uuid import UUID

import pytest

from mellow_tide.core.catalogue.house.house import DEFAULTS
from mellow_tide.core.learning.heard import PaceSample, read_answers, read_pace
from mellow_tide.core.learning.own_pace import IN_REGION, learn_factors
from mellow_tide.core.run.events import Began, Moved, Paused, PointFound, PointRated, Resumed, Said
from mellow_tide.core.run.frozen import FrozenRun
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import USUAL, Tempo
from tests.core.flows import ARM, BACK, CLOSE, FEET, OPEN, flow
from tests.settings import CATALOGUE

SHEET = lay_out(flow(OPEN, BACK, *FEET, ARM, CLOSE), CATALOGUE)
RUN = FrozenRun(sheet_id="", sheet=SHEET, house=DEFAULTS, tempo=USUAL)
START = datetime(2026, 5, 4, 9, 6, tzinfo=UTC)
STROKES = [i for i, e in enumerate(SHEET.entries) if e.kind == "stroke" and e.part_id == BACK.id]


def at(second):
    return {"id": UUID(int=second), "at": START + timedelta(seconds=second)}


def sample(off, stroke="effleurage", region="back", interrupted=False):
    return PaceSample(stroke=stroke, region=region, planned=100, taken=100 * off, interrupted=interrupted)


def test_words_keep_their_depth_and_a_number_over_the_ceiling_is_lighter():
    point = UUID(int=999)
    events = [
        Began(sheet_id="", **at(0)),
        Moved(to=SHEET.entries[STROKES[1]].address, **at(10)),
        Said(word="deeper", region="back", side="mid", depth=3, **at(20)),
        PointFound(point=point, region="back", side="mid", **at(30)),
        PointRated(point=point, number=8, **at(31)),
        PointRated(point=point, number=7, **at(40)),
    ]
    found = read_answers(4, events, lambda: SHEET, ceiling=7)
    assert [(one.visit, one.region, one.depth, one.word) for one in found] == [
        (4, "back", 3, "deeper"),
        (4, "back", SHEET.entries[STROKES[1]].depth, "lighter"),
    ]


def test_a_stroke_takes_from_coming_to_it_to_going_on_and_what_comes_between_interrupts_it():
    first, second = STROKES[:2]
    events = [
        Began(sheet_id="", **at(0)),
        Moved(to=SHEET.entries[first].address, **at(10)),
        Moved(to=SHEET.entries[first + 1].address, **at(40)),
        Moved(to=SHEET.entries[second].address, **at(45)),
        Paused(**at(50)),
        Resumed(**at(150)),
        Moved(to=SHEET.entries[second + 1].address, **at(170)),
        Moved(to=SHEET.entries[first].address, **at(180)),
        Moved(to=SHEET.entries[second].address, **at(190)),
    ]
    found = [(one.taken, one.interrupted) for one in read_pace(events, RUN) if one.region == "back"]
    assert found[0] == (30, False)
    assert (125, True) in found
    # Gone from one stroke to another out of turn: not a stroke's own time.
    assert found[-1] == (10, second != first + 1)


def test_a_pace_that_was_in_use_is_taken_out_of_what_was_planned():
    slow = Tempo(factors=(("effleurage", 1.5),))
    sheet = lay_out(flow(OPEN, BACK, CLOSE), CATALOGUE, slow)
    place = next(i for i, e in enumerate(sheet.entries) if e.stroke == "effleurage" and e.part_id == BACK.id)
    stroke, after = sheet.entries[place : place + 2]
    events = [
        Began(sheet_id="", **at(0)),
        Moved(to=stroke.address, **at(10)),
        Moved(to=after.address, **at(10 + stroke.seconds)),
    ]
    run = FrozenRun(sheet_id="", sheet=sheet, house=DEFAULTS, tempo=slow)
    (found,) = read_pace(events, run)
    assert found.planned == pytest.approx(found.taken / 1.5, abs=0.5)


def test_one_slow_stroke_is_no_pace_and_many_are():
    (once,) = learn_factors([sample(1.5)], CATALOGUE.strokes)
    assert 1 < once.factor < 1.15
    often = {f.key: f for f in learn_factors([sample(1.5) for _ in range(60)], CATALOGUE.strokes)}
    assert often["effleurage"].factor == pytest.approx(1.5, abs=0.03)
    assert often["effleurage/back"].samples == 60


def test_a_region_has_its_own_pace_only_from_eight_samples_on():
    few = learn_factors([sample(1.2)] * (IN_REGION - 1), CATALOGUE.strokes)
    assert [one.key for one in few] == ["effleurage"]
    assert [one.key for one in learn_factors([sample(1.2)] * IN_REGION, CATALOGUE.strokes)] == [
        "effleurage",
        "effleurage/back",
    ]


def test_a_stroke_with_little_evidence_leans_on_its_family():
    family = CATALOGUE.strokes["effleurage"].family
    kin = next(s.id for s in CATALOGUE.strokes.values() if s.family == family and s.id != "effleurage")
    with_kin = {f.key: f for f in learn_factors([sample(1.4)] * 30 + [sample(1.0, kin)], CATALOGUE.strokes)}
    (alone,) = learn_factors([sample(1.0, kin)], CATALOGUE.strokes)
    assert with_kin[kin].factor > alone.factor == 1


def test_interrupted_samples_and_odd_factors_are_not_used_unseen():
    assert learn_factors([sample(3, interrupted=True)], CATALOGUE.strokes) == ()
    odd = learn_factors([sample(4)] * 40, CATALOGUE.strokes)
    assert [one.trusted for one in odd] == [False, False]
