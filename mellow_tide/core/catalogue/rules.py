"""The records of how a session is worked: kinds, schools, health, consents, house rules, pace."""

from typing import Annotated, Literal, Self

from pydantic import Field, NonNegativeInt, model_validator

from mellow_tide.core.catalogue.linen import Linen
from mellow_tide.core.catalogue.records import (
    Depth,
    Named,
    PositiveInt,
    Record,
    Region,
    SecondsRange,
    Slot,
    Surface,
)


class Area(Named):
    """A part of the body to which a focus session keeps, and the closing that brings back the whole after it."""

    closing: str
    regions: Annotated[tuple[str, ...], Field(min_length=1)]


class Holds(Record):
    """Regions that a session of at least so many booked minutes is not without; the first named leaves last."""

    from_minutes: PositiveInt
    regions: Annotated[tuple[str, ...], Field(min_length=1)]


class Kind(Named):
    """A kind of session, and the minutes of a booking that are not hands-on.

    `areas` are offered by a kind that keeps to a part of the body; `seconds` replaces a region's own where the kind
    gives it less. An `open_ended` kind has no minutes to meet. `offered`: whether the practice does it at all.
    `pregnant`: it is for people who are; they take longer to turn. `most_resting`: the most of its stroke time that the
    hands rest to open and close it.
    """

    surface: Surface
    positions: tuple[str, ...]
    clothed: bool
    lubricant: Literal["yes", "none", "optional"]
    usual_minutes: tuple[PositiveInt, ...] = ()
    open_ended: bool = False
    pregnant: bool = False
    before_minutes: Annotated[int, Field(ge=0)]
    after_minutes: Annotated[int, Field(ge=0)]
    first_visit_before_minutes: Annotated[int, Field(ge=0)]
    areas: Annotated[tuple[Area, ...], Field(alias="area")] = ()
    holds: tuple[Holds, ...] = ()
    seconds: dict[str, SecondsRange] = {}
    offered: bool = True
    most_resting: Annotated[float, Field(gt=0, le=1)] = 1

    def before_after_minutes(self, first_visit: bool = False) -> int:
        """Minutes of a booking that are not hands-on; a first visit has more to ask."""
        return self.minutes_before(first_visit) + self.after_minutes

    def minutes_before(self, first_visit: bool = False) -> int:
        """Minutes from the hour that is booked to the first touch."""
        return self.first_visit_before_minutes if first_visit else self.before_minutes

    def held_in(self, booked_minutes: int) -> tuple[str, ...]:
        """The regions that a session of so many minutes is not without, the first named leaves last."""
        return tuple(id for one in self.holds if one.from_minutes <= booked_minutes for id in one.regions)

    def seconds_of(self, region: Region) -> SecondsRange:
        """The seconds per side worth giving a region in this kind of session."""
        return self.seconds.get(region.id, region.seconds)


class Block(Record):
    """Regions a school works in one position. A row is never begun after a later one."""

    position: str
    rows: tuple[tuple[str, ...], ...]

    def regions(self) -> tuple[str, ...]:
        """All regions of the block, in the school's plain order."""
        return tuple(region for row in self.rows for region in row)


class School(Named):
    """A rule set of order and weight, chosen as a whole; rules of two schools are never mixed.

    `base`: the shipped school that a practice's own was begun from. `usual`: a session of its kind begins with it.
    `offered`: whether it is chosen from any more. `asks_headache`: the client is asked about a headache first.
    `one_side`: the client lies on one side for all of it, and both halves of a region are reached from behind.
    """

    kind: str
    asks_headache: bool = False
    one_side: bool = False
    base: str | None = None
    usual: bool = False
    offered: bool = True
    weights: dict[str, Annotated[float, Field(gt=0)]] = {}
    blocks: Annotated[tuple[Block, ...], Field(alias="block")]


