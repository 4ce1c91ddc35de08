"""Signing in and out."""

from typing import Annotated

from fastapi import APIRouter, Request, Response
from pydantic import Field

from mellow_tide.services.people.sign_in import Credentials, sign_in, sign_out
from mellow_tide.web.body import Body
from mellow_tide.web.caller import InDoorway
from mellow_tide.web.guard import SIGN_IN, Db, cookie_name, held

router = APIRouter(tags=["sign in"])


class SigningIn(Body):
    """What a person signs in with; `code` is the second factor's, where they have one."""

    email: Annotated[str, Field(max_length=254)]
    password: Annotated[str, Field(max_length=1000)]
    code: Annotated[str, Field(max_length=40)] = ""


@router.post("/sign-in", status_code=204)
def begin_sign_in(given: SigningIn, here: InDoorway) -> None:
    """Sign in: sets the cookie."""
    here.let_in(sign_in(here.db, Credentials(given.email, given.password, given.code), here.caller))


@router.delete("/sign-in", status_code=204)
def end_sign_in(request: Request, response: Response, db: Db) -> None:
    """Sign out: forgets the token on both sides."""
    token = held(request, SIGN_IN)
    if token:
        sign_out(db, token)
    secure = request.url.scheme == "https"
    response.delete_cookie(
        cookie_name(request, SIGN_IN), path="/", secure=secure, httponly=True, samesite="strict"
    )
