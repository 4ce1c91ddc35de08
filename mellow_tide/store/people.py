"""People, the practices they work in, and who may do what there."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal
from uuid import UUID

from psycopg.types.json import Jsonb

from mellow_tide.core.booking.hours import Hours
from mellow_tide.core.catalogue.house.house import DEFAULTS, House
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere

MemberRole = Literal["owner", "therapist"]
"""An owner also decides who works here and how; see `services.permissions`."""


@dataclass(frozen=True)
class Person:
    """Someone who can sign in."""

    person_id: UUID
    name: str
    email: str
    password_hash: str


@dataclass(frozen=True)
class Practice:
    """A practice: the tenant to which clients and sessions belong.

    `time_zone` is an IANA name, `country` two letters of ISO 3166, or nothing.
    """

    practice_id: UUID
    name: str
    time_zone: str
    country: str = ""


@dataclass(frozen=True)
class Membership:
    """A person's place in a practice."""

    practice_id: UUID
    person_id: UUID
    role: MemberRole


@dataclass(frozen=True)
class Member:
    """Somebody who works in the practice."""

    person_id: UUID
    name: str
    email: str
    role: MemberRole
    joined_at: datetime


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


def update_practice(t: Transaction, name: str, time_zone: str, country: str) -> None:
    """Give the practice another name, time zone or country."""
    t.run("update_practice", name=name, time_zone=time_zone, country=country)


def list_memberships(t: Transaction, person_id: UUID) -> list[Membership]:
    """The practices a person belongs to."""
    return t.all(Membership, "memberships_of_person", person_id=person_id)


def add_practice(t: Transaction, practice: Practice, house: House = DEFAULTS) -> None:
    """Add a practice with its house rules; the transaction sees it already."""
    t.run("insert_practice", **vars(practice), house=Jsonb(house.model_dump()))


def add_person(t: Transaction, person: Person) -> None:
    """Add a person. Raises `Conflict` where the e-mail is taken."""
    t.run("insert_person", **vars(person))


def add_member(t: Transaction, member: Membership, now: datetime) -> None:
    """Let a person work in a practice."""
    t.run("insert_membership", **vars(member), now=now)


def list_members(t: Transaction) -> list[Member]:
    """Who works in the practice, in the order in which they came."""
    return t.all(Member, "members")


def lock_owners(t: Transaction) -> list[UUID]:
    """Who owns the practice; nobody else changes that until the transaction ends."""
    return t.column("lock_owners")


def set_role(t: Transaction, person_id: UUID, role: MemberRole) -> None:
    """Give a member another role; raises `NotThere`."""
    if not t.run("set_role", of_person=person_id, role=role):
        raise NotThere("member")


def find_hours(t: Transaction, person_id: UUID) -> Hours | None:
    """When a member works here; None where they have not said."""
    stored = t.value("hours_of_person", of_person=person_id)
    return None if stored is None else Hours.model_validate(stored)


def set_hours(t: Transaction, hours: Hours | None) -> None:
    """Let whoever asks work at other hours; None: they have not said. Raises `NotThere`."""
    if not t.run("set_hours", hours=None if hours is None else Jsonb(hours.model_dump(mode="json"))):
        raise NotThere("member")


def find_aftercare(t: Transaction) -> str:
    """The practice's own text for what a client takes home; empty where it has none."""
    return str(t.value("aftercare_of_practice") or "")


def set_aftercare(t: Transaction, text: str) -> None:
    """Keep the practice's text; empty: the usual one."""
    t.run("set_aftercare", text=text)


def end_membership(t: Transaction, person_id: UUID, now: datetime) -> None:
    """Let a member go; what they did stays under their name. Raises `NotThere`."""
    if not t.run("end_membership", of_person=person_id, now=now):
        raise NotThere("member")


def update_person(t: Transaction, name: str, email: str) -> None:
    """Give whoever asks another name or e-mail. Raises `Conflict` where the e-mail is taken."""
    t.run("update_person", name=name, email=email)


def set_password(t: Transaction, password_hash: str) -> None:
    """Give whoever asks another password."""
    t.run("set_password", password_hash=password_hash)


def delete_practice_and_person(t: Transaction, practice_id: UUID, person_id: UUID) -> None:
    """Take a practice with everything in it, and a person, away; only the owner of the tables may."""
    t.run("delete_practice", practice_id=practice_id)
    t.run("delete_person", person_id=person_id)
