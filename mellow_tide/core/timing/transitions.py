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
    now = _cover(scene, setup, region, catalogue, done)
    now = _rise(now, setup, region, catalogue, done)
    now = _clean(now, setup, region, catalogue, done)
    now = _turn(now, setup, catalogue, done)
    now = _walk(now, setup, region, catalogue, done)
    now = _raise(now, setup, region, catalogue, done)
    now = _sit(now, setup, region, catalogue, done)
    now = _uncover(now, setup, catalogue, done)
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


def _done(transition: Transition, scene: Scene, done: list[SceneChange]) -> Scene:
    """The scene that a transition leaves, once it is noted."""
    done.append((transition, scene))
    return scene


def _window_side(setup: Setup, catalogue: Catalogue) -> Side:
    return setup.side if catalogue.windows[setup.window].per_side else "mid"


def _wanted_window(setup: Setup, catalogue: Catalogue) -> str:
    """The window to open for a setup: none where the work goes through clothing and uncovers nothing."""
    return setup.window if catalogue.windows[setup.window].uncovers else "none"


def _cover(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> Scene:
    if scene.window == "none":
        return scene
    wanted = _wanted_window(setup, c)
    same = scene.window == wanted and scene.window_side == _window_side(setup, c)
    kept = wanted == "none" and scene.window in region.keeps_open and scene.window_side == setup.side
    if scene.position == setup.position and (same or kept):
        return scene
    if scene.also_open != "none":
        seconds = c.windows[scene.also_open].close_seconds
        closing = Transition("close_window", seconds, scene.also_open, scene.also_side)
        scene = _done(closing, scene._replace(also_open="none", also_side="mid"), done)
    if "cover" in setup.skips and scene.position == setup.position:
        return scene
    seconds = c.windows[scene.window].close_seconds
    closing = Transition("close_window", seconds, scene.window, scene.window_side)
    return _done(closing, scene._replace(window="none", window_side="mid"), done)


def _rise(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> Scene:
    if scene.stool is None:
        return scene
    stays = scene.position == setup.position and scene.stool in places(region, setup)
    if stays and wants_stool(setup, region, c):
        return scene
    return _done(Transition("stool", c.clock.stool, "back"), scene._replace(stool=None), done)


def _clean(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> Scene:
    if region.soils_hands or scene.hands == "clean" or "clean_hands" in setup.skips:
        return scene
    how = c.chosen["clean_after_feet"]
    soiled = scene.hands == "soiled" and how != "none"
    if not soiled and not (region.hands == "clean" and setup.role == "work"):
        return scene
    clean = scene._replace(hands="clean")
    # A wash would cost the end its quiet, and on the side the feet come twice.
    quiet = setup.role == "close" or c.positions[scene.position].upper
    if soiled and how == "wash" and not quiet:
        return _done(Transition("wash", c.clock.wash_hands), clean._replace(place="away"), done)
    if soiled and how == "wipe" and not quiet:
        _done(Transition("towel", c.clock.towel, "hands"), scene, done)
    return _done(Transition("wipe", c.clock.wipe, "hands"), clean, done)


def _turn(scene: Scene, setup: Setup, c: Catalogue, done: list[SceneChange]) -> Scene:
    if scene.position == setup.position:
        return scene
    before, after = c.positions[scene.position], c.positions[setup.position]
    turned = scene._replace(position=setup.position)
    if before.seated and after.seated:
        return _done(Transition("sit_back", c.clock.sit_back, setup.position), turned, done)
    seconds = c.clock.side_turn if before.upper and after.upper else c.clock.turn
    return _done(Transition("turn", seconds, setup.position), turned._replace(place="right"), done)


def _walk(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> Scene:
    there = places(region, setup)
    if scene.place in there:
        return scene
    # What happens between covering and walking is done standing still.
    covering = done[-1][0] if done and done[-1][0].kind == "close_window" else None
    seconds = max(0, c.clock.walk - (covering.seconds if covering else 0))
    return _done(Transition("walk", seconds, there[0]), scene._replace(place=there[0]), done)


def _raise(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> Scene:
    wanted = wanted_height(setup, region, c)
    if wanted is None or wanted == scene.height:
        return scene
    walking = bool(done) and done[-1][0].kind == "walk"
    seconds = max(0, c.clock.height - c.clock.walk) if walking else c.clock.height
    return _done(Transition("height", seconds, wanted), scene._replace(height=wanted), done)


def _sit(scene: Scene, setup: Setup, region: Region, c: Catalogue, done: list[SceneChange]) -> Scene:
    if scene.stool is not None or not wants_stool(setup, region, c):
        return scene
    return _done(Transition("stool", c.clock.stool, "fetch"), scene._replace(stool=scene.place), done)


def _uncover(scene: Scene, setup: Setup, c: Catalogue, done: list[SceneChange]) -> Scene:
    side = _window_side(setup, c)
    wanted = _wanted_window(setup, c)
    if wanted == "none" or (scene.window, scene.window_side) == (wanted, side):
        return scene
    opening = Transition("open_window", c.windows[setup.window].open_seconds, setup.window, side)
    return _done(opening, _uncovered(scene, setup.window, side), done)


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
