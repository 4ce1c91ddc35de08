"""The second factor: a code that changes every 30 s (RFC 6238), and recovery codes for when the phone is gone."""

import secrets
from datetime import datetime
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.desk import Desk
from mellow_tide.services.people.tokens import hash_token
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.accounts import (
    add_recovery_codes,
    confirm_second_factor,
    delete_second_factor,
    find_second_factor,
    lock_second_factor,
    put_second_factor,
    use_recovery_code,
    use_step,
)
from mellow_tide.store.database import Database, Sight, Transaction
from mellow_tide.store.errors import Conflict
from mellow_tide.store.people import find_person
from mellow_tide.store.security import Whose, add_security_event

ISSUER = "Mellow Tide"
RECOVERY_CODES = 10
LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"
"""Without those that are taken for one another."""


class CodeWanted(Exception):
    """The password is right; the code of the second factor is missing."""


class CodeWrong(Exception):
    """The code of the second factor is wrong, or was used."""


class SecretToKeep(Record):
    """What an authenticator app is given: the secret, and the address that a QR code says."""

    secret: str
    address: str


def check_code(db: Database, person_id: UUID, code: str) -> None:
    """Raise `CodeWanted` or `CodeWrong` where a person has a second factor and this is not its code.

    A code is used up: nobody who looked over a shoulder can use it again.
    """
    with db.transaction(Sight(person=person_id)) as t:
        factor = lock_second_factor(t)
        if factor is None or factor.confirmed_at is None:
            return
        if not code.strip():
            raise CodeWanted
        step = _step_of(factor.secret, code, db.now())
        right = use_step(t, step) if step is not None else _recovers(t, db, person_id, code)
    if not right:
        with db.transaction(Sight(person=person_id)) as t:
            add_security_event(t, "sign_in_failed", db.now(), Whose(person_id=person_id), "code")
        raise CodeWrong


def propose(desk: Desk) -> SecretToKeep:
    """A new secret; it counts once a code of it was given. Raises `Conflict` where one stands already."""
    import pyotp

    secret = pyotp.random_base32()
    with desk.writing() as t:
        if not put_second_factor(t, secret):
            raise Conflict("second_factor_stands")
        email = find_person(t, desk.person_id).email
    return SecretToKeep(
        secret=secret, address=pyotp.TOTP(secret).provisioning_uri(name=email, issuer_name=ISSUER)
    )


def confirm(desk: Desk, code: str) -> tuple[str, ...]:
    """Let the proposed secret count from now on; recovery codes, told this once. Raises `BadEntry`."""
    codes = tuple("-".join(_letters() for _ in range(2)) for _ in range(RECOVERY_CODES))
    with desk.writing() as t:
        factor = find_second_factor(t)
        step = _step_of(factor.secret, code, desk.db.now()) if factor else None
        if step is None or not confirm_second_factor(t, step, desk.db.now()):
            raise BadEntry(FieldProblem("code", "wrong_code"))
        add_recovery_codes(t, [hash_token(_bare(one)) for one in codes])
        desk.note(t, "second_factor_on", "")
    return codes


def drop(desk: Desk) -> None:
    """Go without a second factor; the caller has made sure who asks."""
    with desk.writing() as t:
        delete_second_factor(t)
        desk.note(t, "second_factor_off", "")


def _recovers(t: Transaction, db: Database, person_id: UUID, code: str) -> bool:
    if not use_recovery_code(t, hash_token(_bare(code))):
        return False
    add_security_event(t, "recovery_code_used", db.now(), Whose(person_id=person_id))
    return True


def _step_of(secret: str, code: str, now: datetime) -> int | None:
    """The time step whose code this is: the present one, or one beside it, since clocks differ."""
    import pyotp

    totp = pyotp.TOTP(secret)
    present = totp.timecode(now)
    typed = _bare(code)
    for step in (present, present - 1, present + 1):
        if secrets.compare_digest(totp.generate_otp(step), typed):
            return step
    return None


def _letters() -> str:
    return "".join(secrets.choice(LETTERS) for _ in range(5))


def _bare(code: str) -> str:
    """Without what people put between the letters of a code."""
    return "".join(letter for letter in code.lower() if letter.isascii() and letter.isalnum())
