"""What is prepared before a session, and before a day."""

from datetime import date
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Path, Response

from mellow_tide.core.catalogue.records import Id
from mellow_tide.core.hands.self_check import SelfCheck
from mellow_tide.core.preparing.stock import StockAmount
from mellow_tide.services import easing, preparing
from mellow_tide.services.easing import EasedDay
from mellow_tide.services.preparing import DayPreparation, Preparation, SelfChecked
from mellow_tide.services.running import stock
from mellow_tide.services.running.stock import StockView
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import straight

router = APIRouter(tags=["preparing"])

PreparedId = Annotated[str, Path(max_length=80)]


class Ready(Body):
    """A thing is ready, or not yet."""

    done: bool


class StockCounted(Body):
    """What there is of an item now: millilitres of a lubricant, clean pieces of linen.

    `entry_id` is made by the device, so that sending it twice counts once.
    """

    entry_id: UUID
    amount: StockAmount


class SelfCheckToday(Body):
    """What aches before the first client, 0 to 10 each."""

    check: SelfCheck


@router.get("/preparation")
def read_day_preparation(desk: AtDesk, day: date | None = None) -> DayPreparation:
    """What to prepare for a day, today if none is given."""
    return preparing.read_day_preparation(desk, day)


@router.get("/easings", response_model=EasedDay)
def read_easings(desk: AtDesk, day: date | None = None, week: bool = False) -> Response:
    """What would spare one's hands on a day, today if none is given."""
    return straight(easing.read_easings(desk, day, week))


@router.put("/self-check")
def keep_self_check(said: SelfCheckToday, desk: AtDesk) -> SelfChecked:
    """Keep how one's own hands and back are today."""
    return preparing.check_oneself(desk, said.check)


@router.get("/stock")
def read_stock(desk: AtDesk) -> StockView:
    """What there is of each item that is counted, what to buy and what to wash."""
    return stock.read_stock(desk)


@router.put("/stock/{item}")
def count_stock_anew(item: Annotated[Id, Path()], counted: StockCounted, desk: AtDesk) -> StockView:
    """There is so much of it now."""
    return stock.count_anew(desk, counted.entry_id, item, counted.amount)


@router.get("/sessions/{session_id}/preparation")
def read_preparation(session_id: UUID, desk: AtDesk) -> Preparation:
    """What to prepare for a session."""
    return preparing.read_preparation(desk, session_id)


@router.put("/sessions/{session_id}/preparation/{item}")
def tick_prepared(session_id: UUID, item: PreparedId, ready: Ready, desk: AtDesk) -> Preparation:
    """Tick a thing off, or open it again."""
    return preparing.tick_prepared(desk, session_id, item, ready.done)
