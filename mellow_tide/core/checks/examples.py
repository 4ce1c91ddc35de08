"""Small flows in few words, for the examples that checks carry."""

from typing import TypedDict, Unpack

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Slot
from mellow_tide.core.flow.brief import Brief, Side
from mellow_tide.core.flow.flow import Flow, Part, PartMedium, Step

ARC: tuple[tuple[str, Slot, int], ...] = (
    ("oil_spread", "spread", 1),
    ("effleurage", "warm", 2),
    ("kneading", "knead", 3),
    ("effleurage", "flush", 2),
    ("effleurage", "settle", 1),
)
"""A plain arc that breaks no rule: stroke, slot, depth."""

PRESS: tuple[tuple[str, Slot, int], ...] = (
    ("squeezing", "knead", 2),
    ("sacral_press", "contraction", 3),
    ("resting_hold", "settle", 1),
)
"""Between contractions, during one, and after it."""

ExampleStrokes = tuple[tuple[str, Slot, int], ...]


def step(c: Catalogue, stroke: str, slot: Slot, depth: int, passes: int = 0) -> Step:
    """A step with the stroke's easiest tool and, unless given, its usual passes."""
    known = c.strokes[stroke]
    tool = min(known.tools, key=lambda tool: c.tools[tool].load_rank)
    return Step(stroke=stroke, slot=slot, tool=tool, depth=depth, passes=passes or known.slots[slot][1])


class Otherwise(TypedDict, total=False):
    """What of an example part is not as usual; `times` sets the passes of all its steps."""

    position: str
    times: int
    medium: PartMedium


def part(
    c: Catalogue,
    region: str,
    side: Side = "mid",
    strokes: ExampleStrokes = ARC,
    **otherwise: Unpack[Otherwise],
) -> Part:
    """A part, prone and lubricated unless said otherwise."""
    position, times = otherwise.get("position", "prone"), otherwise.get("times", 0)
    medium = otherwise.get("medium", "lubricated")
    return Part(
        id=region if side == "mid" else f"{region}-{side}",
        region=region,
        side=side,
        position=position,
        window=c.regions[region].window_in(position),
        medium=medium,
        steps=tuple(step(c, stroke, slot, depth, times) for stroke, slot, depth in strokes),
    )


def flow(
    c: Catalogue, *parts: Part, opening: ExampleStrokes = (("resting_hold", "open", 1),), **brief: object
) -> Flow:
    """The parts between a still first contact and a closing hold."""
    first, last = parts[0].position, parts[-1].position
    return Flow(
        brief=Brief.model_validate({"booked_minutes": 60, **brief}),
        parts=(
            _ritual(c, "open", "back" if first == "prone" else "shoulders", first, opening),
            *parts,
            _ritual(c, "close", "scalp", last, (("resting_hold", "close", 1),)),
        ),
    )


def back_with(c: Catalogue, *steps: Step) -> Flow:
    """A flow of one back whose plain arc has `steps` before its flush."""
    back = part(c, "back")
    return flow(c, back.model_copy(update={"steps": (*back.steps[:3], *steps, *back.steps[3:])}))


def both(
    c: Catalogue, region: str, strokes: ExampleStrokes = ARC, position: str = "prone"
) -> tuple[Part, Part]:
    """The same part on the right and on the left."""
    return part(c, region, "right", strokes, position=position), part(
        c, region, "left", strokes, position=position
    )


def _ritual(c: Catalogue, role: str, region: str, position: str, strokes: ExampleStrokes) -> Part:
    return Part.model_validate(
        {
            "id": role,
            "role": role,
            "region": region,
            "side": "both" if c.regions[region].sides == "pair" else "mid",
            "position": position,
            "window": "none",
            "medium": "clothed",
            "steps": [step(c, stroke, slot, depth).model_dump() for stroke, slot, depth in strokes],
        }
    )
