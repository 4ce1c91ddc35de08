"""The places of the catalogue, as the front end's table plan draws them, are held to one file."""

import json
from pathlib import Path

from mellow_tide.core.catalogue.loader import load_catalogue

VECTORS = Path(__file__).parents[1] / "vectors" / "places.json"


def places():
    """By region: its sides, the positions in which it is reached, and its zones."""
    return {
        region.id: {
            "sides": region.sides,
            "positions": list(region.positions),
            "zones": list(region.zones),
        }
        for region in load_catalogue().regions.values()
    }


def test_the_places_that_the_table_plan_is_held_to_are_the_catalogues():
    assert json.loads(VECTORS.read_text()) == places()
