"""The records of body and hands: regions, positions, windows, tools, strokes. Frozen, validated where they are made."""

from typing import Annotated, Literal, Self

from pydantic import BaseModel, ConfigDict, Field, model_validator

Slot = Literal[
    "open",
    "dry",
    "spread",
    "warm",
    "knead",
    "specific",
    "mobilise",
    "rouse",
    "flush",
    "settle",
    "contraction",
    "close",
]
SLOTS: tuple[Slot, ...] = Slot.__args__  # type: ignore[attr-defined]
"""The arc within a region, in order; `contraction` only supports labour, `close` only ends a session."""

Hands = Literal["clean", "unsoiled", "any"]
Stand = Literal["head", "foot", "left", "right", "own_side"]
Medium = Literal["dry", "lubricated", "clothed", "any"]
Direction = Literal["toward_heart", "away", "clockwise", "along_fibre", "across", "still"]
TableHeight = Literal["low", "high"]
Surface = Literal["table", "chair", "bed", "mat"]
PositiveInt = Annotated[int, Field(ge=1)]
Depth = Annotated[int, Field(ge=1, le=5)]
Id = Annotated[str, Field(max_length=80)]
"""What tells an entry of the catalogue, or a part of a flow, from the others."""

SHORTEST_BOOKING, LONGEST_BOOKING = 10, 120
"""Minutes."""

BookedMinutes = Annotated[int, Field(ge=SHORTEST_BOOKING, le=LONGEST_BOOKING)]

Ids = Annotated[frozenset[Id], Field(max_length=200)]


class Record(BaseModel):
    """Base of all records: immutable, and strict about fields it does not know."""

    model_config = ConfigDict(frozen=True, extra="forbid")


class Named(Record):
    """A catalogue entry: `id` is what data and files say, `name` what a screen says."""

    id: str
    name: str
    gloss: str = ""


class SecondsRange(Record):
    """Seconds per side worth giving: least, most, and the saturation time of the benefit (all > 0).

    `usual`: what a session that is not without the region gives it before anything else comes in.
    """

    least: PositiveInt
    usual: PositiveInt | None = None
    most: PositiveInt
    saturation: PositiveInt

    @model_validator(mode="after")
    def _ordered(self) -> Self:
        if not self.least <= (self.usual or self.least) <= self.most:
            raise ValueError("seconds: least <= usual <= most")
        return self


class Partly(Record):
    """What of a region is reached in a position: these zones, and over all of it strokes of these families."""

    zones: tuple[str, ...] = ()
    families: tuple[str, ...] = ()


