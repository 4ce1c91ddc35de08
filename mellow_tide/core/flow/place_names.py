"""Places on a client as one says them."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.flow.brief import Place, Side


def say_place(place: Place, catalogue: Catalogue) -> str:
    """A place as one says it: `left foot, toes`, `both hips`, `back`."""
    return say_site(catalogue.regions[place.region], place.side, place.zone)


def say_site(region: Region, side: Side, zone: str | None) -> str:
    """The same of its pieces."""
    name = region.sided(side)
    return f"{name}, {region.name_zone(zone)}" if zone else name
