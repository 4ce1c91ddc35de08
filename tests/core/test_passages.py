"""Parts that are worked as one: one oiling, long strokes over several regions, moved and pulled as one."""

from itertools import pairwise

import pytest

from mellow_tide.core.designing.landing import find_passage_landings
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, Excluded
from mellow_tide.core.flow.edits import InsertPart, RemovePart, apply, worked_alike
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.flow.passages import split_into_passages
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.reshape import Pull, reshape_part
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.worked import counted_seconds_in, part_seconds_in
from tests.core.flows import BACK, CLIENT, CLOSE, FEET, OPEN, part, step
from tests.settings import CATALOGUE, setting

PLAN = plan(Brief(booked_minutes=75), setting(CLIENT))
LEG = ("hips-right", "thigh_back-right", "lower_leg_back-right")


def passages_of(*parts):
    return [
        [parts[at].region for at in places]
        for places in split_into_passages([p.setup for p in parts], CATALOGUE)
    ]


def named(flow, id):
    return next(p for p in flow.parts if p.id == id)


def leg(region, side):
    return part(region, side, "prone", "leg_back")


def test_what_lies_under_one_cover_on_one_side_is_one():
    shoulders = [part("shoulders", side, "prone", "back") for side in ("right", "left")]
    legs = [leg(region, side) for side in ("right", "left") for region in ("thigh_back", "lower_leg_back")]
    found = passages_of(OPEN, BACK, *shoulders, *legs, *FEET, CLOSE)
    assert found == [
        ["back"],
        ["back", "shoulders", "shoulders"],
        ["thigh_back", "lower_leg_back"],
        ["thigh_back", "lower_leg_back"],
        ["foot"],
        ["foot"],
        ["scalp"],
    ]


def test_a_hand_goes_with_its_arm_and_a_rest_parts_nothing():
    arm, hand = part("arm", "right", "supine", "arm"), part("hand", "right", "supine", "none")
    rest = part("foot", "both", "supine", "none", role="integrate")
    other = part("hand", "left", "supine", "none")
    assert passages_of(arm, hand, other) == [["arm", "hand"], ["hand"]]
    assert passages_of(arm, rest, hand) == [["arm", "hand"], ["foot"]]


def test_oil_goes_on_once_a_passage_and_is_renewed_as_it_wears():
    oilings = {}
    passages = split_into_passages([p.setup for p in PLAN.flow.parts], CATALOGUE)
    where = {at: places for places in passages for at in places}
    for entry in lay_out(PLAN.flow, CATALOGUE).entries:
        if entry.kind == "oil":
            oilings.setdefault(where[entry.part], []).append(entry.seconds)
    clock = CATALOGUE.clock
    assert all(first == clock.oil_first for first, *_ in oilings.values())
    assert {more for _, *again in oilings.values() for more in again} <= {clock.oil_again}
    leg_at = PLAN.flow.parts.index(named(PLAN.flow, LEG[0]))
    assert oilings[where[leg_at]] == [clock.oil_first]


@pytest.mark.parametrize(
    ("region", "over", "stroke", "seconds"),
    [
        # Common practice: two strokes over back and shoulders at depth 2 take 32 s, two over the leg 41 s.
        ("back", ("shoulders",), step("oil_spread", "spread", depth=2, passes=2), 32),
        ("hips", ("thigh_back", "lower_leg_back"), step(depth=2, passes=2), 41),
        ("arm", ("hand",), step(depth=2, passes=2), 29),
    ],
)
def test_a_long_stroke_takes_the_length_of_all_that_it_runs_over(region, over, stroke, seconds):
    side = "mid" if region == "back" else "right"
    window = CATALOGUE.regions[region].window_in("prone")
    first = part(region, side, "prone", window, stroke.model_copy(update={"over": over}))
    sheet = lay_out(Flow(brief=Brief(booked_minutes=60), parts=(OPEN, first, CLOSE)), CATALOGUE)
    taken = next(e.seconds for e in sheet.entries if e.part_id == first.id and e.kind == "stroke")
    assert taken == pytest.approx(seconds, abs=1)