class Region(Named):
    """What a plan allots time to. `share` is percent of body surface per side; `glide_cm` at 170 cm height.

    `name` says one side of it, `short` fits on the tide line, `whole` says both sides. `oil_factor` is how much
    more lubricant it takes than its share of the surface. `stand` is where the therapist stands, the usual place first,
    and `stand_in` where else in some positions. `height` is the table's for it: low for leaning, high for
    small work; `stool` names the positions in which one works it seated. `also_windows` are further windows by position
    through which a part of it is reached, `partly` by position what is reached where the whole is not. `halves`: a
    mid-line region that is worked half by half on a client lying on the side. `lower`: of the lower half of the body.
    `limb`: an arm or a leg, or a part of one. `percussion`: whether any place on it bears some (common practice).
    `with_limb`: each side follows the rest of its limb before the other limb is begun. `only`: the one side of a pair
    that is worked where the other is left alone; `covered`: it is worked through the sheet alone, as the client wants
    it. The catalogue has none of either. `firm_depth` (1 to 5): what a firm wish for the whole session means here.
    """

    short: str
    whole: str
    sides: Literal["mid", "pair"]
    halves: bool = False
    lower: bool = False
    limb: bool = False
    percussion: bool = True
    positions: tuple[str, ...]
    zones: tuple[str, ...]
    zone_names: dict[str, str] = {}
    windows: dict[str, str] = {}
    also_windows: dict[str, str] = {}
    partly: dict[str, Partly] = {}
    stand: tuple[Stand, ...]
    stand_in: dict[str, tuple[Stand, ...]] = {}
    height: TableHeight = "high"
    stool: tuple[str, ...] = ()
    glide_cm: Annotated[float, Field(gt=0)]
    share: Annotated[float, Field(gt=0, le=100)]
    seconds: SecondsRange
    hands: Hands
    keeps_open: tuple[str, ...] = ()
    with_limb: bool = False
    only: Literal["left", "right"] | None = None
    covered: bool = False
    soils_hands: bool = False
    oil_factor: Annotated[float, Field(gt=0)] = 1.0
    firm_depth: Depth = 4

    def is_whole_in(self, position: str) -> bool:
        """Whether all of the region is reached in a position."""
        return position in self.positions and position not in self.partly

    def stand_at(self, position: str) -> tuple[Stand, ...]:
        """Where the therapist may stand in a position, the usual place first."""
        return self.stand_in.get(position, self.stand)

    def has_in_reach(self, position: str, zone: str | None, stroke: "Stroke") -> bool:
        """Whether a stroke can be done at a zone, or over all of the region, in a position."""
        partly = self.partly.get(position)
        if partly is None:
            return position in self.positions
        return zone in partly.zones or stroke.family in partly.families

    def sided(self, side: Literal["left", "right", "mid", "both"]) -> str:
        """The region with its side, as one says it: `left foot`, `both hips`, `left half of the back`, `back`."""
        if side == "mid" or (side == "both" and self.sides == "mid"):
            return self.name
        if side == "both":
            return f"both {self.whole}" if self.plural else f"both sides of the {self.name}"
        return f"{side} half of the {self.name}" if self.sides == "mid" else f"{side} {self.name}"

    @property
    def plural(self) -> bool:
        """Whether `whole` takes a verb in the plural: the feet get, the back gets."""
        return self.whole != self.name

    def name_zone(self, zone: str) -> str:
        """A zone as one says it: `between the toes`, `lower back`."""
        return self.zone_names.get(zone, zone.replace("_", " "))

    @property
    def side_count(self) -> int:
        """1 for a mid-line region, 2 for a pair of which both sides are worked."""
        return 2 if self.sides == "pair" and self.only is None else 1

    def halved(self, side: str) -> bool:
        """Whether working `side` is working one half of a mid-line region."""
        return self.sides == "mid" and side in ("left", "right")

    def window_in(self, position: str) -> str:
        """The draping window to open for this region in `position`; `none` where nothing is uncovered."""
        return "none" if self.covered else self.windows.get(position, "none")


class Support(Named):
    """Something that holds the client up: a bolster, a pillow, a wedge. `instead` does where there is none."""

    instead: str = ""


class Position(Named):
    """How the client lies or sits. `setup` says in order what is done for it, `supports` what that takes.

    In `setup`, `{bolster}` is what the practice has for a bolster, and so for each of `supports`.

    `upper` is the side of a pair that is workable where the client lies on the other; `flat` means lying on the
    table, `seated` sitting in the chair; `face_up`: the head lies so that it can be held. `ends` are those at which
    the therapist may stand; at the head of a chair one stands behind the client.
    """

    setup: tuple[str, ...]
    supports: tuple[str, ...] = ()
    flat: bool
    seated: bool = False
    face_hidden: bool = False
    face_up: bool = False
    ends: tuple[Stand, ...] = ("head", "foot")
    upper: Literal["left", "right"] | None = None

    @property
    def on_back_or_face(self) -> bool:
        """Whether the client lies on the back or face down, flat on the table."""
        return self.flat and self.upper is None

    def reaches(self, side: str) -> bool:
        """Whether a region's `side` (left, right, mid, both) can be worked on a client who lies or sits so."""
        return self.upper is None or side in ("mid", self.upper)


class Window(Named):
    """A part of the client that may be uncovered; opening and closing take seconds.

    `beyond` names, by region, the zones that its limit leaves covered; `uncovers` the regions that lie bare.
    """

    per_side: bool
    open_seconds: Annotated[int, Field(ge=0)]
    close_seconds: Annotated[int, Field(ge=0)]
    instruction: str
    limit: str
    beyond: dict[str, tuple[str, ...]] = {}
    uncovers: tuple[str, ...] = ()