class NoStrokes(Record):
    """Strokes, or families of them, that are left out: `on` these regions, or on `all`."""

    strokes: Annotated[tuple[str, ...], Field(min_length=1)]
    on: Annotated[tuple[str, ...], Field(min_length=1)] = ("all",)


THERE = "there"
"""Stands among regions for where the client says that a condition is."""


class Limits(Record):
    """What a state of health limits; `says` it in plain words.

    `cap`: most depth by region or for `all`. `forbid`: regions left alone; `unless_asked`: left alone unless they are
    the focus. `avoid_heat`: regions without heat, or `all`. `no_ingredients`: what the lubricant must not contain.
    `no_strokes`: strokes left out. `no_outward`: regions on which no stroke runs away from the heart. `most_minutes`:
    hands-on minutes at most; `flat_minutes`: of them, those lying on the back or face down at a stretch, 0 is never.
    `raise_head`: a wedge under the head end where the client lies flat.
    """

    cap: dict[str, Depth] = {}
    forbid: tuple[str, ...] = ()
    no_positions: tuple[str, ...] = ()
    avoid_heat: tuple[str, ...] = ()
    no_ingredients: tuple[str, ...] = ()
    unless_asked: tuple[str, ...] = ()
    no_strokes: tuple[NoStrokes, ...] = ()
    no_outward: tuple[str, ...] = ()
    most_minutes: PositiveInt | None = None
    flat_minutes: NonNegativeInt | None = None
    raise_head: bool = False
    says: str


Heading = Literal["today", "pregnancy", "clinician", "usual", "allergies", "wearing"]
"""Under what an intake asks about a condition."""


class Condition(Limits, Named):
    """A condition a client may have. `refer`: no session, refer. `ask`: the clinician first. `adapt`.

    `in_pregnancy`: it is a state of a pregnancy. `asks`: the condition in the client's own words, under the heading
    `asked` of the intake. `needs_place`: it is somewhere, and the client is asked where; in `cap` and `forbid` `there`
    stands for the answer. `headache`: on the day it is not chosen from a list but follows from the questions of a
    headache.
    """

    level: Literal["refer", "ask", "adapt"]
    asked: Heading
    asks: str
    in_pregnancy: bool = False
    needs_place: bool = False
    headache: bool = False

    @model_validator(mode="after")
    def _asks_only_for_what_it_uses(self) -> Self:
        if self.needs_place != (THERE in self.cap or THERE in self.forbid):
            raise ValueError(f"{self.id}: a place is asked for where, and only where, `there` is limited")
        return self


class PregnancyRule(Limits):
    """What pregnancy limits from a day of it on (0 to 308), and until one if it ends again.

    `when` names choices of house rules, by rule, with which it holds. `no_session`: the practice declines.
    """

    from_day: Annotated[int, Field(ge=0, le=308)]
    until_day: Annotated[int, Field(ge=0, le=309)] = 309
    when: dict[str, str] = {}
    no_session: bool = False


class Point(Named):
    """A place where pressure is by tradition avoided in pregnancy: zones by region."""

    zones: dict[str, tuple[str, ...]]


class Consent(Named):
    """Something the client is asked before it is touched.

    `explicit`: only with a yes on record; `explicit_in`: only so in these kinds. `through_cloth`: it may also be
    answered with "only through the sheet". `by_wish`: a yes to it is no wish for it. `strokes`: asked for these strokes
    only; none named means any work on the region.
    """

    region: str
    explicit: bool = False
    explicit_in: tuple[str, ...] = ()
    through_cloth: bool = False
    by_wish: bool = False
    strokes: tuple[str, ...] = ()
    asks: str

    def needs_yes(self, kind: str) -> bool:
        """Whether silence is a no in this kind of session."""
        return self.explicit or kind in self.explicit_in


class Lubricant(Named):
    """An oil, lotion or cream, and what of it some people must not have on the skin; whether it is `in_stock`."""

    contains: tuple[str, ...] = ()
    in_stock: bool = True


