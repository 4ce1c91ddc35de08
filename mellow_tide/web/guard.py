"""Who may come in: the sign-in cookie, and writes only from our own pages."""

from typing import Annotated
from urllib.parse import urlsplit

from fastapi import Depends, Request
from starlette.types import ASGIApp, Receive, Scope, Send

from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.services.desk import Desk
from mellow_tide.services.sign_in import find_holder
from mellow_tide.store.database import Database
from mellow_tide.store.people import SignedIn
from mellow_tide.web.problems import NotSignedIn, answer, tell

COOKIE = "tide_sign_in"
KNOWN_BROWSER = "tide_known"
"""Held for a year by a browser in which somebody signed in; it lets nobody in."""


class OwnPagesOnly:
    """Refuses writes whose Origin is not the address they are sent to, before anything else reads them."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Pass on, or answer 403."""
        if scope["type"] == "http" and scope["method"] not in ("GET", "HEAD", "OPTIONS"):
            request = Request(scope)
            origin = request.headers.get("origin", "")
            if urlsplit(origin).netloc != request.headers.get("host", ""):
                refuse = answer(tell(403, "foreign-origin"))
                await refuse(scope, receive, send)
                return
        await self._app(scope, receive, send)


async def database(request: Request) -> Database:
    """The application's database. Asynchronous, as it only looks up a name: a thread would cost more than the work."""
    db: Database = request.app.state.database
    return db


async def shipped(request: Request) -> ShippedCatalogue:
    """The catalogue as it ships."""
    loaded: ShippedCatalogue = request.app.state.catalogue
    return loaded


def signed_in(request: Request, db: Annotated[Database, Depends(database)]) -> SignedIn:
    """Who sends this request; raises `NotSignedIn`."""
    token = request.cookies.get(COOKIE)
    who = find_holder(db, token, db.now()) if token else None
    if who is None:
        raise NotSignedIn
    return who


Db = Annotated[Database, Depends(database)]
AsShipped = Annotated[ShippedCatalogue, Depends(shipped)]


def desk(db: Db, who: Annotated[SignedIn, Depends(signed_in)], known: AsShipped) -> Desk:
    """The desk at which this request is served."""
    return Desk.of(db, who, known)


AtDesk = Annotated[Desk, Depends(desk)]
