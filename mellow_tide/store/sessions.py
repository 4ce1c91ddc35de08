"""Sessions: their plans and the events of their runs."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any, Literal
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from mellow_tide.core.care.pregnancy import gestation_days
from mellow_tide.core.catalogue.house import House
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.meeting.day import DayAnswer, on_the_day
from mellow_tide.core.timing.tempo import OwnPace
from mellow_tide.store.database import Row
from mellow_tide.store.errors import NotThere, Stale
from mellow_tide.store.people import SignedIn
from mellow_tide.store.queries import query


@dataclass(frozen=True, kw_only=True)
class ClientOnTheDay:
    """What planning and checking a session need of its client, and of the practice. `day` is the practice's date."""

    day: date
    height_cm: int
    weight_kg: int | None
    breaths_per_minute: int
    body_hair: str
    skin: str
    consents: list[str]
    declined: list[str]
    conditions: list[str]
    excluded: list[dict[str, Any]]
    wishes: list[dict[str, Any]]
    likes: list[str]
    dislikes: list[str]
    due_date: date | None
    day_answer: dict[str, Any] | None
    begun: bool
    house_json: dict[str, Any]
    pace_json: dict[str, float] | None

    @property
    def known(self) -> ClientFacts:
        """What of the client changes a plan on the day of the session, before that day's answer."""
        return ClientFacts.model_validate(
            {
                "height_cm": self.height_cm,
                "weight_kg": self.weight_kg,
                "breaths_per_minute": self.breaths_per_minute,
                "body_hair": self.body_hair,
                "skin": self.skin,
                "consents": self.consents,
                "declined": self.declined,
                "conditions": self.conditions,
                "excluded": self.excluded,
                "wishes": self.wishes,
                "likes": self.likes,
                "dislikes": self.dislikes,
                "gestation_days": gestation_days(self.due_date, self.day) if self.due_date else None,
                "day_question": self.day_question,
            }
        )

    @property
    def facts(self) -> ClientFacts:
        """What of the client changes a plan on the day of the session, with what was answered that day."""
        return on_the_day(self.known, self.answer) if self.answer else self.known

    @property
    def answer(self) -> DayAnswer | None:
        """What was answered to the question of the day, None until it was asked."""
        return None if self.day_answer is None else DayAnswer.model_validate(self.day_answer)

    @property
    def day_question(self) -> str:
        """Whether the question is due, which it is as soon as work begins, and answered."""
        if self.day_answer is not None:
            return "answered"
        return "open" if self.begun else "not_due"

    @property
    def pace(self) -> OwnPace | None:
        """The therapist's own pace, if they had accepted one before the session began."""
        return OwnPace(factors=self.pace_json) if self.pace_json else None

    @property
    def house(self) -> House:
        """What the practice has chosen where schools differ."""
        return House.model_validate(self.house_json)


@dataclass(frozen=True, kw_only=True)
class SessionRow(ClientOnTheDay):
    """A session with its client. `plan` is a core plan as JSON."""

    session_id: UUID
    starts_at: datetime
    revision: int
    plan: dict[str, Any]
    person_id: UUID
    client_id: UUID
    client_name: str
    know_first: str
    unread_intake: UUID | None
    can_undo: bool
    can_redo: bool
    logged: bool


def add_session(
    c: Connection[Row],
    who: SignedIn,
    session_id: UUID,
    client_id: UUID,
    starts_at: datetime,
    plan: dict[str, Any],
) -> None:
    """Add a planned session for a client of the practice."""
    c.execute(
        query("insert_session"),
        {
            "practice_id": who.practice_id,
            "person_id": who.person_id,
            "session_id": session_id,
            "client_id": client_id,
            "starts_at": starts_at,
            "plan": Jsonb(plan),
        },
    )


def sessions_between(
    c: Connection[Row], practice_id: UUID, start: datetime, end: datetime
) -> list[SessionRow]:
    """The sessions that start from `start` to before `end`, in order."""
    values = {"practice_id": practice_id, "from": start, "until": end}
    with c.cursor(row_factory=class_row(SessionRow)) as cursor:
        return cursor.execute(query("sessions_between"), values).fetchall()


