"""The run sheet: a flow laid out on the clock, every second a stroke or a named transition."""

from collections.abc import Iterator
from typing import Annotated, Any, Literal

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Depth, Record, Slot
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.flow import Flow, Role, Side, Step, Stop
from mellow_tide.core.timing.step_seconds import step_seconds
from mellow_tide.core.timing.transitions import (
    HandState,
    Place,
    Scene,
    Transition,
    TransitionKind,
    approach,
    opening_scene,
)

TOLERATED = 15
"""Seconds by which a session may miss its hands-on minutes."""


class Entry(Record):
    """One stroke or transition on the clock; `start` and `seconds` are whole seconds from the first touch.

    `stop` and `step` index the flow; a transition has no step and belongs to the stop it leads to.
    The scene (position, place, window, hands) is the one during the entry.
    """

    kind: Literal["stroke"] | TransitionKind
    start: Annotated[int, Field(ge=0)]
    seconds: Annotated[int, Field(ge=0)]
    stop: int
    stop_id: str
    role: Role
    region: str
    side: Side
    position: str
    place: Place
    window: str
    window_side: Side
    hands: HandState
    about: str = ""
    about_side: Side = "mid"
    step: int | None = None
    stroke: str | None = None
    slot: Slot | None = None
    tool: str | None = None
    zone: str | None = None
    depth: Depth | None = None
    passes: int | None = None


class RunSheet(Record):
    """Entries without gaps or overlaps from 0 to `seconds`; `hands_on_seconds` is what the booking leaves."""

    entries: tuple[Entry, ...]
    seconds: int
    hands_on_seconds: int

    @property
    def over(self) -> int:
        """Seconds over (positive) or under (negative) the hands-on minutes."""
        return self.seconds - self.hands_on_seconds


def hands_on_seconds(brief: Brief, catalogue: Catalogue) -> int:
    """Seconds of the booking that are not talking, settling and dressing."""
    return 60 * (brief.booked_minutes - catalogue.kinds[brief.kind].before_after_minutes)


def lay_out(flow: Flow, catalogue: Catalogue, height_cm: int = 170) -> RunSheet:
    """Lay `flow` on the clock. Pure: the same flow gives the same sheet. Assumes `check_flow` has passed."""
    entries: list[Entry] = []
    clock = 0
    scene = opening_scene(flow.stops[0].visit, catalogue)
    for index, stop in enumerate(flow.stops):
        transitions, after = approach(scene, stop.visit, catalogue)
        for transition in transitions:
            entries.append(_transition_entry(clock, index, stop, scene_during(scene, transition), transition))
            clock += transition.seconds
            scene = _passed(scene, transition, stop)
        for item, seconds in work_through(stop, catalogue, height_cm):
            if isinstance(item, Transition):
                entries.append(_transition_entry(clock, index, stop, after, item))
            else:
                entries.append(_stroke_entry(clock, seconds, index, stop, after, item))
            clock += seconds
        scene = after
    return RunSheet(
        entries=tuple(entries), seconds=clock, hands_on_seconds=hands_on_seconds(flow.brief, catalogue)
    )


def work_through(
    stop: Stop, catalogue: Catalogue, height_cm: int
) -> Iterator[tuple[Transition | tuple[int, Step], int]]:
    """The steps of `stop` in order, with the oiling and asking between them, each with its whole seconds.

    Oil goes on before the first stroke that needs it, and again at the first step after the oil has
    been worked for `pace.oil_lasts` seconds, but not for the last slow stroke.
    """
    region, pace = catalogue.regions[stop.region], catalogue.pace
    since_oil: int | None = None
    for index, step in enumerate(stop.steps):
        stroke = catalogue.strokes[step.stroke]
        if stop.medium == "lubricated" and "lubricated" in stroke.medium:
            if since_oil is None:
                yield Transition("oil", pace.oil_first, stop.region, stop.side), pace.oil_first
                since_oil = 0
            elif since_oil >= pace.oil_lasts and step.slot != "settle":
                yield Transition("oil", pace.oil_again, stop.region, stop.side), pace.oil_again
                since_oil = 0
        seconds = step_seconds(stroke, region, step.depth, step.passes, height_cm, pace)
        yield (index, step), seconds
        if since_oil is not None:
            since_oil += seconds
        if step.check_in:
            yield Transition("check_in", pace.check_in, stop.region, stop.side), pace.check_in


def stop_seconds(stop: Stop, catalogue: Catalogue, height_cm: int) -> int:
    """Whole seconds of working `stop`, oiling and asking included, getting there not."""
    return sum(seconds for _, seconds in work_through(stop, catalogue, height_cm))


def scene_during(scene: Scene, transition: Transition) -> Scene:
    """The scene shown while `transition` happens: washing is done away from the table."""
    if transition.kind == "wash":
        return Scene(scene.position, "away", scene.window, scene.window_side, scene.hands)
    return scene


def _passed(scene: Scene, transition: Transition, stop: Stop) -> Scene:
    """The scene once `transition` is done."""
    s = scene
    match transition.kind:
        case "close_window":
            return Scene(s.position, s.place, "none", "mid", s.hands)
        case "open_window":
            return Scene(s.position, s.place, transition.about, transition.side, s.hands)
        case "wash":
            return Scene(s.position, "away", s.window, s.window_side, "clean")
        case "turn":
            return Scene(stop.position, "right", s.window, s.window_side, s.hands)
        case "walk":
            return Scene(s.position, transition.about, s.window, s.window_side, s.hands)  # type: ignore[arg-type]
        case _:
            return s


def _transition_entry(clock: int, index: int, stop: Stop, scene: Scene, transition: Transition) -> Entry:
    return Entry(
        kind=transition.kind,
        seconds=transition.seconds,
        about=transition.about,
        about_side=transition.side,
        **_shared(clock, index, stop, scene),
    )


def _stroke_entry(
    clock: int, seconds: int, index: int, stop: Stop, scene: Scene, item: tuple[int, Step]
) -> Entry:
    number, step = item
    return Entry(
        kind="stroke",
        seconds=seconds,
        step=number,
        stroke=step.stroke,
        slot=step.slot,
        tool=step.tool,
        zone=step.zone,
        depth=step.depth,
        passes=step.passes,
        **_shared(clock, index, stop, scene),
    )


def _shared(clock: int, index: int, stop: Stop, scene: Scene) -> dict[str, Any]:
    return {
        "start": clock,
        "stop": index,
        "stop_id": stop.id,
        "role": stop.role,
        "region": stop.region,
        "side": stop.side,
        "position": scene.position,
        "place": scene.place,
        "window": scene.window,
        "window_side": scene.window_side,
        "hands": scene.hands,
    }
