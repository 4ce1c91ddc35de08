"""What touches safety, written down: who came in, what went out, what was taken away. Nothing of what it said."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal
from uuid import UUID

from mellow_tide.store.database import Transaction

SecurityEventKind = Literal[
    "signed_in", "sign_in_failed", "signed_out", "exported", "erased", "demo_reset", "restored"
]


@dataclass(frozen=True)
class Whose:
    """The practice and the person that something concerns, as far as they are known."""

    practice_id: UUID | None = None
    person_id: UUID | None = None


def add_security_event(
    t: Transaction, kind: SecurityEventKind, now: datetime, whose: Whose, what: str = ""
) -> None:
    """Write it down; `what` is a kind of thing or a count, never a text of anybody."""
    t.run(
        "insert_security_event",
        kind=kind,
        at=now,
        of_practice=whose.practice_id,
        by_person=whose.person_id,
        what=what,
    )


def prune(t: Transaction, now: datetime) -> None:
    """Take away what is over: sign-ins that have run out, attempts of another day, events older than 400 days."""
    t.run("prune_sign_ins", now=now)
    t.run("prune_attempts", now=now)
    t.run("prune_security_events", now=now)
