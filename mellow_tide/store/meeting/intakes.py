"""Intakes: made for a client, opened once, filled in, handed in, read."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb

from mellow_tide.core.meeting.answers import Answers
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere


@dataclass(frozen=True, kw_only=True)
class IntakeRow:
    """An intake as stored. `verdicts` are JSON by answer; `key_hash` is of the device that opened it."""

    practice_id: UUID
    intake_id: UUID
    client_id: UUID
    key_hash: bytes | None
    made_at: datetime
    expires_at: datetime
    opened_at: datetime | None
    handed_in_at: datetime | None
    reviewed_at: datetime | None
    sequence: int
    stored_answers: dict[str, Any]
    verdicts: dict[str, Any]

    @property
    def answers(self) -> Answers:
        """What the client has filled in so far."""
        return Answers.model_validate(self.stored_answers)


@dataclass(frozen=True)
class IntakeToOpen:
    """An intake that waits to be opened by the link whose hash this is."""

    intake_id: UUID
    client_id: UUID
    link_hash: bytes
    expires_at: datetime


def add_intake(t: Transaction, new: IntakeToOpen) -> None:
    """Add an intake."""
    t.run("insert_intake", **vars(new))


def find_intake(t: Transaction, intake_id: UUID) -> IntakeRow:
    """The intake; raises `NotThere`."""
    row = t.one(IntakeRow, "find_intake", intake_id=intake_id)
    if row is None:
        raise NotThere("intake")
    return row


def find_intake_by_token(t: Transaction, token_hash: bytes) -> IntakeRow | None:
    """The intake that a link or a device's key opens, if there is one; the transaction must see by that hash."""
    return t.one(IntakeRow, "intake_by_token", token_hash=token_hash)


def list_intakes(t: Transaction, client_id: UUID) -> list[IntakeRow]:
    """All intakes of a client, the newest first."""
    return t.all(IntakeRow, "intakes_of_client", client_id=client_id)


@dataclass(frozen=True)
class HeldIntake:
    """How far an intake is that is held: the newest saving, and when it was handed in."""

    sequence: int
    handed_in_at: datetime | None


def lock_intake(t: Transaction, intake_id: UUID) -> HeldIntake:
    """Hold the intake until the transaction ends; raises `NotThere`."""
    held = t.one(HeldIntake, "lock_intake", intake_id=intake_id)
    if held is None:
        raise NotThere("intake")
    return held


def open_intake(t: Transaction, intake_id: UUID, key_hash: bytes, now: datetime) -> bool:
    """Bind the intake to a device; False if another one was first."""
    return t.run("open_intake", intake_id=intake_id, key_hash=key_hash, now=now) == 1


def save_answers(t: Transaction, intake_id: UUID, sequence: int, answers: Answers) -> None:
    """Keep the answers, unless newer ones are there, or it has been handed in."""
    stored = Jsonb(answers.model_dump(mode="json", exclude_none=True))
    t.run("save_answers", intake_id=intake_id, sequence=sequence, answers=stored)


def hand_in(t: Transaction, intake_id: UUID, sequence: int, answers: Answers, now: datetime) -> None:
    """Close the intake for the client with these answers; a second time changes nothing."""
    stored = Jsonb(answers.model_dump(mode="json", exclude_none=True))
    t.run("hand_in", intake_id=intake_id, sequence=sequence, answers=stored, now=now)


def withdraw_intake(t: Transaction, intake_id: UUID, now: datetime) -> None:
    """Let the link and the form behind it end now; one that was handed in stays."""
    t.run("withdraw_intake", intake_id=intake_id, now=now)


def set_verdicts(
    t: Transaction, intake_id: UUID, verdicts: dict[str, Any], reviewed_at: datetime | None
) -> None:
    """Keep what the therapist made of the answers."""
    t.run("set_verdicts", intake_id=intake_id, verdicts=Jsonb(verdicts), reviewed_at=reviewed_at)
