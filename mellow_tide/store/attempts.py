"""Attempts to sign in, by whatever they are counted by, and the browsers in which somebody signed in before."""

from datetime import datetime
from uuid import UUID

from mellow_tide.store.database import Transaction


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
