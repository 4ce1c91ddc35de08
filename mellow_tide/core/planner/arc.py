"""Strokes along the arc of one stop, with passes that meet its seconds."""

from collections.abc import Iterable
from functools import lru_cache
from itertools import product

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import SLOTS, Region
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import FIRM, Step, Stop
from mellow_tide.core.planner.repertoire import Option, Touch, arc_options, medium_of
from mellow_tide.core.timing.run_sheet import stop_seconds
from mellow_tide.core.timing.step_seconds import passes_seconds
from mellow_tide.core.timing.tempo import Tempo

ASK_AGAIN = 480
"""Seconds after which a client whose face is hidden is asked again."""

CLOSE_ENOUGH = 5
"""Seconds by which a stop may miss its target without trying another set of strokes."""


def fit_stop(
    region: Region,
    side: Side,
    position: str,
    touch: Touch,
    seconds: int,
    catalogue: Catalogue,
    tempo: Tempo,
) -> Stop:
    """The stop for `region` whose strokes along the arc take as near to `seconds` as passes allow.

    Takes as many options as usual passes fill best, then the passes closest to usual whose seconds are
    nearest. `seconds` must lie within `capacity`; the result is then within 10 s of it.
    """
    options = arc_options(region.id, touch, catalogue)
    nearest: tuple[int, Stop] | None = None
    for count in _likely_counts(options, region, seconds, catalogue, tempo):
        chosen = _in_order(options[:count])
        passes = _nearest_passes(chosen, region, position, seconds, catalogue, tempo)
        stop = _stop(region, side, position, chosen, passes, catalogue, tempo)
        off = abs(stop_seconds(stop, catalogue, tempo) - seconds)
        if nearest is None or off < nearest[0]:
            nearest = (off, stop)
        if off <= CLOSE_ENOUGH:
            break
    if nearest is None:
        raise ValueError(f"{region.id}: no strokes to make an arc of")
    return nearest[1]


def _likely_counts(
    options: tuple[Option, ...], region: Region, seconds: int, catalogue: Catalogue, tempo: Tempo
) -> list[int]:
    """How many options to take, the count whose usual passes come nearest to `seconds` first."""
    away: list[tuple[float, int]] = []
    usual = float(_oil_first(region, catalogue))
    for count, o in enumerate(options, 1):
        usual += passes_seconds(o.stroke, region, o.depth, o.passes[1], catalogue.pace, tempo)
        if count >= _essential_count(options):
            away.append((abs(usual - seconds), count))
    return [count for _, count in sorted(away)]


@lru_cache(maxsize=512)
def capacity(region_id: str, touch: Touch, catalogue: Catalogue, tempo: Tempo) -> tuple[int, int]:
    """Least and most seconds per side that the catalogue's strokes can fill on the region, in any of its positions."""
    region = catalogue.regions[region_id]
    options = arc_options(region_id, touch, catalogue)
    essential, every = _in_order(options[: _essential_count(options)]), _in_order(options)
    asking, silent = _hidden_first(region, catalogue)
    least = _stop(region, "mid", asking, essential, [o.passes[0] for o in essential], catalogue, tempo)
    most = _stop(region, "mid", silent, every, [o.passes[2] for o in every], catalogue, tempo)
    return stop_seconds(least, catalogue, tempo), stop_seconds(most, catalogue, tempo)


def _hidden_first(region: Region, catalogue: Catalogue) -> tuple[str, str]:
    """The positions in which most and least is asked: one that hides the face, if any does, and one that does not."""
    hidden = sorted(region.positions, key=lambda id: not catalogue.positions[id].face_hidden)
    return hidden[0], hidden[-1]


def _oil_first(region: Region, catalogue: Catalogue) -> int:
    """Seconds of putting the first oil on the region; 0 where none is used."""
    return catalogue.pace.oil_first if medium_of(region.id, catalogue) == "lubricated" else 0


def _wipes(options: Iterable[Option], region: Region, catalogue: Catalogue) -> int:
    """Seconds of wiping the oil off before strokes that need a grip."""
    oiled = medium_of(region.id, catalogue) == "lubricated"
    return catalogue.pace.wipe * sum(_needs_wiping(o) for o in options) if oiled else 0


def _needs_wiping(option: Option) -> bool:
    return option.stroke.grip and "towel" not in option.stroke.tools


