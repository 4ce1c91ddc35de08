"""A calendar file that was taken, taken back in one act."""

from collections.abc import Iterable
from contextlib import suppress
from typing import Annotated
from uuid import UUID

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.services.booking.blocked_time import check_block
from mellow_tide.services.booking.booking import forget_mere_name
from mellow_tide.services.desk import Desk
from mellow_tide.store.bookings import hold_bookings, take_back_booking
from mellow_tide.store.calendar.blocks import BlockRow, delete_blocks_there, set_blocks
from mellow_tide.store.errors import NotThere
from mellow_tide.store.sessions import find_session

MOST_BLOCKS = 4_000


class BlockBefore(Record):
    """A blocked time as it was before the file was taken."""

    block_id: UUID
    title: Annotated[str, Field(max_length=200)]
    starts_at: AwareDatetime
    ends_at: AwareDatetime
    whole_days: bool
    event_uid: Annotated[str, Field(max_length=400)]


class CalendarReceipt(Record):
    """What a file brought in and what it changed, by which that is undone.

    The sessions and clients that are new, the times that are blocked since, and what those it moved or freed were.
    """

    sessions: Annotated[tuple[UUID, ...], Field(max_length=200)] = ()
    clients: Annotated[tuple[UUID, ...], Field(max_length=200)] = ()
    blocked: Annotated[tuple[UUID, ...], Field(max_length=MOST_BLOCKS)] = ()
    before: Annotated[tuple[BlockBefore, ...], Field(max_length=MOST_BLOCKS)] = ()


class CalendarUndone(Record):
    """How many sessions stay, since they have begun."""

    sessions_kept: int


def blocks_before(rows: Iterable[BlockRow]) -> tuple[BlockBefore, ...]:
    """Blocked times as a receipt keeps them."""
    return tuple(BlockBefore(**vars(row)) for row in rows)


def undo_calendar(desk: Desk, receipt: CalendarReceipt) -> CalendarUndone:
    """Undo a file: its sessions and new clients go, blocked time is as it was. A session that has begun stays.

    Only a client whose session is taken back here is forgotten, and only if nothing but the name is known.
    Raises `BadEntry` for a time that ends before it starts.
    """
    before = [BlockRow(**dict(one)) for one in receipt.before]
    for block in before:
        check_block(block)
    with desk.writing() as t:
        hold_bookings(t)
        kept, came = 0, set[UUID]()
        for id in receipt.sessions:
            # What somebody has taken away meanwhile is gone as it should be.
            with suppress(NotThere):
                row = find_session(t, id)
                kept += row.begun
                if not row.begun:
                    take_back_booking(t, id)
                    came.add(row.client_id)
        for id in came.intersection(receipt.clients):
            forget_mere_name(t, desk, id)
        delete_blocks_there(t, receipt.blocked)
        set_blocks(t, before)
    return CalendarUndone(sessions_kept=kept)
