"""The fold of events, and the vectors that hold the browser's fold to it."""

from datetime import UTC, datetime, timedelta
from uuid import UUID

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.learning.heard import read_answers
from mellow_tide.core.run.done import compare_done
from mellow_tide.core.run.events import (
    Added,
    Began,
    Bent,
    ContractionBegan,
    ContractionEnded,
    Ended,
    Halted,
    Moved,
    Observed,
    Paused,
    PointFound,
    PointHeld,
    PointLeft,
    PointRated,
    PointTravels,
    PointWithdrawn,
    Resumed,
    Said,
    Skipped,
)
from mellow_tide.core.run.events import order_events as in_order_of_time
from mellow_tide.core.run.points import order_points
from mellow_tide.core.run.state import fold
from mellow_tide.core.timing.run_sheet import lay_out
from tests.core.flows import ARM, BACK, CLOSE, FEET, OPEN, flow
from tests.settings import CATALOGUE

SHEET = lay_out(flow(OPEN, BACK, *FEET, ARM, CLOSE), CATALOGUE)
LAST = len(SHEET.entries) - 1
START = datetime(2026, 5, 4, 9, 6, tzinfo=UTC)


def at(second):
    return {"id": UUID(int=second * 1000), "at": START + timedelta(seconds=second)}


def said(second, word="deeper", region="back", depth=3):
    return Said(word=word, region=region, side="mid", depth=depth, **at(second))


def began(news="", **when):
    return Began(sheet_id="sheet-1", news=news, **when)


def moved(to, **when):
    return Moved(to=SHEET.entries[to].address, **when)


def addresses(*entries):
    return tuple(SHEET.entries[i].address for i in entries)


def skipped(part_id, entries, reason="", **when):
    return Skipped(part_id=part_id, entries=addresses(*entries), reason=reason, **when)


def entry_of(part_id):
    return next(i for i, e in enumerate(SHEET.entries) if e.part_id == part_id)


USUAL = [
    began(news="plaster on the left heel", **at(0)),
    moved(to=entry_of(BACK.id), **at(20)),
    said(60),
    moved(to=entry_of(FEET[0].id), **at(200)),
    moved(to=entry_of(BACK.id), **at(210)),
    said(230, "just_right"),
    moved(to=LAST, **at(250)),
    Ended(**at(300)),
]


def test_a_run_is_what_its_events_say():
    state = fold(USUAL, SHEET)
    assert (state.begun_at, state.ended_at) == (START, START + timedelta(seconds=300))
    assert state.entry == LAST
    assert state.news == "plaster on the left heel"
    assert state.taken == {OPEN.id: 20, BACK.id: 220, FEET[0].id: 10, CLOSE.id: 50}
    assert [s.word for s in state.said] == ["deeper", "just_right"]


def test_nothing_counts_before_the_first_touch_or_after_the_end():
    assert fold([moved(to=3, **at(0)), said(1)], SHEET) == fold([], SHEET)
    assert fold([*USUAL, moved(to=0, **at(400)), said(410)], SHEET) == fold(USUAL, SHEET)


def test_a_clock_that_steps_back_adds_no_time():
    state = fold([began(**at(100)), moved(to=1, **at(40)), moved(to=2, **at(110))], SHEET)
    assert sum(state.taken.values()) == 10


def test_an_address_that_the_sheet_has_not_moves_nothing():
    assert fold([*USUAL[:4], Moved(to="ghost/3", **at(201))], SHEET).entry == entry_of(FEET[0].id)


def test_every_address_names_one_entry():
    assert [SHEET.find(entry.address) for entry in SHEET.entries] == list(range(LAST + 1))
    stroke = next(entry for entry in SHEET.entries if entry.part_id == BACK.id and entry.step == 1)
    assert stroke.address == f"{BACK.id}/1"


@given(st.lists(st.tuples(st.integers(0, LAST), st.integers(0, 90)), max_size=30))
def test_all_time_belongs_to_some_part(moves):
    events, now = [began(**at(0))], 0
    for to, seconds in moves:
        now += seconds
        events.append(moved(to=to, **at(now)))
    state = fold(events, SHEET)
    assert sum(state.taken.values()) == pytest.approx(now)


def test_a_pause_belongs_to_no_part():
    events = [began(**at(0)), Paused(**at(30)), Paused(**at(40)), Resumed(**at(100)), moved(to=1, **at(110))]
    state = fold(events, SHEET)
    assert (sum(state.taken.values()), state.paused, state.paused_at) == (40, 70, None)
    assert fold(events[:3], SHEET).paused_at == START + timedelta(seconds=30)


A, B, C = (UUID(int=n) for n in (1, 2, 3))


