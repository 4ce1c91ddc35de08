"""Who may come in: whoever holds the cookie of a sign-in."""

from typing import Annotated

from fastapi import Depends, Request

from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.services.desk import Desk
from mellow_tide.services.door import Door
from mellow_tide.services.people.sign_in import find_holder
from mellow_tide.services.permissions import NotInDemo, NotPermitted, is_for_demo, may
from mellow_tide.store.accounts import Holder
from mellow_tide.store.database import Database
from mellow_tide.web.problems import NotSignedIn

SIGN_IN, KNOWN_BROWSER = "tide_sign_in", "tide_known"
"""Cookies: of who is signed in, and, for a year, of a browser in which somebody signed in; that one lets nobody in."""


def cookie_name(request: Request, name: str) -> str:
    """How a cookie is called: under https a browser takes it from this very host alone, and from no other."""
    return f"__Host-{name}" if request.url.scheme == "https" else name


def held(request: Request, name: str) -> str:
    """What a browser holds as this cookie; empty if nothing."""
    return request.cookies.get(cookie_name(request, name), "")


async def database(request: Request) -> Database:
    """The application's database. Asynchronous, as it only looks up a name: a thread would cost more than the work."""
    db: Database = request.app.state.database
    return db


async def shipped(request: Request) -> ShippedCatalogue:
    """The catalogue as it ships."""
    loaded: ShippedCatalogue = request.app.state.catalogue
    return loaded


async def door(request: Request) -> Door:
    """What the door offers."""
    here: Door = request.app.state.door
    return here


Db = Annotated[Database, Depends(database)]
AsShipped = Annotated[ShippedCatalogue, Depends(shipped)]
AtDoor = Annotated[Door, Depends(door)]


def signed_in(request: Request, db: Db, here: AtDoor) -> Holder:
    """Who sends this request, which they may. Raises `NotSignedIn`, `NotPermitted` or `NotInDemo`."""
    token = held(request, SIGN_IN)
    who = find_holder(db, token, db.now()) if token else None
    if who is None:
        raise NotSignedIn
    operation = request.scope["route"].name
    if not may(who.role, operation):
        raise NotPermitted
    if who.practice_id == here.demo.practice_id and not is_for_demo(operation):
        raise NotInDemo
    return who


def desk(db: Db, who: Annotated[Holder, Depends(signed_in)], known: AsShipped) -> Desk:
    """The desk at which this request is served."""
    return Desk.of(db, who, known)


AtDesk = Annotated[Desk, Depends(desk)]
