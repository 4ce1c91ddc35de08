"""Sessions: their plans, the events of their runs, and their logs."""

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
from mellow_tide.core.flow.brief import ClientFacts, Excluded
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
    day_question: str
    house_json: dict[str, Any]

    @property
    def facts(self) -> ClientFacts:
        """What of the client changes a plan on the day of the session."""
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
    can_undo: bool
    can_redo: bool
    logged: bool


@dataclass(frozen=True)
class LogRow:
    """The newest revision of a log."""

    revision: int
    log: dict[str, Any]
    logged_at: datetime


def add_client(
    c: Connection[Row],
    practice_id: UUID,
    client_id: UUID,
    name: str,
    facts: ClientFacts,
    know_first: str,
    due_date: date | None = None,
) -> None:
    """Add a client; one whose id is already there stays as it is."""
    c.execute(
        query("insert_client"),
        {
            "practice_id": practice_id,
            "client_id": client_id,
            "name": name,
            "height_cm": facts.height_cm,
            "weight_kg": facts.weight_kg,
            "breaths_per_minute": facts.breaths_per_minute,
            "body_hair": facts.body_hair,
            "skin": facts.skin,
            "consents": sorted(facts.consents),
            "declined": sorted(facts.declined),
            "conditions": sorted(facts.conditions),
            "excluded": Jsonb([place.model_dump() for place in facts.excluded]),
            "wishes": Jsonb([wish.model_dump() for wish in facts.wishes]),
            "likes": sorted(facts.likes),
            "dislikes": sorted(facts.dislikes),
            "due_date": due_date,
            "know_first": know_first,
        },
    )


def set_excluded(
    c: Connection[Row], practice_id: UUID, client_id: UUID, excluded: Sequence[Excluded]
) -> None:
    """Set the places to keep off on a client."""
    values = {
        "practice_id": practice_id,
        "client_id": client_id,
        "excluded": Jsonb([place.model_dump() for place in excluded]),
    }
    c.execute(query("set_excluded"), values)


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
    c: Connection[Row], practice_id: UUID, session_id: UUID, revision: int, plan: dict[str, Any]
) -> None:
    """Store a new plan over the one read at `revision`; raises `Stale` if that is no longer the newest.

    The one before can be stepped back to; what had been stepped back from is forgotten.
    """
    if lock_session(c, practice_id, session_id) != revision:
        raise Stale("session")
    values = {"practice_id": practice_id, "session_id": session_id}
    c.execute(query("keep_standing_plan"), values)
    c.execute(query("forget_later_plans"), values)
    c.execute(query("replace_plan"), {**values, "plan": Jsonb(plan)})
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


def newest_log(c: Connection[Row], practice_id: UUID, session_id: UUID) -> LogRow | None:
    """The log of a session, if there is one."""
    with c.cursor(row_factory=class_row(LogRow)) as cursor:
        values = {"practice_id": practice_id, "session_id": session_id}
        return cursor.execute(query("newest_log"), values).fetchone()


def add_log(
    c: Connection[Row], practice_id: UUID, session_id: UUID, revision: int, log: dict[str, Any]
) -> None:
    """Add a revision of the log; raises `Conflict` if that revision is there already."""
    c.execute(
        query("insert_log"),
        {"practice_id": practice_id, "session_id": session_id, "revision": revision, "log": Jsonb(log)},
    )
