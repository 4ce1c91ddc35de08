"""Opening a practice: the practice, whose it is, and the first sign-in, all or nothing."""

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from functools import lru_cache
from importlib import resources
from uuid import uuid4
from zoneinfo import available_timezones

from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.people.attempts import Caller, begin_visit
from mellow_tide.services.people.passwords import as_kept, hash_in_turn, judge_email, judge_password
from mellow_tide.services.people.sign_in import HeldByBrowser, begin_in
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.database import Database, Sight, Transaction
from mellow_tide.store.errors import Conflict
from mellow_tide.store.people import (
    Membership,
    Person,
    Practice,
    SignedIn,
    add_member,
    add_person,
    add_practice,
)
from mellow_tide.store.security import SecurityEventKind, Whose, add_security_event


@dataclass(frozen=True)
class Newcomer:
    """Somebody who gets an account."""

    name: str
    email: str
    password: str


@dataclass(frozen=True)
class Whereabouts:
    """Where a practice is."""

    time_zone: str
    country: str = ""


def open_practice(
    db: Database, name: str, place: Whereabouts, owner: Newcomer, caller: Caller
) -> HeldByBrowser:
    """A practice of one's own, and its owner signed in. Raises `BadEntry` or `TooManyAttempts`."""
    begin_visit(db, caller.address)
    problems = [*judge_place(place), *judge_newcomer(owner, name)]
    if problems:
        raise BadEntry(*problems)
    who = SignedIn(uuid4(), uuid4())
    password_hash = hash_in_turn(owner.password)
    with refusing_taken_email(), db.transaction(Sight(who.practice_id, who.person_id)) as t:
        add_practice(t, Practice(who.practice_id, name, place.time_zone, place.country))
        enrol(t, Membership(who.practice_id, who.person_id, "owner"), owner, password_hash, db)
        return begin_in(t, who, caller, db.now())


def enrol(t: Transaction, member: Membership, newcomer: Newcomer, password_hash: str, db: Database) -> None:
    """Give somebody an account and a place in a practice."""
    add_person(t, Person(member.person_id, newcomer.name, as_kept(newcomer.email), password_hash))
    add_member(t, member, db.now())
    kind: SecurityEventKind = "practice_opened" if member.role == "owner" else "joined"
    add_security_event(t, kind, db.now(), Whose(member.practice_id, member.person_id))


def judge_newcomer(newcomer: Newcomer, *about: str) -> Iterator[FieldProblem]:
    """What is wrong with an account to be made; `about` is what else a guesser tries first."""
    yield from judge_email("email", as_kept(newcomer.email))
    yield from judge_password("password", newcomer.password, (newcomer.name, newcomer.email, *about))


def judge_place(place: Whereabouts) -> Iterator[FieldProblem]:
    """What is wrong with where a practice is."""
    if place.time_zone not in available_timezones():
        yield FieldProblem("time_zone", "unknown_time_zone", id=place.time_zone)
    if place.country and place.country not in list_countries():
        yield FieldProblem("country", "unknown_country", id=place.country)


@contextmanager
def refusing_taken_email() -> Iterator[None]:
    """Raise `BadEntry` in place of the store's refusal of an e-mail that somebody has."""
    try:
        yield
    except Conflict as error:
        if error.constraint != "person_email_unique":
            raise
        raise BadEntry(FieldProblem("email", "email_taken")) from error


@lru_cache
def list_countries() -> frozenset[str]:
    """Two letters for each country (ISO 3166, as the time zone database has it)."""
    table = (resources.files("tzdata") / "zoneinfo" / "iso3166.tab").read_text("utf-8")
    return frozenset(line.split("\t")[0] for line in table.splitlines() if not line.startswith("#"))
