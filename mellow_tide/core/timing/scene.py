"""The state at the table from one second to the next."""

from functools import lru_cache
from typing import Literal, NamedTuple

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region, Stand, TableHeight
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Setup

TransitionKind = Literal[
    "close_window",
    "wash",
    "towel",
    "wipe",
    "turn",
    "sit_back",
    "bolster",
    "walk",
    "height",
    "stool",
    "open_window",
    "announce",
    "oil",
    "check_in",
]
StandingPlace = Literal["head", "foot", "left", "right", "away"]
HandState = Literal["clean", "oiled", "soiled"]


class Scene(NamedTuple):
    """Position, where the therapist stands or sits, the open window, the hands, the table's height.

    `window_side` is `mid` for windows that are not per side; `also_open` is an earlier window that was not covered
    again. `away` is the basin. `stool` is where the stool stands, if it is at the table.
    """

    position: str
    place: StandingPlace
    window: str = "none"
    window_side: Side = "mid"
    hands: HandState = "clean"
    height: TableHeight = "low"
    stool: StandingPlace | None = None
    also_open: str = "none"
    also_side: Side = "mid"

    @property
    def seated(self) -> bool:
        """Whether the therapist sits."""
        return self.stool is not None and self.stool == self.place


class Transition(NamedTuple):
    """One named change of the scene, in whole seconds, with the window or place it is about."""

    kind: TransitionKind
    seconds: int
    about: str = ""
    side: Side = "mid"


def places(region: Region, setup: Setup) -> tuple[StandingPlace, ...]:
    """Where the therapist may stand as a part begins, the usual place first."""
    return find_places((setup.stand,) if setup.stand else region.stand_at(setup.position), setup.side)


@lru_cache(maxsize=256)
def find_places(stands: tuple[Stand, ...], side: Side) -> tuple[StandingPlace, ...]:
    """The places round the table that are meant on one side of the client, whose own side is the therapist's."""
    own: StandingPlace = "left" if side == "left" else "right"
    return tuple(own if stand == "own_side" else stand for stand in stands)


def opening_scene(setup: Setup, catalogue: Catalogue) -> Scene:
    """The scene before the first part: client settled and covered, therapist in place, hands clean."""
    region = catalogue.regions[setup.region]
    place = places(region, setup)[0]
    stool = place if wants_stool(setup, region, catalogue) else None
    return Scene(setup.position, place, height=wanted_height(setup, region, catalogue) or "low", stool=stool)


def wanted_height(setup: Setup, region: Region, catalogue: Catalogue) -> TableHeight | None:
    """The height that the work asks of a table that lifts; None where no table is, or it is set once."""
    lifts = catalogue.chosen["table_height"] == "lifts" and catalogue.positions[setup.position].flat
    return region.height if lifts and setup.role == "work" else None


def wants_stool(setup: Setup, region: Region, catalogue: Catalogue) -> bool:
    """Whether the therapist sits for this setup."""
    return setup.position in region.stool and catalogue.chosen["stool"] == "head_and_feet"
