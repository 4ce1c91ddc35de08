"""What visits have taught, and corrections to it."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Response
from pydantic import Field

from mellow_tide.core.catalogue.records import Id
from mellow_tide.core.flow.brief import Wish
from mellow_tide.core.formats.numbers_table import NumbersPart
from mellow_tide.core.numbers.numbers import MonthlyNumbers
from mellow_tide.services.learning import drafting, learnt, numbers, own_pace
from mellow_tide.services.learning.drafting import Drafted
from mellow_tide.services.learning.learnt import Learnt, Why
from mellow_tide.services.learning.own_pace import Confirmed, OwnPaceView
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import as_file, file_of, straight

router = APIRouter(prefix="/clients/{client_id}/learnt", tags=["learning"])
pace_router = APIRouter(prefix="/own-pace", tags=["learning"])
numbers_router = APIRouter(prefix="/numbers", tags=["learning"])


class VisitMark(Body):
    """Whether a visit is left out of what is learnt, and why."""

    left_out: bool
    reason: Why


class WishSet(Body):
    """A wish set by hand, in half levels, and why."""

    depth: Annotated[float, Field(ge=1, le=5, multiple_of=0.5)]
    reason: Why


class PaceAccepted(Body):
    """The odd factors that are used as well, by key: a stroke or `stroke/region`."""

    confirmed: Confirmed = []


@pace_router.get("")
def read_own_pace(desk: AtDesk) -> OwnPaceView:
    """The therapist's own pace, learnt and in use."""
    return own_pace.read_own_pace(desk)


@pace_router.put("")
def accept_own_pace(accepted: PaceAccepted, desk: AtDesk) -> OwnPaceView:
    """Let the clock go by the therapist's own pace."""
    return own_pace.accept(desk, accepted.confirmed)


@pace_router.delete("")
def leave_own_pace(desk: AtDesk) -> OwnPaceView:
    """Let the clock go by the usual pace again."""
    return own_pace.go_back(desk)


@numbers_router.get("", response_model=MonthlyNumbers)
def read_numbers(desk: AtDesk) -> Response:
    """What the sessions of the last months add up to."""
    return straight(numbers.read_numbers(desk))


@numbers_router.get("/{part}.csv", response_class=Response, responses=file_of("text/csv"))
def read_numbers_table(part: NumbersPart, desk: AtDesk) -> Response:
    """One of the three, for other programs."""
    return as_file(numbers.write_table(desk, part), "text/csv; charset=utf-8", f"{part}.csv")


@router.get("")
def read_learnt(client_id: UUID, desk: AtDesk) -> Learnt:
    """What the client's visits have taught."""
    return learnt.read_learnt(desk, client_id)


@router.get("/draft", response_model=Drafted)
def read_draft(client_id: UUID, desk: AtDesk) -> Response:
    """The next plan, drafted from the last one and what was learnt."""
    return straight(drafting.draft_plan(desk, client_id))


@router.put("/visits/{session_id}")
def mark_visit(client_id: UUID, session_id: UUID, mark: VisitMark, desk: AtDesk) -> Learnt:
    """Leave a visit out, or let it count again."""
    return learnt.leave_out_visit(desk, client_id, session_id, mark.left_out, mark.reason)


@router.put("/wishes/{region}")
def set_wish(client_id: UUID, region: Id, wish: WishSet, desk: AtDesk) -> Learnt:
    """Set a wish by hand."""
    return learnt.set_wish(desk, client_id, Wish(region=region, depth=wish.depth), wish.reason)
