"""Loads the demo and keeps its day today's, under the role that owns the tables."""

import hashlib
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta
from uuid import UUID
from zoneinfo import ZoneInfo

from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.meeting.day import DayAnswer
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.run.done import compare_done
from mellow_tide.core.run.frozen import FrozenRun
from mellow_tide.core.run.log import Log
from mellow_tide.core.run.state import fold
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import sheet_id
from mellow_tide.demo.history import Tell, live_through
from mellow_tide.demo.people import (
    CLIENTS,
    DAY,
    EARLIER_WISHES,
    HOURS,
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
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell, tell_new
from mellow_tide.services.people.passwords import hash_password
from mellow_tide.store.bookings import is_booked
from mellow_tide.store.database import Database, Sight, Transaction
from mellow_tide.store.house import skip_step
from mellow_tide.store.logs import add_log
from mellow_tide.store.meeting.clients import list_contacts
from mellow_tide.store.meeting.intakes import IntakeToOpen, add_intake, hand_in, open_intake
from mellow_tide.store.people import (
    Membership,
    Person,
    Practice,
    SignedIn,
    add_member,
    add_person,
    add_practice,
    delete_practice_and_person,
    find_person_by_email,
    set_hours,
)
from mellow_tide.store.security import Whose, add_security_event
from mellow_tide.store.sessions import (
    NewSession,
    add_session,
    append_events,
    freeze_run,
    set_day_answer,
)

WHO = SignedIn(PRACTICE_ID, THERAPIST_ID)
_SIGHT = Sight(PRACTICE_ID, THERAPIST_ID, THERAPIST_EMAIL)


def ensure_demo(db: Database, now: datetime, tell: Tell | None = None) -> None:
    """Make the demo practice if there is none, and give it the day of `now` if that is empty.

    Of the day's clients those are booked who are still there: some may have been erased or merged away. With `tell`,
    which is told how far it is, a practice that is made has three months behind it and a week ahead.
    """
    today = now.astimezone(ZoneInfo(TIME_ZONE)).date()
    with db.transaction(_SIGHT) as t:
        made = find_person_by_email(t, THERAPIST_EMAIL) is None
        if made:
            _add_practice(t, Desk(db, WHO, load_catalogue(), HOUSE), now)
        if not any(is_booked(t, _id_of(today, wanted)) for wanted in DAY):
            _add_day(t, today)
    if made and tell:
        live_through(db, now, tell)


def reset_demo(db: Database, now: datetime, tell: Tell | None = None) -> None:
    """Take the demo practice away with all that was done in it, and make it anew, as `ensure_demo` does."""
    with db.transaction(_SIGHT) as t:
        delete_practice_and_person(t, PRACTICE_ID, THERAPIST_ID)
    ensure_demo(db, now, tell)
    with db.transaction(_SIGHT) as t:
        add_security_event(t, "demo_reset", now, Whose(PRACTICE_ID))


def _add_practice(t: Transaction, desk: Desk, now: datetime) -> None:
    today = now.astimezone(ZoneInfo(TIME_ZONE)).date()
    add_practice(t, Practice(PRACTICE_ID, PRACTICE_NAME, TIME_ZONE), HOUSE)
    add_person(t, Person(THERAPIST_ID, THERAPIST_NAME, THERAPIST_EMAIL, hash_password(THERAPIST_PASSWORD)))
    add_member(t, Membership(PRACTICE_ID, THERAPIST_ID, "owner"), now)
    for client in CLIENTS.values():
        known = client.known(today)
        first = known.model_copy(update={"wishes": EARLIER_WISHES}) if client.key == "linnet" else known
        since = now - timedelta(days=56)
        tell_new(t, desk, client.client_id, first, Told("by_hand", at=since))
    _add_visit_before(t, today)
    linnet = CLIENTS["linnet"]
    since = now - timedelta(days=28)
    tell(t, desk, linnet.client_id, lambda _: linnet.known(today), Told("by_hand", at=since))
    _add_handed_in(t, now)
    set_hours(t, HOURS)
    for step in ("house", "room"):
        skip_step(t, step)


def _add_visit_before(t: Transaction, today: date) -> None:
    made = _add_session(t, today - timedelta(days=28), VISIT_BEFORE)
    note = "Flinched twice under the forearm."
    _work_and_log(t, made, Log(note=note, next_time="The back lighter, the shoulders may be firmer."))


def _add_handed_in(t: Transaction, now: datetime) -> None:
    """An intake that waits to be read; nobody holds its link or its key."""
    intake_id = demo_id("intake mirabel")
    sealed = [hashlib.sha256(f"sealed {part}".encode()).digest() for part in ("link", "key")]
    client_id = CLIENTS["mirabel"].client_id
    add_intake(t, IntakeToOpen(intake_id, client_id, sealed[0], now + timedelta(days=6)))
    open_intake(t, intake_id, sealed[1], now - timedelta(hours=2))
    hand_in(t, intake_id, 1, MIRABEL_SAYS, now - timedelta(hours=1))


def _add_day(t: Transaction, day: date) -> None:
    """The day's four sessions, of clients who are there; the first has been worked and logged."""
    there = {contact.client_id for contact in list_contacts(t)}
    for number, wanted in enumerate(DAY):
        if CLIENTS[wanted.client].client_id not in there:
            continue
        made = _add_session(t, day, wanted)
        if number == 0:
            _work_and_log(t, made, THE_LOG)


@dataclass(frozen=True)
class _Made:
    session: NewSession
    setting: Setting


def _id_of(day: date, wanted: DemoSession) -> UUID:
    return demo_id(f"session {day.isoformat()} {wanted.client}")


def _add_session(t: Transaction, day: date, wanted: DemoSession) -> _Made:
    client = CLIENTS[wanted.client]
    setting = Setting.of(client.known(day).facts(day), in_house(HOUSE, load_catalogue()))
    starts_at = datetime.combine(day, time(wanted.hour, wanted.minute), ZoneInfo(TIME_ZONE))
    session = NewSession(
        session_id=_id_of(day, wanted),
        client_id=client.client_id,
        person_id=THERAPIST_ID,
        starts_at=starts_at.astimezone(UTC),
        plan=plan(wanted.brief, setting),
    )
    add_session(t, session)
    return _Made(session, setting)


THE_LOG = Log(
    note="Came in stiff from rowing. Breath dropped as soon as the back was warm; dozed through the feet.",
    next_time="A little deeper on the back from the start, calves light.",
)


def _work_and_log(t: Transaction, made: _Made, words: Log) -> None:
    session_id, starts_at = made.session.session_id, made.session.starts_at
    sheet = made.setting.lay_out(made.session.plan.flow)
    events = worked_run(sheet, starts_at + timedelta(minutes=6), seed=starts_at.toordinal())
    set_day_answer(t, session_id, DayAnswer())
    run = FrozenRun(sheet_id=sheet_id(sheet), sheet=sheet, house=HOUSE, tempo=made.setting.tempo)
    freeze_run(t, session_id, run)
    append_events(t, session_id, events)
    done = compare_done(sheet, fold(events, sheet))
    suited = {region.region: region.suited for region in done if region.suited}
    add_log(t, session_id, 1, words.model_copy(update={"suited": suited}))
