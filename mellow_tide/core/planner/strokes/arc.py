"""Strokes along the arc of one part, with passes that meet its seconds."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache
from itertools import chain, combinations, product

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import SLOTS, Region, Slot
from mellow_tide.core.flow.flow import FIRM, PartMedium, Step
from mellow_tide.core.hands.spread import STRONG, tired_by
from mellow_tide.core.planner.strokes.passes import Passes, totals_of
from mellow_tide.core.planner.strokes.repertoire import StrokeOption, Touch, arc_options
from mellow_tide.core.planner.strokes.site import ASK_AGAIN, Site, find_asking, find_site, needs_wiping
from mellow_tide.core.timing.tempo import Tempo

CLOSE_ENOUGH = 5
"""Seconds by which a part may miss its target without trying another set of strokes."""

ODD = 8
"""Of how many options odd sets are made."""

WARMING: tuple[Slot, ...] = ("dry", "warm", "knead")
"""The places along the arc whose strokes warm."""

WARMING_UNITS = 2
"""Strokes that warm a region before anything strong."""


VARIED: tuple[Slot, ...] = ("knead", "specific")
"""Slots in which neighbouring parts differ where they can."""


StrokesWorked = tuple[tuple[str, Slot, str, int], ...]
"""Stroke, slot, tool and depth of the steps of a part."""


@dataclass(frozen=True)
class Arc:
    """The strokes of a part in order, with their passes; after those in `asked` comes a word about the pressure.

    `seconds` are those of working it, on the skin of `region` that is `medium`.
    """

    options: tuple[StrokeOption, ...]
    passes: Passes
    asked: frozenset[int]
    seconds: int
    medium: PartMedium
    region: str

    @cached_property
    def steps(self) -> tuple[Step, ...]:
        """The arc as the steps of a part."""
        return tuple(
            Step.model_construct(
                stroke=o.stroke.id,
                slot=o.slot,
                tool=o.tool,
                zone=o.zone,
                depth=o.depth,
                passes=n,
                wipe=self.medium == "lubricated" and needs_wiping(o),
                support=self.region in o.stroke.lifts_head,
                check_in=i in self.asked,
            )
            for i, (o, n) in enumerate(zip(self.options, self.passes, strict=True))
        )


@lru_cache(maxsize=8_000)
def fit_arc(place: Site, seconds: int) -> Arc:
    """The strokes along the arc at `place` that take as near to `seconds` as passes allow.

    Takes as many options as usual passes fill best, then the passes closest to usual whose seconds are nearest.
    `seconds` must lie within `capacity`; the result is then within 10 s of it.
    """
    nearest: Arc | None = None
    for options in chain(_likely_sets(place, seconds), _odd_sets(place)):
        arc = nearest_passes(place, warm_first(_in_order(options)), seconds)
        if nearest is None or abs(arc.seconds - seconds) < abs(nearest.seconds - seconds):
            nearest = arc
        if abs(arc.seconds - seconds) <= CLOSE_ENOUGH:
            break
    if nearest is None:
        raise ValueError(f"{place.region.id}: no strokes to make an arc of")
    return nearest


def after(before: StrokesWorked, region_id: str, touch: Touch, catalogue: Catalogue) -> Touch:
    """The touch on the region that follows: what was done there is not done again first, what it strained rests."""
    strokes, tools = _varied(region_id, catalogue)
    repeated = frozenset(stroke for stroke, slot, _, _ in before if slot in VARIED)
    tired = tired_by((tool, depth) for _, _, tool, depth in before)
    return replace(touch, before=repeated & strokes, tired=tired & tools)


@lru_cache(maxsize=256)
def _varied(region_id: str, catalogue: Catalogue) -> tuple[frozenset[str], frozenset[str]]:
    """The strokes that a region could vary, and the tools that could tire in it."""
    here = [s for s in catalogue.planned_strokes.values() if s.use != "wish" and region_id in s.regions]
    strokes = frozenset(s.id for s in here if any(slot in s.slots for slot in VARIED))
    return strokes, frozenset(tool for s in here if s.depth[1] >= STRONG for tool in s.tools)


def worked_as(steps: Iterable[Step]) -> StrokesWorked:
    """What some steps leave behind in the hands."""
    return tuple((step.stroke, step.slot, step.tool, step.depth) for step in steps)


def _arc(place: Site, options: tuple[StrokeOption, ...], passes: Passes) -> Arc:
    taken = (place.seconds(o, n) for o, n in zip(options, passes, strict=True))
    asked = find_asking(options, taken, place.hidden)
    return Arc(
        options, passes, asked, place.taken(options, passes, len(asked)), place.medium, place.region.id
    )


def _likely_sets(place: Site, seconds: int) -> Iterator[tuple[StrokeOption, ...]]:
    """The options wanted first, so many that their usual passes come nearest to `seconds`; then more or fewer."""
    least = _essential_count(place.options)
    away = [
        (abs(usual - seconds), count) for count, usual in enumerate(place.usual_seconds, 1) if count >= least
    ]
    for _, count in sorted(away):
        yield place.options[:count]


def _odd_sets(place: Site) -> Iterator[tuple[StrokeOption, ...]]:
    """What the arc cannot do without, with one or two others: for seconds that the usual sets cannot make."""
    least = _essential_count(place.options)
    for size in (1, 2):
        for others in combinations(place.options[least : least + ODD], size):
            yield (*place.options[:least], *others)


@lru_cache(maxsize=2_000)
def capacity(region_id: str, touch: Touch, catalogue: Catalogue, tempo: Tempo) -> tuple[int, int]:
    """Least and most seconds per side that the catalogue's strokes can fill on the region, in any of its positions."""
    region = catalogue.regions[region_id]
    options = arc_options(region_id, touch, catalogue)
    essential = warm_first(_in_order(options[: _essential_count(options)]))
    every = warm_first(_in_order(options))
    asking, silent = (
        find_site(region_id, position, touch, catalogue, tempo)
        for position in _hidden_first(region, catalogue)
    )
    least = _arc(asking, essential, tuple(o.passes[0] for o in essential))
    most = _arc(silent, every, tuple(o.passes[2] for o in every))
    return least.seconds, most.seconds


