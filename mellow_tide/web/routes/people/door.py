"""The door, for people who are not signed in: the demo, a practice of one's own, invitations, a forgotten password."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field, StringConstraints

from mellow_tide.services.door import DoorOffer
from mellow_tide.services.people import members, opening, password_link, sign_in
from mellow_tide.services.people.members import Invited
from mellow_tide.services.people.opening import Newcomer, Whereabouts, list_countries
from mellow_tide.web.body import Body, Name, Password, SignInEmail
from mellow_tide.web.caller import InDoorway
from mellow_tide.web.guard import AtDoor

router = APIRouter(prefix="/door", tags=["door"])

LinkToken = Annotated[str, Field(min_length=20, max_length=64)]


class DoorView(BaseModel):
    """What the door offers here, and the countries a practice can be in (ISO 3166)."""

    offers: list[DoorOffer]
    countries: list[str]


class NewPractice(Body):
    """A practice to open, and whose it is."""

    practice: Name
    name: Name
    email: SignInEmail
    password: Password
    time_zone: Annotated[str, Field(max_length=64)]
    country: Annotated[str, StringConstraints(max_length=2, pattern=r"^([A-Z]{2})?$")] = ""


class InvitationHeld(Body):
    """The secret part of an invitation's link."""

    token: LinkToken


class Joining(InvitationHeld):
    """Somebody who takes an invitation up."""

    name: Name
    email: SignInEmail
    password: Password


class NewPassword(InvitationHeld):
    """The secret part of a password link, and the password from now on."""

    password: Password


@router.get("")
def read_door(door: AtDoor) -> DoorView:
    """What the door offers."""
    return DoorView(offers=sorted(door.offers), countries=sorted(list_countries()))


@router.post("/demo", status_code=204)
def enter_demo(here: InDoorway) -> None:
    """Look round the demo: sets the cookie."""
    here.door.require("demo")
    here.let_in(sign_in.enter_demo(here.db, here.door.demo, here.caller))


@router.post("/practices", status_code=204)
def open_practice(wanted: NewPractice, here: InDoorway) -> None:
    """Open a practice: sets the cookie."""
    here.door.require("practices")
    owner = Newcomer(wanted.name, wanted.email, wanted.password)
    place = Whereabouts(wanted.time_zone, wanted.country)
    here.let_in(opening.open_practice(here.db, wanted.practice, place, owner, here.caller))


@router.post("/invitation")
def read_invitation(held: InvitationHeld, here: InDoorway) -> Invited:
    """What an invitation is to."""
    here.door.require("invited")
    return members.read_invitation(here.db, held.token, here.caller)


@router.post("/members", status_code=204)
def join_practice(joining: Joining, here: InDoorway) -> None:
    """Take an invitation up: sets the cookie."""
    here.door.require("invited")
    newcomer = Newcomer(joining.name, joining.email, joining.password)
    here.let_in(members.join(here.db, joining.token, newcomer, here.caller))


@router.put("/password", status_code=204)
def set_password_by_link(sent: NewPassword, here: InDoorway) -> None:
    """Set a new password with a one-time link."""
    password_link.set_by_link(here.db, sent.token, sent.password, here.caller)
