"""The practice's lubricants and clean linen: counted down by signed logs, counted up by hand, what to buy and wash."""

from collections import Counter
from collections.abc import Sequence
from datetime import timedelta
from uuid import UUID, uuid5

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.preparing.stock import (
    DAYS_AHEAD,
    Stock,
    StockAmount,
    find_used,
    find_wanted,
    judge_stock,
    name_items,
    write_shopping_list,
)
from mellow_tide.core.refusal import FieldProblem, UnknownReference
from mellow_tide.core.run.done import RegionDone
from mellow_tide.core.supplies.packing import Supplies
from mellow_tide.services.desk import Desk
from mellow_tide.services.preparing import find_needs
from mellow_tide.store.database import Transaction
from mellow_tide.store.preparing import StockEntry, add_stock_entry, count_stock
from mellow_tide.store.sessions import Between, list_sessions


class StockView(Record):
    """The items that are counted, and what to buy and wash as text."""

    stock: tuple[Stock, ...]
    shopping_list: str


def read_stock(desk: Desk) -> StockView:
    """What there is, beside what the bookings of the days ahead take."""
    now = desk.db.now()
    with desk.reading() as t:
        counted = count_stock(t)
        until = now + timedelta(days=max(DAYS_AHEAD.values()))
        rows = list_sessions(t, Between(now, until)) if counted else []
    wanted = Counter[str]()
    for row in rows:
        if not row.comes or row.begun:
            continue
        for kind, days in DAYS_AHEAD.items():
            if row.starts_at < now + timedelta(days=days):
                wanted.update(find_wanted(find_needs(desk, row).supplies, kind))
    stock = judge_stock(counted, wanted, desk.catalogue)
    return StockView(stock=stock, shopping_list=write_shopping_list(stock))


def count_anew(desk: Desk, entry_id: UUID, item: str, amount: StockAmount) -> StockView:
    """There is so much of an item now, whatever was thought. Raises `UnknownReference`."""
    known = name_items(desk.catalogue)
    if item not in known:
        problem = {"noun": "item of the stock", "id": item, "known": tuple(known)}
        raise UnknownReference(FieldProblem("item", "unknown_id", **problem))
    with desk.writing() as t:
        there = count_stock(t).get(item, 0)
        add_stock_entry(t, StockEntry(entry_id, item, amount - there))
    return read_stock(desk)


def use_stock(t: Transaction, session_id: UUID, supplies: Supplies, done: Sequence[RegionDone]) -> None:
    """Take what a session used from what there is, once; an item that nobody counts is left alone."""
    counted = count_stock(t)
    for item, used in find_used(supplies, done).items():
        if item in counted:
            entry_id = uuid5(session_id, f"stock {item}")
            add_stock_entry(t, StockEntry(entry_id, item, -used, session_id=session_id))
