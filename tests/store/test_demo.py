from datetime import timedelta

from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.demo.load import ensure_demo, reset_demo
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_ID, demo_id
from mellow_tide.services.days import read_day
from mellow_tide.services.desk import Desk
from mellow_tide.services.running.logs import read_log
from mellow_tide.store.clients import add_client, list_contacts
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import find_session
from tests.conftest import NOW

WHO = SignedIn(PRACTICE_ID, THERAPIST_ID)


def desk(db):
    return Desk.of(db, WHO, load_catalogue())


def stages(db, now):
    return [s.stage for s in read_day(desk(db), None, now).sessions]


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
