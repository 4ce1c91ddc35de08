"""Signing in and out. Tokens are opaque; only their hash is stored."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from mellow_tide.services.desk import Desk
from mellow_tide.services.people.attempts import Caller, begin_attempt, begin_visit, succeed
from mellow_tide.services.people.passwords import as_kept, matches
from mellow_tide.services.people.second_factor import check_code
from mellow_tide.services.people.tokens import hash_token, make_token
from mellow_tide.store.accounts import Holder, NewSignIn, add_sign_in, delete_sign_in, find_sign_in
from mellow_tide.store.database import Database, Sight, Transaction
from mellow_tide.store.errors import NotThere
from mellow_tide.store.people import (
    MemberRole,
    Person,
    Practice,
    SignedIn,
    find_person,
    find_person_by_email,
    find_practice,
    list_memberships,
)
from mellow_tide.store.security import (
    Whose,
    add_known_browser,
    add_security_event,
    find_known_browser,
    prune,
)

STAYS = timedelta(days=14)
"""How long a browser stays signed in."""

KNOWN = timedelta(days=365)
"""How long a browser is known in which somebody signed in."""


class SignInRefused(Exception):
    """No person has this e-mail and password."""


@dataclass(frozen=True)
class Me:
    """The person signed in, the practice they are in, and what they are there."""

    person: Person
    practice: Practice
    role: MemberRole


@dataclass(frozen=True)
class Credentials:
    """What a person signs in with; `code` is the second factor's, where they have one."""

    email: str
    password: str
    code: str = ""


@dataclass(frozen=True)
class HeldByBrowser:
    """What a browser holds from now on: the token of the sign-in, and what makes it known."""

    token: str
    browser: str


def sign_in(db: Database, given: Credentials, caller: Caller) -> HeldByBrowser:
    """Sign a person in; raises `SignInRefused`, `TooManyAttempts`, `CodeWanted` or `CodeWrong`.

    An unknown e-mail takes as long as a wrong password, and gets the same answer.
    """
    email = as_kept(given.email)
    with db.transaction(Sight(email=email)) as t:
        person = find_person_by_email(t, email)
    attempt = begin_attempt(db, email, person, caller.address, hash_token(caller.browser))
    if not matches(given.password, person.password_hash if person else None) or person is None:
        _note_failure(db, person)
        raise SignInRefused
    check_code(db, person.person_id, given.code)
    held = begin(db, _place_of(db, person), caller)
    succeed(db, attempt)
    return held


def enter_demo(db: Database, demo: SignedIn, caller: Caller) -> HeldByBrowser:
    """Come into the demo as its therapist, without a word. Raises `TooManyAttempts`."""
    begin_visit(db, caller.address)
    return begin(db, demo, caller)


def begin(db: Database, who: SignedIn, caller: Caller) -> HeldByBrowser:
    """Sign in somebody of whom it is known who they are."""
    with db.transaction(Sight(who.practice_id, who.person_id)) as t:
        return begin_in(t, who, caller, db.now())


def begin_in(t: Transaction, who: SignedIn, caller: Caller, now: datetime) -> HeldByBrowser:
    """The same in a transaction that sees them."""
    token, browser = make_token(), caller.browser
    add_sign_in(t, who, NewSignIn(hash_token(token), now, now + STAYS, caller.device[:120]))
    if not browser or find_known_browser(t, hash_token(browser)) != who.person_id:
        browser = make_token()
        add_known_browser(t, who.person_id, hash_token(browser), now)
    add_security_event(t, "signed_in", now, Whose(who.practice_id, who.person_id))
    prune(t, now)
    return HeldByBrowser(token, browser)


def _place_of(db: Database, person: Person) -> SignedIn:
    """Where a person works. Raises `SignInRefused` where they work nowhere any more."""
    with db.transaction(Sight(person=person.person_id)) as t:
        for membership in list_memberships(t, person.person_id):
            if membership.practice_id not in db.shut:
                return SignedIn(membership.practice_id, person.person_id)
    raise SignInRefused


def _note_failure(db: Database, person: Person | None) -> None:
    whose = person.person_id if person else None
    with db.transaction(Sight(person=whose)) as t:
        add_security_event(t, "sign_in_failed", db.now(), Whose(person_id=whose))


def find_holder(db: Database, token: str, now: datetime) -> Holder | None:
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
            add_security_event(t, "signed_out", db.now(), Whose(who.practice_id, who.person_id))


def read_me(desk: Desk) -> Me:
    """The person and practice behind a sign-in."""
    with desk.writing() as t:
        here = [m for m in list_memberships(t, desk.person_id) if m.practice_id == desk.who.practice_id]
        if not here:
            raise NotThere("membership")
        return Me(find_person(t, desk.person_id), find_practice(t), here[0].role)