class Choice(Named):
    """One answer to a house rule, and what it changes: depths, holds, ceilings, what must be asked.

    `place_depth` replaces the most depth at fragile places, `pass_seconds` the seconds of a stroke's pass,
    `ceilings` the highest discomfort number by work (`relaxation`, `specific`); `unasked` are consents that need no yes
    on record, `asks` those that do; `lacks` are supports, surfaces or a warmer that are not there, `linen` is what is
    laid out; `plans` are strokes by slot that are planned there and go before others, `spares` those that are not;
    `skips` are slots that are not planned on skin to be oiled; `reaches` are zones by region at which a stroke is done
    here as well; `seconds` replaces those of transitions.
    """

    place_depth: dict[str, Depth] = {}
    pass_seconds: dict[str, PositiveInt] = {}
    ceilings: dict[Literal["relaxation", "specific"], Annotated[int, Field(ge=0, le=10)]] = {}
    unasked: tuple[str, ...] = ()
    asks: tuple[str, ...] = ()
    lacks: tuple[str, ...] = ()
    linen: tuple[Linen, ...] = ()
    plans: dict[Slot, tuple[str, ...]] = {}
    spares: tuple[str, ...] = ()
    skips: tuple[Slot, ...] = ()
    reaches: dict[str, dict[str, tuple[str, ...]]] = {}
    seconds: dict[str, PositiveInt] = {}


class HouseRule(Named):
    """A question that practices answer otherwise, its answers, the default and the reason for it.

    It is about how one works, what is in the room, or what a client is asked first.
    """

    about: Literal["work", "room", "consent"] = "work"
    default: str
    reason: str
    choices: Annotated[tuple[Choice, ...], Field(alias="choice", min_length=2)]

    def choice(self, id: str) -> Choice | None:
        """The choice with this id, or None."""
        return next((choice for choice in self.choices if choice.id == id), None)


class RitualStroke(Record):
    """One stroke of an opening or closing; passes left out are found by the planner."""

    stroke: str
    passes: PositiveInt | None = None


class Opening(Named):
    """How a session begins: still, through the drape. `id` is the position it begins in.

    `longer` follows in a session of at least `longer_from` booked minutes: dry work through the sheet.
    """

    region: str
    strokes: tuple[RitualStroke, ...]
    longer: tuple[RitualStroke, ...] = ()
    longer_from: PositiveInt = 60


class Closing(Named):
    """How a session ends: its place, its strokes and the seconds worth giving."""

    region: str
    share: Annotated[float, Field(gt=0)]
    seconds: SecondsRange
    strokes: tuple[RitualStroke, ...]


class Passage(Named):
    """Regions that are worked as one while one window stays open: one oiling, one arc, long strokes over all of them.

    `glides` are rows of regions, far end first, over which a stroke runs in one go. The two sides of a pair are one
    passage only where they lie under one cover: `both_sides`. A passage of several regions is worth its while from
    `least_seconds` on.
    """

    regions: Annotated[tuple[str, ...], Field(min_length=1)]
    glides: tuple[tuple[str, ...], ...] = ()
    both_sides: bool = False
    least_seconds: PositiveInt


class ClockNumbers(Record):
    """Seconds of transitions, and glide speed (cm/s) by depth. `check_in` 0: the question is asked over the stroke."""

    turn: PositiveInt
    side_turn: PositiveInt
    side_turn_pregnant: PositiveInt
    sit_back: PositiveInt
    height: PositiveInt
    stool: PositiveInt
    towel: PositiveInt
    wipe: PositiveInt
    walk: PositiveInt
    oil_first: PositiveInt
    oil_again: PositiveInt
    oil_lasts: PositiveInt
    wash_hands: PositiveInt
    announce: PositiveInt
    check_in: Annotated[int, Field(ge=0)]
    glide_cm_per_second: dict[Depth, Annotated[float, Field(gt=0)]]
