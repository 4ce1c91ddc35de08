"""The repertoire of a region: which strokes could stand in its arc, how deep, and which are wanted first."""

from dataclasses import dataclass, replace
from functools import lru_cache

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import SLOTS, Slot, Stroke
from mellow_tide.core.flow.flow import FIRM, PartMedium
from mellow_tide.core.hands.load import THUMBS
from mellow_tide.core.hands.spread import STRONG

ESSENTIAL: dict[PartMedium, tuple[Slot, ...]] = {
    "lubricated": ("spread", "warm", "settle"),
    "dry": ("warm", "settle"),
    "clothed": ("warm", "knead", "settle"),
}
"""Slots that no part is without, if there is a stroke for them at all; their first stroke always stays."""

PLANNED_SLOTS: tuple[Slot, ...] = tuple(
    s for s in SLOTS if s not in ("open", "rouse", "contraction", "close")
)

ONCE: tuple[Slot, ...] = ("spread", "flush", "settle")
"""Slots in which one stroke at one place is enough."""

REPEATED: tuple[Slot, ...] = ("warm", "knead", "specific")
"""Slots that a long part works through again; through the sheet the dry work too."""

LIGHT = 2
"""Depth that is light enough for any wish."""

TOO_DEEP = 2
"""Levels deeper than wished that no stroke is, set by hand or not."""

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
    """How a region may be worked: the depth wished and the most allowed (1 to 5), what is left out, what is liked.

    `zones` are to be left alone, `barred` are ids of strokes not to be used; `clothed` is work through clothing.
    `likes` and `dislikes` are ids of strokes and tools. `before` are the strokes of the part before, that others now
    go before, and `tired` the tools that it has strained.
    """

    wished: int
    cap: int = 5
    zones: frozenset[str] = frozenset()
    barred: frozenset[str] = frozenset()
    clothed: bool = False
    likes: frozenset[str] = frozenset()
    dislikes: frozenset[str] = frozenset()
    before: frozenset[str] = frozenset()
    tired: frozenset[str] = frozenset()

    @property
    def varied(self) -> bool:
        """Whether the part before makes a difference here."""
        return bool(self.before or self.tired)

    @property
    def plain(self) -> "Touch":
        """The same touch after a part that makes no difference."""
        return replace(self, before=frozenset(), tired=frozenset())

    @property
    def calm(self) -> "Touch":
        """The same touch with nothing firm."""
        return replace(self, wished=min(self.wished, FIRM - 1))


@dataclass(frozen=True, slots=True)
class StrokeOption:
    """A stroke that could stand in the arc: where, with what, how deep, and its passes (least, usual, most)."""

    stroke: Stroke
    slot: Slot
    zone: str | None
    tool: str
    depth: int
    passes: tuple[int, int, int]
    rank: int
    """How early it is wanted as a part grows longer: 0 is always there."""


@lru_cache(maxsize=2_000)
def arc_options(region_id: str, touch: Touch, catalogue: Catalogue) -> tuple[StrokeOption, ...]:
    """All options for the region, the essential first, then in the order in which a longer part wants them.

    What a long part has worked through once it works through again.
    """
    found = [
        option
        for slot in PLANNED_SLOTS
        for place, option in enumerate(_slot_options(region_id, slot, touch, catalogue))
        if slot not in ONCE or place == 0 or (option.stroke.use == "wish" and option.stroke.id in touch.likes)
    ]
    if medium_of(region_id, touch.clothed, catalogue) == "lubricated" and not any(_flushes(o) for o in found):
        found = [option for option in found if not option.stroke.local]
    again = [
        replace(option, rank=option.rank + AGAIN * turn)
        for turn in range(1, ROUNDS)
        for option in found
        if option.slot in REPEATED or (option.slot == "dry" and catalogue.regions[region_id].covered)
    ]
    return tuple(sorted((*found, *again), key=lambda o: (o.rank, SLOTS.index(o.slot))))


def _flushes(option: StrokeOption) -> bool:
    """Whether a stroke clears what small, local work has left: toward the heart, on the abdomen clockwise."""
    return option.slot == "flush" or (option.slot == "settle" and option.stroke.clears)


