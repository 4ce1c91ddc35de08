from datetime import timedelta
from uuid import uuid4

import pytest

from mellow_tide.core.flow.brief import Excluded, Wish
from mellow_tide.core.meeting.day import DayAnswer
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.demo.people import HOUSE, PRACTICE_ID, THERAPIST_ID, demo_id
from mellow_tide.store.clients import add_client, find_client
from mellow_tide.store.database import Sight
from mellow_tide.store.errors import Conflict, NotThere, Stale
from mellow_tide.store.logs import add_log, newest_log
from mellow_tide.store.people import SignedIn
from mellow_tide.store.queries import read_queries
from mellow_tide.store.sessions import (
    add_session,
    append_events,
    events_of,
    find_client_on_the_day,
    find_session,
    replace_plan,
    sessions_between,
    set_day_answer,
)
from tests.conftest import NOW

SESSION = demo_id("session 2026-05-04 isolde")
HERE = Sight(PRACTICE_ID)


def test_a_day_has_its_sessions_in_order(db):
    start = NOW.replace(hour=0)
    with db.transaction(HERE) as c:
        day = sessions_between(c, PRACTICE_ID, start, start + timedelta(days=1))
        assert sessions_between(c, PRACTICE_ID, start + timedelta(days=1), start + timedelta(days=2)) == []
    names = [row.client_name for row in day]
    assert names == ["Ottilie Saltgrove", "Bram Lanternby", "Isolde Kelpworth", "Corin Foghollow"]
    assert [row.logged for row in day] == [True, False, False, False]


def test_events_keep_their_order_and_one_sent_twice_changes_nothing(db):
    events = [(uuid4(), {"n": n}) for n in range(20)]
    with db.transaction(HERE) as c:
        append_events(c, PRACTICE_ID, SESSION, events[:12])
    with db.transaction(HERE) as c:
        append_events(c, PRACTICE_ID, SESSION, [(events[3][0], {"n": "changed"}), *events[8:]])
        assert [e["n"] for e in events_of(c, PRACTICE_ID, SESSION)] == list(range(20))


def test_a_plan_is_replaced_only_over_the_newest(db):
    with db.transaction(HERE) as c:
        replace_plan(c, PRACTICE_ID, SESSION, 1, {"made": "first"})
    with pytest.raises(Stale), db.transaction(HERE) as c:
        replace_plan(c, PRACTICE_ID, SESSION, 1, {"made": "late"})
    with db.transaction(HERE) as c:
        row = find_session(c, PRACTICE_ID, SESSION)
    assert (row.revision, row.plan) == (2, {"made": "first"})


def test_a_log_is_added_to_never_overwritten(db):
    with db.transaction(HERE) as c:
        assert newest_log(c, PRACTICE_ID, SESSION) is None
        add_log(c, PRACTICE_ID, SESSION, 1, {"note": "first"})
        add_log(c, PRACTICE_ID, SESSION, 2, {"note": "second"})
        newest = newest_log(c, PRACTICE_ID, SESSION)
    assert (newest.revision, newest.log) == (2, {"note": "second"})
    with pytest.raises(Conflict) as refused, db.transaction(HERE) as c:
        add_log(c, PRACTICE_ID, SESSION, 2, {"note": "late"})
    assert refused.value.constraint == "session_log_pkey"


def test_a_transaction_that_fails_changes_nothing(db):
    taken = [(uuid4(), {"n": "lost"}), (None, {"n": "without an id"})]
    with pytest.raises(Conflict), db.transaction(HERE) as c:
        append_events(c, PRACTICE_ID, SESSION, taken)
    with db.transaction(HERE) as c:
        assert all(e["n"] != "lost" for e in events_of(c, PRACTICE_ID, SESSION))


def test_what_is_not_there_is_said_so(db):
    with pytest.raises(NotThere), db.transaction(HERE) as c:
        find_session(c, PRACTICE_ID, uuid4())


def test_a_query_name_is_unique():
    assert read_queries(["-- name: a\nSELECT 1\n\n-- name: b\nSELECT 2\n"]) == {
        "a": "SELECT 1",
        "b": "SELECT 2",
    }
    with pytest.raises(ValueError, match="“a” is there twice"):
        read_queries(["-- name: a\nSELECT 1\n", "-- name: a\nSELECT 2\n"])


def test_a_client_s_facts_and_the_house_come_back_as_they_went_in(db):
    record = ClientRecord(
        name="Jory Mastwright",
        birth_year=1971,
        note="Sings.",
        height_cm=181,
        weight_kg=92,
        breaths_per_minute=9,
        body_hair="much",
        skin="dry",
        consents=frozenset({"hips"}),
        declined=frozenset({"face"}),
        conditions=frozenset({"nut_allergy"}),
        excluded=(Excluded(region="foot", side="left", zone="toes", because="a plaster"),),
        wishes=(Wish(region="lower_leg_back", depth=2.5),),
        likes=frozenset({"forearm"}),
        dislikes=frozenset({"skin_rolling"}),
    )
    client, session = uuid4(), uuid4()
    with db.transaction(HERE) as c:
        add_client(c, PRACTICE_ID, client, record)
        add_session(c, SignedIn(PRACTICE_ID, THERAPIST_ID), session, client, NOW, {})
        row = find_session(c, PRACTICE_ID, session)
        alone = find_client_on_the_day(c, PRACTICE_ID, session)
        assert find_client(c, PRACTICE_ID, client).record == record
    assert row.facts == alone.facts == record.facts(NOW.date())
    assert row.house == alone.house == HOUSE


def test_what_is_so_today_is_part_of_what_is_known_that_day_only(db):
    neck = Excluded(region="neck", because="sunburnt")
    with db.transaction(HERE) as c:
        set_day_answer(
            c, PRACTICE_ID, SESSION, DayAnswer(excluded=(neck,), conditions=frozenset({"make_up"}))
        )
        row = find_session(c, PRACTICE_ID, SESSION)
        known = find_client(c, PRACTICE_ID, row.client_id).record
    assert (row.facts.excluded, row.facts.conditions) == ((neck,), {"make_up"})
    assert row.facts.day_question == "answered"
    assert known.facts(row.day).excluded == row.known.excluded == ()


def test_a_client_out_of_bounds_is_refused_by_the_table_too(db):
    with pytest.raises(Conflict, match="client_breaths"), db.transaction(HERE) as c:
        c.execute("UPDATE client SET breaths_per_minute = 3")
