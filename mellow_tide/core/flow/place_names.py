"""Places on a client as one says them."""

from collections.abc import Sequence

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.flow.brief import Place, Side
from mellow_tide.core.phrases.book import say


def say_place(place: Place, catalogue: Catalogue) -> str:
    """A place as one says it: `left foot, toes`, `both hips`, `back`."""
    return say_site(catalogue.regions[place.region], place.side, place.zone)


def say_places(places: Sequence[Place], catalogue: Catalogue) -> str:
    """Where a condition is: its places with semicolons between them, or that it is nowhere that is worked."""
    return "; ".join(say_place(place, catalogue) for place in places) or say("care.nowhere")


def say_site(region: Region, side: Side, zone: str | None) -> str:
    """The same of its pieces."""
    name = region.sided(side)
    return f"{name}, {region.name_zone(zone)}" if zone else name
