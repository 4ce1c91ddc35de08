"""The repertoire of a region: which strokes could stand in its arc, how deep, and which are wanted first."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import lru_cache

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import SLOTS, Slot, Stroke
from mellow_tide.core.flow.brief import WISHED_DEPTH, Pressure
from mellow_tide.core.flow.flow import StopMedium

ESSENTIAL: dict[StopMedium, tuple[Slot, ...]] = {
    "lubricated": ("spread", "warm", "settle"),
    "dry": ("warm", "settle"),
    "clothed": ("warm", "knead", "settle"),
}
"""Slots that no stop is without, if there is a stroke for them at all; their first stroke always stays."""

PLANNED_SLOTS: tuple[Slot, ...] = tuple(
    s for s in SLOTS if s not in ("open", "rouse", "contraction", "close")
)

ONCE: tuple[Slot, ...] = ("spread", "flush", "settle")
"""Slots in which one stroke at one place is enough."""

REPEATED: tuple[Slot, ...] = ("warm", "knead", "specific")
"""Slots that a long stop works through again."""

ROUNDS, AGAIN = 3, 100
"""How often at most, and how much later a further round is wanted than all of the one before."""

WANTED_FROM: dict[Slot, int] = {
    "spread": 0,
    "warm": 1,
    "knead": 1,
    "flush": 2,
    "specific": 3,
    "dry": 4,
    "mobilise": 4,
    "settle": 0,
}
"""Rank of a slot's first stroke that is not essential; each further one comes a rank later."""


@dataclass(frozen=True, slots=True)
class Touch:
    """How a region may be worked: the pressure wished, the most depth allowed (1 to 5), and what is left out.

    `zones` are to be left alone, `families` of strokes not to be used; `clothed` is work through clothing.
    """

    pressure: Pressure
    cap: int = 5
    zones: frozenset[str] = frozenset()
    families: frozenset[str] = frozenset()
    clothed: bool = False


@dataclass(frozen=True, slots=True)
class Option:
    """A stroke that could stand in the arc: where, how deep, and its passes (least, usual, most)."""

    stroke: Stroke
    slot: Slot
    zone: str | None
    depth: int
    passes: tuple[int, int, int]
    rank: int
    """How early it is wanted as a stop grows longer: 0 is always there."""


@lru_cache(maxsize=512)
def arc_options(region_id: str, touch: Touch, catalogue: Catalogue) -> tuple[Option, ...]:
    """All options for the region, the essential first, then in the order in which a longer stop wants them.

    What a long stop has worked through once it works through again.
    """
    found = [
        option
        for slot in PLANNED_SLOTS
        for option in _slot_options(region_id, slot, touch, catalogue)[: 1 if slot in ONCE else None]
    ]
    again = [
        replace(option, rank=option.rank + AGAIN * turn)
        for turn in range(1, ROUNDS)
        for option in found
        if option.slot in REPEATED
    ]
    return tuple(sorted((*found, *again), key=lambda o: (o.rank, SLOTS.index(o.slot))))


def _slot_options(region_id: str, slot: Slot, touch: Touch, catalogue: Catalogue) -> list[Option]:
    """The options of one slot: every stroke that fits, at each of its zones."""
    options = []
    essential = ESSENTIAL[medium_of(region_id, touch.clothed, catalogue)]
    for place, (stroke, zone) in enumerate(_fitting(region_id, slot, touch, catalogue)):
        rank = 0 if place == 0 and slot in essential else place + WANTED_FROM[slot]
        depth = min(touch.cap, _depth(stroke, slot, place, touch.pressure))
        options.append(Option(stroke, slot, zone, depth, stroke.slots[slot], rank))
    return options


def _fitting(
    region_id: str, slot: Slot, touch: Touch, catalogue: Catalogue
) -> Iterator[tuple[Stroke, str | None]]:
    medium = medium_of(region_id, touch.clothed, catalogue)
    for stroke in catalogue.strokes.values():
        usual_here = stroke.routine and region_id in stroke.regions and slot in stroke.slots
        usual_here = usual_here and stroke.family not in touch.families
        if usual_here and _medium_fits(stroke, slot, medium) and stroke.depth[0] <= touch.cap:
            zones = stroke.zones.get(region_id, (None,))
            yield from ((stroke, zone) for zone in zones if zone not in touch.zones)


def medium_of(region_id: str, clothed: bool, catalogue: Catalogue) -> StopMedium:
    """`clothed` in a kind that works so; else `lubricated` where oil may be spread on the region, or `dry`."""
    if clothed:
        return "clothed"
    return "lubricated" if region_id in catalogue.strokes["oil_spread"].regions else "dry"


def _medium_fits(stroke: Stroke, slot: Slot, medium: str) -> bool:
    if "any" in stroke.medium:
        return True
    if slot == "dry" and medium != "clothed":
        return "dry" in stroke.medium
    return medium in stroke.medium


def _depth(stroke: Stroke, slot: Slot, place: int, pressure: Pressure) -> int:
    wished = WISHED_DEPTH[pressure]
    target = {
        "dry": min(wished, 2),
        "spread": 1,
        "warm": min(wished, 2 + place),
        "knead": min(wished, 3) if place == 0 else wished,
        "specific": wished,
        "mobilise": 2,
        "flush": 2,
        "settle": 1,
    }[slot]
    return stroke.depth_near(target)
