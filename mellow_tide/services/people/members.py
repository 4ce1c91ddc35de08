"""Who works in a practice: invited by a one-time link, owner or therapist, and let go."""

from datetime import timedelta
from typing import Annotated
from uuid import UUID, uuid4

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.services.desk import Desk
from mellow_tide.services.people.attempts import Caller, begin_visit
from mellow_tide.services.people.opening import Newcomer, enrol, judge_newcomer, refusing_taken_email
from mellow_tide.services.people.passwords import hash_in_turn
from mellow_tide.services.people.sign_in import HeldByBrowser, begin_in
from mellow_tide.services.people.tokens import hash_token, make_token
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.accounts import (
    Invitation,
    add_invitation,
    delete_invitation,
    end_sign_ins,
    find_invitation,
    list_invitations,
    use_invitation,
)
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import (
    MemberRole,
    Membership,
    SignedIn,
    end_membership,
    find_practice,
    list_members,
    lock_owners,
    set_role,
)

OPEN_FOR = timedelta(days=7)


class InvitationOver(Exception):
    """An invitation that was taken up, withdrawn, has run out, or was never made."""


class LastOwner(Exception):
    """A practice always has an owner."""


class MemberLine(Record):
    """Somebody who works here; `present` is whoever asks."""

    person_id: UUID
    name: str
    email: str
    role: MemberRole
    joined_at: AwareDatetime
    present: bool


class InvitationLine(Record):
    """An invitation that nobody has taken up yet."""

    invitation_id: UUID
    role: MemberRole
    invited_for: str
    made_by: str
    expires_at: AwareDatetime


class PeopleHere(Record):
    """Who works here, and who is invited."""

    members: tuple[MemberLine, ...]
    invitations: tuple[InvitationLine, ...]


class NewInvitation(Record):
    """An invitation just made. `token` lets somebody join once; nobody can be shown it again."""

    invitation_id: UUID
    token: str
    expires_at: AwareDatetime


class Invited(Record):
    """What whoever holds an invitation is told."""

    practice: str
    role: MemberRole
    invited_for: Annotated[str, Field(max_length=80)]
    made_by: str


def list_people(desk: Desk) -> PeopleHere:
    """Everybody who works here, in the order in which they came, and open invitations."""
    with desk.reading() as t:
        return PeopleHere(
            members=tuple(
                MemberLine(**vars(member), present=member.person_id == desk.person_id)
                for member in list_members(t)
            ),
            invitations=tuple(
                InvitationLine(
                    invitation_id=one.invitation_id,
                    role=one.role,
                    invited_for=one.invited_for,
                    made_by=one.made_by,
                    expires_at=one.expires_at,
                )
                for one in list_invitations(t, desk.db.now())
            ),
        )


def invite(desk: Desk, role: MemberRole, invited_for: str) -> NewInvitation:
    """A link with which somebody joins once, within a week."""
    token, now = make_token(), desk.db.now()
    with desk.writing() as t:
        made = Invitation(desk.who.practice_id, uuid4(), role, invited_for, desk.name(t), now, now + OPEN_FOR)
        add_invitation(t, hash_token(token), made)
        desk.note(t, "invited", role)
    return NewInvitation(invitation_id=made.invitation_id, token=token, expires_at=made.expires_at)


def withdraw_invitation(desk: Desk, invitation_id: UUID) -> None:
    """End an invitation before its time. Raises `NotThere`."""
    with desk.writing() as t:
        delete_invitation(t, invitation_id)


def read_invitation(db: Database, token: str, caller: Caller) -> Invited:
    """What an invitation is to. Raises `InvitationOver`, `TooManyAttempts`."""
    begin_visit(db, caller.address)
    invitation = _find(db, token)
    with db.transaction(Sight(invitation.practice_id)) as t:
        return Invited(
            practice=find_practice(t).name,
            role=invitation.role,
            invited_for=invitation.invited_for,
            made_by=invitation.made_by,
        )


def join(db: Database, token: str, newcomer: Newcomer, caller: Caller) -> HeldByBrowser:
    """Take an invitation up with an account of one's own. Raises `InvitationOver`, `BadEntry`, `TooManyAttempts`."""
    begin_visit(db, caller.address)
    invitation = _find(db, token)
    problems = tuple(judge_newcomer(newcomer))
    if problems:
        raise BadEntry(*problems)
    password_hash = hash_in_turn(newcomer.password)
    who = SignedIn(invitation.practice_id, uuid4())
    with refusing_taken_email(), db.transaction(Sight(who.practice_id, who.person_id)) as t:
        if not use_invitation(t, invitation.invitation_id, db.now()):
            raise InvitationOver
        enrol(t, Membership(who.practice_id, who.person_id, invitation.role), newcomer, password_hash, db)
        return begin_in(t, who, caller, db.now())


def change_role(desk: Desk, person_id: UUID, role: MemberRole) -> None:
    """Make a member an owner or a therapist. Raises `NotThere`, `LastOwner`."""
    with desk.writing() as t:
        if role != "owner" and lock_owners(t) == [person_id]:
            raise LastOwner
        set_role(t, person_id, role)
        desk.note(t, "role_changed", role)


def let_go(desk: Desk, person_id: UUID) -> None:
    """End somebody's work here and sign them out; what they did stays. Raises `NotThere`, `LastOwner`."""
    with desk.writing() as t:
        if lock_owners(t) == [person_id]:
            raise LastOwner
        end_membership(t, person_id, desk.db.now())
        end_sign_ins(t, person_id)
        desk.note(t, "left", "")


def _find(db: Database, token: str) -> Invitation:
    """The invitation behind a link. Raises `InvitationOver`."""
    with db.transaction(Sight(token_hash=hash_token(token))) as t:
        invitation = find_invitation(t, hash_token(token))
    if invitation is None or invitation.used_at or invitation.expires_at <= db.now():
        raise InvitationOver
    return invitation
