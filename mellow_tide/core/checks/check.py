"""What a check is, what it looks at, and what it finds."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import cached_property
from typing import Literal

from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record, Region, Stroke
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.edits import Edit
from mellow_tide.core.flow.flow import Flow, Step, Stop
from mellow_tide.core.hands.load import HandLoad, hand_load
from mellow_tide.core.timing.run_sheet import RunSheet

WORKING = ("stroke", "oil", "check_in")
"""Kinds of entries that are working a stop, not getting there."""

Severity = Literal["stop", "caution", "advice"]
"""`stop`: do not work so. `caution`: mend it, or know why not. `advice`: most would do otherwise."""


class Repair(Record):
    """A way to mend a finding: what it does in words, and the edits that do it."""

    words: str
    edits: tuple[Edit, ...]


class Finding(Record):
    """One thing found: `what` in a sentence, at a stop and a step of it if it has such a place."""

    code: str
    name: str
    severity: Severity
    what: str
    stop_id: str | None = None
    step: int | None = None
    repairs: tuple[Repair, ...] = ()


@dataclass(frozen=True)
class Case:
    """What a check looks at: a flow, laid out, for a client and what their health restricts."""

    flow: Flow
    sheet: RunSheet
    catalogue: Catalogue
    client: ClientFacts
    restrictions: Restrictions

    @cached_property
    def load(self) -> HandLoad:
        """What the flow asks of the therapist's hands, worked out once."""
        return hand_load(self.sheet, self.catalogue)

    def worked(self) -> Iterator[Stop]:
        """The stops that are work, in order."""
        return (stop for stop in self.flow.stops if stop.role == "work")

    def region(self, stop: Stop) -> Region:
        """The region of a stop."""
        return self.catalogue.regions[stop.region]

    def stroke(self, step: Step) -> Stroke:
        """The stroke of a step."""
        return self.catalogue.strokes[step.stroke]

    def place(self, stop: Stop) -> str:
        """A stop's region with its side, in words."""
        name = self.region(stop).name
        return name if stop.side in ("mid", "both") else f"{stop.side} {name}"

    def seconds(self, stop: Stop) -> int:
        """Whole seconds of working a stop, oiling and asking included, getting there not."""
        return sum(e.seconds for e in self.sheet.entries if e.stop_id == stop.id and e.kind in WORKING)


@dataclass(frozen=True)
class Found:
    """What a check's function yields; the engine adds the check's own code, name and severity."""

    what: str
    stop: Stop | None = None
    step: int | None = None
    repairs: tuple[Repair, ...] = ()


Example = Callable[[Catalogue], Flow]


@dataclass(frozen=True)
class Check:
    """A rule as data and one pure function. `bad` breaks it, `good` keeps it; both are small flows.

    A rule about health names the `client` for whom `bad` breaks it; where `good` is the same flow, it is good for
    a client without that condition.
    """

    code: str
    name: str
    severity: Severity
    summary: str
    rationale: str
    bad: Example
    good: Example
    check: Callable[[Case], Iterator[Found]]
    client: ClientFacts | None = None
