"""Why a part has its strokes: what each is good for, and what another one, or a minute more, would take away.

Everything is tried: what is there is fitted anew beside a stroke that is forced in; where one is left out, what is not
there fills its time.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from mellow_tide.core.catalogue.records import Id, Record, Slot
from mellow_tide.core.flow.flow import Flow, Part
from mellow_tide.core.flow.passages import split_into_passages
from mellow_tide.core.planner.light_end import is_light_at_end
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.strokes.compose import own_options
from mellow_tide.core.planner.strokes.region_table import NOWHERE, find_table
from mellow_tide.core.planner.strokes.repertoire import AGAIN
from mellow_tide.core.planner.strokes.site import find_site
from mellow_tide.core.planner.strokes.span import PlacedStroke
from mellow_tide.core.planner.strokes.worth import OwnStroke, StrokeUse, use_of
from mellow_tide.core.refusal import BadFlow, FieldProblem
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import lay_out

MINUTE = 60

Purpose = StrokeUse | Literal["opens", "joins", "settles", "point"]

LONG_PURPOSES: Mapping[Slot, Purpose] = {
    "spread": "opens", "warm": "opens", "flush": "joins", "settle": "settles"
}  # fmt: skip
"""What a stroke that opens or ends a passage does there."""


class StrokeGive(Record):
    """Seconds that a stroke would have more (positive) or less (negative), on one side."""

    stroke: Id
    seconds: int


class StrokeReason(Record):
    """A stroke that a part has, or could have, and why it is so; `seconds` of one side, 0 where it is not there.

    `purpose`: what it does there. `first`: no earlier part has it. `liked`: by the client, or wished by the house.
    `lighter`: levels lighter than wished, negative for deeper. `instead`: for a stroke that is there, what would come
    in its place; for one that is not, what it would take. `minute`: what one more minute of it would take, nothing
    where it has its most.
    """

    stroke: Id
    seconds: int
    purpose: Purpose
    first: bool
    liked: bool
    lighter: int
    instead: tuple[StrokeGive, ...] = ()
    minute: tuple[StrokeGive, ...] = ()


class StrokeReasons(Record):
    """The strokes of a part in their order, and those that could stand there, what costs least first.

    `light_at_end`: nothing is firm because the region, on its last side, is worked in the last minutes.
    """

    there: tuple[StrokeReason, ...]
    others: tuple[StrokeReason, ...]
    light_at_end: bool


def explain_strokes(flow: Flow, part_id: str, setting: Setting) -> StrokeReasons:
    """Why a part has its strokes. Raises `BadFlow` for a part that is not there, or is no work."""
    asked = Asked.of(flow.brief, setting)
    at = next((i for i, p in enumerate(flow.parts) if p.id == part_id and p.role == "work"), None)
    if at is None:
        raise BadFlow(FieldProblem("part_id", "no_part_to_reshape", id=part_id))
    part = flow.parts[at]
    trade = _Trade.of(flow, at, asked)
    seconds = _seconds_by_stroke(flow, part, asked)
    there = [
        _there(stroke, seconds[stroke], part, trade) for stroke in dict.fromkeys(s.stroke for s in part.steps)
    ]
    others = {
        own.placed.option.stroke.id: own
        for own in reversed(trade.options)
        if own.placed.option.stroke.id not in seconds and own.placed.option.rank < AGAIN
    }
    tried = sorted((trade.force(own) for own in others.values()), key=lambda one: -one.value)
    return StrokeReasons(
        there=tuple(there),
        others=tuple(
            trade.reason(one.own.placed, 0).model_copy(
                update={"instead": trade.apart(one.strokes, leaving=one.stroke)}
            )
            for one in tried
            if one.value > NOWHERE / 2
        ),
        light_at_end=trade.light_at_end,
    )


def _seconds_by_stroke(flow: Flow, part: Part, asked: Asked) -> Counter[str]:
    found: Counter[str] = Counter()
    for entry in lay_out(flow, asked.catalogue, asked.tempo).entries:
        if entry.part_id == part.id and entry.step is not None and entry.stroke:
            found[entry.stroke] += entry.seconds
    return found


def _there(stroke: str, seconds: int, part: Part, trade: "_Trade") -> StrokeReason:
    """The reason of a stroke that a part has: a long one, one for a point, or one of its own."""
    own = next((o for o in trade.chosen if o.placed.option.stroke.id == stroke), None)
    if own is None:
        step = next(s for s in part.steps if s.stroke == stroke)
        purpose = "point" if step.point else LONG_PURPOSES.get(step.slot, "settles")
        return StrokeReason(
            stroke=stroke,
            seconds=seconds,
            purpose=purpose,
            first=trade.is_first(stroke),
            liked=False,
            lighter=0,
        )
    without = trade.without(stroke)
    more = trade.force(own, trade.now[stroke] + MINUTE)
    gained = more.strokes[stroke] - trade.now[stroke]
    return trade.reason(own.placed, seconds).model_copy(
        update={
            "instead": trade.apart(without, leaving=stroke),
            "minute": trade.apart(more.strokes, leaving=stroke) if gained > 0 else (),
        }
    )


@dataclass(frozen=True)
class _Forced:
    """A stroke forced in: the worth of the best with it, and the seconds of each stroke then."""

    own: OwnStroke
    value: float
    strokes: Counter[str]

    @property
    def stroke(self) -> str:
        return self.own.placed.option.stroke.id


@dataclass(frozen=True)
class _Trade:
    """The own strokes of a part: those that it may have, those that it has, and the seconds for them all."""

    options: tuple[OwnStroke, ...]
    chosen: tuple[OwnStroke, ...]
    now: Counter[str]
    used: Counter[str]
    light_at_end: bool

    @classmethod
    def of(cls, flow: Flow, at: int, asked: Asked) -> "_Trade":
        part = flow.parts[at]
        light = is_light_at_end(flow, part.region, asked)
        touch = asked.touch(part.region).calm if light else asked.touch(part.region)
        site = find_site(part.region, part.position, touch, asked.catalogue, asked.tempo)
        passages = split_into_passages([p.setup for p in flow.parts], asked.catalogue)
        opens = any(places[0] == at for places in passages) or any(s.slot == "spread" for s in part.steps)
        seconds = _seconds_by_stroke(flow, part, asked)
        options = own_options(site, opens, seconds.total())
        has = {(s.stroke, s.zone, s.slot) for s in part.steps if not s.over and not s.point}
        chosen = tuple(o for o in options if _named(o) in has and o.placed.option.rank < AGAIN)
        ids = {o.placed.option.stroke.id for o in chosen}
        before = [p for p in flow.parts[:at] if p.role == "work" and p.region != part.region]
        used = Counter(id for p in before for id in {s.stroke for s in p.steps})
        return cls(options, chosen, Counter({id: seconds[id] for id in ids}), used, light)

    @property
    def total(self) -> int:
        return sum(self.now.values())

    def is_first(self, stroke: str) -> bool:
        """Whether no earlier part has a stroke."""
        return not self.used[stroke]

    def without(self, stroke: str) -> Counter[str]:
        """The seconds of each stroke where one is left out, and what is not there fills its time."""
        left = Counter({id: seconds for id, seconds in self.now.items() if id != stroke})
        absent = tuple(o for o in self.options if o.placed.option.stroke.id not in self.now)
        return left + self._pick(absent, self.now[stroke])

    def force(self, own: OwnStroke, seconds: int = 0) -> _Forced:
        """The best of what is there with a stroke of about so many seconds, or of as many as do most good."""
        stroke = own.placed.option.stroke.id
        rest = tuple(o for o in self.chosen if o.placed.option.stroke.id != stroke)
        table = find_table(rest, self.used, self.total)
        best: tuple[float, int] | None = None
        for taken, worth in zip(own.seconds, own.worths, strict=True):
            if taken > self.total or taken < min(seconds, own.seconds[-1]):
                continue
            value = worth + table.worth(0, self.total - taken)
            if best is None or value > best[0]:
                best = value, taken
        if best is None:
            return _Forced(own, NOWHERE, Counter(self.now))
        value, taken = best
        return _Forced(own, value, self._pick(rest, self.total - taken) + Counter({stroke: taken}))

    def apart(self, then: Counter[str], leaving: str) -> tuple[StrokeGive, ...]:
        """What others would have more or less than now, the most first."""
        found = {id: then[id] - self.now[id] for id in (self.now | then) if id != leaving}
        return tuple(
            StrokeGive(stroke=id, seconds=by)
            for id, by in sorted(found.items(), key=lambda item: -abs(item[1]))
            if by
        )

    def reason(self, placed: PlacedStroke, seconds: int) -> StrokeReason:
        """What speaks for a stroke."""
        option, touch = placed.option, placed.site.touch
        wished = option.stroke.id in placed.site.catalogue.planned_first(option.slot)
        return StrokeReason(
            stroke=option.stroke.id,
            seconds=seconds,
            purpose=use_of(placed),
            first=self.is_first(option.stroke.id),
            liked=wished or option.stroke.id in touch.likes or option.tool in touch.likes,
            lighter=min(touch.wished, touch.cap) - option.depth,
        )

    def _pick(self, options: tuple[OwnStroke, ...], seconds: int) -> Counter[str]:
        if not options or seconds <= 0:
            return Counter()
        found = find_table(options, self.used, seconds).pick(0, seconds)
        return Counter(dict(_summed(found)))


def _named(own: OwnStroke) -> tuple[str, str | None, str]:
    option = own.placed.option
    return option.stroke.id, option.zone, option.slot


def _summed(picked: Sequence[tuple[PlacedStroke, int]]) -> Iterator[tuple[str, int]]:
    totals: Counter[str] = Counter()
    for placed, passes in picked:
        totals[placed.option.stroke.id] += placed.seconds(passes)
    yield from totals.items()
