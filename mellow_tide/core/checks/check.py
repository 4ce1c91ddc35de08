"""What a check is, what it looks at, and what it finds."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Literal, Self

from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.house import DEFAULTS, House
from mellow_tide.core.catalogue.records import Record, Region, Stroke
from mellow_tide.core.catalogue.rules import Consent, Kind
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.edits import Edit
from mellow_tide.core.flow.flow import Flow, Part, Step
from mellow_tide.core.flow.passages import split_into_passages
from mellow_tide.core.hands.load import HandLoad, measure_hand_load
from mellow_tide.core.phrases.book import Sentence
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import Entry, RunSheet
from mellow_tide.core.timing.tempo import OwnPace
from mellow_tide.core.timing.worked import counted_seconds_in

Severity = Literal["refuse", "caution", "advice"]
"""`refuse`: do not work so. `caution`: mend it, or know why not. `advice`: most would do otherwise."""


class Repair(Record):
    """A way to mend a finding: what it does in words, and the edits that do it."""

    words: str
    edits: tuple[Edit, ...]


class Finding(Record):
    """One thing found, at a part and a step of it if it has such a place.

    `what` is the sentence of the book called `phrase`, filled in with `data`.
    """

    code: str
    name: str
    severity: Severity
    what: str
    phrase: str
    data: Mapping[str, object]
    part_id: str | None = None
    step: int | None = None
    repairs: tuple[Repair, ...] = ()


@dataclass(frozen=True)
class Case:
    """What a check looks at: a flow, laid out, for a client and what their health restricts."""

    flow: Flow
    sheet: RunSheet
    setting: Setting

    @property
    def catalogue(self) -> Catalogue:
        """The practice's catalogue."""
        return self.setting.catalogue

    @property
    def client(self) -> ClientFacts:
        """The client as they are that day."""
        return self.setting.client

    @property
    def restrictions(self) -> Restrictions:
        """What the client's health and wishes take away."""
        return self.setting.restrictions

    @cached_property
    def kind(self) -> Kind:
        """The kind of session."""
        return self.catalogue.kinds[self.flow.brief.kind]

    @cached_property
    def load(self) -> HandLoad:
        """What the flow asks of the therapist's hands, worked out once."""
        return measure_hand_load(self.sheet, self.catalogue)

    @cached_property
    def _part_seconds(self) -> dict[str, int]:
        seconds = dict.fromkeys((part.id for part in self.flow.parts), 0)
        for entry in self.sheet.entries:
            if entry.working:
                seconds[entry.part_id] += entry.seconds
        return seconds

    @cached_property
    def _counted(self) -> dict[str, float]:
        return counted_seconds_in(self.sheet, self.flow, self.catalogue)

    def counted(self, part: Part) -> int:
        """Whole seconds that count for the region of a part that is work, long strokes by length of glide."""
        return round(self._counted[part.id])

    @cached_property
    def unanswered(self) -> tuple[Consent, ...]:
        """The consents to which the client has given no answer."""
        answered = self.client.consents | self.client.through_cloth | self.client.declined
        return tuple(c for c in self.catalogue.consents.values() if c.id not in answered)

    def of_flow(self, flow: Flow) -> Self:
        """The same case with another flow, laid out."""
        return replace(self, flow=flow, sheet=self.setting.lay_out(flow))

    def chosen(self, rule: str) -> str:
        """What the house has chosen for a rule."""
        return self.catalogue.chosen[rule]

    @cached_property
    def _all_steps(self) -> tuple[tuple[Part, int, Step, Stroke], ...]:
        strokes = self.catalogue.strokes
        return tuple(
            (part, i, step, strokes[step.stroke])
            for part in self.flow.parts
            for i, step in enumerate(part.steps)
        )

    def all_steps(self) -> Iterator[tuple[Part, int, Step, Stroke]]:
        """Every step of the flow, what opens and closes it included: its part, its index there, it, its stroke."""
        return iter(self._all_steps)

    def steps(self) -> Iterator[tuple[Part, int, Step, Stroke]]:
        """Every step of every part that is work: its part, its index there, the step and its stroke."""
        return (found for found in self._all_steps if found[0].role == "work")

    def worked(self) -> Iterator[Part]:
        """The parts that are work, in order."""
        return (part for part in self.flow.parts if part.role == "work")

    @cached_property
    def passages(self) -> tuple[tuple[int, ...], ...]:
        """The places of the parts, passage by passage."""
        return split_into_passages([part.setup for part in self.flow.parts], self.catalogue)

    def passage_of(self, at: int) -> tuple[int, ...]:
        """The places of the parts of the passage to which the part at a place belongs."""
        return next(places for places in self.passages if at in places)

    def earlier_in_passage(self, at: int) -> list[Step]:
        """The steps of the parts before, in the passage of the part at a place."""
        return [x for place in self.passage_of(at) if place < at for x in self.flow.parts[place].steps]

    def later_in_passage(self, at: int) -> list[Step]:
        """The steps of the parts after, in the passage of the part at a place."""
        return [x for place in self.passage_of(at) if place > at for x in self.flow.parts[place].steps]

    def region(self, part: Part) -> Region:
        """The region of a part."""
        return self.catalogue.regions[part.region]

    def stroke(self, step: Step) -> Stroke:
        """The stroke of a step."""
        return self.catalogue.strokes[step.stroke]

    def direction(self, step: Step) -> str:
        """Which way a step runs: its own way, or its stroke's usual one."""
        return step.direction or self.catalogue.strokes[step.stroke].direction

    def place(self, part: Part) -> str:
        """A part's region with its side, in words."""
        return self.region(part).sided("mid" if part.side == "both" else part.side)

    def halved(self, part: Part) -> bool:
        """Whether a part works one half of a mid-line region."""
        return self.region(part).halved(part.side)

    def bounds(self, part: Part) -> tuple[int, int]:
        """Least useful and most sensible seconds of a part in this kind of session."""
        seconds = self.kind.seconds_of(self.region(part))
        half = 2 if self.halved(part) else 1
        return seconds.least // half, seconds.most // half

    def is_for_point(self, entry: Entry) -> bool:
        """Whether a stroke on the clock is for one of the brief's sore points."""
        return entry.step is not None and self.flow.parts[entry.part].steps[entry.step].point

    def seconds(self, part: Part) -> int:
        """Whole seconds of working a part, oiling and asking included, getting there not."""
        return self._part_seconds[part.id]


def make_case(
    flow: Flow,
    setting: Setting,
) -> Case:
    """The flow laid out as a practice works it, at the therapist's pace, with what the client's health restricts.

    Raises `UnknownReference` for ids the catalogue does not know.
    """
    return Case(flow, setting.lay_out(flow), setting)


@dataclass(frozen=True)
class Found:
    """What a check's function yields; the engine adds the check's own code, name and severity."""

    what: Sentence
    part: Part | None = None
    step: int | None = None
    repairs: tuple[Repair, ...] = ()


Example = Callable[[Catalogue], Flow]


@dataclass(frozen=True)
class Check:
    """A rule as data and one pure function. `bad` breaks it, `good` keeps it; both are small flows.

    A rule about health names the `client` for whom `bad` breaks it; where `good` is the same flow, it is good for
    a client without that condition. `house` and `pace` are those with which `bad` breaks the rule.
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
    house: House = DEFAULTS
    pace: OwnPace | None = None
