"""Why a region is no candidate, and which wishes no plan can meet."""

from typing import Literal

from mellow_tide.core.care.restrictions import refuse_unplaced
from mellow_tide.core.planner.order.way import SchoolWay, homes
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.refusal import DoesNotFit, FieldProblem, NoSession
from mellow_tide.core.timing.run_sheet import hands_on_seconds

Absence = Literal[
    "no_consent", "not_wished", "declined", "excluded", "not_in_school", "position_barred", "health"
]


def explain_absent(id: str, asked: Asked, way: SchoolWay) -> Absence | None:
    """Why a region may not be worked at all; None if it may."""
    client, catalogue, restrictions = asked.client, asked.catalogue, asked.restrictions
    has_place = any(id in b.regions() for b in catalogue.schools[way.school].blocks)
    barred = [x for x in restrictions.regions if x.id == id]
    unasked = id not in asked.brief.focus and any(x.id == id for x in restrictions.unless_asked)
    # In pregnancy the belly is worked by hand and by wish only, never by a plan.
    belly = id == "abdomen" and client.gestation_days is not None
    whys: tuple[tuple[Absence, bool], ...] = (
        ("declined", any(x.declined for x in barred)),
        ("health", bool(barred) or unasked or belly),
        (
            "excluded",
            catalogue.regions[id].only is None
            and any(x.region == id and x.zone is None for x in restrictions.excluded),
        ),
        ("no_consent", lacks_consent(id, asked)),
        ("not_wished", _waits_for_a_wish(id, asked)),
        ("not_in_school", not has_place),
        ("position_barred", id not in homes(way, catalogue)),
    )
    return next((why for why, holds in whys if holds), None)


def lacks_consent(id: str, asked: Asked) -> bool:
    """Whether working the region, uncovered or through the sheet, takes a yes that is not on record."""
    agreed = asked.client.consents | asked.client.through_cloth
    consents = (c for c in asked.catalogue.consents.values() if c.region == id and not c.strokes)
    return any(c.needs_yes(asked.brief.kind) and c.id not in agreed for c in consents)


def _waits_for_a_wish(id: str, asked: Asked) -> bool:
    """Whether a yes to the region is not enough, and nobody has wished it: neither brief, client nor present plan."""
    wished = {*asked.brief.focus, *(wish.region for wish in asked.client.wishes), *asked.present}
    by_wish = (c for c in asked.catalogue.consents.values() if c.region == id and c.by_wish and c.explicit)
    return id not in wished and any(by_wish)


def refuse_unready(asked: Asked) -> None:
    """Raise `NoSession` for a stop sign, `PlaceMissing` for a condition of which nobody has told where it is."""
    refer = asked.restrictions.refer
    if refer:
        raise NoSession(
            *(FieldProblem("conditions", "no_session", reason=x.name, says=x.says) for x in refer)
        )
    refuse_unplaced(asked.restrictions)


def refuse_impossible(asked: Asked) -> None:
    """Raise `DoesNotFit` where a wish of the brief collides with a rule whatever is planned."""
    brief, catalogue, restrictions = asked.brief, asked.catalogue, asked.restrictions
    problems = []
    lubricant = catalogue.lubricants[brief.lubricant]
    for barred in restrictions.ingredients:
        if barred.id in lubricant.contains:
            problems.append(
                FieldProblem(
                    "lubricant",
                    "lubricant_barred",
                    lubricant=lubricant.name,
                    ingredient=barred.id,
                    because=barred.because,
                )
            )
    allowed = catalogue.choice("strength").ceilings["relaxation"]
    if brief.ceiling is not None and brief.ceiling > allowed:
        problems.append(FieldProblem("ceiling", "ceiling_too_high", ceiling=brief.ceiling, allowed=allowed))
    most = restrictions.most_minutes
    if most and hands_on_seconds(brief, catalogue) > 60 * most.minutes:
        booked = most.minutes + asked.kind.before_after_minutes(brief.first_visit)
        problems.append(
            FieldProblem("booked_minutes", "too_long_for_health", because=most.because, most=booked)
        )
    kind = asked.kind
    if kind.surface in catalogue.lacks and brief.surface in (None, kind.surface):
        problems.append(FieldProblem("kind", "no_surface", kind=kind.name, surface=kind.surface))
    outside = [
        id for area in kind.areas if area.id == brief.area for id in brief.focus if id not in area.regions
    ]
    for id in outside:
        region = catalogue.regions[id]
        problems.append(FieldProblem("focus", "focus_outside_area", many=region.plural, region=region.whole))
    if kind.areas and brief.area is None:
        areas = tuple(area.id for area in kind.areas)
        problems.append(FieldProblem("area", "area_missing", known=areas))
    if brief.first_position is not None and brief.first_position not in kind.positions:
        problems.append(
            FieldProblem("first_position", "cannot_begin_there", kind=kind.name, known=kind.positions)
        )
    if brief.finish == "bright" and kind.surface != "chair":
        problems.append(FieldProblem("finish", "bright_without_chair"))
    if problems:
        raise DoesNotFit(*problems)


def refuse_focus(absent: dict[str, Absence], asked: Asked) -> None:
    """Raise `DoesNotFit` where the focus is on a region that may not be worked."""
    problems = []
    for id in asked.brief.focus:
        if id in absent:
            region = asked.catalogue.regions[id]
            code = f"focus_{absent[id]}"
            problems.append(FieldProblem("focus", code, many=region.plural, region=region.whole))
    if problems:
        raise DoesNotFit(*problems)


def nothing_left(asked: Asked) -> FieldProblem:
    """What to say where no region is a candidate."""
    if asked.restrictions.positions:
        reasons = tuple(sorted({barred.because for barred in asked.restrictions.positions}))
        return FieldProblem("kind", "no_position_allowed", reasons=reasons)
    return FieldProblem("leave_out", "nothing_left")