def test_what_counts_for_the_regions_is_what_the_clock_has():
    sheet = lay_out(PLAN.flow, CATALOGUE)
    counted, clock = counted_seconds_in(sheet, PLAN.flow, CATALOGUE), part_seconds_in(sheet)
    assert sum(counted.values()) == pytest.approx(sum(clock.values()))
    # Hips and calf open and settle the leg; the thigh between them gets its share of it.
    assert counted[LEG[1]] > clock[LEG[1]]
    assert sum(counted[id] for id in LEG) == pytest.approx(sum(clock[id] for id in LEG))


def test_one_walks_while_the_cover_settles():
    entries = lay_out(PLAN.flow, CATALOGUE).entries
    walks = [
        (before, now)
        for before, now in pairwise(entries)
        if now.kind == "walk" and before.kind == "close_window"
    ]
    assert walks
    for before, now in walks:
        assert before.seconds + now.seconds == max(before.seconds, CATALOGUE.clock.walk)


def test_a_part_that_leaves_hands_its_long_strokes_on_and_takes_them_back():
    hips = named(PLAN.flow, LEG[0])
    assert any(x.over for x in hips.steps)
    without = apply(PLAN.flow, [RemovePart(part_id=hips.id)])
    thigh = named(without, LEG[1])
    assert [x.slot for x in thigh.steps][:2] == ["spread", "warm"]
    assert all("hips" not in x.over for p in without.parts if p.side == "right" for x in p.steps)
    codes = {f.code for f in evaluate(without, setting(CLIENT)).findings}
    assert codes & {"ORD02", "ORD05", "ORD13"} == set()
    at = PLAN.flow.parts.index(hips)
    back = apply(without, [InsertPart(at=at, part=hips)])
    assert [p.id for p in back.parts] == [p.id for p in PLAN.flow.parts]
    assert all(worked_alike(a.steps, b.steps) for a, b in zip(back.parts, PLAN.flow.parts, strict=True))


def test_a_passage_moves_as_one_and_comes_back():
    trial = Trial.of(PLAN.flow, setting(CLIENT))
    landings = find_passage_landings(trial, LEG)
    here = next(x for x in landings if x.here)
    later = next(x for x in landings if x.at > here.at and x.edits)
    moved = apply(PLAN.flow, later.edits)
    order = [p.id for p in moved.parts]
    assert order[order.index(LEG[0]) : order.index(LEG[0]) + 3] == list(LEG)
    assert order.index(LEG[0]) == later.at
    back = find_passage_landings(Trial.of(moved, setting(CLIENT)), LEG)
    assert apply(moved, next(x for x in back if x.at == here.at).edits) == PLAN.flow


@pytest.mark.parametrize("by", [-60, 45, 90])
def test_a_passage_is_pulled_as_one_on_both_sides(by):
    before = part_seconds_in(lay_out(PLAN.flow, CATALOGUE))
    wanted = sum(before[id] for id in LEG) + by
    made = reshape_part(PLAN, Pull(part_id=LEG[0], seconds=wanted, passage=True), setting(CLIENT))
    after = part_seconds_in(lay_out(made.flow, CATALOGUE))
    assert sum(after[id] for id in LEG) == pytest.approx(wanted, abs=30)
    left = tuple(id.replace("right", "left") for id in LEG)
    assert [after[id] for id in left] == [after[id] for id in LEG]
    assert abs(lay_out(made.flow, CATALOGUE).over) <= 15


@pytest.mark.parametrize(
    "excluded",
    [
        Excluded(region="thigh_back", side="both", because="sunburn"),
        Excluded(region="shoulders", side="left", because="an operation"),
    ],
)
def test_no_long_stroke_runs_over_what_is_left_alone(excluded):
    spared = CLIENT.model_copy(update={"excluded": (excluded,)})
    flow = plan(Brief(booked_minutes=75), setting(spared)).flow
    assert all(excluded.region not in x.over for p in flow.parts for x in p.steps)
    # Calf and hip are no longer one stretch without the thigh between them.
    if excluded.region == "thigh_back":
        assert all(not x.over for p in flow.parts if p.region in ("hips", "lower_leg_back") for x in p.steps)
    assert {f.severity for f in evaluate(flow, setting(spared)).findings} <= {"advice"}


def test_passages_are_told_by_name_and_by_the_clock():
    found = {x.id: x for x in evaluate(PLAN.flow, setting(CLIENT)).passages}
    assert found[LEG[0]].name == "right leg, behind"
    assert found[LEG[0]].parts == LEG
    assert found["back"].name == "back with shoulders"
    assert all(len(x.parts) > 1 for x in found.values())
