"""Logs of sessions: revisions until they are signed, dated additions after that, and what they leave for later."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb

from mellow_tide.core.run.log import FollowUp, FollowUpKind, Log
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere


@dataclass(frozen=True)
class LogRow:
    """The newest revision of a log; `signed_by` is None until it is signed."""

    revision: int
    stored: dict[str, Any]
    logged_at: datetime
    signed_by: str | None

    @property
    def log(self) -> Log:
        """What was confirmed."""
        return Log.model_validate(self.stored)


@dataclass(frozen=True)
class AdditionRow:
    """What was added to a signed log, when and by whom."""

    words: str
    person_name: str
    added_at: datetime


@dataclass(frozen=True)
class FollowUpRow:
    """What session `session_id` left for later; `done_at` once it is ticked off."""

    session_id: UUID
    number: int
    kind: FollowUpKind
    words: str
    made_at: datetime
    done_at: datetime | None
    done_by: str | None


@dataclass(frozen=True)
class FollowUpTick:
    """Follow-up `number` of session `made_in`, ticked off (`done`) or opened again."""

    made_in: UUID
    number: int
    done: bool


def find_log(t: Transaction, session_id: UUID) -> LogRow | None:
    """The log of a session, if there is one."""
    return t.one(LogRow, "newest_log", session_id=session_id)


def add_log(t: Transaction, session_id: UUID, revision: int, log: Log, signed_by: str | None = None) -> None:
    """Add a revision of the log; raises `Conflict` if that revision is there already."""
    stored = Jsonb(log.model_dump(mode="json"))
    t.run("insert_log", session_id=session_id, revision=revision, log=stored, signed_by=signed_by)


def list_additions(t: Transaction, session_id: UUID) -> list[AdditionRow]:
    """What was added to the log, the first first."""
    return t.all(AdditionRow, "log_additions", session_id=session_id)


def add_addition(t: Transaction, session_id: UUID, words: str, person_name: str) -> None:
    """Add to a log. Raises `Conflict` if somebody else did so at the same instant."""
    t.run("insert_log_addition", session_id=session_id, words=words, person_name=person_name)


def add_follow_ups(t: Transaction, session_id: UUID, found: Sequence[FollowUp]) -> None:
    """Keep what a session leaves for the next ones."""
    rows = [{"number": n, "kind": one.kind, "words": one.words} for n, one in enumerate(found, 1)]
    t.run_each("insert_follow_up", [{"session_id": session_id, **row} for row in rows])


def list_follow_ups(t: Transaction, session_id: UUID) -> list[FollowUpRow]:
    """What earlier sessions of the same client left: what is open, and what was ticked off for this one."""
    return t.all(FollowUpRow, "follow_ups_before", session_id=session_id)


def tick_follow_up(t: Transaction, session_id: UUID, tick: FollowUpTick, person_name: str) -> None:
    """Tick off in a session what an earlier one left, or open it again. Raises `NotThere`."""
    done = {"done_in": session_id, "person_name": person_name, **vars(tick)}
    if t.value("tick_follow_up", **done) is None:
        raise NotThere("follow-up")
