"""One way to write a place, so that two words for one place are never taken for two places."""

from collections.abc import Iterable
from typing import TypeVar

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.brief import ConditionPlaces, Place
from mellow_tide.core.meeting.changes import place_key
from mellow_tide.core.meeting.record import ClientRecord

P = TypeVar("P", bound=Place)


def name_sides(places: Iterable[P], catalogue: Catalogue) -> tuple[P, ...]:
    """The places, each once: a middle region's whole, written `both` or `mid`, is `mid`."""
    return tuple({place_key(one): one for one in (_named(place, catalogue) for place in places)}.values())


def name_record_sides(record: ClientRecord, catalogue: Catalogue) -> ClientRecord:
    """The record with all its places written so."""
    return record.model_copy(
        update={
            "excluded": name_sides(record.excluded, catalogue),
            "tension": name_sides(record.tension, catalogue),
            "condition_places": name_condition_sides(record.condition_places, catalogue),
        }
    )


def name_condition_sides(
    told: Iterable[ConditionPlaces], catalogue: Catalogue
) -> tuple[ConditionPlaces, ...]:
    """Where conditions are, written so."""
    return tuple(one.model_copy(update={"places": name_sides(one.places, catalogue)}) for one in told)


def _named(place: P, catalogue: Catalogue) -> P:
    region = catalogue.regions.get(place.region)
    whole = region is not None and region.sides == "mid" and place.side == "both"
    return place.model_copy(update={"side": "mid"}) if whole else place
