"""Strokes along the arc of one stop, with passes that meet its seconds."""

from functools import lru_cache

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import SLOTS, Region
from mellow_tide.core.flow.flow import FIRM, Side, Step, Stop
from mellow_tide.core.planner.repertoire import Option, Touch, arc_options, medium_of
from mellow_tide.core.timing.run_sheet import stop_seconds
from mellow_tide.core.timing.step_seconds import step_seconds

CLOSE_ENOUGH = 5
"""Seconds by which a stop may miss its target without trying another set of strokes."""


def fit_stop(
    region: Region,
    side: Side,
    position: str,
    touch: Touch,
    seconds: int,
    catalogue: Catalogue,
    height_cm: int,
) -> Stop:
    """The stop for `region` whose strokes along the arc take as near to `seconds` as passes allow.

    Takes as many options as usual passes fill best, then the passes closest to usual whose seconds are
    nearest. `seconds` must lie within `capacity`; the result is then within 10 s of it.
    """
    options = arc_options(region.id, touch, catalogue)
    nearest: tuple[int, Stop] | None = None
    for count in _likely_counts(options, region, seconds, catalogue, height_cm):
        chosen = _in_order(options[:count])
        passes = _nearest_passes(chosen, region, seconds, catalogue, height_cm)
        stop = _stop(region, side, position, chosen, passes, catalogue)
        off = abs(stop_seconds(stop, catalogue, height_cm) - seconds)
        if nearest is None or off < nearest[0]:
            nearest = (off, stop)
        if off <= CLOSE_ENOUGH:
            break
    if nearest is None:
        raise ValueError(f"{region.id}: no strokes to make an arc of")
    return nearest[1]


def _likely_counts(
    options: tuple[Option, ...], region: Region, seconds: int, catalogue: Catalogue, height_cm: int
) -> list[int]:
    """How many options to take, the count whose usual passes come nearest to `seconds` first."""
    away: list[tuple[float, int]] = []
    usual = float(_oil_first(region, catalogue))
    for count, o in enumerate(options, 1):
        usual += step_seconds(o.stroke, region, o.depth, o.passes[1], height_cm, catalogue.pace)
        if count >= _essential_count(options):
            away.append((abs(usual - seconds), count))
    return [count for _, count in sorted(away)]


@lru_cache(maxsize=512)
def capacity(region_id: str, touch: Touch, catalogue: Catalogue, height_cm: int) -> tuple[int, int]:
    """Least and most seconds per side that the catalogue's strokes can fill on the region."""
    region = catalogue.regions[region_id]
    options = arc_options(region_id, touch, catalogue)
    essential = _in_order(options[: _essential_count(options)])
    least = _stop(region, "mid", region.positions[0], essential, [o.passes[0] for o in essential], catalogue)
    every = _in_order(options)
    most = _stop(region, "mid", region.positions[0], every, [o.passes[2] for o in every], catalogue)
    return stop_seconds(least, catalogue, height_cm), stop_seconds(most, catalogue, height_cm)


def _oil_first(region: Region, catalogue: Catalogue) -> int:
    """Seconds of putting the first oil on the region; 0 where none is used."""
    return catalogue.pace.oil_first if medium_of(region.id, catalogue) == "lubricated" else 0


def _essential_count(options: tuple[Option, ...]) -> int:
    return sum(1 for o in options if o.rank == 0)


def _in_order(options: tuple[Option, ...]) -> list[Option]:
    return sorted(options, key=lambda o: SLOTS.index(o.slot))


def _nearest_passes(
    options: list[Option], region: Region, seconds: int, catalogue: Catalogue, height_cm: int
) -> list[int]:
    """Passes whose oiled seconds come nearest to `seconds`; among equals, nearest to usual.

    Whether oil goes on again depends on where the steps end up, so each number of times that it may is
    allowed for in turn, and what really comes out decides.
    """
    pace = catalogue.pace
    nearest: tuple[int, list[int]] | None = None
    for again in range(seconds // pace.oil_lasts + 1):
        asking = pace.check_in if _asked_after(options) is not None else 0
        target = seconds - _oil_first(region, catalogue) - again * pace.oil_again - asking
        passes = _knapsack(options, region, target, catalogue, height_cm)
        stop = _stop(region, "mid", region.positions[0], options, passes, catalogue)
        off = abs(stop_seconds(stop, catalogue, height_cm) - seconds)
        if nearest is None or off < nearest[0]:
            nearest = (off, passes)
        if off <= CLOSE_ENOUGH:
            break
    return nearest[1] if nearest else []


def _knapsack(
    options: list[Option], region: Region, seconds: int, catalogue: Catalogue, height_cm: int
) -> list[int]:
    sums: dict[int, tuple[int, tuple[int, ...]]] = {0: (0, ())}
    for option in options:
        least, usual, most = option.passes
        grown: dict[int, tuple[int, tuple[int, ...]]] = {}
        for passes in range(least, most + 1):
            adds = step_seconds(option.stroke, region, option.depth, passes, height_cm, catalogue.pace)
            strain = abs(passes - usual)
            for total, (strained, chosen) in sums.items():
                candidate = (strained + strain, (*chosen, passes))
                if total + adds not in grown or candidate < grown[total + adds]:
                    grown[total + adds] = candidate
        sums = grown
    nearest = min(sums, key=lambda total: (max(abs(total - seconds), 3), sums[total]))
    return list(sums[nearest][1])


def _stop(
    region: Region, side: Side, position: str, options: list[Option], passes: list[int], catalogue: Catalogue
) -> Stop:
    asked_after = _asked_after(options)
    steps = tuple(
        Step(
            stroke=o.stroke.id,
            slot=o.slot,
            tool=_easiest_tool(o, catalogue),
            zone=o.zone,
            depth=o.depth,
            passes=n,
            check_in=i == asked_after,
        )
        for i, (o, n) in enumerate(zip(options, passes, strict=True))
    )
    name = region.id if side == "mid" else f"{region.id}-{side}"
    return Stop(
        id=name,
        role="work",
        region=region.id,
        side=side,
        position=position,
        window=region.window_in(position),
        medium=medium_of(region.id, catalogue),
        steps=steps,
    )


def _asked_after(options: list[Option]) -> int | None:
    """The step after which the client is asked about the pressure: the first that is as firm as kneading."""
    return next((i for i, o in enumerate(options) if o.depth >= FIRM), None)


def _easiest_tool(option: Option, catalogue: Catalogue) -> str:
    return min(option.stroke.tools, key=lambda tool: catalogue.tools[tool].load_rank)
