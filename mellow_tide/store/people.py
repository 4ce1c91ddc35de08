"""People, their memberships and sign-ins, and the practices they work in."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb

from mellow_tide.core.catalogue.house import DEFAULTS, House
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere


@dataclass(frozen=True)
class Person:
    """Someone who can sign in."""

    person_id: UUID
    name: str
    email: str
    password_hash: str


@dataclass(frozen=True)
class Practice:
    """A practice: the tenant to which clients and sessions belong. `time_zone` is an IANA name."""

    practice_id: UUID
    name: str
    time_zone: str


@dataclass(frozen=True)
class Membership:
    """A person's place in a practice."""

    practice_id: UUID
    person_id: UUID
    role: str


@dataclass(frozen=True)
class SignedIn:
    """Who a token belongs to."""

    practice_id: UUID
    person_id: UUID


def find_person_by_email(t: Transaction, email: str) -> Person | None:
    """The person with this e-mail, in lower case."""
    return t.one(Person, "find_person_by_email", email=email)


def find_person(t: Transaction, person_id: UUID) -> Person:
    """The person; raises `NotThere`."""
    person = t.one(Person, "find_person", person_id=person_id)
    if person is None:
        raise NotThere("person")
    return person


def find_practice(t: Transaction) -> Practice:
    """The practice; raises `NotThere`."""
    practice = t.one(Practice, "find_practice")
    if practice is None:
        raise NotThere("practice")
    return practice


def list_memberships(t: Transaction, person_id: UUID) -> list[Membership]:
    """The practices a person belongs to."""
    return t.all(Membership, "memberships_of_person", person_id=person_id)


def add_sign_in(t: Transaction, signed_in: SignedIn, token_hash: bytes, expires_at: datetime) -> None:
    """Remember a signed-in browser by the hash of its token."""
    t.run("insert_sign_in", **vars(signed_in), token_hash=token_hash, expires_at=expires_at)


def find_sign_in(t: Transaction, token_hash: bytes, now: datetime) -> SignedIn | None:
    """Who holds the token, if it has not expired by `now`."""
    return t.one(SignedIn, "find_sign_in", token_hash=token_hash, now=now)


def delete_sign_in(t: Transaction, token_hash: bytes) -> None:
    """Forget the token."""
    t.run("delete_sign_in", token_hash=token_hash)


def add_practice(t: Transaction, practice: Practice, house: House = DEFAULTS) -> None:
    """Add a practice with its house rules; only the owner of the tables may."""
    t.run("insert_practice", **vars(practice), house=Jsonb(house.model_dump()))


def add_person(t: Transaction, person: Person) -> None:
    """Add a person; only the owner of the tables may."""
    t.run("insert_person", **vars(person))


def add_member(t: Transaction, practice_id: UUID, person_id: UUID) -> None:
    """Make a person a therapist of a practice; only the owner of the tables may."""
    t.run("insert_membership", practice_id=practice_id, person_id=person_id)


def delete_practice_and_person(t: Transaction, practice_id: UUID, person_id: UUID) -> None:
    """Take a practice with everything in it, and a person, away; only the owner of the tables may."""
    t.run("delete_practice", practice_id=practice_id)
    t.run("delete_person", person_id=person_id)


def find_house(t: Transaction) -> House:
    """What the practice has chosen where schools differ; raises `NotThere`."""
    house: dict[str, Any] | None = t.value("house_of_practice")
    if house is None:
        raise NotThere("practice")
    return House.model_validate(house)
