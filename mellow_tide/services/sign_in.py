"""Signing in and out. Tokens are opaque; only their hash is stored."""

import hashlib
import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta

from argon2 import PasswordHasher
from argon2.exceptions import VerificationError

from mellow_tide.services.attempts import begin_attempt, succeed, taking_turns
from mellow_tide.services.desk import Desk
from mellow_tide.store.attempts import add_known_browser, find_known_browser
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import (
    Person,
    Practice,
    SignedIn,
    add_sign_in,
    delete_sign_in,
    find_person,
    find_person_by_email,
    find_practice,
    find_sign_in,
    list_memberships,
)
from mellow_tide.store.security import Whose, add_security_event, prune

STAYS = timedelta(days=14)
"""How long a browser stays signed in."""

KNOWN = timedelta(days=365)
"""How long a browser is known in which somebody signed in."""

_hasher = PasswordHasher()
_nobody = _hasher.hash("nobody's password")


class SignInRefused(Exception):
    """No person has this e-mail and password."""


@dataclass(frozen=True)
class Me:
    """The person signed in, and the practice they are in."""

    person: Person
    practice: Practice


@dataclass(frozen=True)
class HeldByBrowser:
    """What a browser holds from now on: the token of the sign-in, and what makes it known."""

    token: str
    browser: str


def hash_password(password: str) -> str:
    """The argon2 hash to store."""
    return _hasher.hash(password)


def sign_in(db: Database, email: str, password: str, came_by: str, browser: str = "") -> HeldByBrowser:
    """Sign a person in, in a browser that came by a network address; raises `SignInRefused` or `TooManyAttempts`.

    `browser` is what it holds from an earlier time. An unknown e-mail takes as long as a wrong password.
    """
    email = email.strip().lower()
    with db.transaction(Sight(email=email)) as t:
        person = find_person_by_email(t, email)
    attempt = begin_attempt(db, email, person, came_by, browser)
    if not _matches(person, password) or person is None:
        _note_failure(db, person)
        raise SignInRefused
    held = _begin(db, person, browser)
    succeed(db, attempt)
    return held


def _begin(db: Database, person: Person, browser: str) -> HeldByBrowser:
    now, token = db.now(), secrets.token_urlsafe(32)
    with db.transaction(Sight(person=person.person_id, token_hash=hash_token(token))) as t:
        memberships = [m for m in list_memberships(t, person.person_id) if m.practice_id not in db.shut]
        if not memberships:
            raise SignInRefused
        signed_in = SignedIn(memberships[0].practice_id, person.person_id)
        add_sign_in(t, signed_in, hash_token(token), now + STAYS)
        if not browser or find_known_browser(t, hash_token(browser)) != person.person_id:
            browser = secrets.token_urlsafe(32)
            add_known_browser(t, person.person_id, hash_token(browser), now)
        add_security_event(t, "signed_in", now, Whose(**vars(signed_in)))
        prune(t, now)
    return HeldByBrowser(token, browser)


def _note_failure(db: Database, person: Person | None) -> None:
    whose = person.person_id if person else None
    with db.transaction(Sight(person=whose)) as t:
        add_security_event(t, "sign_in_failed", db.now(), Whose(person_id=whose))


def find_holder(db: Database, token: str, now: datetime) -> SignedIn | None:
    """Who is signed in with this token, or None; None too where their practice is shut."""
    with db.transaction(Sight(token_hash=hash_token(token))) as t:
        found = find_sign_in(t, hash_token(token), now)
    return found if found and found.practice_id not in db.shut else None


def sign_out(db: Database, token: str) -> None:
    """Forget the token; unknown ones are no error."""
    who = find_holder(db, token, db.now())
    with db.transaction(Sight(who.practice_id if who else None, token_hash=hash_token(token))) as t:
        delete_sign_in(t, hash_token(token))
        if who:
            add_security_event(t, "signed_out", db.now(), Whose(**vars(who)))


def read_me(desk: Desk) -> Me:
    """The person and practice behind a sign-in."""
    with desk.writing() as t:
        return Me(find_person(t, desk.person_id), find_practice(t))


def hash_token(token: str) -> bytes:
    """What is stored of a secret: enough to know it again, not enough to use it."""
    return hashlib.sha256(token.encode()).digest()


def _matches(person: Person | None, password: str) -> bool:
    try:
        with taking_turns():
            return _hasher.verify(person.password_hash if person else _nobody, password)
    except VerificationError:
        return False
