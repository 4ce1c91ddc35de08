"""The practice's lubricants: counted down by signed logs, counted up by hand, and what to buy."""

from collections.abc import Sequence
from datetime import timedelta
from uuid import UUID, uuid5

from mellow_tide.core.catalogue.catalogue import check_known
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.preparing.stock import (
    DAYS_AHEAD,
    Millilitres,
    Stock,
    find_used,
    judge_stock,
    write_shopping_list,
)
from mellow_tide.core.refusal import UnknownReference
from mellow_tide.core.run.done import RegionDone
from mellow_tide.core.supplies.packing import Supplies
from mellow_tide.services.desk import Desk
from mellow_tide.services.preparing import find_needs
from mellow_tide.store.database import Transaction
from mellow_tide.store.preparing import StockEntry, add_stock_entry, count_stock
from mellow_tide.store.sessions import Between, list_sessions


class StockView(Record):
    """The lubricants that are counted, and what to buy as text."""

    stock: tuple[Stock, ...]
    shopping_list: str


def read_stock(desk: Desk) -> StockView:
    """What there is, beside what the bookings of the days ahead take."""
    now = desk.db.now()
    with desk.reading() as t:
        counted = count_stock(t)
        rows = list_sessions(t, Between(now, now + timedelta(days=DAYS_AHEAD))) if counted else []
    wanted: dict[str, float] = {}
    for row in rows:
        if row.comes and not row.begun:
            supplies = find_needs(desk, row).supplies
            if supplies.lubricant:
                wanted[supplies.lubricant] = wanted.get(supplies.lubricant, 0) + supplies.millilitres
    stock = judge_stock(counted, wanted, desk.catalogue)
    return StockView(stock=stock, shopping_list=write_shopping_list(stock))


def count_anew(desk: Desk, entry_id: UUID, lubricant: str, millilitres: Millilitres) -> StockView:
    """There are so many millilitres now, whatever was thought. Raises `UnknownReference`."""
    unknown = check_known(desk.catalogue.lubricants, lubricant, "lubricant", "lubricant")
    if unknown:
        raise UnknownReference(unknown)
    with desk.writing() as t:
        there = count_stock(t).get(lubricant, 0)
        add_stock_entry(t, StockEntry(entry_id, lubricant, millilitres - there))
    return read_stock(desk)


def use_stock(t: Transaction, session_id: UUID, supplies: Supplies, done: Sequence[RegionDone]) -> None:
    """Take what a session used from what there is, once; a lubricant that nobody counts is left alone."""
    if supplies.lubricant is None or supplies.lubricant not in count_stock(t):
        return
    used = find_used(supplies, done)
    add_stock_entry(
        t, StockEntry(uuid5(session_id, "stock"), supplies.lubricant, -used, session_id=session_id)
    )
