"""The brief: what is asked of a session, before anything is planned."""

from collections.abc import Iterable, Iterator
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from mellow_tide.core.catalogue.catalogue import Catalogue, check_known
from mellow_tide.core.catalogue.records import BookedMinutes, Id, Record, Region, Surface
from mellow_tide.core.refusal import BadBrief, FieldProblem, UnknownReference

Regions = Annotated[tuple[Id, ...], Field(max_length=40)]

Strokes = Annotated[tuple[Id, ...], Field(max_length=60)]

PressureWord = Literal["light", "medium", "firm"]

WISHED_DEPTH: dict[PressureWord, int] = {"light": 2, "medium": 3, "firm": 4}
"""Depth of the middle of the arc, on the five-level scale, for the brief's word."""


Side = Literal["left", "right", "mid", "both"]


class Place(Record):
    """A place on a client: a region's side, or only a zone of it."""

    region: Id
    side: Side = "both"
    zone: Id | None = None

    def lies_on(self, side: Side) -> bool:
        """Whether work on a side of its region reaches it."""
        return self.side == side or "mid" in (self.side, side)


MOST_POINTS = 6
"""Sore points that a session may be planned with (common practice: more than these is searching, not easing)."""


class Brief(Record):
    """What is asked of a session.

    `booked_minutes` (10 to 120) is the whole booking, talking and dressing included; a `first_visit` has more of that.
    `area` is the id of a part of the body, for a kind that keeps to one. `surface` is the kind's own if not named;
    `first_position` the school's own.
    `focus` and `leave_out` are region ids; of the focus, `much_more` is what the client wants much more of.
    `close_with` is a closing's id. `ceiling` and `specific_ceiling` are the discomfort numbers (0 to 10) at which one
    eases off, in relaxation and in specific work; the house's if not said. `points` are sore points that have their
    minutes, on a pair each with its side. `with_strokes` and `without_strokes` are ids of strokes: those that this
    session has where they can be done, even if they are else done by wish, and those that it does without.
    `plain_words`: table side and sheet say how each stroke is done in place of its name, for two people at home or a
    beginner.
    """

    kind: Id = "full_body"
    area: Id | None = None
    school: Id = "back_outwards"
    surface: Surface | None = None
    first_position: Id | None = None
    booked_minutes: BookedMinutes
    first_visit: bool = False
    focus: Regions = ()
    much_more: Regions = ()
    leave_out: Regions = ()
    close_with: Id = "head"
    finish: Literal["calm", "bright"] = "calm"
    pressure: PressureWord = "medium"
    ceiling: Annotated[int, Field(ge=0, le=10)] | None = None
    specific_ceiling: Annotated[int, Field(ge=0, le=10)] | None = None
    lubricant: Id = "grapeseed_oil"
    points: Annotated[tuple[Place, ...], Field(max_length=MOST_POINTS)] = ()
    with_strokes: Strokes = ()
    without_strokes: Strokes = ()
    plain_words: bool = False

    @model_validator(mode="after")
    def _each_once(self) -> Self:
        for name in ("focus", "much_more", "leave_out", "with_strokes", "without_strokes"):
            ids = getattr(self, name)
            if len(set(ids)) < len(ids):
                raise ValueError(f"{name}: each at most once")
        both = set(self.with_strokes) & set(self.without_strokes)
        if both:
            raise ValueError(f"without_strokes: {', '.join(sorted(both))}: in with_strokes, too")
        return self

    def wants_much(self, region: str) -> bool:
        """Whether the region is a focus of which the client wants much more."""
        return region in self.focus and region in self.much_more


def specific_ceiling_in(brief: Brief, catalogue: Catalogue) -> int:
    """The discomfort number at which one eases off on a point: the brief's, or the house's."""
    house = catalogue.choice("strength").ceilings["specific"]
    return house if brief.specific_ceiling is None else brief.specific_ceiling


class Excluded(Place):
    """A place to keep away from, and why if that was said."""

    because: Annotated[str, Field(max_length=120)] = ""

    def holds(self, region: str, side: str) -> bool:
        """Whether work on a region's side could touch it."""
        return self.region == region and (self.side == side or "both" in (self.side, side) or side == "mid")


class ConditionPlaces(Record):
    """Where on a client a condition is; no place: nowhere that is worked."""

    condition: Id
    places: Annotated[tuple[Place, ...], Field(max_length=60)] = ()


def check_places(places: Iterable[Place], field: str, catalogue: Catalogue) -> Iterator[FieldProblem]:
    """The problems of places that name a region, or a zone of it, which the catalogue does not know."""
    for place in places:
        unknown = check_known(catalogue.regions, place.region, field, "region")
        zones = () if unknown else catalogue.regions[place.region].zones
        if unknown:
            yield unknown
        elif place.zone is not None and zones and place.zone not in zones:
            yield FieldProblem(field, "unknown_zone", region=place.region, zone=place.zone, known=zones)