def found(second, point, named=False):
    return PointFound(point=point, region="back", side="left", zone="erectors", named=named, **at(second))


def rated(second, point, number):
    return PointRated(point=point, number=number, **at(second))


def held(second, point):
    return PointHeld(point=point, seconds=8, **at(second))


POINTS = [
    began(**at(0)),
    found(10, A),
    rated(20, A, 7),
    held(30, A),
    rated(40, A, 5),
    held(50, A),
    PointTravels(point=A, to="down the arm", **at(55)),
    held(60, A),
    rated(70, A, 3),
    held(80, A),
    found(90, B, named=True),
    rated(95, B, 4),
    held(100, B),
    rated(105, B, 6),
    held(110, B),
    found(120, C),
    rated(125, C, 9),
    found(130, C),
    rated(135, UUID(int=9), 2),
]


def test_a_point_is_a_series_of_numbers_with_three_holds_at_most():
    points = {point.id: point for point in fold(POINTS, SHEET).points}
    assert list(points) == [A, B, C]
    assert (points[A].numbers, points[A].holds, points[A].open) == ((7, 5, 3), 3, False)
    assert points[A].travels == ("down the arm",)
    # It rose: no further hold counts.
    assert (points[B].numbers, points[B].holds, points[B].open) == ((4, 6), 1, False)
    assert points[C].numbers == (9,)


def test_a_point_set_by_mistake_was_never_there():
    events = MISTAKEN
    assert [point.id for point in fold(events, SHEET).points] == [B]
    # What arrives late for it changes nothing, nor does a second withdrawal.
    late = [*events, rated(5, A, 2), PointWithdrawn(point=A, **at(6))]
    assert [point.id for point in fold(late, SHEET).points] == [B]
    answers = read_answers(1, in_order_of_time(events), lambda: SHEET, 7)
    assert answers == ()


def test_of_many_points_those_named_come_first_then_the_highest_under_the_ceiling():
    events = [began(**at(0)), *(found(n, UUID(int=n), named=n == 3) for n in range(1, 6))]
    events += [rated(10 + n, UUID(int=n), number) for n, number in ((1, 4), (2, 9), (3, 2), (4, 7))]
    events += [found(20, UUID(int=6)), PointLeft(point=UUID(int=6), **at(21))]
    order = [point.id.int for point in order_points(fold(events, SHEET).points, 7)]
    assert order == [3, 4, 5, 1, 2]


def test_what_the_body_said_what_was_skipped_and_how_the_rest_was_shared_out_is_kept():
    state = fold(EVERYTHING, SHEET)
    assert [(one.sign, one.region) for one in state.seen] == [("wince", "back")]
    assert [(one.part_id, one.entries, one.reason) for one in state.skipped] == [
        (BACK.id, addresses(4, 5), "ticklish")
    ]
    assert (state.allotted, state.total) == ({ARM.id: 0, FEET[0].id: 120}, 2400)


def test_what_is_skipped_is_owed_until_it_is_done_or_waived():
    state = fold(OWED, SHEET)
    assert [(one.entries, one.reason) for one in state.skipped] == [
        (addresses(6), ""),
        (addresses(7), "no time"),
    ]
    assert fold([*OWED, moved(to=6, **at(60))], SHEET).skipped == state.skipped[1:]
    # What was waived stays so, though one passes by it.
    assert fold([*OWED, moved(to=7, **at(60))], SHEET).skipped == state.skipped


def test_a_halt_ends_it_with_its_reason():
    state = fold([*USUAL[:3], Halted(reason="dizzy", **at(70)), moved(to=2, **at(80))], SHEET)
    assert (state.halted, state.ended_at) == ("dizzy", START + timedelta(seconds=70))


OWED = [
    began(**at(0)),
    skipped(part_id=BACK.id, entries=(5,), **at(10)),
    moved(to=6, **at(11)),
    skipped(part_id=BACK.id, entries=(6, 7), **at(20)),
    moved(to=5, **at(30)),
    skipped(part_id=BACK.id, entries=(7,), reason="no time", **at(40)),
]


def added(second, part_id, region="scalp", seconds=120):
    return Added(part_id=part_id, region=region, side="mid", seconds=seconds, **at(second))


ADDED = [
    began(**at(0)),
    moved(to=5, **at(10)),
    added(30, "added-1"),
    said(60, region="scalp", depth=2),
    moved(to=5, **at(130)),
    added(140, "added-1"),
    moved(to=6, **at(150)),
    added(160, "added-2", region="hand"),
    Ended(**at(200)),
]


