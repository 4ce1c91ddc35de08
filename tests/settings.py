"""The catalogue as it ships, worked by the usual rules, and settings made of it."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.house import DEFAULTS, House
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.tempo import OwnPace

CATALOGUE = in_house(DEFAULTS, load_catalogue())


def setting(
    client: ClientFacts,
    catalogue: Catalogue = CATALOGUE,
    house: House = DEFAULTS,
    pace: OwnPace | None = None,
) -> Setting:
    """The setting of a client in a practice that works as `house` says, or by `catalogue`."""
    ours = catalogue if house == DEFAULTS else in_house(house, load_catalogue())
    return Setting.of(client, ours, pace)
