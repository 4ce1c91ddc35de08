"""Who is signed in, and the catalogue."""

from uuid import UUID

from fastapi import APIRouter
from pydantic import BaseModel

from mellow_tide.core.catalogue.records import Position, Region, Stroke, Support, Tool, Window
from mellow_tide.core.catalogue.rules import (
    Closing,
    Condition,
    Consent,
    HouseRule,
    Kind,
    Lubricant,
    Passage,
    School,
)
from mellow_tide.core.checks.check import Severity
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.usual_brief import make_usual_brief
from mellow_tide.core.meeting import headache
from mellow_tide.core.meeting.headache import HeadacheQuestion
from mellow_tide.core.phrases.manner import Manner
from mellow_tide.services.meeting import clients
from mellow_tide.services.people import sign_in
from mellow_tide.services.permissions import MAY, NOT_IN_DEMO
from mellow_tide.services.practice import read_manner
from mellow_tide.store.people import MemberRole
from mellow_tide.web.guard import AtDesk, AtDoor

router = APIRouter(tags=["practice"])


class MeView(BaseModel):
    """The person signed in and their practice; `demo`: it is the shared one, `may`: the operations open to them.

    `manner`: how the practice writes times and measures, if its country is told.
    """

    person_id: UUID
    name: str
    email: str
    role: MemberRole
    practice: str
    time_zone: str
    country: str
    manner: Manner | None
    demo: bool
    may: list[str]


class CheckView(BaseModel):
    """A check as a screen explains it."""

    name: str
    severity: Severity
    summary: str
    rationale: str


class CatalogueView(BaseModel):
    """Everything that has a name on a screen, by id.

    `zones_to_hold`: by region, the zones at which a sore point may be pressed and held. `usual_briefs`: by kind, the
    brief that a session begins with here. `chosen`: by house rule, what the practice has chosen.
    """

    regions: dict[str, Region]
    strokes: dict[str, Stroke]
    positions: dict[str, Position]
    windows: dict[str, Window]
    passages: dict[str, Passage]
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
    usual_briefs: dict[str, Brief]
    chosen: dict[str, str]
    checks: dict[str, CheckView]


@router.get("/me")
def read_me(desk: AtDesk, door: AtDoor) -> MeView:
    """Who is signed in."""
    found = sign_in.read_me(desk)
    demo = found.practice.practice_id == door.demo.practice_id
    return MeView(
        person_id=found.person.person_id,
        name=found.person.name,
        email=found.person.email,
        role=found.role,
        practice=found.practice.name,
        time_zone=found.practice.time_zone,
        country=found.practice.country,
        manner=read_manner(found.practice),
        demo=demo,
        may=sorted(MAY[found.role] - (NOT_IN_DEMO if demo else frozenset())),
    )


@router.get("/headache-questions")
def read_headache_questions(desk: AtDesk) -> list[HeadacheQuestion]:
    """What is asked about a headache."""
    return list(headache.read_headache_questions())


@router.get("/conditions/most-told")
def read_most_told(desk: AtDesk) -> list[str]:
    """The conditions that are told most in this practice, by id."""
    return list(clients.list_most_told(desk))


@router.get("/catalogue")
def read_catalogue(desk: AtDesk) -> CatalogueView:
    """The catalogue as the practice works by it."""
    known = desk.catalogue
    return CatalogueView(
        regions=dict(known.regions),
        strokes=dict(known.strokes),
        positions=dict(known.positions),
        windows=dict(known.windows),
        passages=dict(known.passages),
        tools=dict(known.tools),
        kinds=dict(known.kinds),
        schools=dict(known.schools),
        closings=dict(known.closings),
        supports=dict(known.supports),
        lubricants=dict(known.lubricants),
        consents=dict(known.consents),
        conditions=dict(known.conditions),
        house_rules=dict(known.house_rules),
        usual_briefs={id: make_usual_brief(id, known) for id in known.kinds},
        chosen=dict(known.chosen),
        zones_to_hold={id: known.zones_to_hold(id) for id in known.regions},
        checks={
            c.code: CheckView(name=c.name, severity=c.severity, summary=c.summary, rationale=c.rationale)
            for c in CHECKS
        },
    )
