"""Regions and places as one says them, and sentences that agree with them."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.flow.brief import Place, Side

ONE = {
    "is": "is",
    "has": "has",
    "does": "does",
    "gets": "gets",
    "needs": "needs",
    "it": "it",
}
MANY = {
    "is": "are",
    "has": "have",
    "does": "do",
    "gets": "get",
    "needs": "need",
    "it": "them",
}


def agree(region: Region, words: str) -> str:
    """`words` with {is}, {has}, {does}, {gets}, {needs} and {it} in the number of `region.whole`."""
    return words.format_map(MANY if region.plural else ONE)


def say_place(place: Place, catalogue: Catalogue) -> str:
    """A place as one says it: `left foot, toes`, `both hips`, `back`."""
    return say_site(catalogue.regions[place.region], place.side, place.zone)


def say_site(region: Region, side: Side, zone: str | None) -> str:
    """The same of its pieces."""
    name = region.sided(side)
    return f"{name}, {region.name_zone(zone)}" if zone else name
