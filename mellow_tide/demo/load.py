"""Loads the demo and keeps its day today's, under the role that owns the tables."""

import hashlib
from datetime import UTC, date, datetime, time, timedelta
from uuid import UUID
from zoneinfo import ZoneInfo

from psycopg import Connection

from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.meeting.day import DayAnswer
from mellow_tide.core.planner.plan import Plan, plan
from mellow_tide.core.run.done import regions_done
from mellow_tide.core.run.log import Log
from mellow_tide.core.run.state import fold
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import tempo_of
from mellow_tide.demo.people import (
    CLIENTS,
    DAY,
    EARLIER_WISHES,
    HOUSE,
    MIRABEL_SAYS,
    PRACTICE_ID,
    PRACTICE_NAME,
    THERAPIST_EMAIL,
    THERAPIST_ID,
    THERAPIST_NAME,
    THERAPIST_PASSWORD,
    TIME_ZONE,
    VISIT_BEFORE,
    DemoSession,
    demo_id,
)
from mellow_tide.demo.worked_run import worked_run
from mellow_tide.services.evidence import newly_told, told
from mellow_tide.services.sign_in import hash_password
from mellow_tide.store.database import Database, Row, Sight
from mellow_tide.store.intakes import add_intake, hand_in, open_intake, save_answers
from mellow_tide.store.logs import add_log
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
from mellow_tide.store.sessions import add_session, append_events, sessions_between, set_day_answer

WHO = SignedIn(PRACTICE_ID, THERAPIST_ID)
_SIGHT = Sight(PRACTICE_ID, THERAPIST_ID, THERAPIST_EMAIL)


def ensure_demo(db: Database, now: datetime) -> None:
    """Make the demo practice if there is none, and give it the day of `now` if that is empty."""
    today = now.astimezone(ZoneInfo(TIME_ZONE)).date()
    with db.transaction(_SIGHT) as c:
        if find_person_by_email(c, THERAPIST_EMAIL) is None:
            _add_practice(c, now)
        start = datetime.combine(today, time.min, ZoneInfo(TIME_ZONE))
        if not sessions_between(c, PRACTICE_ID, start, start + timedelta(days=1)):
            _add_day(c, today)


def reset_demo(db: Database, now: datetime) -> None:
    """Take the demo practice away with all that was done in it, and make it anew."""
    with db.transaction(_SIGHT) as c:
        delete_practice_and_person(c, PRACTICE_ID, THERAPIST_ID)
    ensure_demo(db, now)


def _add_practice(c: Connection[Row], now: datetime) -> None:
    today = now.astimezone(ZoneInfo(TIME_ZONE)).date()
    add_practice(c, Practice(PRACTICE_ID, PRACTICE_NAME, TIME_ZONE), HOUSE)
    add_person(c, Person(THERAPIST_ID, THERAPIST_NAME, THERAPIST_EMAIL, hash_password(THERAPIST_PASSWORD)))
    add_member(c, PRACTICE_ID, THERAPIST_ID)
    for client in CLIENTS.values():
        known = client.known(today)
        first = known.model_copy(update={"wishes": EARLIER_WISHES}) if client.key == "linnet" else known
        since = now - timedelta(days=56)
        newly_told(c, PRACTICE_ID, client.client_id, first, "by_hand", THERAPIST_NAME, since)
    _add_visit_before(c, today)
    linnet = CLIENTS["linnet"]
    since = now - timedelta(days=28)
    told(c, WHO, linnet.client_id, lambda _: linnet.known(today), "by_hand", load_catalogue(), at=since)
    _add_handed_in(c, now)


def _add_visit_before(c: Connection[Row], today: date) -> None:
    day = today - timedelta(days=28)
    session_id, made, starts_at = _add_session(c, day, VISIT_BEFORE)
    _work_and_log(
        c,
        session_id,
        VISIT_BEFORE,
        made,
        starts_at,
        Log(
            note="Flinched twice under the forearm.",
            next_time="The back lighter, the shoulders may be firmer.",
        ),
    )


def _add_handed_in(c: Connection[Row], now: datetime) -> None:
    """An intake that waits to be read; nobody holds its link or its key."""
    intake_id = demo_id("intake mirabel")
    sealed = [hashlib.sha256(f"sealed {part}".encode()).digest() for part in ("link", "key")]
    add_intake(c, PRACTICE_ID, intake_id, CLIENTS["mirabel"].client_id, sealed[0], now + timedelta(days=6))
    open_intake(c, PRACTICE_ID, intake_id, sealed[1], now - timedelta(hours=2))
    save_answers(c, PRACTICE_ID, intake_id, 1, MIRABEL_SAYS.model_dump(mode="json", exclude_none=True))
    hand_in(c, PRACTICE_ID, intake_id, now - timedelta(hours=1))


def _add_day(c: Connection[Row], day: date) -> None:
    """The day's four sessions; the first has been worked and logged."""
    for number, wanted in enumerate(DAY):
        session_id, made, starts_at = _add_session(c, day, wanted)
        if number == 0:
            _work_and_log(c, session_id, wanted, made, starts_at, THE_LOG)


def _add_session(c: Connection[Row], day: date, wanted: DemoSession) -> tuple[UUID, Plan, datetime]:
    client = CLIENTS[wanted.client]
    made = plan(wanted.brief, client.known(day).facts(day), load_catalogue(), HOUSE)
    session_id = demo_id(f"session {day.isoformat()} {wanted.client}")
    starts_at = datetime.combine(day, time(wanted.hour, wanted.minute), ZoneInfo(TIME_ZONE))
    stored = made.model_dump(mode="json")
    add_session(c, WHO, session_id, client.client_id, starts_at.astimezone(UTC), stored)
    return session_id, made, starts_at


THE_LOG = Log(
    note="Came in stiff from rowing. Breath dropped as soon as the back was warm; dozed through the feet.",
    next_time="A little deeper on the back from the start, calves light.",
)


def _work_and_log(
    c: Connection[Row], session_id: UUID, wanted: DemoSession, made: Plan, starts_at: datetime, words: Log
) -> None:
    facts = CLIENTS[wanted.client].known(starts_at.date()).facts(starts_at.date())
    sheet = lay_out(made.flow, in_house(HOUSE, load_catalogue()), tempo_of(facts))
    events = worked_run(sheet, starts_at + timedelta(minutes=6), seed=starts_at.toordinal())
    set_day_answer(c, PRACTICE_ID, session_id, DayAnswer())
    append_events(c, PRACTICE_ID, session_id, [(e.id, e.model_dump(mode="json")) for e in events])
    done = regions_done(sheet, fold(events, sheet))
    suited = {region.region: region.suited for region in done if region.suited}
    log = words.model_copy(update={"suited": suited})
    add_log(c, PRACTICE_ID, session_id, 1, log.model_dump(mode="json"))