def merge_places(
    known: Iterable[ConditionPlaces], told: Iterable[ConditionPlaces]
) -> tuple[ConditionPlaces, ...]:
    """What is known of where conditions are, with what is told now in the place of what was told of the same one."""
    return tuple({one.condition: one for one in (*known, *told)}.values())


class Wish(Record):
    """The depth (1 to 5, half levels too) that a client wishes on a region."""

    region: Id
    depth: Annotated[float, Field(ge=1, le=5, multiple_of=0.5)]


class ClientFacts(Record):
    """What of the client changes a plan on the day.

    Height in cm (100 to 230), weight in kg (25 to 300) if known, settling breaths a minute (4 to 40; adults at rest 12
    to 20). `consents`, `through_cloth` and `declined` are consent ids: a yes, "only through the sheet" and a no on
    record; no id is in two of them. `conditions` are condition ids, `condition_places` where those are that need a
    place, `gestation_days` the days of pregnancy (0 to 308) if there is one. `day_question`: whether today's "anything
    new, anywhere to keep away from?" is due, and answered. `wishes` are depths by region, said or learnt, that go
    before the brief's; `likes` and `dislikes` are ids of strokes and of tools.
    """

    height_cm: Annotated[int, Field(ge=100, le=230)] = 170
    weight_kg: Annotated[float, Field(ge=25, le=300)] | None = None
    breaths_per_minute: Annotated[int, Field(ge=4, le=40)] = 12
    body_hair: Literal["usual", "much"] = "usual"
    skin: Literal["usual", "dry"] = "usual"
    consents: frozenset[str] = frozenset()
    through_cloth: frozenset[str] = frozenset()
    declined: frozenset[str] = frozenset()
    conditions: frozenset[str] = frozenset()
    condition_places: tuple[ConditionPlaces, ...] = ()
    gestation_days: Annotated[int, Field(ge=0, le=308)] | None = None
    excluded: tuple[Excluded, ...] = ()
    day_question: Literal["not_due", "open", "answered"] = "not_due"
    wishes: tuple[Wish, ...] = ()
    likes: frozenset[str] = frozenset()
    dislikes: frozenset[str] = frozenset()


def wished_depth(region: Region, brief: Brief, client: ClientFacts) -> int:
    """The depth (1 to 5) of the middle of the arc on a region: the client's own wish, toward light, or the brief's.

    Firm for the whole is where the load is carried; small regions stay at their own (common practice).
    """
    own = next((wish.depth for wish in client.wishes if wish.region == region.id), None)
    return min(WISHED_DEPTH[brief.pressure], region.firm_depth) if own is None else int(own)


def check_brief(brief: Brief, catalogue: Catalogue) -> None:
    """Raise `UnknownReference` or `BadBrief` where the brief names what is not there or contradicts itself."""
    known = [
        check_known(catalogue.kinds, brief.kind, "kind", "kind of session"),
        check_known(catalogue.schools, brief.school, "school", "school"),
        check_known(catalogue.closings, brief.close_with, "close_with", "closing"),
        brief.first_position
        and check_known(catalogue.positions, brief.first_position, "first_position", "position"),
        check_known(catalogue.lubricants, brief.lubricant, "lubricant", "lubricant"),
        *(check_known(catalogue.regions, id, "focus", "region") for id in brief.focus),
        *(check_known(catalogue.regions, id, "leave_out", "region") for id in brief.leave_out),
        *check_places(brief.points, "points", catalogue),
        *(check_known(catalogue.strokes, id, "with_strokes", "stroke") for id in brief.with_strokes),
        *(check_known(catalogue.strokes, id, "without_strokes", "stroke") for id in brief.without_strokes),
    ]
    problems = [problem for problem in known if problem]
    if problems:
        raise UnknownReference(*problems)
    school = catalogue.schools[brief.school]
    if school.kind != brief.kind:
        kind = catalogue.kinds[school.kind].name
        raise BadBrief(FieldProblem("school", "school_of_another_kind", school=school.name, kind=kind))
    areas = {area.id: area for area in catalogue.kinds[brief.kind].areas}
    if brief.area is not None and brief.area not in areas:
        kind = catalogue.kinds[brief.kind].name
        if not areas:
            raise BadBrief(FieldProblem("area", "no_areas", kind=kind))
        raise BadBrief(FieldProblem("area", "unknown_area", kind=kind, known=tuple(areas)))
    for point in brief.points:
        region = catalogue.regions[point.region]
        if region.sides == "pair" and point.side not in ("left", "right"):
            raise BadBrief(FieldProblem("points", "point_needs_side", region=region.name))
    both = [id for id in brief.focus if id in brief.leave_out]
    if both:
        names = tuple(catalogue.regions[id].name for id in both)
        raise BadBrief(FieldProblem("leave_out", "focus_left_out", regions=names))
