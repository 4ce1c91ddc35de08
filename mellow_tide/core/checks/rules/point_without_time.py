"""BAL04: a sore point that was asked for has no time."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part, step
from mellow_tide.core.flow.brief import Place, Side
from mellow_tide.core.flow.flow import Flow, Part, Step
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Points of the brief for which no step is there: the place may not be held, or its part was left out."""
    held = [(s, x) for s, _, x, _ in case.steps() if x.point or x.stroke == "point_hold"]
    for point in case.flow.brief.points:
        if not any(_works(s, x, point) for s, x in held):
            region = case.catalogue.regions[point.region]
            where = region.sided(point.side)
            if point.zone:
                where = f"{where}, {region.name_zone(point.zone)}"
            yield Found(say("findings.point_without_time", place=where))


def _works(part: Part, step: Step, point: Place) -> bool:
    return part.region == point.region and step.zone == point.zone and point.lies_on(part.side)


def _asked_for(c: Catalogue, side: Side) -> Flow:
    held = step(c, "point_hold", "specific", 3).model_copy(update={"zone": "levator", "point": True})
    shoulder = part(c, "shoulders", "right")
    shoulder = shoulder.model_copy(update={"steps": (*shoulder.steps[:-1], held, shoulder.steps[-1])})
    made = flow(c, shoulder, part(c, "shoulders", "left"))
    points = (Place(region="shoulders", side=side, zone="levator"),)
    return made.model_copy(update={"brief": made.brief.model_copy(update={"points": points})})


CHECK = Check(
    code="BAL04",
    name="sore point without time",
    severity="advice",
    summary="A sore point that was left from last time, or named today, has its minutes.",
    rationale="What was promised for next time is remembered by the client.",
    bad=lambda c: _asked_for(c, "left"),
    good=lambda c: _asked_for(c, "right"),
    check=check,
)
