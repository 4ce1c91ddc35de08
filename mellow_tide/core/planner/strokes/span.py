"""A span: regions of one passage that share one arc, with long strokes over all of them."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Depth, Region, Slot
from mellow_tide.core.flow.flow import Step
from mellow_tide.core.planner.strokes.passes import Lengths, Passes
from mellow_tide.core.planner.strokes.repertoire import StrokeOption
from mellow_tide.core.planner.strokes.site import Site, find_asking, needs_wiping
from mellow_tide.core.timing.oiling import StepWorked, plan_oilings, wants_oil
from mellow_tide.core.timing.step_seconds import Ground, pass_seconds, whole


@dataclass(frozen=True)
class PlacedStroke:
    """An option at its site, with the further regions that it runs over."""

    site: Site
    option: StrokeOption
    over: tuple[Region, ...] = ()

    @property
    def regions(self) -> tuple[str, ...]:
        """All regions that it works."""
        return (self.site.region.id, *(region.id for region in self.over))

    def seconds(self, passes: int) -> int:
        """Whole seconds of so many passes."""
        known = self._by_passes
        if passes not in known:
            known[passes] = whole(passes * self._one_pass)
        return known[passes]

    def lengths(self, least: int, most: int, usual: int, sides: int) -> Lengths:
        """Whole seconds of all sides with each number of passes it may have; and how far that is from usual."""
        asked = least, most, usual, sides
        known = self._by_lengths
        if asked not in known:
            known[asked] = tuple((sides * self.seconds(n), abs(n - usual), n) for n in range(least, most + 1))
        return known[asked]

    @cached_property
    def _by_lengths(self) -> dict[tuple[int, int, int, int], Lengths]:
        return {}

    @cached_property
    def _by_passes(self) -> dict[int, int]:
        return {}

    @cached_property
    def _one_pass(self) -> float:
        ground = Ground(self.site.region, self.option.zone, self.option.depth, self.over)
        return pass_seconds(self.option.stroke, ground, self.site.catalogue, self.site.tempo)

    def share(self, region: str) -> float:
        """The part of its seconds that counts for a region, by length of glide."""
        lengths = {r.id: r.glide_cm for r in (self.site.region, *self.over)}
        return lengths.get(region, 0.0) / sum(lengths.values())

    @cached_property
    def oils(self) -> bool:
        """Whether it wants oil on the skin."""
        oiled = self.site.medium == "lubricated"
        return oiled and wants_oil(self.option.stroke, self.option.slot)

    @property
    def wiped(self) -> bool:
        """Whether oil must come off before it."""
        return self.site.medium == "lubricated" and needs_wiping(self.option)

    @cached_property
    def served(self) -> int:
        """Whole seconds of wiping and of fetching a towel before it."""
        clock = self.site.catalogue.clock
        return clock.wipe * self.wiped + clock.towel * self.option.stroke.heat


PlacedStrokes = tuple[PlacedStroke, ...]

DryBounds = tuple[int, int]
"""Least and most seconds of work before the oil."""

_Taken = tuple[PlacedStroke, int, int]
"""A stroke with its passes and the whole seconds that they take."""


@dataclass(frozen=True)
class Span:
    """Sites worked one after the other in one arc, and how many sides of each the passage has.

    Where both sides lie under one cover only the first site is opened with long strokes over all; each settles by
    itself, so that both sides stay alike. `dry` bounds the dry work that the first site begins with.
    """

    sites: tuple[Site, ...]
    sides: tuple[int, ...]
    dry: DryBounds | None = None

    @property
    def catalogue(self) -> Catalogue:
        """The practice's catalogue."""
        return self.sites[0].catalogue

    @property
    def settles_as_one(self) -> bool:
        """Whether the last long strokes run over the whole span."""
        return max(self.sides) == 1

    @cached_property
    def regions(self) -> tuple[str, ...]:
        """The ids of its regions, in the order in which they are worked."""
        return tuple(site.region.id for site in self.sites)

    def side_count(self, region: str) -> int:
        """How many sides of a region the passage has."""
        return self.sides[self.regions.index(region)]


