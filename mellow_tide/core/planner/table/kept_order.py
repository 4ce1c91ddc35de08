"""The transition seconds of a flow from each of its parts on, for every set of regions that are still worked."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from mellow_tide.core.flow.flow import Flow, Part
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.timing.scene import Scene, opening_scene
from mellow_tide.core.timing.standing import leave
from mellow_tide.core.timing.timed import part_seconds
from mellow_tide.core.timing.transitions import approach

SecondsBySet = NDArray[np.int32]


@dataclass(frozen=True)
class FromPart:
    """`seconds[i]`: whole seconds of all that is no region's own strokes, where the regions of the bits of i stay."""

    part: int
    seconds: SecondsBySet


def from_every_part(flow: Flow, bits: Mapping[str, int], asked: Asked) -> Iterator[FromPart]:
    """For every part of `flow`, the last first; its order is kept, and regions without a bit are always worked.

    The scene before a part is that of the flow as planned. Openings and rests count with their own strokes, a close
    only with its way there.
    """
    scenes, reached = _scenes(flow, asked), _reached(flow, bits, asked)
    index = np.arange(1 << len(bits))
    last = len(flow.parts) - 1
    after: dict[Scene, SecondsBySet] = {}
    for at in range(last, -1, -1):
        part = flow.parts[at]
        here: dict[Scene, SecondsBySet] = {}
        for scene in reached[at]:
            seconds, working = _step(scene, part, at, asked)
            done = after[working] + np.int32(seconds) if at < last else np.full(len(index), seconds, np.int32)
            if part.role == "work" and part.region in bits:
                worked = (index >> bits[part.region]) & 1 == 1
                done = np.where(worked, done, after[scene])
            here[scene] = done
        yield FromPart(at, here[scenes[at]])
        after = here


def _step(scene: Scene, part: Part, at: int, asked: Asked) -> tuple[int, Scene]:
    changes, working = approach(scene, part.setup, asked.catalogue)
    seconds = sum(transition.seconds for transition, _ in changes) if at else 0
    own = part.role in ("open", "integrate")
    return seconds + (part_seconds(part, asked.catalogue, asked.tempo) if own else 0), leave(
        working, part, asked.catalogue
    )


def _scenes(flow: Flow, asked: Asked) -> list[Scene]:
    """The scene before every part, as planned."""
    scenes = [opening_scene(flow.parts[0].setup, asked.catalogue)]
    for at, part in enumerate(flow.parts):
        scenes.append(_step(scenes[-1], part, at, asked)[1])
    return scenes


def _reached(flow: Flow, bits: Mapping[str, int], asked: Asked) -> list[list[Scene]]:
    """The scenes that may be there before every part, whatever was dropped before it."""
    found = [[opening_scene(flow.parts[0].setup, asked.catalogue)]]
    for at, part in enumerate(flow.parts[:-1]):
        worked = [_step(scene, part, at, asked)[1] for scene in found[-1]]
        stays = found[-1] if part.role == "work" and part.region in bits else []
        found.append(list(dict.fromkeys([*worked, *stays])))
    return found
