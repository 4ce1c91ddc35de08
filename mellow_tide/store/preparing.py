"""What is ready for a session, what ached in the therapist before a day, and what there is of each lubricant."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime
from uuid import UUID

from mellow_tide.core.hands.self_check import SelfCheck
from mellow_tide.store.database import Transaction


@dataclass(frozen=True)
class PreparedRow:
    """An item of a session that is ready, since when and by whom."""

    session_id: UUID
    item: str
    done_at: datetime
    done_by: str


@dataclass(frozen=True)
class StockRow:
    """What there is of an item; negative where more was used than was ever entered."""

    item: str
    amount: int


@dataclass(frozen=True)
class StockEntry:
    """What comes in of an item, or (negative) goes out, by the session that used it; its id is the device's."""

    entry_id: UUID
    item: str
    amount: int
    session_id: UUID | None = None


@dataclass(frozen=True)
class _SelfCheckRow:
    wrists: int
    thumbs: int
    back: int


def list_prepared(t: Transaction, sessions: Sequence[UUID]) -> list[PreparedRow]:
    """What is ready for any of the sessions, in no order."""
    return t.all(PreparedRow, "prepared_items", sessions=list(sessions))


def set_prepared(t: Transaction, session_id: UUID, item: str, by: str | None) -> None:
    """An item of a session is ready, ticked `by` somebody's name; None: it is not. Twice is the same as once."""
    if by is None:
        t.run("untick_prepared", session_id=session_id, item=item)
    else:
        t.run("tick_prepared", session_id=session_id, item=item, person_name=by)


def find_self_check(t: Transaction, day: date, person_id: UUID) -> SelfCheck | None:
    """How a therapist's hands and back were before a day; None where nobody said."""
    row = t.one(_SelfCheckRow, "find_self_check", day=day, of_person=person_id)
    return SelfCheck(**vars(row)) if row else None


def keep_self_check(t: Transaction, day: date, check: SelfCheck) -> None:
    """Keep how the hands and back of whoever asks are before a day; what was said last stands."""
    t.run("keep_self_check", day=day, **check.model_dump())


def count_stock(t: Transaction) -> dict[str, int]:
    """What there is of each item of which anything was ever entered: millilitres, or clean pieces."""
    return {row.item: row.amount for row in t.all(StockRow, "stock")}


def add_stock_entry(t: Transaction, entry: StockEntry) -> None:
    """Keep an entry; the same id, or a session that has used its part already, changes nothing."""
    t.run("insert_stock_entry", **vars(entry))
