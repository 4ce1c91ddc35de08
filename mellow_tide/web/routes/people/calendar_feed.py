"""One's own sessions in another calendar."""

from typing import Annotated

from fastapi import APIRouter, Path, Response

from mellow_tide.services.people import calendar_feed
from mellow_tide.services.people.calendar_feed import CalendarFeed, NewFeed
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk, Db
from mellow_tide.web.straight import as_file, file_of

router = APIRouter(prefix="/calendar-feed", tags=["calendar"])
public_router = APIRouter(prefix="/calendar", tags=["calendar"])

CALENDAR = "text/calendar; charset=utf-8"


class NamesInFeed(Body):
    """Whether the clients' names are read there."""

    names: bool


@router.get("")
def read_calendar_feed(desk: AtDesk) -> CalendarFeed:
    """Whether one's own sessions can be read at an address."""
    return calendar_feed.read_feed_state(desk)


@router.post("", status_code=201)
def make_calendar_feed(wanted: NamesInFeed, desk: AtDesk) -> NewFeed:
    """Make a new address; the one before it stops at once."""
    return calendar_feed.make_feed(desk, wanted.names)


@router.put("")
def name_in_calendar_feed(wanted: NamesInFeed, desk: AtDesk) -> CalendarFeed:
    """Show the clients' names there, or hide them."""
    return calendar_feed.show_names(desk, wanted.names)


@router.delete("")
def withdraw_calendar_feed(desk: AtDesk) -> CalendarFeed:
    """Let nothing be read at the address any more."""
    return calendar_feed.withdraw_feed(desk)


@public_router.get("/{token}/sessions.ics", response_class=Response, responses=file_of("text/calendar"))
def read_calendar(token: Annotated[str, Path(min_length=20, max_length=64)], db: Db) -> Response:
    """The sessions at an address: whoever holds it may read them."""
    return as_file(calendar_feed.read_calendar(db, token), CALENDAR, "sessions.ics")
