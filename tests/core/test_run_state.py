"""The fold of events, and the vectors that hold the browser's fold to it."""

import json
from datetime import UTC, datetime, timedelta
from pathlib import Path
from uuid import UUID

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.run.events import Began, Ended, Moved, Said
from mellow_tide.core.run.state import fold, regions_done
from mellow_tide.core.timing.run_sheet import lay_out
from tests.core.flows import ARM, BACK, CLOSE, FEET, OPEN, flow

VECTORS = Path(__file__).parents[1] / "vectors" / "run_state.json"
SHEET = lay_out(flow(OPEN, BACK, *FEET, ARM, CLOSE), load_catalogue())
LAST = len(SHEET.entries) - 1
START = datetime(2026, 5, 4, 9, 6, tzinfo=UTC)


def at(second):
    return {"id": UUID(int=second * 1000), "at": START + timedelta(seconds=second)}


def said(second, word="deeper", region="back", depth=3):
    return Said(word=word, region=region, side="mid", depth=depth, **at(second))


def entry_of(stop_id):
    return next(i for i, e in enumerate(SHEET.entries) if e.stop_id == stop_id)


USUAL = [
    Began(news="plaster on the left heel", **at(0)),
    Moved(to=entry_of(BACK.id), **at(20)),
    said(60),
    Moved(to=entry_of(FEET[0].id), **at(200)),
    Moved(to=entry_of(BACK.id), **at(210)),
    said(230, "just_right"),
    Moved(to=LAST, **at(250)),
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
    assert fold([Moved(to=3, **at(0)), said(1)], SHEET) == fold([], SHEET)
    assert fold([*USUAL, Moved(to=0, **at(400)), said(410)], SHEET) == fold(USUAL, SHEET)


def test_a_clock_that_steps_back_adds_no_time():
    state = fold([Began(**at(100)), Moved(to=1, **at(40)), Moved(to=2, **at(110))], SHEET)
    assert sum(state.taken.values()) == 10


def test_beyond_the_sheet_is_its_last_entry():
    assert fold([Began(**at(0)), Moved(to=5000, **at(1))], SHEET).entry == LAST


@given(st.lists(st.tuples(st.integers(0, LAST), st.integers(0, 90)), max_size=30))
def test_all_time_belongs_to_some_stop(moves):
    events, now = [Began(**at(0))], 0
    for to, seconds in moves:
        now += seconds
        events.append(Moved(to=to, **at(now)))
    state = fold(events, SHEET)
    assert sum(state.taken.values()) == pytest.approx(now)


def test_regions_planned_against_done_with_the_depth_that_suited():
    done = {r.region: r for r in regions_done(SHEET, fold(USUAL, SHEET))}
    assert list(done) == ["back", "foot", "arm"]
    assert sum(r.planned for r in done.values()) == sum(e.seconds for e in SHEET.entries if e.role == "work")
    assert (done["back"].taken, done["back"].suited, done["back"].last_word) == (220, 3, "just_right")
    assert (done["arm"].taken, done["arm"].suited) == (0, None)


@pytest.mark.parametrize(
    ("word", "depth", "suits"), [("lighter", 3, 2), ("lighter", 1, 1), ("deeper", 5, 5), ("deeper", 2, 3)]
)
def test_a_word_shifts_the_depth_by_one_within_the_scale(word, depth, suits):
    state = fold([Began(**at(0)), said(1, word, depth=depth)], SHEET)
    assert next(r for r in regions_done(SHEET, state) if r.region == "back").suited == suits


CASES = {
    "a usual run": USUAL,
    "nothing yet": [],
    "before the first touch": [Moved(to=3, **at(0)), said(1)],
    "after the end": [*USUAL, Moved(to=0, **at(400))],
    "a clock that steps back": [Began(**at(100)), Moved(to=1, **at(40)), said(50), Moved(to=2, **at(110))],
    "beyond the sheet": [Began(**at(0)), Moved(to=5000, **at(1))],
    "begun twice": [Began(**at(0)), Began(news="late", **at(30)), Moved(to=4, **at(40))],
}


def test_the_shared_vectors_are_what_the_core_says():
    """The browser's own fold is held to this file; write it anew with the text of the failure."""
    wanted = {
        "stops": [entry.stop_id for entry in SHEET.entries],
        "cases": [
            {
                "name": name,
                "events": [e.model_dump(mode="json") for e in events],
                "state": fold(events, SHEET).model_dump(mode="json"),
            }
            for name, events in CASES.items()
        ],
    }
    text = json.dumps(wanted, indent=1) + "\n"
    assert VECTORS.read_text() == text
