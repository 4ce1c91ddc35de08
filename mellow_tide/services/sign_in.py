"""Signing in and out. Tokens are opaque; only their hash is stored."""

import hashlib
import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta

from argon2 import PasswordHasher
from argon2.exceptions import VerificationError

from mellow_tide.services.desk import Desk
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import (
    Person,
    Practice,
    SignedIn,
    add_attempt,
    add_sign_in,
    delete_sign_in,
    find_person,
    find_person_by_email,
    find_practice,
    find_sign_in,
    forget_attempts,
    list_attempts,
    list_memberships,
)

STAYS = timedelta(days=14)
"""How long a browser stays signed in."""

REMEMBERED = timedelta(minutes=15)
FREE_ATTEMPTS = 3
LONGEST_WAIT = 60
"""Failures are remembered for 15 minutes; after three, each doubles the wait, up to 60 s."""

_hasher = PasswordHasher()
_nobody = _hasher.hash("nobody's password")


class SignInRefused(Exception):
    """No person has this e-mail and password."""


class TooManyAttempts(Exception):
    """Wait `seconds` before the next attempt."""

    def __init__(self, seconds: int) -> None:
        super().__init__(f"wait {seconds} s")
        self.seconds = seconds


@dataclass(frozen=True)
class Me:
    """The person signed in, and the practice they are in."""

    person: Person
    practice: Practice


def hash_password(password: str) -> str:
    """The argon2 hash to store."""
    return _hasher.hash(password)


def sign_in(db: Database, email: str, password: str, address: str, now: datetime) -> str:
    """A new token for the person; raises `SignInRefused` or `TooManyAttempts`.

    Attempts are slowed by e-mail and `address` together. An unknown e-mail takes as long as a wrong password.
    """
    email = email.strip().lower()
    key = hashlib.sha256(f"{email}|{address}".encode()).digest()
    with db.transaction(Sight(email=email)) as t:
        wait = _wait(list_attempts(t, key, now - REMEMBERED), now)
        if wait:
            raise TooManyAttempts(wait)
        person = find_person_by_email(t, email)
    if not _matches(person, password) or person is None:
        with db.transaction(Sight()) as t:
            add_attempt(t, key, now)
        raise SignInRefused
    return _begin(db, person, key, now)


def _begin(db: Database, person: Person, attempt_key: bytes, now: datetime) -> str:
    token = secrets.token_urlsafe(32)
    with db.transaction(Sight(person=person.person_id, token_hash=hash_token(token))) as t:
        memberships = [m for m in list_memberships(t, person.person_id) if m.practice_id not in db.shut]
        if not memberships:
            raise SignInRefused
        signed_in = SignedIn(memberships[0].practice_id, person.person_id)
        add_sign_in(t, signed_in, hash_token(token), now + STAYS)
        forget_attempts(t, attempt_key, now - REMEMBERED)
    return token


def find_holder(db: Database, token: str, now: datetime) -> SignedIn | None:
    """Who is signed in with this token, or None; None too where their practice is shut."""
    with db.transaction(Sight(token_hash=hash_token(token))) as t:
        found = find_sign_in(t, hash_token(token), now)
    return found if found and found.practice_id not in db.shut else None


def sign_out(db: Database, token: str) -> None:
    """Forget the token; unknown ones are no error."""
    with db.transaction(Sight(token_hash=hash_token(token))) as t:
        delete_sign_in(t, hash_token(token))


def read_me(desk: Desk) -> Me:
    """The person and practice behind a sign-in."""
    with desk.writing() as t:
        return Me(find_person(t, desk.person_id), find_practice(t))


def hash_token(token: str) -> bytes:
    """What is stored of a secret: enough to know it again, not enough to use it."""
    return hashlib.sha256(token.encode()).digest()


def _matches(person: Person | None, password: str) -> bool:
    try:
        return _hasher.verify(person.password_hash if person else _nobody, password)
    except VerificationError:
        return False


def _wait(failures: list[datetime], now: datetime) -> int:
    """Whole seconds still to wait after these failures."""
    if len(failures) < FREE_ATTEMPTS:
        return 0
    pause = min(LONGEST_WAIT, 2 ** (len(failures) - FREE_ATTEMPTS + 1))
    left = (failures[-1] + timedelta(seconds=pause) - now).total_seconds()
    return max(0, -int(-left // 1))
