"""A session as every screen sees it: the plan, laid out on the clock, and how far the run and the log are."""

import json
from collections.abc import Iterable
from functools import lru_cache
from typing import Any, Literal
from uuid import UUID

from psycopg import Connection
from pydantic import AwareDatetime, TypeAdapter

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import House
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.meeting.changes import BEARS_ON_A_PLAN, ItemChange
from mellow_tide.core.meeting.day import DayAnswer
from mellow_tide.core.planner.difference import Difference
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.run.events import RunEvent, in_order
from mellow_tide.core.run.state import RunState, fold
from mellow_tide.core.timing.tempo import OwnPace
from mellow_tide.store.clients import ChangeRow, Source, changes_since_plan
from mellow_tide.store.database import Row
from mellow_tide.store.sessions import SessionRow

Stage = Literal["plan", "work", "log", "logged"]
"""What a session waits for: to be begun, to be ended, to be logged, nothing."""

_events = TypeAdapter(RunEvent)


class ClientView(Record):
    """The client of a session, with what to know before touching."""

    client_id: UUID
    name: str
    height_cm: int
    consents: tuple[str, ...]
    know_first: str


class Known(Record):
    """Something that became known of a client, when and how."""

    at: AwareDatetime
    source: Source
    person_name: str
    change: ItemChange
    reason: str = ""


class SessionView(Record):
    """A session whole. `revision` must be sent back with every change of the plan.

    `day_answer`: what was answered to the question of the day, None until it was asked. `news`: what became known of
    the client since the plan was made. `unread_intake`: one that the client has handed in and nobody has read.

    `can_undo` and `can_redo`: whether a change of the plan can be taken back, or done again. `difference` is what the
    change just made has changed, where the plan had to keep something.
    """

    session_id: UUID
    client: ClientView
    starts_at: AwareDatetime
    revision: int
    stage: Stage
    plan: Plan
    evaluation: Evaluation
    run: RunState
    can_undo: bool = False
    can_redo: bool = False
    difference: Difference | None = None
    day_answer: DayAnswer | None = None
    news: tuple[Known, ...] = ()
    unread_intake: UUID | None = None


def known_of(row: ChangeRow) -> Known:
    """A change as a screen reads it."""
    change = ItemChange(field=row.field, item=row.item, before=row.before, after=row.after)
    return Known(
        at=row.changed_at, source=row.source, person_name=row.person_name, change=change, reason=row.reason
    )


def news_of(c: Connection[Row], practice_id: UUID, session_id: UUID) -> tuple[Known, ...]:
    """What became known of a session's client since its plan was made, and may change what it should be."""
    return tuple(known_of(row) for row in changes_since_plan(c, practice_id, session_id, BEARS_ON_A_PLAN))


def read_events(stored: Iterable[dict[str, Any]]) -> list[RunEvent]:
    """Core events from their stored form."""
    return [_events.validate_python(event) for event in stored]


def view_of(
    row: SessionRow,
    stored_events: Iterable[dict[str, Any]],
    catalogue: Catalogue,
    news: tuple[Known, ...] = (),
) -> SessionView:
    """Evaluate the stored plan and fold the events over its run sheet."""
    plan, evaluation = _evaluated(
        json.dumps(row.plan),
        row.facts.model_dump_json(),
        json.dumps(row.house_json),
        json.dumps(row.pace_json),
        catalogue,
    )
    run = fold(in_order(read_events(stored_events)), evaluation.sheet)
    return SessionView(
        session_id=row.session_id,
        client=ClientView(
            client_id=row.client_id,
            name=row.client_name,
            height_cm=row.height_cm,
            consents=tuple(row.consents),
            know_first=row.know_first,
        ),
        starts_at=row.starts_at,
        revision=row.revision,
        stage=_stage(row, run),
        plan=plan,
        evaluation=evaluation,
        run=run,
        can_undo=row.can_undo,
        can_redo=row.can_redo,
        day_answer=row.answer,
        news=news,
        unread_intake=row.unread_intake,
    )


@lru_cache(maxsize=64)
def _evaluated(
    plan_json: str, facts: str, house: str, pace: str, catalogue: Catalogue
) -> tuple[Plan, Evaluation]:
    """A stored plan and its evaluation, kept by all that decides them: a session is read more than changed."""
    plan = Plan.model_validate_json(plan_json)
    client = ClientFacts.model_validate_json(facts)
    factors = json.loads(pace)
    own = OwnPace(factors=factors) if factors else None
    return plan, evaluate(plan.flow, client, catalogue, House.model_validate_json(house), own)


def _stage(row: SessionRow, run: RunState) -> Stage:
    if row.logged:
        return "logged"
    if run.ended_at:
        return "log"
    return "work" if run.begun_at else "plan"
