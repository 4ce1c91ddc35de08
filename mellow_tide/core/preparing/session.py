"""What to prepare for one session, in the order in which it is done."""

from collections.abc import Iterator
from typing import Annotated, Literal

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Position, Record
from mellow_tide.core.checks.check import Case
from mellow_tide.core.phrases.book import say
from mellow_tide.core.supplies.packing import Supplies, say_linen
from mellow_tide.core.timing.scene import opening_scene

PrepareGroup = Literal["room", "table", "linen", "supports", "lubricant", "towels", "yourself"]

WARM_ROOM_MINUTES = 30
"""So long before the client comes the heating goes on (common practice)."""

ItemId = Annotated[str, Field(max_length=80, pattern=r"^[a-z]+:[a-z0-9_]+$")]


class ToPrepare(Record):
    """One thing to fetch, set or do, in words.

    `id` names it for as long as it is needed, whatever else of the plan changes. `millilitres`: where it is poured.
    `because`: what speaks for it, or against it where `wrong`. `uses`: what it is for, in the order of use. `minute`:
    when it is due, in minutes after the client comes (negative: before); None where any time before that will do.
    """

    id: ItemId
    group: PrepareGroup
    words: str
    millilitres: int | None = None
    because: str = ""
    wrong: bool = False
    uses: tuple[str, ...] = ()
    minute: int | None = None


def list_to_prepare(case: Case, supplies: Supplies, set_up: str = "") -> tuple[ToPrepare, ...]:
    """Everything that a session with these supplies needs ready; `set_up`: how its client lay or sat best before."""
    return (
        *_room(),
        *_table(case, set_up),
        *(ToPrepare(id=one.item, group="linen", words=_named(say_linen(one))) for one in supplies.linen),
        *_supports(case, supplies),
        *_lubricant(case, supplies),
        *_towels(case, supplies),
        *_yourself(),
    )


def _room() -> Iterator[ToPrepare]:
    yield ToPrepare(id="room:warm", group="room", words=say("preparing.warm_room"), minute=-WARM_ROOM_MINUTES)
    yield ToPrepare(id="room:quiet", group="room", words=say("preparing.quiet_room"))
    yield ToPrepare(id="room:clock", group="room", words=say("preparing.clock"))


def _table(case: Case, set_up: str) -> Iterator[ToPrepare]:
    lasting = say("preparing.as_last_time", set_up=set_up) if set_up else ""
    yield ToPrepare(id="table:set", group="table", words=_table_words(case), because=lasting)
    if any(entry.kind == "stool" or entry.seated for entry in case.sheet.entries):
        yield ToPrepare(id="table:stool", group="table", words=say("preparing.stool"))


def _table_words(case: Case) -> str:
    surface = case.flow.brief.surface or case.kind.surface
    if surface == "chair":
        return say("preparing.chair_set")
    if surface != "table":
        return say("preparing.cushions_set")
    if case.catalogue.chosen["table_height"] != "lifts":
        return say("preparing.table_set")
    scene = opening_scene(case.flow.parts[0].setup, case.catalogue)
    return say("preparing.table_height", height=scene.height)


def _supports(case: Case, supplies: Supplies) -> Iterator[ToPrepare]:
    """Each support once, the first used first, with what it is for in each position."""
    positions = list(dict.fromkeys(part.position for part in case.flow.parts))
    uses: dict[str, list[str]] = {}
    for position in (case.catalogue.positions[id] for id in positions):
        for support in position.supports:
            lines = [
                line for line in position.setup if _support_of(line, position, case.catalogue) == support
            ]
            uses.setdefault(support, []).extend(
                f"{position.name}: {line[:1].lower()}{line[1:]}" for line in lines
            )
    for support in sorted(
        supplies.supports, key=lambda id: list(uses).index(id) if id in uses else len(uses)
    ):
        words = _named(case.catalogue.supports[support].name)
        because = case.restrictions.raise_head if support not in uses else ""
        used = tuple(uses.get(support, ()))
        yield ToPrepare(id=f"supports:{support}", group="supports", words=words, uses=used, because=because)


def _support_of(line: str, position: Position, catalogue: Catalogue) -> str | None:
    """The support that a line of the set-up speaks of: the one with the longest name in it."""
    named = [id for id in position.supports if catalogue.supports[id].name.lower() in line.lower()]
    return max(named, key=lambda id: len(catalogue.supports[id].name), default=None)


def _lubricant(case: Case, supplies: Supplies) -> Iterator[ToPrepare]:
    if supplies.lubricant is None:
        return
    poured = case.catalogue.lubricants[supplies.lubricant]
    barred = [one for one in case.restrictions.ingredients if one.id in poured.contains]
    spared = [one for one in case.restrictions.ingredients if one.id not in poured.contains]
    reasons = [
        *(say("preparing.contains", ingredient=one.id, because=one.because) for one in barred),
        *([] if poured.in_stock else [say("house.not_in_stock")]),
        *(say("preparing.without", ingredient=one.id, because=one.because) for one in spared),
    ]
    yield ToPrepare(
        id=f"lubricant:{poured.id}",
        group="lubricant",
        words=_named(say("supplies.oil", oil=poured.name)),
        millilitres=round(supplies.millilitres),
        because="; ".join(reasons),
        wrong=bool(barred) or not poured.in_stock,
    )


def _towels(case: Case, supplies: Supplies) -> Iterator[ToPrepare]:
    towels = supplies.hot_towels
    if towels is None:
        return
    first_touch = case.kind.minutes_before(case.flow.brief.first_visit)
    words = say("preparing.towels", count=towels.count)
    minute = first_touch + towels.into_warmer_minute
    yield ToPrepare(id="towels:warmer", group="towels", words=words, minute=minute)


def _yourself() -> Iterator[ToPrepare]:
    for name in ("nails", "hands", "water", "breath"):
        yield ToPrepare(id=f"yourself:{name}", group="yourself", words=say(f"preparing.{name}"))


def _named(thing: str) -> str:
    return say("preparing.thing", thing=thing)
