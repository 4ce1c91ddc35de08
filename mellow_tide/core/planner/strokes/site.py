"""Where a part is worked, and what strokes take there."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from functools import cached_property, lru_cache
from itertools import accumulate

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.flow.flow import FIRM, PartMedium
from mellow_tide.core.planner.strokes.passes import Lengths, Passes
from mellow_tide.core.planner.strokes.repertoire import StrokeOption, Touch, arc_options, medium_of
from mellow_tide.core.timing.oiling import plan_oilings, wants_oil
from mellow_tide.core.timing.step_seconds import Ground, pass_seconds, whole
from mellow_tide.core.timing.tempo import Tempo

ASK_AGAIN = 480
"""Seconds after which a client whose face is hidden is asked again."""

SiteKey = tuple[str, str | None, int, tuple[int, int, int]]


@dataclass(frozen=True, eq=False)
class Site:
    """Where and how a part is worked: region and position, the touch, and whose seconds count."""

    region: Region
    position: str
    touch: Touch
    catalogue: Catalogue
    tempo: Tempo
    _lengths: dict[SiteKey, Lengths] = field(default_factory=dict)

    @cached_property
    def medium(self) -> PartMedium:
        """What is on the skin, or over it."""
        return medium_of(self.region.id, self.touch.clothed, self.catalogue)

    @cached_property
    def options(self) -> tuple[StrokeOption, ...]:
        """The strokes that could stand in the arc."""
        return arc_options(self.region.id, self.touch, self.catalogue)

    @cached_property
    def offered(self) -> frozenset[str]:
        """The ids of those strokes."""
        return frozenset(option.stroke.id for option in self.options)

    @cached_property
    def hidden(self) -> bool:
        """Whether the face is hidden."""
        return self.catalogue.positions[self.position].face_hidden

    @cached_property
    def usual_seconds(self) -> tuple[int, ...]:
        """Whole seconds of the first option, of the first two and so on, with usual passes and the first oil."""
        usual = (self.seconds(option, option.passes[1]) for option in self.options)
        return tuple(accumulate(usual, initial=self.fixed(())))[1:]

    def lengths(self, option: StrokeOption) -> Lengths:
        """Whole seconds of an option with each number of passes it may have, and how far that is from usual."""
        # The most passes are told apart: a stroke has them by slot.
        key = (option.stroke.id, option.zone, option.depth, option.passes)
        if key not in self._lengths:
            low, usual, high = option.passes
            self._lengths[key] = tuple(
                (self._seconds(option, n), abs(n - usual), n) for n in range(low, high + 1)
            )
        return self._lengths[key]

    def seconds(self, option: StrokeOption, passes: int) -> int:
        """Whole seconds of an option with so many passes."""
        return self.lengths(option)[passes - option.passes[0]][0]

    def _seconds(self, option: StrokeOption, passes: int) -> int:
        ground = Ground(self.region, option.zone, option.depth)
        one = pass_seconds(option.stroke, ground, self.catalogue, self.tempo)
        return whole(passes * one)

    def taken(self, options: tuple[StrokeOption, ...], passes: Passes, asked: int) -> int:
        """Whole seconds of working the options so, `asked` times with a word about the pressure."""
        seconds = [self.seconds(o, n) for o, n in zip(options, passes, strict=True)]
        clock = self.catalogue.clock
        total = sum(seconds) + clock.check_in * asked + clock.towel * sum(o.stroke.heat for o in options)
        if self.medium != "lubricated":
            return total
        worked = (
            (wants_oil(o.stroke, o.slot), o.slot == "settle", s)
            for o, s in zip(options, seconds, strict=True)
        )
        oiled, _ = plan_oilings(worked, clock.oil_lasts)
        oil = clock.oil_first * oiled.count("first") + clock.oil_again * oiled.count("again")
        return total + oil + clock.wipe * sum(needs_wiping(o) for o in options)

    def fixed(self, options: Iterable[StrokeOption]) -> int:
        """Seconds of the first oil, and of wiping it off where a grip is needed."""
        if self.medium != "lubricated":
            return 0
        clock = self.catalogue.clock
        return clock.oil_first + clock.wipe * sum(needs_wiping(o) for o in options)


def needs_wiping(option: StrokeOption) -> bool:
    """Whether oil must come off before the stroke."""
    return option.stroke.grip and "towel" not in option.stroke.tools


@lru_cache(maxsize=2_000)
def find_site(region_id: str, position: str, touch: Touch, catalogue: Catalogue, tempo: Tempo) -> Site:
    """The place; the same one for the same words, so that it keeps what it has worked out."""
    return Site(catalogue.regions[region_id], position, touch, catalogue, tempo)


def find_asking(options: Sequence[StrokeOption], seconds: Iterable[int], hidden: bool) -> frozenset[int]:
    """The places of the steps of a part over which the client is asked about the pressure; whole `seconds` of each.

    That is the first one as firm as kneading; and while the face is `hidden` the first that warms, if none is firm, and
    another once nothing has been asked for `ASK_AGAIN` seconds.
    """
    first = next((i for i, o in enumerate(options) if o.depth >= FIRM), None)
    if first is None and hidden:
        first = next((i for i, o in enumerate(options) if o.slot in ("warm", "knead")), None)
    if first is None or not hidden:
        return frozenset(() if first is None else (first,))
    asked, since = {first}, 0
    for i, (option, taken) in enumerate(zip(options, seconds, strict=True)):
        since += taken
        if i > first and since >= ASK_AGAIN and option.slot != "settle":
            asked.add(i)
        since = 0 if i in asked else since
    return frozenset(asked)
