"""The account of whoever is signed in: name, e-mail, password, second factor, devices."""

from uuid import UUID

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.desk import Desk
from mellow_tide.services.people.attempts import begin_proof, succeed_in_proof
from mellow_tide.services.people.opening import refusing_taken_email
from mellow_tide.services.people.passwords import as_kept, hash_in_turn, judge_email, judge_password, matches
from mellow_tide.services.people.second_factor import SecretToKeep, drop, propose
from mellow_tide.services.people.tokens import hash_token
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.accounts import (
    count_recovery_codes,
    end_sign_in,
    end_sign_ins,
    find_second_factor,
    list_sign_ins,
)
from mellow_tide.store.people import Person, find_person, set_password, update_person


class Device(Record):
    """A browser in which one is signed in; `present` is the one that asks."""

    sign_in_id: UUID
    device: str
    began_at: AwareDatetime
    seen_at: AwareDatetime
    present: bool


class Account(Record):
    """What somebody has here of their own."""

    name: str
    email: str
    second_factor: bool
    recovery_codes: int
    devices: tuple[Device, ...]


def read_account(desk: Desk, token: str) -> Account:
    """The account; `token` is that of the sign-in that asks."""
    with desk.writing() as t:
        person = find_person(t, desk.person_id)
        factor = find_second_factor(t)
        rows = list_sign_ins(t, desk.db.now())
        return Account(
            name=person.name,
            email=person.email,
            second_factor=factor is not None and factor.confirmed_at is not None,
            recovery_codes=count_recovery_codes(t),
            devices=tuple(
                Device(
                    sign_in_id=row.sign_in_id,
                    device=row.device,
                    began_at=row.began_at,
                    seen_at=row.seen_at,
                    present=row.token_hash == hash_token(token),
                )
                for row in rows
            ),
        )


def change_account(desk: Desk, name: str, email: str, password: str) -> None:
    """Another name or e-mail; with another e-mail the password is asked. Raises `BadEntry`, `TooManyAttempts`."""
    person = _find(desk)
    kept = as_kept(email)
    if kept != person.email:
        problems = tuple(judge_email("email", kept))
        if problems:
            raise BadEntry(*problems)
        prove(desk, person, password)
    with refusing_taken_email(), desk.writing() as t:
        update_person(t, name, kept)
        desk.note(t, "account_changed", "e-mail" if kept != person.email else "name")


def change_password(desk: Desk, old: str, new: str, token: str) -> None:
    """Another password; every other device is signed out. Raises `BadEntry`, `TooManyAttempts`."""
    person = _find(desk)
    prove(desk, person, old, "old")
    problems = tuple(judge_password("new", new, (person.name, person.email)))
    if problems:
        raise BadEntry(*problems)
    password_hash = hash_in_turn(new)
    with desk.writing() as t:
        set_password(t, password_hash)
        end_sign_ins(t, person.person_id, hash_token(token))
        desk.note(t, "password_changed", "")


def propose_second_factor(desk: Desk, password: str) -> SecretToKeep:
    """A new secret, once it is sure who asks. Raises `BadEntry`, `TooManyAttempts`, `Conflict`."""
    prove(desk, _find(desk), password)
    return propose(desk)


def drop_second_factor(desk: Desk, password: str) -> None:
    """Go without a second factor. Raises `BadEntry`, `TooManyAttempts`."""
    prove(desk, _find(desk), password)
    drop(desk)


def sign_out_device(desk: Desk, sign_in_id: UUID) -> None:
    """Sign out another device of whoever asks. Raises `NotThere`."""
    with desk.writing() as t:
        end_sign_in(t, sign_in_id)
        desk.note(t, "device_signed_out", "")


def prove(desk: Desk, person: Person, password: str, field: str = "password") -> None:
    """Make sure that it is they: somebody else may sit at the device. Raises `BadEntry`, `TooManyAttempts`."""
    attempt = begin_proof(desk.db, person.person_id)
    if not matches(password, person.password_hash):
        raise BadEntry(FieldProblem(field, "wrong_password"))
    succeed_in_proof(desk.db, attempt)


def _find(desk: Desk) -> Person:
    with desk.writing() as t:
        return find_person(t, desk.person_id)
