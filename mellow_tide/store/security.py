"""The door: attempts to sign in, browsers that are known, and what touches safety, written down without its words."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal
from uuid import UUID

from mellow_tide.store.database import Transaction

SecurityEventKind = Literal[
    "signed_in",
    "sign_in_failed",
    "signed_out",
    "exported",
    "erased",
    "demo_reset",
    "restored",
    "practice_opened",
    "account_changed",
    "password_changed",
    "password_link",
    "second_factor_on",
    "second_factor_off",
    "recovery_code_used",
    "device_signed_out",
    "invited",
    "joined",
    "role_changed",
    "left",
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


def lock_attempts(t: Transaction, key: bytes) -> None:
    """Keep other attempts with this key waiting until the transaction ends."""
    t.value("lock_attempts", attempt_key=key)


def list_attempts(t: Transaction, key: bytes, since: datetime, now: datetime) -> list[datetime]:
    """When somebody tried with this key between then and now, the oldest first; what is still to come is no attempt."""
    return t.column("recent_attempts", attempt_key=key, since=since, now=now)


def add_attempt(t: Transaction, key: bytes, at: datetime) -> None:
    """Remember an attempt."""
    t.run("insert_attempt", attempt_key=key, at=at)


def forget_attempts(t: Transaction, key: bytes) -> None:
    """Forget all attempts with this key."""
    t.run("forget_attempts", attempt_key=key)


def forget_attempt(t: Transaction, key: bytes, at: datetime) -> None:
    """Forget the attempt of this moment."""
    t.run("forget_attempt", attempt_key=key, at=at)


def find_known_browser(t: Transaction, token_hash: bytes) -> UUID | None:
    """Who signed in before in the browser that holds this, or None."""
    found: UUID | None = t.value("find_known_browser", token_hash=token_hash)
    return found


def add_known_browser(t: Transaction, person_id: UUID, token_hash: bytes, now: datetime) -> None:
    """Know a browser from now on."""
    t.run("insert_known_browser", person_id=person_id, token_hash=token_hash, now=now)


def prune(t: Transaction, now: datetime) -> None:
    """Take away what is over: sign-ins that have run out, attempts of another day, events older than 400 days."""
    t.run("prune_sign_ins", now=now)
    t.run("prune_attempts", now=now)
    t.run("prune_security_events", now=now)
