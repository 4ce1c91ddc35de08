"""Sessions: their plans and the events of their runs."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime
from functools import cached_property
from typing import Any, Literal
from uuid import UUID

from psycopg.types.json import Jsonb
from pydantic import TypeAdapter

from mellow_tide.core.booking.clashes import Booked
from mellow_tide.core.flow.brief import ClientFacts, Excluded
from mellow_tide.core.meeting.day import DayAnswer, add_day_answer, add_excluded
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.run.events import RunEvent
from mellow_tide.core.run.frozen import FrozenRun
from mellow_tide.core.timing.tempo import OwnPace
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import Differs, NotThere, Stale

_events: TypeAdapter[list[RunEvent]] = TypeAdapter(list[RunEvent])


Attendance = Literal["expected", "late", "cancelled", "did_not_come"]
"""Whether the client comes, or came: as booked, late, or not at all."""


@dataclass(frozen=True, kw_only=True)
class SessionRow:
    """A session with its client. `day` is the practice's date of it, `begun` whether anything was tapped.

    `comes`: whether the client comes, or came, as `attendance` has it. `series_id` is shared by the sessions of one
    repeat; `walk_in`: the client has no name yet.
    """

    session_id: UUID
    starts_at: datetime
    day: date
    revision: int
    person_id: UUID
    client_id: UUID
    stored_plan: dict[str, Any]
    stored_client: dict[str, Any]
    stored_answer: dict[str, Any] | None
    stored_run: dict[str, Any] | None
    stored_excluded: list[dict[str, Any]]
    pace_factors: dict[str, float] | None
    begun: bool
    unread_intake: UUID | None
    can_undo: bool
    can_redo: bool
    logged: bool
    attendance: Attendance
    comes: bool
    attendance_note: str
    series_id: UUID | None
    walk_in: bool

    @cached_property
    def plan(self) -> Plan:
        """The plan that stands."""
        return Plan.model_validate(self.stored_plan)

    @cached_property
    def client(self) -> ClientRecord:
        """Everything that is known of the client."""
        return ClientRecord.model_validate(self.stored_client)

    @cached_property
    def answer(self) -> DayAnswer | None:
        """What was answered to the question of the day, None until it was asked."""
        return None if self.stored_answer is None else DayAnswer.model_validate(self.stored_answer)

    @cached_property
    def excluded_today(self) -> tuple[Excluded, ...]:
        """Places to keep off in this session alone, by hand or by the answer of the day."""
        return (*self._by_hand, *(self.answer.excluded if self.answer else ()))

    @cached_property
    def run(self) -> FrozenRun | None:
        """What the session is worked by since it began, None before."""
        return None if self.stored_run is None else FrozenRun.model_validate(self.stored_run)

    @cached_property
    def known(self) -> ClientFacts:
        """What of the client changes a plan on the day of the session, before that day's answer."""
        # The question is due as soon as work begins.
        asked = "answered" if self.answer else "open" if self.begun else "not_due"
        facts = self.client.facts(self.day).model_copy(update={"day_question": asked})
        return add_excluded(facts, self._by_hand)

    @cached_property
    def _by_hand(self) -> tuple[Excluded, ...]:
        return tuple(Excluded.model_validate(one) for one in self.stored_excluded)

    @cached_property
    def facts(self) -> ClientFacts:
        """What of the client changes a plan on the day of the session, with what was answered that day."""
        return add_day_answer(self.known, self.answer) if self.answer else self.known

    @property
    def booked(self) -> Booked:
        """The booking as it is judged."""
        return Booked(
            session_id=self.session_id,
            client_name=self.client.name,
            starts_at=self.starts_at,
            minutes=self.plan.flow.brief.booked_minutes,
        )

    @property
    def read_at(self) -> "ReadAt":
        """The session at the revision at which it was read."""
        return ReadAt(self.session_id, self.revision)

    @property
    def pace(self) -> OwnPace | None:
        """The pace that the therapist has accepted, if they have."""
        return OwnPace(factors=self.pace_factors) if self.pace_factors else None


@dataclass(frozen=True)
class NewSession:
    """A session to be added, with its plan; `person_id` works it."""

    session_id: UUID
    client_id: UUID
    person_id: UUID
    starts_at: datetime
    plan: Plan
    series_id: UUID | None = None


@dataclass(frozen=True)
class ReadAt:
    """A session as somebody has read it: a change is refused unless `revision` is still the newest."""

    session_id: UUID
    revision: int


def add_session(t: Transaction, new: NewSession) -> None:
    """Add a planned session for a client of the practice; one whose id is already there stays as it is."""
    t.run("insert_session", **{**vars(new), "plan": Jsonb(new.plan.model_dump(mode="json"))})


@dataclass(frozen=True)
class Between:
    """From an instant on, to before another."""

    start: datetime
    end: datetime


def list_sessions(t: Transaction, between: Between, of_person: UUID | None = None) -> list[SessionRow]:
    """The sessions that start in a time, in order: everybody's, or those that one person works."""
    values = {"from": between.start, "until": between.end, "of_person": of_person}
    return t.all(SessionRow, "sessions_between", **values)


