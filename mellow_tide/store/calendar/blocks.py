"""Time of a therapist in which no session is to be."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from mellow_tide.core.booking.clashes import BlockedTime
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere
from mellow_tide.store.sessions import Between


@dataclass(frozen=True, kw_only=True)
class BlockRow:
    """Blocked time, and the event of another calendar that it came with; none if it is by hand."""

    block_id: UUID
    title: str
    starts_at: datetime
    ends_at: datetime
    whole_days: bool
    event_uid: str = ""

    @property
    def block(self) -> BlockedTime:
        """The time as bookings are held against it."""
        return BlockedTime(
            block_id=self.block_id,
            title=self.title,
            starts_at=self.starts_at,
            ends_at=self.ends_at,
            whole_days=self.whole_days,
        )


def list_blocks(t: Transaction, between: Between, of_person: UUID) -> list[BlockedTime]:
    """What somebody has blocked of a time, also in part, in order."""
    values = {"from": between.start, "until": between.end, "of_person": of_person}
    return [row.block for row in t.all(BlockRow, "blocks_between", **values)]


def list_blocks_of_events(t: Transaction, uids: Sequence[str], after: datetime) -> list[BlockRow]:
    """What came with any of the events for whoever asks and is not over by `after`."""
    return t.all(BlockRow, "blocks_of_events", uids=list(uids), after=after)


def set_blocks(t: Transaction, blocks: Sequence[BlockRow]) -> None:
    """Block these times for whoever asks; what is there under the same id is replaced."""
    t.run_each("set_block", [vars(block) for block in blocks])


def delete_blocks(t: Transaction, blocks: Sequence[UUID]) -> None:
    """Let these times of whoever asks be free again. Raises `NotThere` if one of them is not theirs."""
    if delete_blocks_there(t, blocks) != len(set(blocks)):
        raise NotThere("block")


def delete_blocks_there(t: Transaction, blocks: Sequence[UUID]) -> int:
    """Let those of these times that whoever asks has blocked be free again; how many that were."""
    return t.run("delete_blocks", blocks=list(blocks))
