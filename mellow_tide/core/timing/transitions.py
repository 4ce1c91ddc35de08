"""Everything between strokes: what must happen before a part can begin, and how long it takes."""

from functools import lru_cache

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import TableHeight
from mellow_tide.core.flow.flow import Setup
from mellow_tide.core.timing.scene import Scene, Transition
from mellow_tide.core.timing.wanted import WantedScene, find_wanted_scene

SceneChange = tuple[Transition, Scene]
"""A transition and the scene once it is done."""


@lru_cache(maxsize=20_000)
def approach(scene: Scene, setup: Setup, catalogue: Catalogue) -> tuple[tuple[SceneChange, ...], Scene]:
    """What must happen, in order, before `setup` can be worked, each with the scene it leaves; and the working scene.

    The order is fixed: cover, rise, clean the hands, turn, walk, raise or lower the table, sit, uncover, announce. An
    oily or foot-soiled hand is cleaned before a region that asks for cleaner ones, and always once the feet are done.
    One walks while the cover settles, and the table moves while one walks: the longer of the two counts. A limb is
    announced when it is uncovered, anything else each time.
    """
    wanted = find_wanted_scene(setup, catalogue)
    done: list[SceneChange] = []
    now = scene
    if now.window != "none":
        now = _cover(now, wanted, "cover" in setup.skips, catalogue, done)
    if now.stool is not None:
        now = _rise(now, wanted, catalogue, done)
    if now.hands != "clean" and wanted.cleaner:
        now = _clean(now, wanted, setup.role == "close", catalogue, done)
    if now.position != wanted.position:
        now = _turn(now, wanted, catalogue, done)
    if now.place not in wanted.places:
        now = _walk(now, wanted, catalogue, done)
    if wanted.height is not None and wanted.height != now.height:
        now = _raise(now, wanted.height, catalogue, done)
    if wanted.stool and now.stool is None:
        now = _done(Transition("stool", catalogue.clock.stool, "fetch"), now._replace(stool=now.place), done)
    opens = wanted.window != "none" and (now.window, now.window_side) != (wanted.window, wanted.window_side)
    if opens:
        now = _uncover(now, wanted, catalogue, done)
    announces = setup.role == "work" and "announce" not in setup.skips
    if announces and (opens or not _is_held(scene, wanted)):
        done.append((Transition("announce", catalogue.clock.announce, setup.region, setup.side), now))
    leaves = wanted.leaves
    return tuple(done), now if leaves is None or leaves == now.hands else now._replace(hands=leaves)


def _is_held(scene: Scene, wanted: WantedScene) -> bool:
    """Whether the hands are on the limb already: its window is open, or that of the limb it goes with."""
    if scene.window_side != wanted.side or scene.position != wanted.position:
        return False
    return (scene.window == wanted.window and wanted.is_limb) or scene.window in wanted.keeps_open


def _done(transition: Transition, scene: Scene, done: list[SceneChange]) -> Scene:
    """The scene that a transition leaves, once it is noted."""
    done.append((transition, scene))
    return scene


def _cover(scene: Scene, wanted: WantedScene, stays: bool, c: Catalogue, done: list[SceneChange]) -> Scene:
    """Cover what is open, unless it is what the part wants or `stays` open in this position."""
    same = scene.window == wanted.window and scene.window_side == wanted.window_side
    kept = wanted.window == "none" and scene.window in wanted.keeps_open and scene.window_side == wanted.side
    if scene.position == wanted.position and (same or kept):
        return scene
    if scene.also_open != "none":
        seconds = c.windows[scene.also_open].close_seconds
        closing = Transition("close_window", seconds, scene.also_open, scene.also_side)
        scene = _done(closing, scene._replace(also_open="none", also_side="mid"), done)
    if stays and scene.position == wanted.position:
        return scene
    seconds = c.windows[scene.window].close_seconds
    closing = Transition("close_window", seconds, scene.window, scene.window_side)
    return _done(closing, scene._replace(window="none", window_side="mid"), done)


def _rise(scene: Scene, wanted: WantedScene, c: Catalogue, done: list[SceneChange]) -> Scene:
    if wanted.stool and scene.position == wanted.position and scene.stool in wanted.places:
        return scene
    return _done(Transition("stool", c.clock.stool, "back"), scene._replace(stool=None), done)


def _clean(scene: Scene, wanted: WantedScene, ends: bool, c: Catalogue, done: list[SceneChange]) -> Scene:
    how = c.chosen["clean_after_feet"]
    soiled = scene.hands == "soiled" and how != "none"
    if not soiled and not wanted.clean:
        return scene
    clean = scene._replace(hands="clean")
    # A wash would cost the end its quiet, and on the side the feet come twice.
    quiet = ends or c.positions[scene.position].upper
    if soiled and how == "wash" and not quiet:
        return _done(Transition("wash", c.clock.wash_hands), clean._replace(place="away"), done)
    if soiled and how == "wipe" and not quiet:
        _done(Transition("towel", c.clock.towel, "hands"), scene, done)
    return _done(Transition("wipe", c.clock.wipe, "hands"), clean, done)


def _turn(scene: Scene, wanted: WantedScene, c: Catalogue, done: list[SceneChange]) -> Scene:
    before, after = c.positions[scene.position], c.positions[wanted.position]
    turned = scene._replace(position=wanted.position)
    if before.seated and after.seated:
        return _done(Transition("sit_back", c.clock.sit_back, wanted.position), turned, done)
    seconds = c.clock.side_turn if before.upper and after.upper else c.clock.turn
    return _done(Transition("turn", seconds, wanted.position), turned._replace(place="right"), done)


def _walk(scene: Scene, wanted: WantedScene, c: Catalogue, done: list[SceneChange]) -> Scene:
    there = wanted.places[0]
    # What happens between covering and walking is done standing still.
    covering = done[-1][0] if done and done[-1][0].kind == "close_window" else None
    seconds = max(0, c.clock.walk - (covering.seconds if covering else 0))
    return _done(Transition("walk", seconds, there), scene._replace(place=there), done)


def _raise(scene: Scene, height: TableHeight, c: Catalogue, done: list[SceneChange]) -> Scene:
    walking = bool(done) and done[-1][0].kind == "walk"
    seconds = max(0, c.clock.height - c.clock.walk) if walking else c.clock.height
    return _done(Transition("height", seconds, height), scene._replace(height=height), done)


def _uncover(scene: Scene, wanted: WantedScene, c: Catalogue, done: list[SceneChange]) -> Scene:
    """Open the window, beside one that was left open."""
    window, side = wanted.window, wanted.window_side
    bared = scene._replace(
        window=window, window_side=side, also_open=scene.window, also_side=scene.window_side
    )
    return _done(Transition("open_window", c.windows[window].open_seconds, window, side), bared, done)