def test_what_is_added_takes_its_own_time_until_the_next_move_and_is_done_in_the_log():
    state = fold(ADDED, SHEET)
    assert [(one.part_id, one.seconds) for one in state.added] == [("added-1", 120), ("added-2", 120)]
    assert (state.taken["added-1"], state.taken["added-2"]) == (110, 40)
    assert fold(ADDED[:3], SHEET).adding == "added-1"
    assert fold(ADDED[:5], SHEET).adding is None
    done = {row.region: row for row in compare_done(SHEET, state)}
    assert (done["scalp"].planned, done["scalp"].taken, done["scalp"].suited) == (0, 110, 3)


@given(st.data())
def test_two_devices_agree_in_whatever_order_their_events_arrive(data):
    """Each keeps its own order; a later tap of either is later for both."""
    mine = data.draw(st.sets(st.integers(1, 500), max_size=8))
    run = [began(**at(0))]
    run += [moved(to=n % LAST, **at(n)) if n % 2 else said(n) for n in sorted(mine)]
    split = data.draw(st.lists(st.booleans(), min_size=len(run), max_size=len(run)))
    tablet = [event for event, first in zip(run, split, strict=True) if first]
    phone = [event for event, first in zip(run, split, strict=True) if not first]
    for arrived in ([*tablet, *phone], [*phone, *tablet], data.draw(st.permutations(run))):
        assert in_order_of_time(arrived) == run


MISTAKEN = [began(**at(0)), found(1, A), rated(2, A, 9), found(3, B), PointWithdrawn(point=A, **at(4))]
EVERYTHING = [
    began(**at(0)),
    Observed(sign="wince", region="back", side="left", **at(5)),
    skipped(part_id=BACK.id, entries=(4, 5), reason="ticklish", **at(6)),
    Bent(seconds={ARM.id: 90}, total=2600, **at(7)),
    Bent(seconds={ARM.id: 0, FEET[0].id: 120}, total=2400, **at(8)),
]


def test_regions_planned_against_done_with_the_depth_that_suited():
    done = {r.region: r for r in compare_done(SHEET, fold(USUAL, SHEET))}
    assert list(done) == ["back", "foot", "arm"]
    assert sum(r.planned for r in done.values()) == sum(e.seconds for e in SHEET.entries if e.role == "work")
    assert (done["back"].taken, done["back"].suited, done["back"].last_word) == (220, 3, "just_right")
    assert (done["arm"].taken, done["arm"].suited) == (0, None)


@pytest.mark.parametrize(
    ("word", "depth", "suits"), [("lighter", 3, 2), ("lighter", 1, 1), ("deeper", 5, 5), ("deeper", 2, 3)]
)
def test_a_word_shifts_the_depth_by_one_within_the_scale(word, depth, suits):
    state = fold([began(**at(0)), said(1, word, depth=depth)], SHEET)
    assert next(r for r in compare_done(SHEET, state) if r.region == "back").suited == suits


CASES = {
    "a usual run": USUAL,
    "nothing yet": [],
    "before the first touch": [moved(to=3, **at(0)), said(1)],
    "after the end": [*USUAL, moved(to=0, **at(400))],
    "a clock that steps back": [began(**at(100)), moved(to=1, **at(40)), said(50), moved(to=2, **at(110))],
    "an address of another sheet": [began(**at(0)), moved(to=2, **at(1)), Moved(to="ghost/3", **at(2))],
    "paused twice": [
        began(**at(0)),
        Paused(**at(30)),
        Paused(**at(40)),
        Resumed(**at(100)),
        moved(to=1, **at(110)),
    ],
    "paused still": [began(**at(0)), Paused(**at(30)), moved(to=1, **at(50))],
    "sore points": POINTS,
    "signs, skips and a bent plan": EVERYTHING,
    "a point set by mistake": MISTAKEN,
    "owed, done and waived": OWED,
    "owed, then passed": [*OWED, moved(to=6, **at(60)), moved(to=7, **at(61))],
    "added": ADDED,
    "contractions": [
        began(**at(0)),
        ContractionEnded(**at(5)),
        ContractionBegan(**at(10)),
        ContractionBegan(**at(12)),
        moved(to=3, **at(12)),
        ContractionEnded(**at(70)),
        ContractionBegan(**at(310)),
    ],
    "halted": [*USUAL[:3], Halted(reason="dizzy", **at(70)), moved(to=2, **at(80))],
    "begun twice": [began(**at(0)), began(news="late", **at(30)), moved(to=4, **at(40))],
}


def vectors():
    """What holds the browser's own fold to this one."""
    return {
        "entries": [{"part_id": entry.part_id, "address": entry.address} for entry in SHEET.entries],
        "cases": [
            {
                "name": name,
                "events": [e.model_dump(mode="json") for e in events],
                "state": fold(events, SHEET).model_dump(mode="json"),
            }
            for name, events in CASES.items()
        ],
    }