def _hidden_first(region: Region, catalogue: Catalogue) -> tuple[str, str]:
    """The positions in which most and least is asked: one that hides the face, if any does, and one that does not."""
    hidden = sorted(region.positions, key=lambda id: not catalogue.positions[id].face_hidden)
    return hidden[0], hidden[-1]


def _essential_count(options: tuple[StrokeOption, ...]) -> int:
    return sum(1 for o in options if o.rank == 0)


def _in_order(options: tuple[StrokeOption, ...]) -> tuple[StrokeOption, ...]:
    """Slot by slot; in a slot the lighter strokes come first."""
    return tuple(sorted(options, key=lambda o: (SLOTS.index(o.slot), o.depth)))


def warm_first(
    options: tuple[StrokeOption, ...], warmed: int = 0, before: int = 1
) -> tuple[StrokeOption, ...]:
    """The options, nothing strong before two of them have warmed the region, and no depth two above the one before.

    One that cannot be done so lightly is left out, unless the arc cannot do without it. So many strokes have `warmed`
    the region already, the last at depth `before`.
    """
    found: list[StrokeOption] = []
    for option in options:
        most = FIRM if warmed < WARMING_UNITS else option.depth
        depth = option.stroke.depth_near(min(option.depth, most, before + 1))
        if depth > before + 1 and option.rank:
            continue
        found.append(replace(option, depth=depth) if depth < option.depth else option)
        before = found[-1].depth
        if option.slot in WARMING:
            warmed += 1
    return _settled(found)


def _settled(options: list[StrokeOption]) -> tuple[StrokeOption, ...]:
    """The options, what comes right before the last one at least as deep: the last stroke is no deeper than it."""
    while len(options) > 1 and options[-2].depth < options[-1].depth:
        before = options[-2]
        depth = before.stroke.depth_near(options[-1].depth)
        if depth < options[-1].depth:
            options.pop(-2)
        else:
            options[-2] = replace(before, depth=depth)
    return tuple(options)


def nearest_passes(place: Site, options: tuple[StrokeOption, ...], seconds: int) -> Arc:
    """The passes whose oiled seconds come nearest to `seconds`; among equals, nearest to usual.

    How often oil goes on again and the client is asked depends on where the steps end up, so each number of times that
    may be is allowed for in turn, and what really comes out decides.
    """
    clock = place.catalogue.clock
    totals = totals_of(tuple(place.lengths(o) for o in options))
    nearest: Arc | None = None
    agains = range(seconds // clock.oil_lasts + 1) if place.medium == "lubricated" else range(1)
    askings = range(seconds // ASK_AGAIN + 2) if clock.check_in else range(1)
    for again, asked in product(agains, askings):
        target = seconds - place.fixed(options) - again * clock.oil_again - asked * clock.check_in
        arc = _arc(place, options, totals.near(target))
        if nearest is None or abs(arc.seconds - seconds) < abs(nearest.seconds - seconds):
            nearest = arc
        if abs(arc.seconds - seconds) <= CLOSE_ENOUGH:
            return arc
    return nearest or _arc(place, options, tuple(o.passes[1] for o in options))
