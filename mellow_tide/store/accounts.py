"""How people come in: sign-ins, second factors, and one-time links. Secrets are kept as hashes."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere
from mellow_tide.store.people import MemberRole, SignedIn

SEEN_EVERY = timedelta(hours=1)
"""So often it is written down that a device was used."""


@dataclass(frozen=True)
class Holder(SignedIn):
    """Who holds the token of a sign-in, what they are in the practice, and when they were last seen."""

    role: MemberRole
    seen_at: datetime


@dataclass(frozen=True)
class SignInRow:
    """A browser in which somebody is signed in."""

    sign_in_id: UUID
    device: str
    began_at: datetime
    seen_at: datetime
    token_hash: bytes


@dataclass(frozen=True)
class SecondFactor:
    """The secret behind a person's time codes; `last_step` is the last one that was used."""

    secret: str
    confirmed_at: datetime | None
    last_step: int


@dataclass(frozen=True)
class PasswordLink:
    """A link that sets a new password once."""

    person_id: UUID
    expires_at: datetime
    ends_second_factor: bool
    used_at: datetime | None


@dataclass(frozen=True)
class Invitation:
    """A link that lets somebody join a practice once."""

    practice_id: UUID
    invitation_id: UUID
    role: MemberRole
    invited_for: str
    made_by: str
    made_at: datetime
    expires_at: datetime
    used_at: datetime | None = None


@dataclass(frozen=True)
class NewSignIn:
    """A sign-in that begins: the hash of its token, how long it holds, and in what."""

    token_hash: bytes
    now: datetime
    expires_at: datetime
    device: str = ""


def add_sign_in(t: Transaction, signed_in: SignedIn, new: NewSignIn) -> None:
    """Remember a signed-in browser by the hash of its token."""
    t.run("insert_sign_in", practice_id=signed_in.practice_id, person_id=signed_in.person_id, **vars(new))


def find_sign_in(t: Transaction, token_hash: bytes, now: datetime) -> Holder | None:
    """Who holds the token, if it has not expired by `now` and they still work there."""
    found = t.one(Holder, "find_sign_in", token_hash=token_hash, now=now)
    if found and now - found.seen_at > SEEN_EVERY:
        t.run("see_sign_in", token_hash=token_hash, now=now)
    return found


def delete_sign_in(t: Transaction, token_hash: bytes) -> None:
    """Forget the token."""
    t.run("delete_sign_in", token_hash=token_hash)


def list_sign_ins(t: Transaction, now: datetime) -> list[SignInRow]:
    """Where whoever asks is signed in, what was used last first."""
    return t.all(SignInRow, "sign_ins_of_person", now=now)


def end_sign_in(t: Transaction, sign_in_id: UUID) -> None:
    """Sign out a device of whoever asks; raises `NotThere`."""
    if not t.run("end_sign_in", sign_in_id=sign_in_id):
        raise NotThere("device")


def end_sign_ins(t: Transaction, person_id: UUID, kept: bytes | None = None) -> None:
    """Sign a person out everywhere but where the token with the hash `kept` is held."""
    t.run("end_other_sign_ins", of_person=person_id, kept=kept)


def find_second_factor(t: Transaction) -> SecondFactor | None:
    """The second factor of whoever asks, confirmed or not."""
    return t.one(SecondFactor, "find_second_factor")


def lock_second_factor(t: Transaction) -> SecondFactor | None:
    """The same, kept from others until the transaction ends."""
    return t.one(SecondFactor, "lock_second_factor")


def put_second_factor(t: Transaction, secret: str) -> bool:
    """Begin with a new secret; False where a confirmed one stands."""
    return t.run("put_second_factor", secret=secret) == 1


def confirm_second_factor(t: Transaction, step: int, now: datetime) -> bool:
    """Let it count from now on; False where it did already."""
    return t.run("confirm_second_factor", step=step, now=now) == 1


def use_step(t: Transaction, step: int) -> bool:
    """Use the code of a time step; False where it, or a later one, was used."""
    return t.run("use_step", step=step) == 1


def delete_second_factor(t: Transaction) -> None:
    """Go without one, and without its recovery codes."""
    t.run("delete_second_factor")


def add_recovery_codes(t: Transaction, hashes: list[bytes]) -> None:
    """Keep codes that each open once in place of a time code."""
    t.run_each("insert_recovery_code", [{"code_hash": one} for one in hashes])


def use_recovery_code(t: Transaction, code_hash: bytes) -> bool:
    """Use one up; False where there is no such code."""
    return t.run("use_recovery_code", code_hash=code_hash) == 1


def count_recovery_codes(t: Transaction) -> int:
    """How many are left."""
    return int(t.value("count_recovery_codes"))


def add_password_link(t: Transaction, link_hash: bytes, link: PasswordLink) -> None:
    """Let a link set a new password once; only the owner of the tables may."""
    values = {key: value for key, value in vars(link).items() if key != "used_at"}
    t.run("insert_password_link", link_hash=link_hash, **values)


def find_password_link(t: Transaction, link_hash: bytes) -> PasswordLink | None:
    """The link; the transaction must see by its hash."""
    return t.one(PasswordLink, "find_password_link", link_hash=link_hash)


def use_password_link(t: Transaction, link_hash: bytes, now: datetime) -> bool:
    """Use the link up; False where it was used."""
    return t.run("use_password_link", link_hash=link_hash, now=now) == 1


def add_invitation(t: Transaction, link_hash: bytes, invitation: Invitation) -> None:
    """Let a link bring somebody in once."""
    values = {key: value for key, value in vars(invitation).items() if key != "used_at"}
    t.run("insert_invitation", link_hash=link_hash, **values)


def list_invitations(t: Transaction, now: datetime) -> list[Invitation]:
    """The practice's invitations that somebody may still take up, the oldest first."""
    return t.all(Invitation, "open_invitations", now=now)


def find_invitation(t: Transaction, link_hash: bytes) -> Invitation | None:
    """The invitation behind a link; the transaction must see by its hash."""
    return t.one(Invitation, "find_invitation_by_link", link_hash=link_hash)


def use_invitation(t: Transaction, invitation_id: UUID, now: datetime) -> bool:
    """Use an invitation up; False where it is over."""
    return t.run("use_invitation", invitation_id=invitation_id, now=now) == 1


def delete_invitation(t: Transaction, invitation_id: UUID) -> None:
    """Withdraw an invitation; raises `NotThere` for one that is used."""
    if not t.run("delete_invitation", invitation_id=invitation_id):
        raise NotThere("invitation")
