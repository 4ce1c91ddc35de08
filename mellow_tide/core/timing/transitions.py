"""Everything between strokes: what must happen before a part can begin, and how long it takes."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Setup
from mellow_tide.core.timing.scene import Scene, Transition, places, wanted_height, wants_stool

SceneChange = tuple[Transition, Scene]
"""A transition and the scene once it is done."""


def approach(scene: Scene, setup: Setup, catalogue: Catalogue) -> tuple[tuple[SceneChange, ...], Scene]:
    """What must happen, in order, before `setup` can be worked, each with the scene it leaves; and the working scene.

    The order is fixed: cover, rise, clean the hands, turn, walk, raise or lower the table, sit, uncover, announce. An
    oily or foot-soiled hand is cleaned before a region that asks for cleaner ones, and always once the feet are done.
    One walks while the cover settles, and the table moves while one walks: the longer of the two counts. A limb is
    announced when it is uncovered, anything else each time.
    """
    region = catalogue.regions[setup.region]
    done: list[SceneChange] = []
    _cover(scene, setup, region, catalogue, done)
    _rise(_now(scene, done), setup, region, catalogue, done)
    _clean(_now(scene, done), setup, region, catalogue, done)
    _turn(_now(scene, done), setup, catalogue, done)
    _walk(_now(scene, done), setup, region, catalogue, done)
    _raise(_now(scene, done), setup, region, catalogue, done)
    _sit(_now(scene, done), setup, region, catalogue, done)
    _uncover(_now(scene, done), setup, catalogue, done)
    now = _now(scene, done)
    opened = done and done[-1][0].kind == "open_window"
    if (
        setup.role == "work"
        and "announce" not in setup.skips
        and (opened or not _is_held(scene, setup, region, catalogue))
    ):
        done.append((Transition("announce", catalogue.clock.announce, setup.region, setup.side), now))
    return tuple(done), _working(now, setup, region)


def _is_held(scene: Scene, setup: Setup, region: Region, catalogue: Catalogue) -> bool:
    """Whether the hands are on the limb already: its window is open, or that of the limb it goes with."""
    if scene.window_side != setup.side or scene.position != setup.position:
        return False
    same = scene.window == setup.window and catalogue.windows[setup.window].per_side
    return same or scene.window in region.keeps_open


def _now(scene: Scene, done: list[SceneChange]) -> Scene:
    return done[-1][1] if done else scene


def _window_side(setup: Setup, catalogue: Catalogue) -> Side:
    return setup.side if catalogue.windows[setup.window].per_side else "mid"


def _wanted_window(setup: Setup, catalogue: Catalogue) -> str:
    """The window to open for a setup: none where the work goes through clothing and uncovers nothing."""
    return setup.window if catalogue.windows[setup.window].uncovers else "none"


def _cover(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> None:
    if scene.window == "none":
        return
    wanted = _wanted_window(setup, c)
    same = scene.window == wanted and scene.window_side == _window_side(setup, c)
    kept = wanted == "none" and scene.window in region.keeps_open and scene.window_side == setup.side
    if scene.position == setup.position and (same or kept):
        return
    if scene.also_open != "none":
        seconds = c.windows[scene.also_open].close_seconds
        closed = scene._replace(also_open="none", also_side="mid")
        done.append((Transition("close_window", seconds, scene.also_open, scene.also_side), closed))
        scene = closed
    if "cover" in setup.skips and scene.position == setup.position:
        return
    closing = Transition(
        "close_window", c.windows[scene.window].close_seconds, scene.window, scene.window_side
    )
    done.append((closing, scene._replace(window="none", window_side="mid")))


def _rise(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> None:
    if scene.stool is None:
        return
    stays = scene.position == setup.position and scene.stool in places(region, setup)
    if stays and wants_stool(setup, region, c):
        return
    done.append((Transition("stool", c.clock.stool, "back"), scene._replace(stool=None)))


def _clean(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> None:
    if region.soils_hands or scene.hands == "clean" or "clean_hands" in setup.skips:
        return
    how = c.chosen["clean_after_feet"]
    soiled = scene.hands == "soiled" and how != "none"
    if not soiled and not (region.hands == "clean" and setup.role == "work"):
        return
    clean = scene._replace(hands="clean")
    # A wash would cost the end its quiet, and on the side the feet come twice.
    quiet = setup.role == "close" or c.positions[scene.position].upper
    if soiled and how == "wash" and not quiet:
        done.append((Transition("wash", c.clock.wash_hands), clean._replace(place="away")))
        return
    if soiled and how == "wipe" and not quiet:
        done.append((Transition("towel", c.clock.towel, "hands"), scene))
    done.append((Transition("wipe", c.clock.wipe, "hands"), clean))


def _turn(scene: Scene, setup: Setup, c: Catalogue, done: list[SceneChange]) -> None:
    if scene.position == setup.position:
        return
    before, after = c.positions[scene.position], c.positions[setup.position]
    if before.seated and after.seated:
        done.append((Transition("sit_back", c.clock.sit_back, setup.position), _turned(scene, setup)))
        return
    seconds = c.clock.side_turn if before.upper and after.upper else c.clock.turn
    turned = _turned(scene, setup)._replace(place="right")
    done.append((Transition("turn", seconds, setup.position), turned))


def _turned(scene: Scene, setup: Setup) -> Scene:
    return scene._replace(position=setup.position)


def _walk(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> None:
    there = places(region, setup)
    if scene.place not in there:
        # What happens between covering and walking is done standing still.
        covering = done[-1][0] if done and done[-1][0].kind == "close_window" else None
        seconds = max(0, c.clock.walk - (covering.seconds if covering else 0))
        done.append((Transition("walk", seconds, there[0]), scene._replace(place=there[0])))


def _raise(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> None:
    wanted = wanted_height(setup, region, c)
    if wanted is not None and wanted != scene.height:
        walking = bool(done) and done[-1][0].kind == "walk"
        seconds = max(0, c.clock.height - c.clock.walk) if walking else c.clock.height
        done.append((Transition("height", seconds, wanted), scene._replace(height=wanted)))


def _sit(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> None:
    if scene.stool is None and wants_stool(setup, region, c):
        done.append((Transition("stool", c.clock.stool, "fetch"), scene._replace(stool=scene.place)))


def _uncover(scene: Scene, setup: Setup, c: Catalogue, done: list[SceneChange]) -> None:
    side = _window_side(setup, c)
    wanted = _wanted_window(setup, c)
    if wanted == "none" or (scene.window, scene.window_side) == (wanted, side):
        return
    opening = Transition("open_window", c.windows[setup.window].open_seconds, setup.window, side)
    done.append((opening, _uncovered(scene, setup.window, side)))


def _uncovered(scene: Scene, window: str, side: Side) -> Scene:
    """The scene with a window open, beside one that was left open."""
    return scene._replace(
        window=window, window_side=side, also_open=scene.window, also_side=scene.window_side
    )


def _working(scene: Scene, setup: Setup, region: Region) -> Scene:
    if setup.role != "work":
        return scene
    if region.soils_hands:
        return scene._replace(hands="soiled")
    return scene._replace(hands="oiled") if setup.medium == "lubricated" else scene
