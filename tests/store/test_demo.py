from datetime import timedelta

from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.demo.load import ensure_demo, reset_demo
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_ID, demo_id
from mellow_tide.services.booking.days import read_day
from mellow_tide.services.desk import Desk
from mellow_tide.services.learning.learnt import read_learnt
from mellow_tide.services.meeting.clients import erase, merge
from mellow_tide.services.running.logs import read_log
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.meeting.clients import add_client, list_contacts, search_clients
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import find_session
from tests.conftest import NOW

WHO = SignedIn(PRACTICE_ID, THERAPIST_ID)


def desk(db):
    return Desk.of(db, WHO, load_catalogue())


def stages(db, now):
    return [s.stage for s in read_day(desk(db), now.date()).sessions]


def test_every_new_day_gets_its_sessions_and_none_twice(db, owner_dsn):
    tomorrow = NOW + timedelta(days=1)
    assert stages(db, tomorrow) == []
    with Database(owner_dsn, most_connections=1) as owner:
        ensure_demo(owner, tomorrow)
        ensure_demo(owner, tomorrow)
    assert stages(db, tomorrow) == ["logged", "plan", "plan", "plan"]
    assert stages(db, NOW) == ["logged", "plan", "plan", "plan"]


def test_the_logged_session_is_whole(db):
    page = read_log(desk(db), demo_id("session 2026-05-04 ottilie"))
    assert page.session.run.ended_at
    assert page.log.note
    assert page.log.suited["back"] == 4
    assert all(region.taken > 0 for region in page.done)


def test_reset_puts_it_back_as_shipped(db, owner_dsn):
    extra = demo_id("client nobody")
    with db.transaction(Sight(PRACTICE_ID)) as t:
        add_client(t, extra, ClientRecord(name="Someone added"))
    with Database(owner_dsn, most_connections=1) as owner:
        reset_demo(owner, NOW)
    with db.transaction(Sight(PRACTICE_ID)) as t:
        assert len(list_contacts(t)) == 13
        find_session(t, demo_id("session 2026-05-04 bram"))


def test_a_day_is_made_for_the_demo_clients_who_are_still_there(db, owner_dsn):
    """Whom a user has erased or merged away is not booked again, and the start goes on."""
    here = desk(db)
    isolde, corin, bram = (demo_id(f"client {name}") for name in ("isolde", "corin", "bram"))
    erase(here, isolde, "Isolde Kelpworth")
    merge(here, bram, corin)
    later = NOW + timedelta(days=9)
    with Database(owner_dsn, most_connections=1) as owner:
        ensure_demo(owner, later)
        assert [s.client_name for s in read_day(here, later.date()).sessions] == [
            "Ottilie Saltgrove",
            "Bram Lanternby",
        ]
        reset_demo(owner, NOW)
    assert stages(db, NOW) == ["logged", "plan", "plan", "plan"]


def test_a_practice_without_any_demo_client_gets_no_day_and_no_error(db, owner_dsn):
    here = desk(db)
    with db.transaction(Sight(PRACTICE_ID)) as t:
        clients = [(row.client_id, row.name) for row in search_clients(t, "", True, 50)]
    for client_id, name in clients:
        erase(here, client_id, name)
    later = NOW + timedelta(days=10)
    with Database(owner_dsn, most_connections=1) as owner:
        ensure_demo(owner, later)
        assert stages(db, later) == []
        reset_demo(owner, NOW)


def test_a_demo_that_has_lived_was_made_by_the_services_themselves(db, owner_dsn):
    """Ten, three and one visits behind it, points followed, one late, one cancelled, chairs, next week's bookings."""
    told = []
    with Database(owner_dsn, most_connections=1) as owner:
        reset_demo(owner, NOW, told.append)
    assert told[-1] == "27 of 27 sessions"
    here = desk(db)
    visits = {
        name: read_learnt(here, demo_id(f"client {name}")) for name in ("tamsin", "jory", "elowen", "gethin")
    }
    assert {name: len(known.visits) for name, known in visits.items()} == {
        "tamsin": 10,
        "jory": 3,
        "elowen": 1,
        "gethin": 1,
    }
    numbers = [point.numbers[0] for points in visits["tamsin"].sore for point in points.points]
    assert numbers == sorted(numbers)
    assert (numbers[0], numbers[-1], len(numbers)) == (4, 8, 10)
    assert any(start.answers >= 8 for start in visits["tamsin"].starts)
    on = {days: read_day(here, NOW.date() + timedelta(days=days)) for days in (-20, -12, -6, 0, 1, 7)}
    assert {days: len(day.sessions) for days, day in on.items()} == {-20: 6, -12: 1, -6: 1, 0: 4, 1: 1, 7: 1}
    assert [one.walk_in for one in on[-20].sessions] == [False, True, True, False, True, True]
    assert {one.stage for days in (-20, -12) for one in on[days].sessions} == {"logged"}
    assert (on[-12].sessions[0].attendance, on[-6].sessions[0].attendance) == ("late", "cancelled")
    assert on[0].clashes == on[1].clashes == on[7].clashes == ()
    with Database(owner_dsn, most_connections=1) as owner:
        ensure_demo(owner, NOW + timedelta(days=7), told.append)
        assert len(told) == 6
        assert len(read_day(here, NOW.date() + timedelta(days=7)).sessions) == 5
        reset_demo(owner, NOW)