def find_client_on_the_day(c: Connection[Row], practice_id: UUID, session_id: UUID) -> ClientOnTheDay:
    """The client of a session, without its plan; raises `NotThere`."""
    values = {"practice_id": practice_id, "session_id": session_id}
    with c.cursor(row_factory=class_row(ClientOnTheDay)) as cursor:
        found = cursor.execute(query("find_client_on_the_day"), values).fetchone()
    if found is None:
        raise NotThere("session")
    return found


def find_session(c: Connection[Row], practice_id: UUID, session_id: UUID) -> SessionRow:
    """The session; raises `NotThere`."""
    with c.cursor(row_factory=class_row(SessionRow)) as cursor:
        row = cursor.execute(
            query("find_session"), {"practice_id": practice_id, "session_id": session_id}
        ).fetchone()
    if row is None:
        raise NotThere("session")
    return row


def lock_session(c: Connection[Row], practice_id: UUID, session_id: UUID) -> int:
    """Hold the session until the transaction ends, so that writers take turns; its revision."""
    row = c.execute(query("lock_session"), {"practice_id": practice_id, "session_id": session_id}).fetchone()
    if row is None:
        raise NotThere("session")
    revision: int = row[0]
    return revision


def replace_plan(
    c: Connection[Row],
    practice_id: UUID,
    session_id: UUID,
    revision: int,
    plan: dict[str, Any],
    knows: bool = True,
) -> None:
    """Store a new plan over the one read at `revision`; raises `Stale` if that is no longer the newest.

    The one before can be stepped back to; what had been stepped back from is forgotten. `knows`: it was made with all
    that is known of the client now.
    """
    if lock_session(c, practice_id, session_id) != revision:
        raise Stale("session")
    values = {"practice_id": practice_id, "session_id": session_id}
    c.execute(query("keep_standing_plan"), values)
    c.execute(query("forget_later_plans"), values)
    c.execute(query("replace_plan"), {**values, "plan": Jsonb(plan), "knows": knows})
    c.execute(query("keep_standing_plan"), values)


def step_to_plan(
    c: Connection[Row], practice_id: UUID, session_id: UUID, revision: int, by: Literal[-1, 1]
) -> None:
    """Let the plan made before (-1) or after (1) the standing one stand.

    Raises `Stale` if `revision` is no longer the newest, `NotThere` if there is no such plan.
    """
    if lock_session(c, practice_id, session_id) != revision:
        raise Stale("session")
    values = {"practice_id": practice_id, "session_id": session_id, "by": by}
    if c.execute(query("step_to_plan"), values).fetchone() is None:
        raise NotThere("plan")


def set_known(c: Connection[Row], practice_id: UUID, session_id: UUID) -> None:
    """What is known of the client now has been looked at beside the standing plan."""
    c.execute(query("set_known"), {"practice_id": practice_id, "session_id": session_id})


def set_day_answer(c: Connection[Row], practice_id: UUID, session_id: UUID, answer: DayAnswer) -> None:
    """Keep what was answered to the question of the day."""
    values = {"practice_id": practice_id, "session_id": session_id}
    c.execute(query("set_day_answer"), {**values, "day_answer": Jsonb(answer.model_dump(mode="json"))})


def append_events(
    c: Connection[Row], practice_id: UUID, session_id: UUID, events: Sequence[tuple[UUID, dict[str, Any]]]
) -> None:
    """Add events in order; one whose id is already there changes nothing."""
    with c.cursor() as cursor:
        for event_id, event in events:
            cursor.execute(
                query("append_event"),
                {
                    "practice_id": practice_id,
                    "session_id": session_id,
                    "event_id": event_id,
                    "event": Jsonb(event),
                },
            )


def events_of(c: Connection[Row], practice_id: UUID, session_id: UUID) -> list[dict[str, Any]]:
    """All events of a session's run, in the order they came."""
    rows = c.execute(query("events_of_session"), {"practice_id": practice_id, "session_id": session_id})
    return [row[0] for row in rows.fetchall()]


def events_of_sessions(
    c: Connection[Row], practice_id: UUID, session_ids: Sequence[UUID]
) -> dict[UUID, list[dict[str, Any]]]:
    """The events of several sessions at once, each in the order they came."""
    found: dict[UUID, list[dict[str, Any]]] = {id: [] for id in session_ids}
    values = {"practice_id": practice_id, "session_ids": list(session_ids)}
    for session_id, event in c.execute(query("events_of_sessions"), values).fetchall():
        found[session_id].append(event)
    return found
