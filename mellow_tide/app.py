"""The composition root: puts store, catalogue, routes and pages together."""

import gc
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import APIRouter, Depends, FastAPI
from fastapi.routing import APIRoute

from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_ID
from mellow_tide.services.door import ALL, Door, DoorOffer
from mellow_tide.store.clock import Clock, read_machine_clock
from mellow_tide.store.database import Database
from mellow_tide.store.people import SignedIn
from mellow_tide.web import pages, problems
from mellow_tide.web.description import describe
from mellow_tide.web.gate import Gate, Surroundings
from mellow_tide.web.guard import signed_in
from mellow_tide.web.routes import (
    aftercare,
    clients,
    designing,
    devices,
    exchange,
    flows,
    house,
    intake_form,
    intakes,
    learning,
    machines,
    practice,
    preparing,
    ready,
    run_and_log,
    sessions,
    versions,
)
from mellow_tide.web.routes.booking import bookings, calendar_in
from mellow_tide.web.routes.people import account, calendar_feed, door, members, sign_in

AT_LOOPBACK = Surroundings()


def make_app(
    dsn: str,
    built: Path | None = None,
    now: Clock = read_machine_clock,
    offers: frozenset[DoorOffer] = ALL,
    around: Surroundings = AT_LOOPBACK,
) -> FastAPI:
    """The application over the database at `dsn`, serving the front end in `built` if given.

    Where the door does not offer the demo, nobody gets into its practice.
    """
    shut = frozenset() if "demo" in offers else frozenset({PRACTICE_ID})
    database = Database(dsn, now=now, shut=shut)

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:
        database.open()
        # What the start has made lives as long as the server: no later request waits while it is looked through.
        gc.collect()
        gc.freeze()
        yield
        database.close()

    app = FastAPI(
        title="Mellow Tide",
        version="0.1.0",
        lifespan=lifespan,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        generate_unique_id_function=_operation_id,
    )
    app.state.database = database
    app.state.catalogue = load_catalogue()
    app.state.surroundings = around
    app.state.door = Door(SignedIn(PRACTICE_ID, THERAPIST_ID), offers)
    app.add_middleware(Gate, surroundings=around)
    problems.install(app)
    # Asking who it is sits on the parent, so that no new route can forget it.
    inside = APIRouter(dependencies=[Depends(signed_in)])
    for part in (
        practice,
        bookings,
        calendar_in,
        house,
        members,
        account,
        calendar_feed,
        clients,
        exchange,
        intakes,
        learning,
        sessions,
        preparing,
        aftercare,
        run_and_log,
        designing,
        versions,
        flows,
        devices,
        machines,
    ):
        inside.include_router(part.router)
    inside.include_router(learning.pace_router)
    inside.include_router(learning.numbers_router)
    app.include_router(ready.router, prefix="/api")
    app.include_router(door.router, prefix="/api")
    app.include_router(sign_in.router, prefix="/api")
    app.include_router(intake_form.router, prefix="/api")
    app.include_router(calendar_feed.public_router, prefix="/api")
    app.include_router(inside, prefix="/api")
    app.openapi = describe(app)  # type: ignore[method-assign]
    if built:
        pages.install(app, built, around.authority)
    return app


def _operation_id(route: APIRoute) -> str:
    """The route function's name is the operation the front end calls."""
    return route.name
