"""Everything between strokes: what must happen before a stop can begin, and how long it takes."""

from dataclasses import dataclass, replace
from typing import Literal

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.flow.flow import Side, Visit

TransitionKind = Literal[
    "close_window", "wash", "turn", "bolster", "walk", "open_window", "announce", "oil", "check_in"
]
Place = Literal["head", "foot", "left", "right", "away"]
HandState = Literal["clean", "oiled", "soiled"]


@dataclass(frozen=True, slots=True)
class Scene:
    """The state at the table: position, where the therapist stands, the open window, the hands.

    `window_side` is `mid` for windows that are not per side. `away` is the basin.
    """

    position: str
    place: Place
    window: str = "none"
    window_side: Side = "mid"
    hands: HandState = "clean"


@dataclass(frozen=True, slots=True)
class Transition:
    """One named change of the scene, in whole seconds, with the window or place it is about."""

    kind: TransitionKind
    seconds: int
    about: str = ""
    side: Side = "mid"


def opening_scene(visit: Visit, catalogue: Catalogue) -> Scene:
    """The scene before the first stop: client settled and covered, therapist in place, hands clean."""
    return Scene(visit.position, _places(catalogue.regions[visit.region], visit.side)[0])


def approach(scene: Scene, visit: Visit, catalogue: Catalogue) -> tuple[tuple[Transition, ...], Scene]:
    """What must happen, in order, before `visit` can be worked, and the scene it leaves.

    The order is fixed: cover, wash, turn, walk, uncover, announce. An oily or foot-soiled hand is washed
    before a region that asks for cleaner ones, and always once the feet are done.
    """
    region = catalogue.regions[visit.region]
    done: list[Transition] = []
    scene = _cover(scene, visit, region, catalogue, done)
    scene = _wash(scene, visit, region, catalogue, done)
    scene = _turn(scene, visit, catalogue, done)
    scene = _walk(scene, visit, region, catalogue, done)
    scene = _uncover(scene, visit, catalogue, done)
    if visit.role == "work":
        done.append(Transition("announce", catalogue.pace.announce, visit.region, visit.side))
    return tuple(done), _after_work(scene, visit, region)


def _window_side(visit: Visit, catalogue: Catalogue) -> Side:
    return visit.side if catalogue.windows[visit.window].per_side else "mid"


def _cover(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Transition]) -> Scene:
    if scene.window == "none":
        return scene
    same = scene.window == visit.window and scene.window_side == _window_side(visit, c)
    kept = visit.window == "none" and scene.window in region.keeps_open and scene.window_side == visit.side
    if scene.position == visit.position and (same or kept):
        return scene
    done.append(
        Transition("close_window", c.windows[scene.window].close_seconds, scene.window, scene.window_side)
    )
    return replace(scene, window="none", window_side="mid")


def _wash(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Transition]) -> Scene:
    if region.soils_hands or scene.hands == "clean":
        return scene
    wants_clean = region.hands == "clean" and visit.role == "work"
    if scene.hands != "soiled" and not wants_clean:
        return scene
    done.append(Transition("wash", c.pace.wash_hands))
    return replace(scene, hands="clean", place="away")


def _turn(scene: Scene, visit: Visit, c: Catalogue, done: list[Transition]) -> Scene:
    if scene.position == visit.position:
        return scene
    done.append(Transition("turn", c.pace.turn, visit.position))
    done.append(Transition("bolster", c.pace.bolster, visit.position))
    return replace(scene, position=visit.position, place="right")


def _walk(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Transition]) -> Scene:
    places = _places(region, visit.side)
    if scene.place in places:
        return scene
    done.append(Transition("walk", c.pace.walk, places[0]))
    return replace(scene, place=places[0])


def _uncover(scene: Scene, visit: Visit, c: Catalogue, done: list[Transition]) -> Scene:
    if visit.window == "none" or scene.window != "none":
        return scene
    side = _window_side(visit, c)
    done.append(Transition("open_window", c.windows[visit.window].open_seconds, visit.window, side))
    return replace(scene, window=visit.window, window_side=side)


def _after_work(scene: Scene, visit: Visit, region: Region) -> Scene:
    if visit.role != "work":
        return scene
    if region.soils_hands:
        return replace(scene, hands="soiled")
    return replace(scene, hands="oiled") if visit.medium == "lubricated" else scene


def _places(region: Region, side: Side) -> tuple[Place, ...]:
    """Where the therapist may stand, the usual place first. The client's own side is the therapist's."""
    own: Place = "left" if side == "left" else "right"
    return tuple(own if stand == "own_side" else stand for stand in region.stand)
