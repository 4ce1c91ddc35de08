"""Signing in and out."""

from typing import Annotated

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel, ConfigDict, Field

from mellow_tide.services.sign_in import KNOWN, STAYS, sign_in, sign_out
from mellow_tide.web.guard import COOKIE, KNOWN_BROWSER, Db

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
    held = sign_in(
        db, credentials.email, credentials.password, came_by, request.cookies.get(KNOWN_BROWSER, "")
    )
    for name, value, stays in ((COOKIE, held.token, STAYS), (KNOWN_BROWSER, held.browser, KNOWN)):
        response.set_cookie(
            name,
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
    token = request.cookies.get(COOKIE)
    if token:
        sign_out(db, token)
    response.delete_cookie(COOKIE, path="/")
