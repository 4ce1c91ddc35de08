"""A file of another calendar, and the time that it blocks."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter
from pydantic import AwareDatetime, Field, StringConstraints

from mellow_tide.services.booking import blocked_time, calendar_in, calendar_undo
from mellow_tide.services.booking.calendar_in import CalendarPreview, CalendarTaken, EventChoice
from mellow_tide.services.booking.calendar_undo import CalendarReceipt, CalendarUndone
from mellow_tide.services.booking.judging import Accepted
from mellow_tide.store.calendar.blocks import BlockRow
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk

router = APIRouter(tags=["calendar"])


class CalendarText(Body):
    """The text of an iCalendar file."""

    text: Annotated[str, Field(min_length=1, max_length=10_000_000)]


class CalendarChosen(CalendarText):
    """A file with what its events become; events that are not named are left out."""

    chosen: Annotated[list[EventChoice], Field(max_length=2_000)]
    accepted: Accepted = ()


class TimeToBlock(Body):
    """Time in which no session is to be."""

    title: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200)]
    starts_at: AwareDatetime
    ends_at: AwareDatetime
    whole_days: bool = False


@router.post("/calendar-in/preview")
def preview_calendar(brought: CalendarText, desk: AtDesk) -> CalendarPreview:
    """What is in a calendar file and what each of it would become; nothing is changed."""
    return calendar_in.preview_calendar(desk, brought.text)


@router.post("/calendar-in")
def import_calendar(brought: CalendarChosen, desk: AtDesk) -> CalendarTaken:
    """Book and block what was chosen, all of it or nothing."""
    return calendar_in.take_calendar(desk, brought.text, brought.chosen, brought.accepted)


@router.post("/calendar-in/undo")
def undo_calendar(receipt: CalendarReceipt, desk: AtDesk) -> CalendarUndone:
    """Undo an import by its receipt; sessions that have begun stay."""
    return calendar_undo.undo_calendar(desk, receipt)


@router.put("/blocked-time/{block_id}", status_code=204)
def keep_blocked_time(block_id: UUID, time: TimeToBlock, desk: AtDesk) -> None:
    """Block a time of one's own."""
    blocked_time.keep_block(desk, BlockRow(block_id=block_id, **time.model_dump()))


@router.delete("/blocked-time/{block_id}", status_code=204)
def free_blocked_time(block_id: UUID, desk: AtDesk) -> None:
    """Let a blocked time be free."""
    blocked_time.free_block(desk, block_id)