@dataclass(frozen=True)
class SpanArc:
    """The strokes of a span in order, with passes.

    `oiled` is how old the oil is before them, None where there is none; `present` are the steps that they are already.
    """

    span: Span
    placed: PlacedStrokes
    passes: Passes
    oiled: int | None = None
    present: tuple[Step, ...] = ()

    @cached_property
    def steps(self) -> dict[str, tuple[Step, ...]]:
        """By region, the steps of one side."""
        return {region: tuple(self._steps(region)) for region in self.span.regions}

    def counted(self, region: str) -> float:
        """Seconds of one side that count for a region, long strokes by length of glide."""
        here = self._of_region[region]
        own = sum((0 if p.over else seconds) + p.served for p, _, seconds in here) + self._asking(here)
        long = sum(p.share(region) * seconds for p, _, seconds in self._taken if p.over)
        return own + (long + self._oilings[0][region]) / self.span.side_count(region)

    @cached_property
    def _taken(self) -> tuple[_Taken, ...]:
        return tuple((p, n, p.seconds(n)) for p, n in zip(self.placed, self.passes, strict=True))

    @cached_property
    def _of_region(self) -> dict[str, list[_Taken]]:
        found: dict[str, list[_Taken]] = {region: [] for region in self.span.regions}
        for taken in self._taken:
            found[taken[0].site.region.id].append(taken)
        return found

    def _asking(self, here: Sequence[_Taken]) -> int:
        """Whole seconds of asking after strokes of a region, where that takes time of its own."""
        check_in = self.span.catalogue.clock.check_in
        return check_in * len(_asked_after(here)) if check_in else 0

    def _steps(self, region: str) -> Iterator[Step]:
        if self.present:
            yield from (
                step
                for placed, step in zip(self.placed, self.present, strict=True)
                if placed.site.region.id == region
            )
            return
        here = self._of_region[region]
        asked = _asked_after(here)
        for i, (placed, passes, _) in enumerate(here):
            option = placed.option
            stroke, over = option.stroke, tuple(r.id for r in placed.over)
            how = stroke.id, option.slot, option.tool, option.zone, over, option.depth
            yield _make_step(how, passes, placed.wiped, region in stroke.lifts_head, i in asked)

    @cached_property
    def seconds(self) -> int:
        """Whole seconds of all of it, all sides, with oil, wiping, towels and asking."""
        return self.own_seconds + self.oil_seconds

    @cached_property
    def own_seconds(self) -> int:
        """The seconds without the oil."""
        total = 0
        for region, sides in zip(self.span.regions, self.span.sides, strict=True):
            here = self._of_region[region]
            total += sides * (sum(seconds + p.served for p, _, seconds in here) + self._asking(here))
        return total

    @cached_property
    def _oilings(self) -> tuple[dict[str, int], int | None]:
        """By region, the whole seconds of oiling on all its sides; and how old the oil is then."""
        clock = self.span.catalogue.clock
        worked = list(self._worked())
        oilings, since = plan_oilings((one for _, one in worked), clock.oil_lasts, self.oiled)
        found = dict.fromkeys(self.span.regions, 0)
        for (region, _), oiling in zip(worked, oilings, strict=True):
            found[region] += {None: 0, "first": clock.oil_first, "again": clock.oil_again}[oiling]
        return found, since

    def _worked(self) -> Iterator[tuple[str, StepWorked]]:
        for region, sides in zip(self.span.regions, self.span.sides, strict=True):
            here = [
                (region, (p.oils, p.option.slot == "settle", seconds))
                for p, _, seconds in self._of_region[region]
            ]
            for _ in range(sides):
                yield from here

    @property
    def oil_seconds(self) -> int:
        """Whole seconds of oiling."""
        return sum(self._oilings[0].values())

    @property
    def oiled_after(self) -> int | None:
        """How old the oil is after it."""
        return self._oilings[1]


def _asked_after(here: Sequence[_Taken]) -> frozenset[int]:
    """The steps of a part over which the client is asked about the pressure."""
    hidden = bool(here) and here[0][0].site.hidden
    return find_asking([p.option for p, _, _ in here], (seconds for _, _, seconds in here), hidden)


How = tuple[str, Slot, str, str | None, tuple[str, ...], Depth]
"""Stroke, slot, tool, zone, further regions and depth of a step."""


@lru_cache(maxsize=20_000)
def _make_step(how: How, passes: int, wipe: bool, support: bool, check_in: bool) -> Step:
    """The step, kept: the same ones come in plan after plan, and a step never changes."""
    stroke, slot, tool, zone, over, depth = how
    return Step.model_construct(
        stroke=stroke,
        slot=slot,
        tool=tool,
        zone=zone,
        over=over,
        depth=depth,
        passes=passes,
        wipe=wipe,
        support=support,
        check_in=check_in,
    )
