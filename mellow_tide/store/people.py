"""People, their memberships and sign-ins."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from mellow_tide.core.catalogue.house import DEFAULTS, House
from mellow_tide.store.database import Row
from mellow_tide.store.errors import NotThere
from mellow_tide.store.queries import query


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


def find_person_by_email(c: Connection[Row], email: str) -> Person | None:
    """The person with this e-mail, in lower case."""
    with c.cursor(row_factory=class_row(Person)) as cursor:
        return cursor.execute(query("find_person_by_email"), {"email": email}).fetchone()


def find_person(c: Connection[Row], person_id: UUID) -> Person:
    """The person; raises `NotThere`."""
    with c.cursor(row_factory=class_row(Person)) as cursor:
        person = cursor.execute(query("find_person"), {"person_id": person_id}).fetchone()
    if person is None:
        raise NotThere("person")
    return person


def find_practice(c: Connection[Row], practice_id: UUID) -> Practice:
    """The practice; raises `NotThere`."""
    with c.cursor(row_factory=class_row(Practice)) as cursor:
        practice = cursor.execute(query("find_practice"), {"practice_id": practice_id}).fetchone()
    if practice is None:
        raise NotThere("practice")
    return practice


def memberships_of(c: Connection[Row], person_id: UUID) -> list[Membership]:
    """The practices a person belongs to."""
    with c.cursor(row_factory=class_row(Membership)) as cursor:
        return cursor.execute(query("memberships_of_person"), {"person_id": person_id}).fetchall()


def add_sign_in(c: Connection[Row], signed_in: SignedIn, token_hash: bytes, expires_at: datetime) -> None:
    """Remember a signed-in browser by the hash of its token."""
    c.execute(
        query("insert_sign_in"),
        {
            "practice_id": signed_in.practice_id,
            "person_id": signed_in.person_id,
            "token_hash": token_hash,
            "expires_at": expires_at,
        },
    )


def find_sign_in(c: Connection[Row], token_hash: bytes, now: datetime) -> SignedIn | None:
    """Who holds the token, if it has not expired by `now`."""
    with c.cursor(row_factory=class_row(SignedIn)) as cursor:
        return cursor.execute(query("find_sign_in"), {"token_hash": token_hash, "now": now}).fetchone()


def delete_sign_in(c: Connection[Row], token_hash: bytes) -> None:
    """Forget the token."""
    c.execute(query("delete_sign_in"), {"token_hash": token_hash})


def recent_attempts(c: Connection[Row], key: bytes, since: datetime) -> list[datetime]:
    """When signing in failed for this key since then, oldest first."""
    rows = c.execute(query("recent_attempts"), {"attempt_key": key, "since": since}).fetchall()
    return [row[0] for row in rows]


def add_attempt(c: Connection[Row], key: bytes, failed_at: datetime) -> None:
    """Remember a failed attempt."""
    c.execute(query("insert_attempt"), {"attempt_key": key, "failed_at": failed_at})


def forget_attempts(c: Connection[Row], key: bytes, before: datetime) -> None:
    """Forget this key's attempts, and everyone's from before then."""
    c.execute(query("forget_attempts"), {"attempt_key": key, "before": before})


def add_practice(c: Connection[Row], practice: Practice, house: House = DEFAULTS) -> None:
    """Add a practice with its house rules; only the owner of the tables may."""
    c.execute(
        query("insert_practice"),
        {
            "practice_id": practice.practice_id,
            "name": practice.name,
            "time_zone": practice.time_zone,
            "house": Jsonb(house.model_dump()),
        },
    )


def add_person(c: Connection[Row], person: Person) -> None:
    """Add a person; only the owner of the tables may."""
    c.execute(
        query("insert_person"),
        {
            "person_id": person.person_id,
            "name": person.name,
            "email": person.email,
            "password_hash": person.password_hash,
        },
    )


def add_member(c: Connection[Row], practice_id: UUID, person_id: UUID) -> None:
    """Make a person a therapist of a practice; only the owner of the tables may."""
    c.execute(query("insert_membership"), {"practice_id": practice_id, "person_id": person_id})


def delete_practice_and_person(c: Connection[Row], practice_id: UUID, person_id: UUID) -> None:
    """Take a practice with everything in it, and a person, away; only the owner of the tables may."""
    c.execute(query("delete_practice"), {"practice_id": practice_id})
    c.execute(query("delete_person"), {"person_id": person_id})


def house_of(c: Connection[Row], practice_id: UUID) -> House:
    """What the practice has chosen where schools differ; raises `NotThere`."""
    row = c.execute(query("house_of_practice"), {"practice_id": practice_id}).fetchone()
    if row is None:
        raise NotThere("practice")
    return House.model_validate(row[0])