def _essential_count(options: tuple[Option, ...]) -> int:
    return sum(1 for o in options if o.rank == 0)


def _in_order(options: tuple[Option, ...]) -> list[Option]:
    return sorted(options, key=lambda o: SLOTS.index(o.slot))


def _nearest_passes(
    options: list[Option], region: Region, position: str, seconds: int, catalogue: Catalogue, tempo: Tempo
) -> list[int]:
    """Passes whose oiled seconds come nearest to `seconds`; among equals, nearest to usual.

    How often oil goes on again and the client is asked depends on where the steps end up, so each number of times that
    may be is allowed for in turn, and what really comes out decides.
    """
    pace = catalogue.pace
    fixed = _oil_first(region, catalogue) + _wipes(options, region, catalogue)
    nearest: tuple[int, list[int]] | None = None
    for again, asked in product(range(seconds // pace.oil_lasts + 1), range(seconds // ASK_AGAIN + 2)):
        target = seconds - fixed - again * pace.oil_again - asked * pace.check_in
        passes = _knapsack(options, region, target, catalogue, tempo)
        stop = _stop(region, "mid", position, options, passes, catalogue, tempo)
        off = abs(stop_seconds(stop, catalogue, tempo) - seconds)
        if nearest is None or off < nearest[0]:
            nearest = (off, passes)
        if off <= CLOSE_ENOUGH:
            break
    return nearest[1] if nearest else []


def _knapsack(
    options: list[Option], region: Region, seconds: int, catalogue: Catalogue, tempo: Tempo
) -> list[int]:
    sums: dict[int, tuple[int, tuple[int, ...]]] = {0: (0, ())}
    for option in options:
        least, usual, most = option.passes
        grown: dict[int, tuple[int, tuple[int, ...]]] = {}
        for passes in range(least, most + 1):
            adds = passes_seconds(option.stroke, region, option.depth, passes, catalogue.pace, tempo)
            strain = abs(passes - usual)
            for total, (strained, chosen) in sums.items():
                candidate = (strained + strain, (*chosen, passes))
                if total + adds not in grown or candidate < grown[total + adds]:
                    grown[total + adds] = candidate
        sums = grown
    nearest = min(sums, key=lambda total: (max(abs(total - seconds), 3), sums[total]))
    return list(sums[nearest][1])


def _stop(
    region: Region,
    side: Side,
    position: str,
    options: list[Option],
    passes: list[int],
    catalogue: Catalogue,
    tempo: Tempo,
) -> Stop:
    medium = medium_of(region.id, catalogue)
    asked_after = _asked_after(options, passes, region, position, catalogue, tempo)
    steps = tuple(
        Step(
            stroke=o.stroke.id,
            slot=o.slot,
            tool=_easiest_tool(o, catalogue),
            zone=o.zone,
            depth=o.depth,
            passes=n,
            wipe=medium == "lubricated" and _needs_wiping(o),
            check_in=i in asked_after,
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
        medium=medium,
        steps=steps,
    )


def _asked_after(
    options: list[Option],
    passes: list[int],
    region: Region,
    position: str,
    catalogue: Catalogue,
    tempo: Tempo,
) -> set[int]:
    """The steps after which the client is asked about the pressure.

    That is the first one as firm as kneading; and while the face is hidden the first that warms, if none is firm, and
    another once nothing has been asked for `ASK_AGAIN` seconds.
    """
    hidden = catalogue.positions[position].face_hidden
    first = next((i for i, o in enumerate(options) if o.depth >= FIRM), None)
    if first is None and hidden:
        first = next((i for i, o in enumerate(options) if o.slot in ("warm", "knead")), None)
    if first is None or not hidden:
        return set() if first is None else {first}
    asked, since = {first}, 0
    for i, (o, n) in enumerate(zip(options, passes, strict=True)):
        since += passes_seconds(o.stroke, region, o.depth, n, catalogue.pace, tempo)
        if i > first and since >= ASK_AGAIN and o.slot != "settle":
            asked.add(i)
        since = 0 if i in asked else since
    return asked


def _easiest_tool(option: Option, catalogue: Catalogue) -> str:
    return min(option.stroke.tools, key=lambda tool: catalogue.tools[tool].load_rank)
