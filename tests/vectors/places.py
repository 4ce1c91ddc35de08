"""The places of the catalogue, as the front end's table plan draws them."""

from tests.settings import CATALOGUE


def vectors():
    """By region: its sides, the positions in which it is reached, and its zones."""
    return {
        region.id: {
            "sides": region.sides,
            "positions": list(region.positions),
            "zones": list(region.zones),
        }
        for region in CATALOGUE.regions.values()
    }
