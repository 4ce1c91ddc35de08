"""All that a flow does, timed: stroke after stroke and what lies between, each with its second and its scene."""

from collections.abc import Iterator
from typing import NamedTuple, cast

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Flow, Part, Setup, Step
from mellow_tide.core.flow.passages import are_one
from mellow_tide.core.timing.oiling import plan_oilings, wants_oil
from mellow_tide.core.timing.scene import Scene, StandingPlace, Transition, TransitionKind, opening_scene
from mellow_tide.core.timing.standing import plan_walks
from mellow_tide.core.timing.step_seconds import step_seconds
from mellow_tide.core.timing.tempo import USUAL, Tempo
from mellow_tide.core.timing.transitions import approach


class Timed(NamedTuple):
    """One stroke or transition of a flow, in whole seconds from the first touch, and the scene during it.

    `part` and `step` index the flow. What leads to a part has no step; `earlier` is how often the same was done on the
    way there already.
    """

    part: int
    scene: Scene
    step: int | None
    item: Transition | Step
    start: int
    seconds: int
    earlier: int = 0


def go_through(flow: Flow, catalogue: Catalogue, tempo: Tempo) -> Iterator[Timed]:
    """All that happens in `flow`, without gaps or overlaps. `catalogue`: as it is in this session."""
    clock = 0
    scene = opening_scene(flow.parts[0].setup, catalogue)
    oiled: int | None = None
    last: Setup | None = None
    for index, part in enumerate(flow.parts):
        changes, working = approach(scene, part.setup, catalogue)
        kinds: list[TransitionKind] = []
        for transition, after in changes:
            during = after if transition.kind == "wash" else scene
            earlier = kinds.count(transition.kind)
            kinds.append(transition.kind)
            yield Timed(index, during, None, transition, clock, transition.seconds, earlier)
            clock += transition.seconds
            scene = after
        goes_on = last is not None and are_one(last, part.setup, catalogue)
        if part.role == "integrate":
            worked, _ = work_through(part, catalogue, tempo, None, scene.place)
        else:
            worked, oiled = work_through(part, catalogue, tempo, oiled if goes_on else None, scene.place)
            last = part.setup
        for step, item, seconds in worked:
            yield Timed(index, scene, step, item, clock, seconds)
            if isinstance(item, Transition):
                if item.kind == "walk":
                    scene, working = _walked(scene, item), _walked(working, item)
                # Hands are as they came until the first oil of the part goes on.
                scene = working if item.kind == "oil" else scene
            clock += seconds
        scene = working


Worked = tuple[int, Transition | Step, int]
"""The index of a step, itself or what belongs to it, and whole seconds."""


def work_through(
    part: Part,
    catalogue: Catalogue,
    tempo: Tempo,
    oiled: int | None = None,
    here: StandingPlace | None = None,
) -> tuple[list[Worked], int | None]:
    """The steps of `part` in order with the oiling, wiping, walking and asking that belong to them; and how old the oil
    is then.

    A hot towel is fetched before the stroke it is for. One walks while the oil goes on: the longer of the two counts.
    `oiled` are the seconds that the oil of its passage has been worked, None before the first: see `plan_oilings`;
    `here` is where the therapist stands as it begins: see `plan_walks`.
    """
    region, clock = catalogue.regions[part.region], catalogue.clock
    strokes = [catalogue.strokes[step.stroke] for step in part.steps]
    taken = [
        step_seconds(step, stroke, region, catalogue, tempo)
        for step, stroke in zip(part.steps, strokes, strict=True)
    ]
    worked = (
        (part.medium == "lubricated" and wants_oil(stroke, step.slot), step.slot == "settle", seconds)
        for step, stroke, seconds in zip(part.steps, strokes, taken, strict=True)
    )
    oilings, oiled = plan_oilings(worked, clock.oil_lasts, oiled)
    found: list[Worked] = []

    def serve(index: int, kind: TransitionKind, seconds: int) -> None:
        found.append((index, Transition(kind, seconds, part.region, part.side), seconds))

    walks = plan_walks(part, catalogue, here)
    for index, (step, oiling, walk) in enumerate(zip(part.steps, oilings, walks, strict=True)):
        oil = 0 if not oiling else clock.oil_first if oiling == "first" else clock.oil_again
        if oiling:
            serve(index, "oil", oil)
        if walk:
            seconds = max(0, clock.walk - oil)
            found.append((index, Transition("walk", seconds, walk), seconds))
        if strokes[index].heat:
            serve(index, "towel", clock.towel)
        if step.wipe:
            serve(index, "wipe", clock.wipe)
        found.append((index, step, taken[index]))
        if step.check_in and clock.check_in:
            serve(index, "check_in", clock.check_in)
    return found, oiled


def _walked(scene: Scene, walk: Transition) -> Scene:
    return scene._replace(place=cast("StandingPlace", walk.about))


def part_seconds(part: Part, catalogue: Catalogue, tempo: Tempo = USUAL) -> int:
    """Whole seconds of working `part` by itself, oiling, asking and walking included, getting there not."""
    return sum(seconds for _, _, seconds in work_through(part, catalogue, tempo)[0])
