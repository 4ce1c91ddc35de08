"""Everything between strokes: what must happen before a part can begin, and how long it takes."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Visit
from mellow_tide.core.timing.scene import Scene, Transition, places, wanted_height, wants_stool

Change = tuple[Transition, Scene]
"""A transition and the scene once it is done."""


def approach(scene: Scene, visit: Visit, catalogue: Catalogue) -> tuple[tuple[Change, ...], Scene]:
    """What must happen, in order, before `visit` can be worked, each with the scene it leaves; and the working scene.

    The order is fixed: cover, rise, clean the hands, turn, walk, raise or lower the table, sit, uncover, announce. An
    oily or foot-soiled hand is cleaned before a region that asks for cleaner ones, and always once the feet are done.
    """
    region = catalogue.regions[visit.region]
    done: list[Change] = []
    _cover(scene, visit, region, catalogue, done)
    _rise(_now(scene, done), visit, region, catalogue, done)
    _clean(_now(scene, done), visit, region, catalogue, done)
    _turn(_now(scene, done), visit, catalogue, done)
    _walk(_now(scene, done), visit, region, catalogue, done)
    _raise(_now(scene, done), visit, region, catalogue, done)
    _sit(_now(scene, done), visit, region, catalogue, done)
    _uncover(_now(scene, done), visit, catalogue, done)
    now = _now(scene, done)
    if visit.role == "work" and "announce" not in visit.skips:
        done.append((Transition("announce", catalogue.pace.announce, visit.region, visit.side), now))
    return tuple(done), _working(now, visit, region)


def _now(scene: Scene, done: list[Change]) -> Scene:
    return done[-1][1] if done else scene


def _window_side(visit: Visit, catalogue: Catalogue) -> Side:
    return visit.side if catalogue.windows[visit.window].per_side else "mid"


def _wanted_window(visit: Visit, catalogue: Catalogue) -> str:
    """The window to open for a visit: none where the work goes through clothing and uncovers nothing."""
    return visit.window if catalogue.windows[visit.window].uncovers else "none"


def _cover(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Change]) -> None:
    if scene.window == "none":
        return
    wanted = _wanted_window(visit, c)
    same = scene.window == wanted and scene.window_side == _window_side(visit, c)
    kept = wanted == "none" and scene.window in region.keeps_open and scene.window_side == visit.side
    if scene.position == visit.position and (same or kept):
        return
    if scene.also_open != "none":
        seconds = c.windows[scene.also_open].close_seconds
        closed = scene._replace(also_open="none", also_side="mid")
        done.append((Transition("close_window", seconds, scene.also_open, scene.also_side), closed))
        scene = closed
    if "cover" in visit.skips and scene.position == visit.position:
        return
    closing = Transition(
        "close_window", c.windows[scene.window].close_seconds, scene.window, scene.window_side
    )
    done.append((closing, scene._replace(window="none", window_side="mid")))


def _rise(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Change]) -> None:
    if scene.stool is None:
        return
    stays = scene.position == visit.position and scene.stool in places(region, visit.side)
    if stays and wants_stool(visit, region, c):
        return
    done.append((Transition("stool", c.pace.stool, "back"), scene._replace(stool=None)))


def _clean(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Change]) -> None:
    if region.soils_hands or scene.hands == "clean" or "clean_hands" in visit.skips:
        return
    how = c.chosen["clean_after_feet"]
    soiled = scene.hands == "soiled" and how != "none"
    if not soiled and not (region.hands == "clean" and visit.role == "work"):
        return
    if soiled and how == "wipe":
        done.append((Transition("towel", c.pace.towel, "hands"), scene))
        done.append((Transition("wipe", c.pace.wipe, "hands"), scene._replace(hands="clean")))
        return
    washed = scene._replace(hands="clean", place="away")
    done.append((Transition("wash", c.pace.wash_hands), washed))


def _turn(scene: Scene, visit: Visit, c: Catalogue, done: list[Change]) -> None:
    if scene.position == visit.position:
        return
    before, after = c.positions[scene.position], c.positions[visit.position]
    if before.seated and after.seated:
        done.append((Transition("sit_back", c.pace.sit_back, visit.position), _turned(scene, visit)))
        return
    seconds = c.pace.side_turn if before.upper and after.upper else c.pace.turn
    turned = _turned(scene, visit)._replace(place="right")
    done.append((Transition("turn", seconds, visit.position), turned))
    done.append((Transition("bolster", c.pace.bolster, visit.position), turned))


def _turned(scene: Scene, visit: Visit) -> Scene:
    return scene._replace(position=visit.position)


def _walk(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Change]) -> None:
    there = places(region, visit.side)
    if scene.place not in there:
        done.append((Transition("walk", c.pace.walk, there[0]), scene._replace(place=there[0])))


def _raise(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Change]) -> None:
    wanted = wanted_height(visit, region, c)
    if wanted is not None and wanted != scene.height:
        done.append((Transition("height", c.pace.height, wanted), scene._replace(height=wanted)))


def _sit(scene: Scene, visit: Visit, region: Region, c: Catalogue, done: list[Change]) -> None:
    if scene.stool is None and wants_stool(visit, region, c):
        done.append((Transition("stool", c.pace.stool, "fetch"), scene._replace(stool=scene.place)))


def _uncover(scene: Scene, visit: Visit, c: Catalogue, done: list[Change]) -> None:
    side = _window_side(visit, c)
    wanted = _wanted_window(visit, c)
    if wanted == "none" or (scene.window, scene.window_side) == (wanted, side):
        return
    opening = Transition("open_window", c.windows[visit.window].open_seconds, visit.window, side)
    done.append((opening, _uncovered(scene, visit.window, side)))


def _uncovered(scene: Scene, window: str, side: Side) -> Scene:
    """The scene with a window open, beside one that was left open."""
    return scene._replace(
        window=window, window_side=side, also_open=scene.window, also_side=scene.window_side
    )


def _working(scene: Scene, visit: Visit, region: Region) -> Scene:
    if visit.role != "work":
        return scene
    if region.soils_hands:
        return scene._replace(hands="soiled")
    return scene._replace(hands="oiled") if visit.medium == "lubricated" else scene
