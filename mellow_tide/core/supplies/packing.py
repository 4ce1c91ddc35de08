"""What to lay out for a session: lubricant in ml by region, linen, supports, hot towels."""

from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.linen import Linen
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.flow import Amount, Flow, Part
from mellow_tide.core.flow.passages import split_into_passages
from mellow_tide.core.phrases.book import say
from mellow_tide.core.supplies.body_surface import mosteller
from mellow_tide.core.timing.run_sheet import RunSheet

ML_FOR_PERCENT = 0.27
"""Lubricant for one percent of body surface of the reference body: a whole body takes 20 to 30 ml (common practice)."""

AGAIN = 0.4
"""Part of the first amount that goes on when a region is oiled again (from experience)."""

REFERENCE_SURFACE = mosteller(170, 70)
USUAL_BODY_MASS_INDEX = 24
"""Stands in for the weight where none is known: kg over m2 of height."""

AMOUNT: dict[Amount, float] = {"little": 0.5, "usual": 1.0, "much": 1.6}
"""How much of the usual amount goes on (from experience)."""

HAIRY = 1.3
DRY_SKIN = 1.2
DRY_STROKE = 0.6
"""More for hair and dry skin, less where most of the work grips or rubs (from experience)."""

GRIPPING = frozenset({"friction", "myofascial"})
"""Families of strokes that want little lubricant."""

WARMER_MINUTES = 20
"""A towel is hot after this long in the warmer (common practice)."""

CHAIR_LINEN = (Linen(name="face-rest cover"), Linen(name="hand sanitiser", washed=False))
PRENATAL_LINEN = (Linen(name="pillowcase", count=3),)
CHEST_COVER = Linen(name="chest-cover towel")
WEDGE = "wedge"
"""The support that raises the head end."""


class LubricantAmount(Record):
    """Millilitres for one region, both sides together."""

    region: str
    millilitres: Annotated[float, Field(ge=0)]


class HotTowels(Record):
    """How many hot towels, and how many minutes before (negative) or after the first touch the first must go in."""

    count: Annotated[int, Field(ge=1)]
    into_warmer_minute: int


class PackingLine(Record):
    """A thing to lay out, in words, with its millilitres where it is poured."""

    words: str
    millilitres: int | None = None


class Supplies(Record):
    """What to lay out: lubricant in all and by region, linen by the piece, support ids, hot towels.

    `packing` says all of it, and what else is needed, in lines to tick off, in the order in which it is laid out.
    """

    lubricant: str | None
    millilitres: float
    by_region: tuple[LubricantAmount, ...]
    linen: tuple[Linen, ...]
    supports: tuple[str, ...]
    hot_towels: HotTowels | None
    packing: tuple[PackingLine, ...]


def count_supplies(
    flow: Flow, sheet: RunSheet, catalogue: Catalogue, client: ClientFacts, head_raised: bool = False
) -> Supplies:
    """Everything that working `sheet` on `client` uses; `head_raised`: the head end is raised where they lie flat."""
    by_region = _lubricant(flow, sheet, catalogue, client)
    millilitres = round(sum(ml for _, ml in by_region), 1)
    linen, towels = _linen(flow, catalogue), _hot_towels(sheet)
    supports = _supports(flow, catalogue, head_raised)
    oil = catalogue.lubricants[flow.brief.lubricant]
    poured = PackingLine(words=say("supplies.oil", oil=oil.name), millilitres=round(millilitres))
    last = [
        *([_towels_words(towels)] if towels else []),
        *(["stool"] if any(entry.kind == "stool" or entry.seated for entry in sheet.entries) else []),
        "clock in sight",
    ]
    packing = [
        *(PackingLine(words=say_linen(one)) for one in linen),
        *(PackingLine(words=catalogue.supports[id].name) for id in supports),
        *([poured] if by_region else []),
        *(PackingLine(words=words) for words in last),
    ]
    return Supplies(
        lubricant=oil.id if by_region else None,
        millilitres=millilitres,
        by_region=tuple(LubricantAmount(region=id, millilitres=round(ml, 1)) for id, ml in by_region),
        linen=linen,
        supports=supports,
        hot_towels=towels,
        packing=tuple(packing),
    )


