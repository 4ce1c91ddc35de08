"""The account of whoever is signed in."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Request
from pydantic import BaseModel, Field

from mellow_tide.services.people import account, second_factor
from mellow_tide.services.people.account import Account
from mellow_tide.web.body import Body, Name, Password, SignInEmail
from mellow_tide.web.guard import SIGN_IN, AtDesk, AtDoor, held
from mellow_tide.web.qr import draw_qr

router = APIRouter(prefix="/account", tags=["account"])


class AccountChange(Body):
    """Name and e-mail from now on; the password is wanted where the e-mail is another one."""

    name: Name
    email: SignInEmail
    password: Annotated[str, Field(max_length=1000)] = ""


class PasswordChange(Body):
    """The password until now, and from now on."""

    old: Annotated[str, Field(max_length=1000)]
    new: Password


class PasswordAgain(Body):
    """The password, to make sure who asks."""

    password: Annotated[str, Field(max_length=1000)]


class Code(Body):
    """A code that the authenticator app shows."""

    code: Annotated[str, Field(max_length=40)]


class ProposedFactor(BaseModel):
    """A secret for an authenticator app, and the same as a QR code (SVG)."""

    secret: str
    qr_svg: str


class RecoveryCodes(BaseModel):
    """Codes that each open once; they are told this once."""

    codes: list[str]


@router.get("")
def read_account(request: Request, desk: AtDesk, door: AtDoor) -> Account:
    """The account, with the devices that are signed in; in the demo, which strangers share, with this one alone."""
    found = account.read_account(desk, held(request, SIGN_IN))
    if desk.who.practice_id != door.demo.practice_id:
        return found
    return found.model_copy(update={"devices": tuple(one for one in found.devices if one.present)})


@router.put("", status_code=204)
def change_account(sent: AccountChange, desk: AtDesk) -> None:
    """Another name or e-mail."""
    account.change_account(desk, sent.name, sent.email, sent.password)


@router.put("/password", status_code=204)
def change_password(sent: PasswordChange, request: Request, desk: AtDesk) -> None:
    """Another password; every other device is signed out."""
    account.change_password(desk, sent.old, sent.new, held(request, SIGN_IN))


@router.post("/second-factor")
def propose_second_factor(sent: PasswordAgain, desk: AtDesk) -> ProposedFactor:
    """A new secret; it counts once it is confirmed."""
    made = account.propose_second_factor(desk, sent.password)
    return ProposedFactor(secret=made.secret, qr_svg=draw_qr(made.address))


@router.put("/second-factor")
def confirm_second_factor(sent: Code, desk: AtDesk) -> RecoveryCodes:
    """Let the secret count from now on."""
    return RecoveryCodes(codes=list(second_factor.confirm(desk, sent.code)))


@router.post("/second-factor/end", status_code=204)
def drop_second_factor(sent: PasswordAgain, desk: AtDesk) -> None:
    """Go without a second factor."""
    account.drop_second_factor(desk, sent.password)


@router.delete("/devices/{sign_in_id}", status_code=204)
def sign_out_device(sign_in_id: UUID, desk: AtDesk) -> None:
    """Sign out another device."""
    account.sign_out_device(desk, sign_in_id)
