"""The records of the catalogue: frozen, validated where they are made."""

from typing import Annotated, Literal, Self

from pydantic import BaseModel, ConfigDict, Field, model_validator

Slot = Literal[
    "open", "dry", "spread", "warm", "knead", "specific", "mobilise", "rouse", "flush", "settle", "close"
]
SLOTS: tuple[Slot, ...] = Slot.__args__  # type: ignore[attr-defined]
"""The arc within a region, in order; `close` only ends a session."""

Hands = Literal["clean", "unsoiled", "any"]
Stand = Literal["head", "foot", "left", "right", "own_side"]
Medium = Literal["dry", "lubricated", "clothed", "any"]
Direction = Literal["toward_heart", "away", "clockwise", "along_fibre", "across", "still"]
PositiveInt = Annotated[int, Field(ge=1)]
Depth = Annotated[int, Field(ge=1, le=5)]


class Record(BaseModel):
    """Base of all records: immutable, and strict about fields it does not know."""

    model_config = ConfigDict(frozen=True, extra="forbid")


class Named(Record):
    """A catalogue entry: `id` is what data and files say, `name` what a screen says."""

    id: str
    name: str
    gloss: str = ""


class SecondsRange(Record):
    """Seconds per side worth giving: least, most, and the saturation time of the benefit (all > 0)."""

    least: PositiveInt
    most: PositiveInt
    saturation: PositiveInt

    @model_validator(mode="after")
    def _ordered(self) -> Self:
        if self.least > self.most:
            raise ValueError("seconds: least <= most")
        return self


class Region(Named):
    """What a plan allots time to. `share` is percent of body surface per side; `glide_cm` at 170 cm height.

    `name` says one side of it, `short` fits on the tide line, `whole` says both sides. `oil_factor` is how much
    more lubricant it takes than its share of the surface.
    """

    short: str
    whole: str
    sides: Literal["mid", "pair"]
    positions: tuple[str, ...]
    zones: tuple[str, ...]
    windows: dict[str, str] = {}
    stand: tuple[Stand, ...]
    glide_cm: Annotated[float, Field(gt=0)]
    share: Annotated[float, Field(gt=0, le=100)]
    seconds: SecondsRange
    hands: Hands
    keeps_open: tuple[str, ...] = ()
    soils_hands: bool = False
    needs_consent: bool = False
    oil_factor: Annotated[float, Field(gt=0)] = 1.0

    @property
    def side_count(self) -> int:
        """1 for a mid-line region, 2 for a pair."""
        return 2 if self.sides == "pair" else 1

    def window_in(self, position: str) -> str:
        """The draping window to open for this region in `position`; `none` where nothing is uncovered."""
        return self.windows.get(position, "none")


class Position(Named):
    """How the client lies or sits, with what is set up for it, in order."""

    setup: tuple[str, ...]


class Window(Named):
    """A part of the client that may be uncovered; opening and closing take seconds."""

    per_side: bool
    open_seconds: Annotated[int, Field(ge=0)]
    close_seconds: Annotated[int, Field(ge=0)]
    instruction: str
    limit: str


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


class Stroke(Named):
    """A stroke: `slots` maps each place in the arc to passes (least, usual, most).

    `routine` strokes may be planned; the others come by wish or by hand. `heat` strokes bring warmth.
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
    routine: bool = True
    heat: bool = False
    regions: tuple[str, ...]
    zones: dict[str, tuple[str, ...]] = {}
    how: str

    def depth_near(self, wished: int) -> int:
        """The depth in this stroke's range that is closest to `wished` (1 to 5)."""
        return min(max(wished, self.depth[0]), self.depth[1])

    def most_passes(self) -> int:
        """The most passes that make sense in any slot."""
        return max(most for _, _, most in self.slots.values())


class FragilePlace(Named):
    """A place where pressure is limited: zones by region, the most depth there, whether percussion is allowed."""

    zones: dict[str, tuple[str, ...]]
    most_depth: Depth
    percussion: bool
    says: str


class Kind(Named):
    """A kind of session, and the minutes of a booking that are not hands-on."""

    surface: Literal["table", "chair", "bed", "mat"]
    positions: tuple[str, ...]
    clothed: bool
    lubricant: bool
    usual_minutes: tuple[PositiveInt, ...]
    before_minutes: Annotated[int, Field(ge=0)]
    after_minutes: Annotated[int, Field(ge=0)]

    @property
    def before_after_minutes(self) -> int:
        """Minutes of a booking that are not hands-on."""
        return self.before_minutes + self.after_minutes


class Block(Record):
    """Regions a school works in one position. A row is never begun after a later one."""

    position: str
    rows: tuple[tuple[str, ...], ...]

    def regions(self) -> tuple[str, ...]:
        """All regions of the block, in the school's plain order."""
        return tuple(region for row in self.rows for region in row)


class School(Named):
    """A rule set of order and weight, chosen as a whole; rules of two schools are never mixed."""

    kind: str
    weights: dict[str, Annotated[float, Field(gt=0)]] = {}
    blocks: Annotated[tuple[Block, ...], Field(alias="block")]


class Limits(Record):
    """What a state of health limits: depth by region or for `all`, positions, heat; `says` it in plain words."""

    cap: dict[str, Depth] = {}
    no_positions: tuple[str, ...] = ()
    no_heat: bool = False
    says: str


class Condition(Limits, Named):
    """A condition a client may have. `stop`: no session, refer. `ask`: the clinician first. `adapt`."""

    level: Literal["stop", "ask", "adapt"]


class PregnancyRule(Limits):
    """What pregnancy limits from a day of it on (0 to 308)."""

    from_day: Annotated[int, Field(ge=0, le=308)]


class RitualStroke(Record):
    """One stroke of an opening or closing; passes left out are found by the planner."""

    stroke: str
    passes: PositiveInt | None = None


class Opening(Named):
    """How a session begins: still, through the drape. `id` is the position it begins in."""

    region: str
    strokes: tuple[RitualStroke, ...]


class Closing(Named):
    """How a session ends: its place, its strokes and the seconds worth giving."""

    region: str
    share: Annotated[float, Field(gt=0)]
    seconds: SecondsRange
    strokes: tuple[RitualStroke, ...]


class Pace(Record):
    """Seconds of transitions, of a breath, and glide speed (cm/s) by depth."""

    turn: PositiveInt
    bolster: PositiveInt
    walk: PositiveInt
    oil_first: PositiveInt
    oil_again: PositiveInt
    oil_lasts: PositiveInt
    wash_hands: PositiveInt
    announce: PositiveInt
    check_in: PositiveInt
    breath: PositiveInt
    glide_cm_per_second: dict[Depth, Annotated[float, Field(gt=0)]]
