from datetime import timedelta
from uuid import UUID, uuid4

import pytest

from mellow_tide.core.flow.brief import Excluded, Wish
from mellow_tide.core.meeting.day import DayAnswer
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.run.events import PointLeft
from mellow_tide.core.run.log import Log
from mellow_tide.demo.people import CLIENTS, HOUSE, PRACTICE_ID, THERAPIST_ID, demo_id
from mellow_tide.store.database import Sight
from mellow_tide.store.errors import Conflict, Differs, NotThere, Stale
from mellow_tide.store.house import find_house
from mellow_tide.store.logs import add_log, find_log
from mellow_tide.store.meeting.clients import add_client, find_client, replace_client
from mellow_tide.store.queries import read_queries
from mellow_tide.store.sessions import (
    Between,
    NewSession,
    ReadAt,
    add_session,
    append_events,
    find_session,
    list_events,
    list_sessions,
    replace_plan,
    set_day_answer,
)
from tests.conftest import NOW

SESSION = demo_id("session 2026-05-04 isolde")
OTTILIE = CLIENTS["ottilie"].client_id
HERE = Sight(PRACTICE_ID)


def test_a_day_has_its_sessions_in_order(db):
    start = NOW.replace(hour=0)
    with db.transaction(HERE) as t:
        day = list_sessions(t, Between(start, start + timedelta(days=1)))
        assert list_sessions(t, Between(start + timedelta(days=1), start + timedelta(days=2))) == []
    names = [row.client.name for row in day]
    assert names == ["Ottilie Saltgrove", "Bram Lanternby", "Isolde Kelpworth", "Corin Foghollow"]
    assert [row.logged for row in day] == [True, False, False, False]


def taps(count):
    return [PointLeft(id=uuid4(), at=NOW, point=UUID(int=n)) for n in range(count)]


def test_events_keep_their_order_and_one_sent_twice_changes_nothing(db):
    events = taps(20)
    changed = events[3].model_copy(update={"point": uuid4()})
    with db.transaction(HERE) as t:
        append_events(t, SESSION, events[:12])
    with pytest.raises(Differs), db.transaction(HERE) as t:
        append_events(t, SESSION, [*events[8:], changed])
    with db.transaction(HERE) as t:
        append_events(t, SESSION, [events[3], *events[8:]])
        assert list_events(t, SESSION) == events


def test_a_plan_is_replaced_only_over_the_newest(db):
    with db.transaction(HERE) as t:
        before = find_session(t, SESSION).plan
        by_hand, late = (before.model_copy(update={"by_hand": (id,)}) for id in ("neck", "back"))
        replace_plan(t, ReadAt(SESSION, 1), by_hand)
    with pytest.raises(Stale), db.transaction(HERE) as t:
        replace_plan(t, ReadAt(SESSION, 1), late)
    with db.transaction(HERE) as t:
        row = find_session(t, SESSION)
    assert (row.revision, row.plan) == (2, by_hand)


def test_a_log_is_added_to_never_overwritten(db):
    with db.transaction(HERE) as t:
        assert find_log(t, SESSION) is None
        add_log(t, SESSION, 1, Log(note="first"))
        add_log(t, SESSION, 2, Log(note="second"))
        newest = find_log(t, SESSION)
    assert (newest.revision, newest.log) == (2, Log(note="second"))
    with pytest.raises(Conflict) as refused, db.transaction(HERE) as t:
        add_log(t, SESSION, 2, Log(note="late"))
    assert refused.value.constraint == "session_log_pkey"


def test_a_transaction_that_fails_changes_nothing(db):
    lost = taps(1)

    def write_in_part():
        with db.transaction(HERE) as t:
            append_events(t, SESSION, lost)
            append_events(t, uuid4(), taps(1))

    with pytest.raises(Conflict):
        write_in_part()
    with db.transaction(HERE) as t:
        assert lost[0] not in list_events(t, SESSION)


def test_what_is_not_there_is_said_so(db):
    with pytest.raises(NotThere), db.transaction(HERE) as t:
        find_session(t, uuid4())


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
    with db.transaction(HERE) as t:
        add_client(t, client, record)
        plan = find_session(t, SESSION).plan
        add_session(t, NewSession(session, client, THERAPIST_ID, NOW, plan))
        row = find_session(t, session)
        assert find_house(t) == HOUSE
        assert find_client(t, client).record == record
    assert (row.client, row.facts, row.plan) == (record, record.facts(NOW.date()), plan)


def test_what_is_so_today_is_part_of_what_is_known_that_day_only(db):
    neck = Excluded(region="neck", because="sunburnt")
    with db.transaction(HERE) as t:
        set_day_answer(t, SESSION, DayAnswer(excluded=(neck,), conditions=frozenset({"make_up"})))
        row = find_session(t, SESSION)
        known = find_client(t, row.client_id).record
    assert (row.facts.excluded, row.facts.conditions) == ((neck,), {"make_up"})
    assert row.facts.day_question == "answered"
    assert known.facts(row.day).excluded == row.known.excluded == ()


def test_a_client_out_of_bounds_is_refused_by_the_table_too(db):
    with db.transaction(HERE) as t:
        known = dict(find_client(t, OTTILIE).record)
    restless = ClientRecord.model_construct(**{**known, "breaths_per_minute": 3})
    with pytest.raises(Conflict, match="client_breaths"), db.transaction(HERE) as t:
        replace_client(t, OTTILIE, restless)
