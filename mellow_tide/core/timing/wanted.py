"""What a part wants of the scene it begins in."""

from functools import lru_cache
from typing import NamedTuple

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import TableHeight
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Setup
from mellow_tide.core.timing.scene import HandState, StandingPlace, places, wanted_height, wants_stool


class WantedScene(NamedTuple):
    """The scene that a part wants: where it lies, what it bares, where one stands, how the hands are.

    `window` is `none` where nothing is uncovered; `is_limb`: its window is one side's own, and that side is
    `window_side`. `keeps_open` are the windows that may stay open for it. `places`: where one may stand, the usual
    place first. `height` is None where the table stays as it is. `cleaner`: soiled hands are cleaned before it;
    `clean`: oily ones too. `leaves`: how the hands are afterwards, None: as they came.
    """

    position: str
    side: Side
    window: str
    window_side: Side
    is_limb: bool
    keeps_open: tuple[str, ...]
    places: tuple[StandingPlace, ...]
    stool: bool
    height: TableHeight | None
    cleaner: bool
    clean: bool
    leaves: HandState | None


@lru_cache(maxsize=4_000)
def find_wanted_scene(setup: Setup, catalogue: Catalogue) -> WantedScene:
    """What a part with this setup wants."""
    region, window = catalogue.regions[setup.region], catalogue.windows[setup.window]
    works = setup.role == "work"
    cleaner = not region.soils_hands and "clean_hands" not in setup.skips
    oiled: HandState | None = "oiled" if setup.medium == "lubricated" else None
    return WantedScene(
        setup.position,
        setup.side,
        setup.window if window.uncovers else "none",
        setup.side if window.per_side else "mid",
        bool(window.uncovers) and window.per_side,
        region.keeps_open,
        places(region, setup),
        wants_stool(setup, region, catalogue),
        wanted_height(setup, region, catalogue),
        cleaner,
        cleaner and works and region.hands == "clean",
        ("soiled" if region.soils_hands else oiled) if works else None,
    )
