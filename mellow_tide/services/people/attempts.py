"""How the door is slowed: by account and by address, whoever tries, and nobody is locked out for good."""

import hashlib
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime, timedelta
from ipaddress import ip_address, ip_network
from threading import BoundedSemaphore
from uuid import UUID

from mellow_tide.store.database import Database, Sight, Transaction
from mellow_tide.store.people import Person
from mellow_tide.store.security import (
    add_attempt,
    find_known_browser,
    forget_attempt,
    forget_attempts,
    list_attempts,
    lock_attempts,
)

REMEMBERED = timedelta(minutes=15)
FREE_BY_ACCOUNT, FREE_BY_ADDRESS = 3, 20
LONGEST_WAIT = 60
"""Attempts count for 15 minutes; after so many, each doubles the wait, up to 60 s."""

HASHED_AT_ONCE, WAITING_FOR_HASH = 2, 12
"""Passwords hashed at one time, 64 MB each, and how many may wait for their turn."""


class TooManyAttempts(Exception):
    """Wait `seconds` before the next attempt."""

    def __init__(self, seconds: int) -> None:
        super().__init__(f"wait {seconds} s")
        self.seconds = seconds


@dataclass(frozen=True)
class Caller:
    """Where somebody comes from: network address, what the browser holds of an earlier sign-in, what it says it is."""

    address: str
    browser: str = ""
    device: str = ""


@dataclass(frozen=True)
class Attempt:
    """An attempt that was let through, by its keys."""

    account: bytes
    address: bytes
    at: datetime


def begin_attempt(db: Database, email: str, person: Person | None, came_by: str, browser: bytes) -> Attempt:
    """Count an attempt before the password is looked at, so that many at once are no way round it.

    `came_by` is the network address, `browser` the hash of what a browser holds in which somebody signed in before:
    attempts from one that this person knows are counted by themselves, so that strangers do not keep the owner out.
    Raises `TooManyAttempts`, and does not count then.
    """
    now = db.now()
    with db.transaction(Sight(token_hash=browser)) as t:
        known = person is not None and find_known_browser(t, browser) == person.person_id
        account = _key("browser", email, browser.hex()) if known else _key("account", email)
        address = _key("address", _network(came_by))
        _count(t, {account: FREE_BY_ACCOUNT, address: FREE_BY_ADDRESS}, now)
    return Attempt(account, address, now)


def begin_visit(db: Database, came_by: str) -> None:
    """Count what asks for no password by the network address alone. Raises `TooManyAttempts`."""
    with db.transaction(Sight()) as t:
        _count(t, {_key("address", _network(came_by)): FREE_BY_ADDRESS}, db.now())


def begin_proof(db: Database, person_id: UUID) -> bytes:
    """Count that somebody who is signed in is to prove who they are; its key. Raises `TooManyAttempts`."""
    key = _key("proof", str(person_id))
    with db.transaction(Sight()) as t:
        _count(t, {key: FREE_BY_ACCOUNT}, db.now())
    return key


def succeed(db: Database, attempt: Attempt) -> None:
    """Forget the attempts on this account; of the address only this one, or one account would clear it for all."""
    with db.transaction(Sight()) as t:
        forget_attempts(t, attempt.account)
        forget_attempt(t, attempt.address, attempt.at)


def succeed_in_proof(db: Database, key: bytes) -> None:
    """Forget the attempts: they are who they say."""
    with db.transaction(Sight()) as t:
        forget_attempts(t, key)


_hashing = BoundedSemaphore(HASHED_AT_ONCE)
_waiting = BoundedSemaphore(HASHED_AT_ONCE + WAITING_FOR_HASH)


@contextmanager
def taking_turns() -> Iterator[None]:
    """Hash a password when it is its turn. Raises `TooManyAttempts` where too many wait already."""
    if not _waiting.acquire(blocking=False):
        raise TooManyAttempts(2)
    try:
        with _hashing:
            yield
    finally:
        _waiting.release()


def _count(t: Transaction, free: Mapping[bytes, int], now: datetime) -> None:
    """Add an attempt under each key, of which so many are free."""
    # Always in one order: two attempts never wait for one another.
    for key in sorted(free):
        lock_attempts(t, key)
    wait = max(_wait(list_attempts(t, key, now - REMEMBERED, now), free[key], now) for key in free)
    if wait:
        raise TooManyAttempts(wait)
    for key in free:
        add_attempt(t, key, now)


def _key(*parts: str) -> bytes:
    return hashlib.sha256("|".join(parts).encode()).digest()


def _network(address: str) -> str:
    """The address; of the newer kind the network of 64 bits, all of which one household has."""
    try:
        six = ip_address(address).version == 6
    except ValueError:
        return address
    return str(ip_network(f"{address}/64", strict=False)) if six else address


def _wait(attempts: list[datetime], free: int, now: datetime) -> int:
    """Whole seconds still to wait after these attempts."""
    if len(attempts) < free:
        return 0
    pause = min(LONGEST_WAIT, 2 ** min(10, len(attempts) - free + 1))
    left = (attempts[-1] + timedelta(seconds=pause) - now).total_seconds()
    return max(0, -int(-left // 1))