class Tool(Named):
    """A part of the hand or arm; `load_rank` 1 is the easiest on the therapist.

    `effort` (0 to 2) scales a stroke's effort to what the hand itself must make; `flexion` is the usual bend
    of the wrist in degrees, extension negative.
    """

    load_rank: PositiveInt
    effort: Annotated[float, Field(ge=0, le=2)]
    flexion: Annotated[float, Field(ge=-90, le=90)]


class Pass(Record):
    """What one pass of a stroke is, and so how long it takes (see `timing.step_seconds`)."""

    kind: Literal["glide", "seconds", "per_20cm", "spots", "breaths"]
    seconds: Annotated[float, Field(gt=0)] = 1
    pace: Annotated[float, Field(gt=0, le=1)] = 1


class Cue(Record):
    """An active cue's two halves."""

    command: str
    release: str


class Planned(Record):
    """What of a stroke a plan uses by itself; None: all of it. The rest comes by hand."""

    regions: tuple[str, ...] | None = None
    tools: tuple[str, ...] | None = None
    depth: tuple[Depth, Depth] | None = None
    medium: tuple[Medium, ...] | None = None
    slots: dict[Slot, tuple[PositiveInt, PositiveInt, PositiveInt]] | None = None


class Stroke(Named):
    """A stroke: `slots` maps each place in the arc to passes (least, usual, most).

    Its regions, tools, depth, media and slots are all that it can be done with; `planned` is what a plan uses of them.

    `use`: `core` strokes are in any plan, of those used `often` a good plan has several, the others come by `wish` or
    by hand. `heat` strokes bring warmth; `grip` strokes
    need skin that does not slip, so the oil is wiped off first, or the tool is a towel. `lifts_head`: regions on which
    it moves the head off the table, so that the client lies face up and one hand holds the head. `stand`: by region,
    from where alone it can be done on somebody who lies.
    """

    family: str
    slots: dict[Slot, tuple[PositiveInt, PositiveInt, PositiveInt]]
    medium: tuple[Medium, ...]
    tools: tuple[str, ...]
    depth: tuple[Depth, Depth]
    passing: Annotated[Pass, Field(alias="pass")]
    direction: Direction
    breath: Literal["press_on_out"] | None = None
    cue: Cue | None = None
    use: Literal["core", "often", "wish"] = "core"
    heat: bool = False
    grip: bool = False
    lifts_head: tuple[str, ...] = ()
    stand: dict[str, tuple[Stand, ...]] = {}
    planned: Planned = Planned()
    regions: tuple[str, ...]
    zones: dict[str, tuple[str, ...]] = {}
    how: str

    @property
    def act(self) -> bool:
        """Whether it is a step of its own that is no stroke of the arc: no plan has it anywhere."""
        return self.planned.regions == ()

    @property
    def clears(self) -> bool:
        """Whether it clears what small, local work has left, be it the last stroke of all."""
        return self.direction == "clockwise" or (
            self.direction == "toward_heart" and self.family == "effleurage"
        )

    @property
    def local(self) -> bool:
        """Whether it is small work in one place, after which the region is flushed."""
        return self.family in ("friction", "point") and not self.act

    def as_planned(self) -> "Stroke":
        """The stroke with nothing but what a plan uses of it by itself."""
        narrower = {name: value for name, value in self.planned if value is not None}
        return self.model_copy(update=narrower) if narrower else self

    def depth_near(self, wished: int) -> int:
        """The depth in this stroke's range that is closest to `wished` (1 to 5)."""
        return min(max(wished, self.depth[0]), self.depth[1])


class FragilePlace(Named):
    """A place where pressure is limited: zones by region, the most depth there, whether percussion is allowed.

    `passed_cm`: by region, how much of one way of a glide over the whole region lies over it, in cm at a height of
    170 cm; what lies beside the way has none. `holds`: whether a point there may be pressed and held.
    """

    zones: dict[str, tuple[str, ...]]
    passed_cm: dict[str, PositiveInt] = {}
    most_depth: Depth
    percussion: bool
    holds: bool = True
    says: str
