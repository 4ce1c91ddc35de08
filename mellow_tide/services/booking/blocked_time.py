"""Time of a therapist in which no session is to be: freed, and blocked again."""

from uuid import UUID

from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.desk import Desk
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.calendar.blocks import BlockRow, delete_blocks, set_blocks


def keep_block(desk: Desk, block: BlockRow) -> None:
    """Block a time. Raises `BadEntry` for one that ends before it starts."""
    check_block(block)
    with desk.writing() as t:
        set_blocks(t, [block])


def check_block(block: BlockRow) -> None:
    """Raise `BadEntry` for a time that ends before it starts."""
    if block.ends_at < block.starts_at:
        raise BadEntry(FieldProblem("ends_at", "ends_first"))


def free_block(desk: Desk, block_id: UUID) -> None:
    """Let a blocked time be free. Raises `NotThere`."""
    with desk.writing() as t:
        delete_blocks(t, [block_id])
