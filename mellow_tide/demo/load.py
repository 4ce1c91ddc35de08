"""Loads the demo and keeps its day today's, under the role that owns the tables."""

from datetime import UTC, date, datetime, time, timedelta
from uuid import UUID
from zoneinfo import ZoneInfo

from psycopg import Connection

from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.planner.plan import Plan, plan
from mellow_tide.core.run.state import fold, regions_done
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import tempo_of
from mellow_tide.demo.people import (
    CLIENTS,
    DAY,
    HOUSE,
    PRACTICE_ID,
    PRACTICE_NAME,
    THERAPIST_EMAIL,
    THERAPIST_ID,
    THERAPIST_NAME,
    THERAPIST_PASSWORD,
    TIME_ZONE,
    DemoSession,
    demo_id,
)
from mellow_tide.demo.worked_run import worked_run
from mellow_tide.services.logs import Log
from mellow_tide.services.sign_in import hash_password
from mellow_tide.store.database import Database, Row, Sight
from mellow_tide.store.people import (
    Person,
    Practice,
    SignedIn,
    add_member,
    add_person,
    add_practice,
    delete_practice_and_person,
    find_person_by_email,
)
from mellow_tide.store.sessions import add_client, add_log, add_session, append_events, sessions_between

WHO = SignedIn(PRACTICE_ID, THERAPIST_ID)
_SIGHT = Sight(PRACTICE_ID, THERAPIST_ID, THERAPIST_EMAIL)


def ensure_demo(db: Database, now: datetime) -> None:
    """Make the demo practice if there is none, and give it the day of `now` if that is empty."""
    today = now.astimezone(ZoneInfo(TIME_ZONE)).date()
    with db.transaction(_SIGHT) as c:
        if find_person_by_email(c, THERAPIST_EMAIL) is None:
            _add_practice(c)
        start = datetime.combine(today, time.min, ZoneInfo(TIME_ZONE))
        if not sessions_between(c, PRACTICE_ID, start, start + timedelta(days=1)):
            _add_day(c, today)


def reset_demo(db: Database, now: datetime) -> None:
    """Take the demo practice away with all that was done in it, and make it anew."""
    with db.transaction(_SIGHT) as c:
        delete_practice_and_person(c, PRACTICE_ID, THERAPIST_ID)
    ensure_demo(db, now)


def _add_practice(c: Connection[Row]) -> None:
    add_practice(c, Practice(PRACTICE_ID, PRACTICE_NAME, TIME_ZONE), HOUSE)
    add_person(c, Person(THERAPIST_ID, THERAPIST_NAME, THERAPIST_EMAIL, hash_password(THERAPIST_PASSWORD)))
    add_member(c, PRACTICE_ID, THERAPIST_ID)
    for client in CLIENTS.values():
        add_client(c, PRACTICE_ID, client.client_id, client.name, client.facts, client.know_first)


def _add_day(c: Connection[Row], day: date) -> None:
    """The day's four sessions; the first has been worked and logged."""
    for number, wanted in enumerate(DAY):
        client = CLIENTS[wanted.client]
        made = plan(wanted.brief, client.facts, load_catalogue(), HOUSE)
        session_id = demo_id(f"session {day.isoformat()} {wanted.client}")
        starts_at = datetime.combine(day, time(wanted.hour, wanted.minute), ZoneInfo(TIME_ZONE))
        add_session(
            c, WHO, session_id, client.client_id, starts_at.astimezone(UTC), made.model_dump(mode="json")
        )
        if number == 0:
            _work_and_log(c, session_id, wanted, made, starts_at)


def _work_and_log(
    c: Connection[Row], session_id: UUID, wanted: DemoSession, made: Plan, starts_at: datetime
) -> None:
    sheet = lay_out(made.flow, in_house(HOUSE, load_catalogue()), tempo_of(CLIENTS[wanted.client].facts))
    events = worked_run(sheet, starts_at + timedelta(minutes=6), seed=starts_at.toordinal())
    append_events(c, PRACTICE_ID, session_id, [(e.id, e.model_dump(mode="json")) for e in events])
    done = regions_done(sheet, fold(events, sheet))
    log = Log(
        suited={region.region: region.suited for region in done if region.suited},
        note="Came in stiff from rowing. Breath dropped as soon as the back was warm; dozed through the feet.",
        next_time="A little deeper on the back from the start, calves light.",
    )
    add_log(c, PRACTICE_ID, session_id, 1, log.model_dump(mode="json"))
