"""What to lay out for a session: lubricant in ml by region, and linen."""

from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.supplies.body_surface import mosteller
from mellow_tide.core.timing.run_sheet import RunSheet

ML_FOR_PERCENT = 0.27
"""Lubricant for one percent of body surface of the reference body: a whole body takes 20 to 30 ml (common practice)."""

AGAIN = 0.4
"""Part of the first amount that goes on when a region is oiled again (from experience)."""

REFERENCE_SURFACE = mosteller(170, 70)
USUAL_BODY_MASS_INDEX = 24
"""Stands in for the weight where none is known: kg over m2 of height."""

LINEN = ("two sheets", "blanket", "face-cradle cover", "hand towel")
CHEST_COVER = "chest-cover towel"


class Lubricant(Record):
    """Millilitres for one region, both sides together."""

    region: str
    millilitres: Annotated[float, Field(ge=0)]


class Supplies(Record):
    """What to lay out: lubricant in all and by region, and linen by the piece."""

    millilitres: float
    by_region: tuple[Lubricant, ...]
    linen: tuple[str, ...]


def supplies(flow: Flow, sheet: RunSheet, catalogue: Catalogue, height_cm: int) -> Supplies:
    """Scale lubricant with body surface and with how often each region is oiled."""
    weight = USUAL_BODY_MASS_INDEX * (height_cm / 100) ** 2
    scale = ML_FOR_PERCENT * mosteller(height_cm, weight) / REFERENCE_SURFACE
    amounts: dict[str, float] = {}
    oiled: set[str] = set()
    for entry in sheet.entries:
        if entry.kind != "oil":
            continue
        part = 1.0 if entry.stop_id not in oiled else AGAIN
        oiled.add(entry.stop_id)
        region = catalogue.regions[entry.region]
        amounts[region.id] = amounts.get(region.id, 0) + part * scale * region.share * region.oil_factor
    by_region = tuple(Lubricant(region=id, millilitres=round(ml, 1)) for id, ml in amounts.items())
    chest = (CHEST_COVER,) if any(stop.window == "abdomen" for stop in flow.stops) else ()
    return Supplies(
        millilitres=round(sum(amounts.values()), 1),
        by_region=by_region,
        linen=(*LINEN, *chest),
    )