def _slot_options(region_id: str, slot: Slot, touch: Touch, catalogue: Catalogue) -> list[StrokeOption]:
    """The options of one slot: every stroke that fits, at each of its zones."""
    medium = medium_of(region_id, touch.clothed, catalogue)
    asked = frozenset(id for id in touch.likes if id in catalogue.strokes)
    known = [s for s in _known(region_id, slot, medium, asked, catalogue) if _bearable(s, touch)]
    fitting = [s for s in known if not _disliked(s, touch)]
    essential = 1 if slot in ESSENTIAL[medium] else 0
    if essential and known and not any(s.depth[0] < FIRM for s in fitting):
        # What a part cannot do without, and nothing as light stands in for, is done all the same.
        fitting = [known[0], *(s for s in fitting if s is not known[0])]
    # What a part cannot do without stays; the rest goes by what is liked, and by what the part before did not have.
    varied = sorted(fitting[essential:], key=lambda s: (s.id not in touch.likes, _repeats(s, touch)))
    placed = [
        (stroke, zone)
        for stroke in (*fitting[:essential], *varied)
        for zone in stroke.zones.get(region_id, (None,))
        if zone not in touch.zones and bearable_there(stroke, region_id, zone, catalogue)
    ]
    options = []
    for place, (stroke, zone) in enumerate(placed):
        rank = 0 if place < essential else place + WANTED_FROM[slot]
        cap = min(touch.cap, most_depth(region_id, zone, catalogue))
        depth = min(cap, _depth(stroke, slot, place, touch.wished))
        tool = _tool(stroke, depth, touch, catalogue)
        options.append(StrokeOption(stroke, slot, zone, tool, depth, stroke.slots[slot], rank))
    return options


@lru_cache(maxsize=2_000)
def _known(
    region_id: str, slot: Slot, medium: PartMedium, asked: frozenset[str], catalogue: Catalogue
) -> tuple[Stroke, ...]:
    """The strokes that are planned in a slot on a region, what the house wants first before all others.

    What is done by wish is there where it is `asked` for.
    """
    if medium == "lubricated" and slot in catalogue.skipped_slots:
        return ()
    first = catalogue.planned_first(slot)
    # Little works through the sheet, so what does is planned there even if it is else done by wish.
    covered = catalogue.regions[region_id].covered
    ids = dict.fromkeys((*first, *catalogue.strokes))
    return tuple(
        stroke
        for stroke in (catalogue.planned_strokes[id] for id in ids)
        if (stroke.use != "wish" or covered or stroke.id in first or stroke.id in asked)
        and region_id in stroke.regions
        and slot in stroke.slots
        and _medium_fits(stroke, slot, medium)
    )


def _bearable(stroke: Stroke, touch: Touch) -> bool:
    """Whether a stroke can be done as lightly as it must and is wished, and is not ruled out."""
    return stroke.id not in touch.barred and stroke.depth[0] <= min(touch.cap, max(touch.wished, LIGHT))


def most_depth(region_id: str, zone: str | None, catalogue: Catalogue) -> int:
    """The most depth (1 to 5) that a zone bears by itself; 5 where it is no fragile place."""
    return min((place.most_depth for place in catalogue.fragile(region_id, zone)), default=5)


def bearable_there(stroke: Stroke, region_id: str, zone: str | None, catalogue: Catalogue) -> bool:
    """Whether a zone bears a stroke at all: as lightly as it can be done, and as a point that is held."""
    places = catalogue.fragile(region_id, zone)
    held = stroke.family == "point"
    return all(stroke.depth[0] <= place.most_depth and (place.holds or not held) for place in places)


def _disliked(stroke: Stroke, touch: Touch) -> bool:
    """Whether the client dislikes the stroke, or every tool it could be done with."""
    return stroke.id in touch.dislikes or touch.dislikes.issuperset(stroke.tools)


def _repeats(stroke: Stroke, touch: Touch) -> bool:
    """Whether the part before had the stroke, or strained every tool it could be done with."""
    return stroke.id in touch.before or touch.tired.issuperset(stroke.tools)


def _tool(stroke: Stroke, depth: int, touch: Touch, catalogue: Catalogue) -> str:
    """The tool: one the client likes, else the easiest on the therapist; strong work rests what was just strained.

    A thumb is never taken because it is liked, nor stands in for a tired tool.
    """
    tools = sorted(
        [tool for tool in stroke.tools if tool not in touch.dislikes] or stroke.tools,
        key=lambda tool: (tool not in touch.likes - THUMBS, catalogue.tools[tool].load_rank),
    )
    rested = [tool for tool in tools if tool not in touch.tired | THUMBS]
    return rested[0] if depth >= STRONG and rested and tools[0] in touch.tired else tools[0]


def medium_of(region_id: str, clothed: bool, catalogue: Catalogue) -> PartMedium:
    """`clothed` in a kind, or on a region, that is worked so; else `lubricated` where oil may be spread, or `dry`."""
    if clothed or catalogue.regions[region_id].covered:
        return "clothed"
    return "lubricated" if region_id in catalogue.planned_strokes["oil_spread"].regions else "dry"


def _medium_fits(stroke: Stroke, slot: Slot, medium: str) -> bool:
    if "any" in stroke.medium:
        return True
    if slot == "dry" and medium != "clothed":
        return "dry" in stroke.medium
    return medium in stroke.medium


def _depth(stroke: Stroke, slot: Slot, place: int, wished: int) -> int:
    target = {
        "dry": min(wished, 2),
        "spread": min(wished, LIGHT),
        "warm": min(wished, 2 + place),
        "knead": min(wished, 3) if place == 0 else wished,
        "specific": wished,
        "mobilise": 2,
        "flush": 2,
        "settle": min(wished, LIGHT),
    }[slot]
    return stroke.depth_near(target)
