"""Who is signed in, the day, and the catalogue."""

from datetime import date
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel

from mellow_tide.core.catalogue.records import Position, Region, Stroke, Support, Tool, Window
from mellow_tide.core.catalogue.rules import Closing, Condition, Consent, HouseRule, Kind, Lubricant, School
from mellow_tide.core.checks.check import Severity
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.meeting import headache
from mellow_tide.core.meeting.headache import HeadacheQuestion
from mellow_tide.services import days, sign_in
from mellow_tide.services.days import Day
from mellow_tide.services.meeting import clients
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import straight

router = APIRouter(tags=["practice"])

DayOfPractice = Annotated[date, Query(ge=date(1900, 1, 1), le=date(2200, 12, 31))]


class MeView(BaseModel):
    """The person signed in and their practice."""

    person_id: UUID
    name: str
    email: str
    practice: str
    time_zone: str


class CheckView(BaseModel):
    """A check as a screen explains it."""

    name: str
    severity: Severity
    summary: str
    rationale: str


class CatalogueView(BaseModel):
    """Everything that has a name on a screen, by id.

    `zones_to_hold`: by region, the zones at which a sore point may be pressed and held.
    """

    regions: dict[str, Region]
    strokes: dict[str, Stroke]
    positions: dict[str, Position]
    windows: dict[str, Window]
    tools: dict[str, Tool]
    kinds: dict[str, Kind]
    schools: dict[str, School]
    closings: dict[str, Closing]
    supports: dict[str, Support]
    lubricants: dict[str, Lubricant]
    consents: dict[str, Consent]
    conditions: dict[str, Condition]
    house_rules: dict[str, HouseRule]
    zones_to_hold: dict[str, tuple[str, ...]]
    checks: dict[str, CheckView]


@router.get("/me")
def read_me(desk: AtDesk) -> MeView:
    """Who is signed in."""
    found = sign_in.read_me(desk)
    return MeView(
        person_id=found.person.person_id,
        name=found.person.name,
        email=found.person.email,
        practice=found.practice.name,
        time_zone=found.practice.time_zone,
    )


@router.get("/day", response_model=Day)
def read_day(desk: AtDesk, day: DayOfPractice | None = None) -> Response:
    """A day of the practice, today if none is named."""
    return straight(days.read_day(desk, day, desk.db.now()))


@router.get("/headache-questions")
def read_headache_questions(desk: AtDesk) -> list[HeadacheQuestion]:
    """What is asked about a headache."""
    return list(headache.read_headache_questions())


@router.get("/conditions/most-told")
def read_most_told(desk: AtDesk) -> list[str]:
    """The conditions that are told most in this practice, by id."""
    return list(clients.list_most_told(desk))


@router.get("/catalogue")
def read_catalogue(desk: AtDesk, response: Response) -> CatalogueView:
    """The catalogue as the practice works by it."""
    response.headers["Cache-Control"] = "private, max-age=300"
    known = desk.catalogue
    return CatalogueView(
        regions=dict(known.regions),
        strokes=dict(known.strokes),
        positions=dict(known.positions),
        windows=dict(known.windows),
        tools=dict(known.tools),
        kinds=dict(known.kinds),
        schools=dict(known.schools),
        closings=dict(known.closings),
        supports=dict(known.supports),
        lubricants=dict(known.lubricants),
        consents=dict(known.consents),
        conditions=dict(known.conditions),
        house_rules=dict(known.house_rules),
        zones_to_hold={id: known.zones_to_hold(id) for id in known.regions},
        checks={
            c.code: CheckView(name=c.name, severity=c.severity, summary=c.summary, rationale=c.rationale)
            for c in CHECKS
        },
    )
