"""What a stroke of a region is worth by itself, and the strokes that a region may have of its own."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from math import log
from typing import Literal, Self

from mellow_tide.core.catalogue.records import Slot
from mellow_tide.core.hands.spread import STRONG
from mellow_tide.core.planner.strokes.repertoire import AGAIN
from mellow_tide.core.planner.strokes.site import Site
from mellow_tide.core.planner.strokes.span import PlacedStroke

StrokeUse = Literal["knead", "specific", "moving", "broad", "dry"]
"""What a stroke does in the arc: besides kneading and specific work what moves a limb, and what is deep and broad."""

NEEDS: tuple[StrokeUse, ...] = ("knead", "specific", "moving", "broad")
"""The uses that an arc may not be without; the i-th is the bit i of a set of them."""

MOVES = frozenset({"rocking", "vibration", "mobilise", "stretch"})
"""Families that move what they work on."""

BY_SLOT: Mapping[Slot, StrokeUse] = {
    "knead": "knead",
    "specific": "specific",
    "mobilise": "moving",
    "flush": "moving",
    "rouse": "moving",
    "dry": "dry",
}
"""What a stroke does in a slot; in all others it is broad."""

WORTH: Mapping[StrokeUse, float] = {
    "knead": 1.0, "specific": 0.9, "broad": 0.85, "moving": 0.75, "dry": 0.8
}  # fmt: skip
"""What a first second is worth (from experience)."""

SATED: Mapping[StrokeUse, float] = {"knead": 60, "specific": 45, "broad": 50, "moving": 25, "dry": 40}
"""Seconds after which a second of the same stroke is worth half."""

STEP = 12.0
"""What every step costs: a hand that changes too often does not sink in."""

LIGHTER, DEEPER = 0.85, 0.8
"""What is left of the worth for each level lighter, or deeper, than wished."""

STRONG_WISH = 1.5
"""How much more strong work is worth to a client who wishes it."""

LIKED, REPEATED, SECOND = 1.5, 0.75, 0.6
"""How much more what is liked is worth; what is left of what the part before had; and of a second round."""

THROUGH_CLOTH = 1.5
"""How much more compression is worth through clothes, where about a quarter of the time is for it (common practice).

So found: 33 to 43 % of a chair's stroke time, 23 % in half an hour of medium or firm work.
"""

SHORTEST, SHORTEST_SMALL = 20, 10
"""Seconds that a step lasts at least, and on small regions."""

SMALL = frozenset({"hand", "foot", "face"})


def use_of(placed: PlacedStroke) -> StrokeUse:
    """What a stroke does in the arc; through cloth it is compression that kneads."""
    option = placed.option
    if option.stroke.family == "compression" and placed.site.medium == "clothed":
        return "knead"
    if option.stroke.family in MOVES:
        return "moving"
    return BY_SLOT.get(option.slot, "broad")


def _worth(placed: PlacedStroke, seconds: int) -> float:
    """What a step of so many seconds is worth, whatever else the session has."""
    option, touch, use = placed.option, placed.site.touch, use_of(placed)
    value = WORTH[use] * SATED[use] * log(1 + seconds / SATED[use])
    if use not in ("moving", "dry"):
        away = min(touch.wished, touch.cap) - option.depth
        value *= LIGHTER**away if away > 0 else DEEPER**-away
        if option.depth >= STRONG and touch.wished >= STRONG:
            value *= STRONG_WISH
    if option.stroke.family == "compression" and placed.site.medium == "clothed":
        value *= THROUGH_CLOTH
    wanted = option.stroke.id in placed.site.catalogue.planned_first(option.slot)
    if wanted or option.stroke.id in touch.likes or option.tool in touch.likes:
        value *= LIKED
    if option.stroke.id in touch.before or (option.tool in touch.tired and option.depth >= STRONG):
        value *= REPEATED
    if option.rank >= AGAIN:
        value *= SECOND ** (option.rank // AGAIN)
    return value - STEP - placed.site.catalogue.clock.wipe * placed.wiped / 2


def passes_of(placed: PlacedStroke) -> tuple[int, ...]:
    """The passes that a step may have, five at most: none so few that it is a crumb.

    Kneading once over may be enough, where something else comes before and after it.
    """
    low, _, high = placed.option.passes
    low = 1 if placed.option.slot == "knead" else low
    shortest = SHORTEST_SMALL if placed.site.region.id in SMALL else SHORTEST
    found = [n for n in range(low, high + 1) if placed.seconds(n) >= shortest]
    while not found:
        high += 1
        found = [high, high + 1, high + 2] if placed.seconds(high) >= shortest else []
    return tuple(found[:: -(-len(found) // 5)])


@dataclass(frozen=True, eq=False)
class OwnStroke:
    """A stroke that a region may have of its own: its passes, and for each the seconds and the worth."""

    placed: PlacedStroke
    passes: tuple[int, ...]
    seconds: tuple[int, ...]
    worths: tuple[float, ...]
    bit: int

    @property
    def dry(self) -> bool:
        """Whether it comes before the oil."""
        return self.placed.option.slot == "dry"

    @classmethod
    def of(cls, placed: PlacedStroke) -> Self:
        """The stroke with all that is worked out about it once."""
        use, passes = use_of(placed), passes_of(placed)
        wipe = placed.site.catalogue.clock.wipe * placed.wiped
        seconds = tuple(placed.seconds(n) for n in passes)
        bit = 1 << NEEDS.index(use) if use in NEEDS else 0
        worths = tuple(_worth(placed, taken) for taken in seconds)
        return cls(placed, passes, tuple(taken + wipe for taken in seconds), worths, bit)


@lru_cache(maxsize=1_000)
def own_strokes(
    site: Site, taken: frozenset[tuple[str, str | None, str]], dry: bool, rounds: int
) -> tuple[OwnStroke, ...]:
    """The strokes that a region may have besides those `taken` (stroke, zone, slot) to open and settle its arc.

    `dry`: work before the oil is among them; `rounds`: how often the region is worked through. What kneads a place does
    not warm it, too.
    """
    oiled = site.medium == "lubricated"
    kneads = {(o.stroke.id, o.zone) for o in site.options if o.slot == "knead"}
    found: dict[tuple[str, str | None, StrokeUse, int], PlacedStroke] = {}
    for o in site.options:
        if (
            (o.rank >= AGAIN or (o.stroke.id, o.zone, o.slot) not in taken)
            and o.slot != "spread"
            and (o.slot != "settle" or (o.rank > 0 and o.stroke.use == "wish"))
            and not (o.slot == "flush" and o.stroke.passing.kind == "glide")
            and not (o.slot == "warm" and (o.stroke.id, o.zone) in kneads)
            and (o.slot != "dry" or not oiled or dry)
            and not (oiled and o.stroke.id == "effleurage")
            and o.rank < rounds * AGAIN
        ):
            placed = PlacedStroke(site, o)
            # What one stroke does in two slots alike it does once in a round.
            found.setdefault((o.stroke.id, o.zone, use_of(placed), o.rank // AGAIN), placed)
    return tuple(map(OwnStroke.of, found.values()))
