"""Who works in the practice, who is invited, and what the practice is called."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Request
from pydantic import AwareDatetime, BaseModel, Field, StringConstraints

from mellow_tide.services.people import members
from mellow_tide.services.people.members import PeopleHere
from mellow_tide.services.people.opening import Whereabouts
from mellow_tide.services.practice import change_practice as change
from mellow_tide.store.people import MemberRole
from mellow_tide.web.body import Body, Name
from mellow_tide.web.caller import link_to
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.qr import draw_qr

router = APIRouter(tags=["people"])


class InvitationWanted(Body):
    """Whom a link is for, and what they will be."""

    role: MemberRole
    invited_for: Annotated[str, StringConstraints(strip_whitespace=True, max_length=80)] = ""


class InvitationLink(BaseModel):
    """A link that lets somebody join once, and the same as a QR code (SVG)."""

    invitation_id: UUID
    link: str
    qr_svg: str
    expires_at: AwareDatetime


class RoleWanted(Body):
    """What a member is from now on."""

    role: MemberRole


class PracticeChange(Body):
    """What the practice is called, and where it is."""

    name: Name
    time_zone: Annotated[str, Field(max_length=64)]
    country: Annotated[str, StringConstraints(max_length=2, pattern=r"^([A-Z]{2})?$")] = ""


@router.get("/people")
def read_people(desk: AtDesk) -> PeopleHere:
    """Who works here, and who is invited."""
    return members.list_people(desk)


@router.post("/people/invitations", status_code=201)
def invite_person(wanted: InvitationWanted, request: Request, desk: AtDesk) -> InvitationLink:
    """Invite somebody, with a one-time link."""
    made = members.invite(desk, wanted.role, wanted.invited_for)
    link = link_to(request, "join", made.token)
    return InvitationLink(
        invitation_id=made.invitation_id,
        link=link,
        qr_svg=draw_qr(link),
        expires_at=made.expires_at,
    )


@router.delete("/people/invitations/{invitation_id}", status_code=204)
def withdraw_invitation(invitation_id: UUID, desk: AtDesk) -> None:
    """End an invitation before its time."""
    members.withdraw_invitation(desk, invitation_id)


@router.put("/people/{person_id}/role", status_code=204)
def change_role(person_id: UUID, wanted: RoleWanted, desk: AtDesk) -> None:
    """Make somebody an owner or a therapist."""
    members.change_role(desk, person_id, wanted.role)


@router.delete("/people/{person_id}", status_code=204)
def let_person_go(person_id: UUID, desk: AtDesk) -> None:
    """End somebody's work here; what they did stays under their name."""
    members.let_go(desk, person_id)


@router.put("/practice", status_code=204)
def change_practice(sent: PracticeChange, desk: AtDesk) -> None:
    """Another name, time zone or country."""
    change(desk, sent.name, Whereabouts(sent.time_zone, sent.country))
