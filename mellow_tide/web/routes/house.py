"""How the practice works: its house rules and its seconds."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Response
from pydantic import Field

from mellow_tide.core.booking.hours import Hours
from mellow_tide.core.catalogue.house.house import OwnSchool
from mellow_tide.core.catalogue.records import BookedMinutes
from mellow_tide.services.designing.flows import FlowsBeside
from mellow_tide.services.house import first_steps, own_school, settings, trial, working_hours
from mellow_tide.services.house.first_steps import FirstStep, FirstSteps
from mellow_tide.services.house.own_school import SchoolsBeside
from mellow_tide.services.house.settings import HouseView
from mellow_tide.services.house.trial import HouseEffect
from mellow_tide.services.house.working_hours import HoursView
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import straight

router = APIRouter(prefix="/house", tags=["house"])

Value = Annotated[str, Field(max_length=4000)] | None


class HouseTrial(Body):
    """One thing to work otherwise: a rule (`rules.end`), seconds (`seconds.turn`) or another; None: as usual."""

    item: Annotated[str, Field(max_length=80)]
    after: Value


class HouseWish(HouseTrial):
    """The same, with what it was when it was looked at."""

    seen: Value


@router.get("/first-steps")
def read_first_steps(desk: AtDesk) -> FirstSteps:
    """What a new practice has still to do."""
    return first_steps.list_first_steps(desk)


@router.put("/first-steps/{step}/skipped", status_code=204)
def skip_first_step(step: FirstStep, desk: AtDesk) -> None:
    """Do without a step."""
    first_steps.skip_first_step(desk, step)


@router.get("/hours")
def read_hours(desk: AtDesk) -> HoursView:
    """When one works."""
    return working_hours.read_hours(desk)


@router.put("/hours")
def change_hours(hours: Hours, desk: AtDesk) -> HoursView:
    """Work at other hours; bookings that stand are not moved."""
    return working_hours.change_hours(desk, hours)


@router.get("")
def read_house(desk: AtDesk) -> HouseView:
    """How the practice works."""
    return settings.read_house(desk)


@router.put("")
def change_house(wish: HouseWish, desk: AtDesk) -> HouseView:
    """Work otherwise from now on, in one thing."""
    return settings.change_settings(desk, wish.item, wish.after, wish.seen)


@router.post("/trial")
def try_house(tried: HouseTrial, desk: AtDesk) -> HouseEffect:
    """What a change would do; nothing is changed."""
    return trial.try_house(desk, tried.item, tried.after)


@router.post("/trial/flows/{flow_id}", response_model=FlowsBeside)
def look_at_flow(flow_id: UUID, tried: HouseTrial, desk: AtDesk) -> Response:
    """A flow as it is and as a change would make it; nothing is changed."""
    return straight(trial.look_at_flow(desk, tried.item, tried.after, flow_id))


@router.post("/trial/plans/{session_id}", response_model=FlowsBeside)
def look_at_plan(session_id: UUID, tried: HouseTrial, desk: AtDesk) -> Response:
    """A plan that stands as it is and as a change would make it; nothing is changed."""
    return straight(trial.look_at_plan(desk, tried.item, tried.after, session_id))


class SchoolTrial(Body):
    """A school of one's own that is looked at, in a session of so many minutes."""

    school: OwnSchool
    booked_minutes: BookedMinutes = 75


@router.post("/schools/beside")
def compare_school(tried: SchoolTrial, desk: AtDesk) -> SchoolsBeside:
    """What a school gives each region beside the one it was begun from; nothing is changed."""
    return own_school.compare_school(desk, tried.school, tried.booked_minutes)
