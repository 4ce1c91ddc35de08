"""From any part of a flow to any later one: what must happen on the way if all between are left out."""

from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.in_house import in_session
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.timing.scene import Transition, TransitionKind, opening_scene
from mellow_tide.core.timing.transitions import approach


class WayChange(Record):
    """A transition on the way: see `scene.Transition`; whole seconds."""

    kind: TransitionKind
    seconds: Annotated[int, Field(ge=0)]
    about: str
    about_side: Side


class WayPast(Record):
    """The transitions from part `start` to part `to` (places in the flow), in order; none between them is worked."""

    start: int
    to: int
    changes: tuple[WayChange, ...]


def find_ways(flow: Flow, catalogue: Catalogue) -> tuple[WayPast, ...]:
    """Every way past at least one part. The hands are as the whole flow has left them by the part one comes from."""
    catalogue = in_session(flow.brief.kind, flow.brief.surface, catalogue)
    scene = opening_scene(flow.parts[0].setup, catalogue)
    found = []
    for start, part in enumerate(flow.parts):
        _, scene = approach(scene, part.setup, catalogue)
        for to in range(start + 2, len(flow.parts)):
            changes, _ = approach(scene, flow.parts[to].setup, catalogue)
            found.append(WayPast(start=start, to=to, changes=tuple(_change(one) for one, _ in changes)))
    return tuple(found)


def _change(one: Transition) -> WayChange:
    return WayChange(kind=one.kind, seconds=one.seconds, about=one.about, about_side=one.side)
