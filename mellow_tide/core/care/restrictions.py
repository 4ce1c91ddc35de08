"""What a client's health and the room forbid and limit, as one value. The strictest wins; nothing is averaged."""

from typing import Literal

from mellow_tide.core.catalogue.records import Depth, Record, Stroke
from mellow_tide.core.flow.brief import Excluded, Side
from mellow_tide.core.refusal import FieldProblem, PlaceMissing

DEEPEST = 5


class Reason(Record):
    """Why something is restricted: the condition's name, how grave it is, and what it means in plain words."""

    name: str
    level: Literal["refer", "ask", "adapt"]
    says: str
    in_pregnancy: bool = False
    by_house: bool = False


class Cap(Record):
    """The most depth on a region, and why."""

    region: str
    depth: Depth
    because: str
    in_pregnancy: bool = False


class Barred(Record):
    """Something that may not be, by its id, and why."""

    id: str
    because: str
    in_pregnancy: bool = False
    declined: bool = False


class BarredStrokes(Record):
    """Strokes or families of them (or, outward, whatever runs away from the heart) that may not be `on` a region."""

    strokes: tuple[str, ...] = ()
    outward: bool = False
    on: str
    because: str

    def bars(self, stroke: Stroke, region: str, direction: str) -> bool:
        """Whether this stroke may not be there, in this direction."""
        named = stroke.id in self.strokes or stroke.family in self.strokes
        outward = self.outward and direction == "away"
        return self.on in ("all", region) and (named or outward)


class MostMinutes(Record):
    """Minutes at most, and why."""

    minutes: int
    because: str


class Unplaced(Record):
    """A condition of which nobody has told where it is, by id, with its name."""

    condition: str
    name: str


class Restrictions(Record):
    """All that health, pregnancy, consents, excluded places and the room take away, each with its reason.

    `caps`: most depth by region. `positions`, `regions`, `heat` (on regions), `ingredients` (of the lubricant) and
    `strokes` may not be; `unless_asked` are regions that only a focus brings in. `excluded` are places to keep away
    from. `most_minutes`: hands-on at most; `flat_minutes`: at most on the back or face down at a stretch, where it is
    not barred altogether. `raise_head`: why the head end is raised; empty where it is not. `unplaced`:
    conditions that limit nothing at their place, because nobody has told where that is.
    """

    reasons: tuple[Reason, ...] = ()
    caps: tuple[Cap, ...] = ()
    positions: tuple[Barred, ...] = ()
    regions: tuple[Barred, ...] = ()
    heat: tuple[Barred, ...] = ()
    ingredients: tuple[Barred, ...] = ()
    unless_asked: tuple[Barred, ...] = ()
    strokes: tuple[BarredStrokes, ...] = ()
    most_minutes: MostMinutes | None = None
    flat_minutes: MostMinutes | None = None
    raise_head: str = ""
    excluded: tuple[Excluded, ...] = ()
    unplaced: tuple[Unplaced, ...] = ()

    def capped(self, region: str) -> Cap | None:
        """What limits the depth on a region, or None."""
        return next((cap for cap in self.caps if cap.region == region), None)

    def cap(self, region: str) -> int:
        """The most depth allowed on a region; 5 where nothing limits it."""
        capped = self.capped(region)
        return capped.depth if capped else DEEPEST

    def why_no_stroke(self, stroke: Stroke, region: str, direction: str | None = None) -> str | None:
        """Why a stroke may not be done on a region, in its usual `direction` or another; None if health allows it.

        Heat is told by `avoid_heat`.
        """
        way = direction or stroke.direction
        return next((barred.because for barred in self.strokes if barred.bars(stroke, region, way)), None)

    def avoid_heat(self, region: str) -> tuple[Barred, ...]:
        """All that forbids heat on a region."""
        return tuple(barred for barred in self.heat if barred.id in ("all", region))

    def allows(self, stroke: Stroke, region: str) -> bool:
        """Whether health allows a stroke on a region at all, at some depth."""
        return (
            self.why_no_stroke(stroke, region) is None
            and stroke.depth[0] <= self.cap(region)
            and not (stroke.heat and self.avoid_heat(region))
        )

    def why_not(self, position: str) -> str | None:
        """Why the client may not lie so, or None if they may."""
        return next((barred.because for barred in self.positions if barred.id == position), None)

    def kept_off(self, region: str, side: Side) -> Excluded | None:
        """The excluded place that takes all of a region's side, or None; a zone alone does not."""
        return next((x for x in self.excluded if x.zone is None and x.holds(region, side)), None)

    @property
    def refer(self) -> tuple[Reason, ...]:
        """Reasons for which there is no session."""
        return tuple(reason for reason in self.reasons if reason.level == "refer")


def refuse_unplaced(restrictions: Restrictions) -> None:
    """Raise `PlaceMissing` where a condition is somewhere, and nobody has told where."""
    problems = [
        FieldProblem(f"condition_places.{one.condition}", "place_missing", condition=one.name)
        for one in restrictions.unplaced
    ]
    if problems:
        raise PlaceMissing(*problems)