def _towels_words(towels: HotTowels) -> str:
    minute = towels.into_warmer_minute
    phrase = "supplies.towels_before" if minute < 0 else "supplies.towels_by"
    return say(phrase, count=towels.count, minute=abs(minute))


def _lubricant(
    flow: Flow, sheet: RunSheet, catalogue: Catalogue, client: ClientFacts
) -> list[tuple[str, float]]:
    """Millilitres by region, from the body's surface, skin and hair, the strokes, and how often oil goes on."""
    weight = client.weight_kg or USUAL_BODY_MASS_INDEX * (client.height_cm / 100) ** 2
    scale = ML_FOR_PERCENT * mosteller(client.height_cm, weight) / REFERENCE_SURFACE
    scale *= HAIRY if client.body_hair == "much" else 1.0
    scale *= DRY_SKIN if client.skin == "dry" else 1.0
    amounts: dict[str, float] = {}
    oiled: set[int] = set()
    for places in split_into_passages([part.setup for part in flow.parts], catalogue):
        own = [entry for entry in sheet.entries if entry.kind == "oil" and entry.part in places]
        # What goes on first is spread over all of the passage that is worked on oil.
        first = [at for at in places if own and at >= own[0].part and flow.parts[at].medium == "lubricated"]
        for at in (*first, *(entry.part for entry in own[1:])):
            part = flow.parts[at]
            region = catalogue.regions[part.region]
            factor = AMOUNT[part.oil] * _gripping(part, catalogue) * (AGAIN if at in oiled else 1.0)
            factor *= 0.5 if region.halved(part.side) else 1.0
            oiled.add(at)
            amounts[region.id] = amounts.get(region.id, 0) + factor * scale * region.share * region.oil_factor
    return list(amounts.items())


def _gripping(part: Part, catalogue: Catalogue) -> float:
    """1, or less where most strokes grip or rub."""
    gripping = sum(catalogue.strokes[x.stroke].family in GRIPPING for x in part.steps)
    return DRY_STROKE if 2 * gripping > len(part.steps) else 1.0


def say_linen(linen: Linen) -> str:
    """Pieces of linen in words: `blanket`, `2 sheets`."""
    return say("supplies.linen", name=linen.name, count=linen.count)


def list_linen(catalogue: Catalogue) -> tuple[Linen, ...]:
    """All linen that a session of the practice may take."""
    return (*catalogue.choice("linen").linen, *CHAIR_LINEN, *PRENATAL_LINEN, CHEST_COVER)


def _linen(flow: Flow, catalogue: Catalogue) -> tuple[Linen, ...]:
    kind = catalogue.kinds[flow.brief.kind]
    linen = CHAIR_LINEN if kind.surface == "chair" else catalogue.choice("linen").linen
    chest = (CHEST_COVER,) if any(part.window == "abdomen" for part in flow.parts) else ()
    return (*linen, *(PRENATAL_LINEN if kind.id == "prenatal" else ()), *chest)


def _supports(flow: Flow, catalogue: Catalogue, head_raised: bool) -> tuple[str, ...]:
    """Every support that some position of the flow takes, once; a wedge for a head end that is raised."""
    positions = [catalogue.positions[id] for id in {part.position for part in flow.parts}]
    used = {id for position in positions for id in position.supports}
    # On the side the head is level with the spine.
    if head_raised and any(position.flat and position.upper is None for position in positions):
        used.add(WEDGE)
    return tuple(id for id in catalogue.supports if id in used)


def _hot_towels(sheet: RunSheet) -> HotTowels | None:
    fetched = [entry.start for entry in sheet.entries if entry.kind == "towel"]
    if not fetched:
        return None
    return HotTowels(count=len(fetched), into_warmer_minute=fetched[0] // 60 - WARMER_MINUTES)
