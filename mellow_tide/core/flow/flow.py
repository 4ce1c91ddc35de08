"""A flow: ordered stops of ordered steps. It holds no times; those come from laying it out."""

from dataclasses import dataclass
from typing import Annotated, Literal

from pydantic import Field

from mellow_tide.core.catalogue.records import Depth, Record, Slot
from mellow_tide.core.flow.brief import Brief

Side = Literal["left", "right", "mid", "both"]
Role = Literal["open", "work", "close"]
StopMedium = Literal["dry", "lubricated", "clothed"]


FIRM = 3
"""Depth from which the pressure is asked about, early in every region."""


@dataclass(frozen=True, slots=True)
class Visit:
    """Where a stop is, without its strokes: all that decides what must happen before it."""

    role: Role
    region: str
    side: Side
    position: str
    window: str
    medium: StopMedium


class Step(Record):
    """One stroke as it is to be done: `passes` 1 to 60, `depth` 1 to 5; `check_in` asks about the pressure after it."""

    stroke: str
    slot: Slot
    tool: str
    zone: str | None = None
    depth: Depth
    passes: Annotated[int, Field(ge=1, le=60)]
    check_in: bool = False
    note: Annotated[str, Field(max_length=400)] = ""


class Stop(Record):
    """One region on one side in one position. `id` is unique in its flow.

    `side` is the client's: left, right, mid; `both` only in openings and closings.
    """

    id: Annotated[str, Field(min_length=1, max_length=80)]
    role: Role = "work"
    region: str
    side: Side
    position: str
    window: str
    medium: StopMedium
    steps: Annotated[tuple[Step, ...], Field(min_length=1, max_length=60)]

    @property
    def visit(self) -> Visit:
        """The stop without its strokes."""
        return Visit(self.role, self.region, self.side, self.position, self.window, self.medium)


class Flow(Record):
    """A brief and the stops that answer it, in order."""

    brief: Brief
    stops: Annotated[tuple[Stop, ...], Field(min_length=1, max_length=80)]