def find_session(t: Transaction, session_id: UUID) -> SessionRow:
    """The session; raises `NotThere`."""
    row = t.one(SessionRow, "find_session", session_id=session_id)
    if row is None:
        raise NotThere("session")
    return row


def lock_session(t: Transaction, session_id: UUID) -> int:
    """Hold the session until the transaction ends, so that writers take turns; its revision."""
    revision: int | None = t.value("lock_session", session_id=session_id)
    if revision is None:
        raise NotThere("session")
    return revision


def replace_plan(t: Transaction, at: ReadAt, plan: Plan, knows: bool = True) -> None:
    """Store a new plan over the one that was read; raises `Stale` if that is no longer the newest.

    The one before can be stepped back to; what had been stepped back from is forgotten. `knows`: it was made with all
    that is known of the client now.
    """
    if lock_session(t, at.session_id) != at.revision:
        raise Stale("session")
    t.run("keep_standing_plan", session_id=at.session_id)
    t.run("forget_later_plans", session_id=at.session_id)
    stored = Jsonb(plan.model_dump(mode="json"))
    t.run("replace_plan", session_id=at.session_id, plan=stored, knows=knows)
    t.run("keep_standing_plan", session_id=at.session_id)


def step_to_plan(t: Transaction, at: ReadAt, by: Literal[-1, 1]) -> None:
    """Let the plan made before (-1) or after (1) the standing one stand.

    Raises `Stale` if another revision is the newest, `NotThere` if there is no such plan.
    """
    if lock_session(t, at.session_id) != at.revision:
        raise Stale("session")
    if t.run("step_to_plan", session_id=at.session_id, by=by) == 0:
        raise NotThere("plan")


def set_late_minutes(t: Transaction, session_id: UUID, minutes: int) -> None:
    """The plan that stands moved the start by so many minutes."""
    t.run("set_late_minutes", session_id=session_id, minutes=minutes)


def list_late_minutes(t: Transaction, session_id: UUID, ahead: Literal[0, 1] = 0) -> list[int]:
    """By how many minutes each plan moved the start: from the one that stands (0) or the one after it (1) backwards."""
    return [int(one) for one in t.column("late_minutes_of_plans", session_id=session_id, ahead=ahead)]


def set_known(t: Transaction, session_id: UUID) -> None:
    """What is known of the client now has been looked at beside the standing plan."""
    t.run("set_known", session_id=session_id)


def set_day_answer(t: Transaction, session_id: UUID, answer: DayAnswer) -> None:
    """Keep what was answered to the question of the day."""
    t.run("set_day_answer", session_id=session_id, day_answer=Jsonb(answer.model_dump(mode="json")))


def set_excluded_today(t: Transaction, session_id: UUID, excluded: Sequence[Excluded]) -> None:
    """Keep the places to keep off in this session alone that were set on its plan."""
    stored = Jsonb([place.model_dump(mode="json") for place in excluded])
    t.run("set_excluded_today", session_id=session_id, excluded=stored)


def freeze_run(t: Transaction, session_id: UUID, run: FrozenRun) -> None:
    """Keep what a session is worked by from now on; one that has begun already keeps what it has."""
    stored = {name: Jsonb(value) for name, value in run.model_dump(mode="json", exclude={"sheet_id"}).items()}
    t.run("freeze_run", session_id=session_id, sheet_id=run.sheet_id, **stored)


def append_events(t: Transaction, session_id: UUID, events: Sequence[RunEvent]) -> None:
    """Add events in order; one that is already there changes nothing. Raises `Differs` for its id with other content.

    What comes after the log was signed is kept, and counts nowhere.
    """
    for event in events:
        values = {
            "session_id": session_id,
            "event_id": event.id,
            "event": Jsonb(event.model_dump(mode="json", exclude=None if event.odd_at else {"odd_at"})),
        }
        if t.run("append_event", **values) == 0 and not t.value("same_event", **values):
            raise Differs("event")


def list_events(t: Transaction, session_id: UUID) -> list[RunEvent]:
    """All events of a session's run that count, in the order they came."""
    return _events.validate_python(t.column("events_of_session", session_id=session_id))


@dataclass(frozen=True)
class LateEvent:
    """A tap that came when the log had been signed: what, when by its device, and when it came."""

    kind: str
    at: datetime
    received_at: datetime


def list_late_events(t: Transaction, session_id: UUID) -> list[LateEvent]:
    """All that came of a session's run after its log was signed, in the order it came."""
    return t.all(LateEvent, "late_events_of_session", session_id=session_id)


@dataclass(frozen=True)
class _EventsRow:
    session_id: UUID
    events: list[dict[str, Any]]


def list_events_of_sessions(t: Transaction, session_ids: Sequence[UUID]) -> dict[UUID, list[RunEvent]]:
    """The events of several sessions at once, each in the order they came."""
    rows = t.all(_EventsRow, "events_of_sessions", session_ids=list(session_ids))
    found = {row.session_id: _events.validate_python(row.events) for row in rows}
    return {id: found.get(id, []) for id in session_ids}


def read_events(stored: list[dict[str, Any]]) -> list[RunEvent]:
    """Core events from their stored form."""
    return _events.validate_python(stored)
