"""Where a request comes from, and what a browser holds after it was let in."""

from dataclasses import dataclass
from typing import Annotated

from fastapi import Depends, Request, Response

from mellow_tide.services.door import Door
from mellow_tide.services.people.attempts import Caller
from mellow_tide.services.people.sign_in import KNOWN, STAYS, HeldByBrowser
from mellow_tide.store.database import Database
from mellow_tide.web.guard import KNOWN_BROWSER, SIGN_IN, AtDoor, Db, cookie_name, held


def read_caller(request: Request) -> Caller:
    """The network address, what makes the browser known, and what it says of itself."""
    came_by = request.client.host if request.client else ""
    return Caller(came_by, held(request, KNOWN_BROWSER), _device(request.headers.get("user-agent", "")))


@dataclass(frozen=True)
class Doorway:
    """Where somebody stands who wants to be let in."""

    db: Database
    door: Door
    caller: Caller
    request: Request
    response: Response

    def let_in(self, made: HeldByBrowser) -> None:
        """Give the browser the cookies of a sign-in."""
        for name, value, stays in ((SIGN_IN, made.token, STAYS), (KNOWN_BROWSER, made.browser, KNOWN)):
            self.response.set_cookie(
                cookie_name(self.request, name),
                value,
                max_age=int(stays.total_seconds()),
                httponly=True,
                samesite="strict",
                secure=self.request.url.scheme == "https",
                path="/",
            )


def doorway(request: Request, response: Response, db: Db, door: AtDoor) -> Doorway:
    """The doorway of this request."""
    return Doorway(db, door, read_caller(request), request, response)


InDoorway = Annotated[Doorway, Depends(doorway)]


def link_to(request: Request, page: str, token: str) -> str:
    """A one-time link. What stands behind the # is never sent to a server, nor written into its logs."""
    base = request.app.state.surroundings.public_url or str(request.base_url).rstrip("/")
    return f"{base}/{page}#{token}"


def _device(told: str) -> str:
    """A browser and a system by name, as far as they are known."""
    from ua_parser import parse

    found = parse(told[:400])
    names = [part.family for part in (found.user_agent, found.os) if part]
    return " on ".join(names)
