"""What visits have to teach, and whether they count."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb

from mellow_tide.core.flow.brief import PressureWord
from mellow_tide.core.numbers.numbers import CountedRun
from mellow_tide.core.run.events import RunEvent
from mellow_tide.core.run.frozen import FrozenRun
from mellow_tide.store.database import Transaction
from mellow_tide.store.sessions import read_events


@dataclass(frozen=True, kw_only=True)
class WorkedRow:
    """A session that a therapist has worked."""

    session_id: UUID
    starts_at: datetime
    stored_run: dict[str, Any]
    stored_events: list[dict[str, Any]]

    @cached_property
    def run(self) -> FrozenRun:
        """What it was worked by."""
        return FrozenRun.model_validate(self.stored_run)

    @property
    def events(self) -> list[RunEvent]:
        """Its moves, words and numbers, and what came between."""
        return read_events(self.stored_events)


@dataclass(frozen=True, kw_only=True)
class EndedRow:
    """A session that has ended, who worked it, and what it adds to the numbers, if that is kept under its `mark`."""

    session_id: UUID
    starts_at: datetime
    person_id: UUID
    mark: str
    stored_counted: dict[str, Any] | None


@dataclass(frozen=True, kw_only=True)
class RunRow:
    """All that happened at the table in a session, and by what it was worked."""

    session_id: UUID
    stored_run: dict[str, Any]
    stored_events: list[dict[str, Any]]


@dataclass(frozen=True, kw_only=True)
class TaughtRow(WorkedRow):
    """A visit that has ended; `specific_ceiling` and `pressure` are its brief's. The last mark on it, if any."""

    specific_ceiling: int | None
    pressure: PressureWord
    left_out: bool | None
    reason: str | None
    person_name: str | None
    marked_at: datetime | None


@dataclass(frozen=True)
class VisitMarked:
    """That a visit is left out of what is learnt, or counts, why, and by whom."""

    left_out: bool
    reason: str
    person_name: str


@dataclass(frozen=True)
class AcceptedPace:
    """The pace that a therapist accepted last, and when; no factors if they went back to the usual one."""

    factors: dict[str, float]
    accepted_at: datetime


def list_visits(t: Transaction, client_id: UUID) -> list[TaughtRow]:
    """All visits of a client that have ended, the first first."""
    return t.all(TaughtRow, "visits_to_learn_from", client_id=client_id)


def mark_visit(t: Transaction, session_id: UUID, mark: VisitMarked) -> None:
    """Say that a visit counts or does not, and why."""
    t.run("mark_visit", session_id=session_id, **vars(mark))


def list_worked(t: Transaction, person_id: UUID, most: int) -> list[WorkedRow]:
    """The last sessions that a therapist has worked, at most so many, the last first."""
    return t.all(WorkedRow, "worked_by", person_id=person_id, most=most)


def list_ended_since(t: Transaction, since: datetime, rules: str) -> list[EndedRow]:
    """All sessions of the practice that started since and have ended, the first first; `rules` is part of the mark."""
    return t.all(EndedRow, "worked_since", since=since, rules=rules)


def list_runs(t: Transaction, sessions: Sequence[UUID]) -> list[RunRow]:
    """The runs of some sessions."""
    return t.all(RunRow, "runs_of", sessions=list(sessions))


def keep_counted(t: Transaction, session_id: UUID, mark: str, counted: CountedRun) -> None:
    """Keep what a run adds to the numbers, under its mark."""
    values = {"session_id": session_id, "mark": mark, "counted": Jsonb(counted.model_dump(mode="json"))}
    t.run("keep_counted_run", **values)


def find_own_pace(t: Transaction, person_id: UUID) -> AcceptedPace | None:
    """The pace that a therapist accepted last; None if never."""
    return t.one(AcceptedPace, "own_pace_of", person_id=person_id)


def accept_pace(t: Transaction, person_id: UUID, factors: dict[str, float]) -> None:
    """Keep a pace as accepted from now on."""
    t.run("accept_pace", person_id=person_id, factors=Jsonb(factors))
