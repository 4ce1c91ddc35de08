"""The brief: what is asked of a session, before anything is planned."""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from mellow_tide.core.catalogue.catalogue import Catalogue, unknown
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.refusal import BadBrief, FieldProblem, UnknownReference

Pressure = Literal["light", "medium", "firm"]

WISHED_DEPTH: dict[Pressure, int] = {"light": 2, "medium": 3, "firm": 4}
"""Depth of the middle of the arc, on the five-level scale, for the brief's word."""


class Brief(Record):
    """What is asked of a session.

    `booked_minutes` (10 to 120) is the whole booking, talking and dressing included. `focus` and
    `leave_out` are region ids; `close_with` is a closing's id.
    """

    kind: str = "full_body"
    school: str = "back_outwards"
    booked_minutes: Annotated[int, Field(ge=10, le=120)]
    focus: tuple[str, ...] = ()
    leave_out: tuple[str, ...] = ()
    close_with: str = "head"
    pressure: Pressure = "medium"

    @model_validator(mode="after")
    def _each_region_once(self) -> Self:
        for name in ("focus", "leave_out"):
            regions = getattr(self, name)
            if len(set(regions)) < len(regions):
                raise ValueError(f"{name}: each region at most once")
        return self


class ClientFacts(Record):
    """What of the client changes a plan on the day: height in cm (100 to 230), consented region ids, condition
    ids, and days of pregnancy (0 to 308) if there is one.
    """

    height_cm: Annotated[int, Field(ge=100, le=230)] = 170
    consents: frozenset[str] = frozenset()
    conditions: frozenset[str] = frozenset()
    gestation_days: Annotated[int, Field(ge=0, le=308)] | None = None


def check_brief(brief: Brief, catalogue: Catalogue) -> None:
    """Raise `UnknownReference` or `BadBrief` where the brief names what is not there or contradicts itself."""
    known = [
        unknown(catalogue.kinds, brief.kind, "kind", "kind of session"),
        unknown(catalogue.schools, brief.school, "school", "school"),
        unknown(catalogue.closings, brief.close_with, "close_with", "closing"),
        *(unknown(catalogue.regions, id, "focus", "region") for id in brief.focus),
        *(unknown(catalogue.regions, id, "leave_out", "region") for id in brief.leave_out),
    ]
    problems = [problem for problem in known if problem]
    if problems:
        raise UnknownReference(*problems)
    school = catalogue.schools[brief.school]
    if school.kind != brief.kind:
        kind = catalogue.kinds[school.kind].name
        raise BadBrief(
            FieldProblem("school", f"{school.name} is a school for {kind}", "choose another school or kind")
        )
    both = [id for id in brief.focus if id in brief.leave_out]
    if both:
        names = ", ".join(catalogue.regions[id].name for id in both)
        raise BadBrief(
            FieldProblem("leave_out", f"{names}: both a focus and left out", "choose one of the two")
        )
