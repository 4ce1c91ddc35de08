"""Parts that always travel together: the legs of a row."""

from collections.abc import Iterator
from dataclasses import replace
from functools import lru_cache

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.rules import Closing, Opening
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Role, Setup
from mellow_tide.core.planner.order.way import sides_in
from mellow_tide.core.planner.strokes.repertoire import medium_of

Leg = tuple[Setup, ...]

BOTH: tuple[Side, ...] = ("right", "left")
"""The sides in the order in which they are worked where nothing else decides."""


@lru_cache(maxsize=8_000)
def list_legs(
    regions: tuple[str, ...], position: str, clothed: bool, catalogue: Catalogue
) -> tuple[Leg, ...]:
    """The legs of one row in `position`.

    Mid-line regions travel alone, pairs worked from an end of the table in one go; of pairs worked from the client's
    own side those with one window travel together, one leg a side.
    """
    found: list[Leg] = []
    sided: list[str] = []
    for id in regions:
        region = catalogue.regions[id]
        if region.sides == "pair" and ("own_side" in region.stand_at(position) or region.with_limb):
            sided.append(id)
        else:
            sides = sides_in(id, position, catalogue)
            found.append(tuple(set_up(id, side, position, clothed, catalogue) for side in sides))
    worked = {id: sides_in(id, position, catalogue) for id in sided}
    for side in BOTH:
        there = [id for id in sided if side in worked[id]]
        for together in _together(there, position, catalogue):
            found.append(tuple(set_up(id, side, position, clothed, catalogue) for id in together))
    return tuple(found)


@lru_cache(maxsize=8_000)
def list_silent_legs(
    regions: tuple[str, ...], position: str, clothed: bool, catalogue: Catalogue
) -> tuple[Leg, ...]:
    """The legs of one row without the announcements that cost the same in any order."""
    return tuple(
        tuple(_silent(setup, position, catalogue) for setup in leg)
        for leg in list_legs(regions, position, clothed, catalogue)
    )


def _silent(setup: Setup, position: str, catalogue: Catalogue) -> Setup:
    always = is_always_announced(setup.region, position, catalogue)
    return replace(setup, skips=("announce",)) if always else setup


def is_always_announced(id: str, position: str, catalogue: Catalogue) -> bool:
    """Whether a region is announced wherever it comes; a limb is only when it is uncovered."""
    region = catalogue.regions[id]
    return not (region.keeps_open or catalogue.windows[region.window_in(position)].per_side)


def _together(ids: list[str], position: str, catalogue: Catalogue) -> Iterator[list[str]]:
    """Split `ids` where the window changes and need not stay open, but not between a limb and what goes with it."""
    group: list[str] = []
    for id in ids:
        region = catalogue.regions[id]
        window = catalogue.regions[group[0]].window_in(position) if group else ""
        apart = region.window_in(position) != window and window not in region.keeps_open
        if group and apart and not (region.with_limb or catalogue.regions[group[-1]].with_limb):
            yield group
            group = []
        group.append(id)
    if group:
        yield group


def set_up(id: str, side: Side, position: str, clothed: bool, catalogue: Catalogue) -> Setup:
    """Where a region is worked."""
    window = catalogue.regions[id].window_in(position)
    return Setup("work", id, side, position, window, medium_of(id, clothed, catalogue))


def set_up_ritual(role: Role, ritual: Opening | Closing, position: str, catalogue: Catalogue) -> Setup:
    """Where the session's first or last still contact is, through the drape."""
    region = catalogue.regions[ritual.region]
    side: Side = (region.only or "both") if region.sides == "pair" else "mid"
    return Setup(role, ritual.region, side, position, "none", "clothed")
