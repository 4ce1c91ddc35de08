"""Signing in and out."""

from typing import Annotated

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel, ConfigDict, Field

from mellow_tide.services.sign_in import KNOWN, STAYS, sign_in, sign_out
from mellow_tide.web.guard import KNOWN_BROWSER, SIGN_IN, Db, cookie_name, held

router = APIRouter(tags=["sign in"])


class Credentials(BaseModel):
    """What a person signs in with."""

    model_config = ConfigDict(extra="forbid")

    email: Annotated[str, Field(max_length=254)]
    password: Annotated[str, Field(max_length=1000)]


@router.post("/sign-in", status_code=204)
def begin_sign_in(credentials: Credentials, request: Request, response: Response, db: Db) -> None:
    """Sign in: sets the cookie."""
    came_by = request.client.host if request.client else ""
    made = sign_in(db, credentials.email, credentials.password, came_by, held(request, KNOWN_BROWSER))
    for name, value, stays in ((SIGN_IN, made.token, STAYS), (KNOWN_BROWSER, made.browser, KNOWN)):
        response.set_cookie(
            cookie_name(request, name),
            value,
            max_age=int(stays.total_seconds()),
            httponly=True,
            samesite="strict",
            secure=request.url.scheme == "https",
            path="/",
        )


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
