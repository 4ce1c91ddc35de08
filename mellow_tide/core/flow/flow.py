"""A flow: ordered parts of ordered steps. It holds no times; those come from laying it out."""

from dataclasses import dataclass
from typing import Annotated, Literal, Self

from pydantic import Field

from mellow_tide.core.catalogue.records import Depth, Id, Record, Slot, Stand
from mellow_tide.core.flow.brief import Brief, Side

Role = Literal["open", "work", "integrate", "close"]
"""`integrate`: a hold or long strokes elsewhere, that bring attention back to the whole."""

PartMedium = Literal["dry", "lubricated", "clothed"]
WaySkip = Literal["announce", "cover", "chest_cover", "clean_hands"]
"""What of the way to a part the therapist leaves out: resting the hands there first, covering what was open before, the
towel over the chest, washing."""

Amount = Literal["little", "usual", "much"]
StepDirection = Literal[
    "toward_heart", "away", "clockwise", "counter_clockwise", "along_fibre", "across", "still", "from_beneath"
]
"""Which way a step runs, right or wrong."""


FIRM = 3
"""Depth from which the pressure is asked about, early in every region."""


@dataclass(frozen=True, slots=True)
class Setup:
    """Where a part is, without its strokes: all that decides what must happen before it.

    `stand`: where the therapist wants to stand as it begins, None: where its region is usually worked from.
    """

    role: Role
    region: str
    side: Side
    position: str
    window: str
    medium: PartMedium
    skips: tuple[WaySkip, ...] = ()
    stand: Stand | None = None


class StepCue(Record):
    """The therapist's own words for an active step: the command, and the release that belongs to it."""

    command: Annotated[str, Field(min_length=1, max_length=200)]
    release: Annotated[str, Field(max_length=200)] = ""


class Step(Record):
    """One stroke as it is to be done: `passes` 1 to 60, `depth` 1 to 5; `check_in` asks about the pressure after it.

    `seconds` (1 to 1800) replaces what the passes take. `direction` and `cue` replace the stroke's own. `over` are the
    further regions of its passage that a glide runs over in one go. `wipe` takes the oil off first; `support`: one hand
    holds the head while the other works; `with_breath`: the press goes in on the out-breath. `point`: it is for one of
    the brief's sore points. `stand`: the therapist goes there for it and stays; None: stands where it can be done.
    """

    stroke: Id
    slot: Slot
    tool: Id
    zone: Id | None = None
    over: Annotated[tuple[Id, ...], Field(max_length=6)] = ()
    depth: Depth
    passes: Annotated[int, Field(ge=1, le=60)]
    seconds: Annotated[int, Field(ge=1, le=1800)] | None = None
    direction: StepDirection | None = None
    cue: StepCue | None = None
    wipe: bool = False
    support: bool = False
    with_breath: bool = False
    check_in: bool = False
    point: bool = False
    stand: Stand | None = None
    note: Annotated[str, Field(max_length=400)] = ""


class Part(Record):
    """One region on one side in one position. `id` is unique in its flow.

    `side` is the client's: left, right, mid; `both` only where no work is done. `skips` is what of the usual way there
    is left out, `oil` how much goes on, `reason` why this side is not worked as the other one is.
    """

    id: Annotated[str, Field(min_length=1, max_length=80)]
    role: Role = "work"
    region: Id
    side: Side
    position: Id
    window: Id
    medium: PartMedium
    skips: tuple[WaySkip, ...] = ()
    oil: Amount = "usual"
    reason: Annotated[str, Field(max_length=200)] = ""
    steps: Annotated[tuple[Step, ...], Field(min_length=1, max_length=60)]

    @classmethod
    def at(cls, setup: Setup, id: str, steps: tuple[Step, ...]) -> Self:
        """The part that works `steps` where `setup` is."""
        return cls(
            id=id,
            role=setup.role,
            region=setup.region,
            side=setup.side,
            position=setup.position,
            window=setup.window,
            medium=setup.medium,
            steps=steps,
        )

    @property
    def setup(self) -> Setup:
        """The part without its strokes."""
        return Setup(
            self.role,
            self.region,
            self.side,
            self.position,
            self.window,
            self.medium,
            self.skips,
            self.steps[0].stand,
        )


class Flow(Record):
    """A brief and the parts that answer it, in order."""

    brief: Brief
    parts: Annotated[tuple[Part, ...], Field(min_length=1, max_length=80)]
