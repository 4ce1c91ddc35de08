"""What is in a house's room: what serves where something is missing, and what goes on the skin."""

from collections.abc import Collection, Iterator, Mapping

from mellow_tide.core.catalogue.catalogue import Entries, check_known
from mellow_tide.core.catalogue.house.house import Bottle, House
from mellow_tide.core.catalogue.records import Position, Support
from mellow_tide.core.catalogue.rules import Lubricant
from mellow_tide.core.refusal import FieldProblem

MAT = "mat"
"""The answer of a house without a table that works on the floor."""

WARMER = "towel_warmer"
"""Without it no towel is hot."""


def room_in(chosen: Mapping[str, str], lacks: Collection[str]) -> dict[str, str]:
    """The choices as the room allows them: on a mat one kneels, and without hot towels hands are washed."""
    forced = {}
    if chosen["table_height"] == MAT:
        forced["stool"] = "stand"
    if WARMER in lacks and chosen["clean_after_feet"] == "wipe":
        forced["clean_after_feet"] = "wash"
    return {**chosen, **forced}


def supports_in(lacks: Collection[str], supports: Mapping[str, Support]) -> dict[str, Support]:
    """The supports; where there is none, what does instead."""
    return {
        id: support.model_copy(update={"name": support.instead})
        if id in lacks and support.instead
        else support
        for id, support in supports.items()
    }


def positions_in(supports: Mapping[str, Support], positions: Mapping[str, Position]) -> dict[str, Position]:
    """The positions, set up with what there is."""
    names = {id: support.name for id, support in supports.items()}
    return {
        id: position.model_copy(update={"setup": tuple(_in_words(line, names) for line in position.setup)})
        for id, position in positions.items()
    }


def _in_words(line: str, names: Mapping[str, str]) -> str:
    said = line.format_map(names)
    return said[:1].upper() + said[1:]


def lubricants_in(house: House, lubricants: Mapping[str, Lubricant]) -> dict[str, Lubricant]:
    """What goes on the skin here: the usual ones, in stock or not, and the house's own bottles."""
    own = {id: bottle for id, bottle in house.lubricants.items() if isinstance(bottle, Bottle)}
    return {
        **{
            id: one.model_copy(update={"in_stock": id not in house.lubricants})
            for id, one in lubricants.items()
        },
        **{id: Lubricant(id=id, **dict(bottle)) for id, bottle in own.items()},
    }


def lubricant_problems(house: House, c: Entries) -> Iterator[FieldProblem]:
    """What the house says of bottles that do not exist, or that are another's: what ships keeps its contents."""
    ingredients = {id for one in c.lubricants.values() for id in one.contains}
    for id, said in house.lubricants.items():
        at = f"lubricants.{id}"
        if not isinstance(said, Bottle):
            if problem := check_known(c.lubricants, id, at, "lubricant"):
                yield problem
        elif id in c.lubricants:
            yield FieldProblem(at, "lubricant_taken", lubricant=c.lubricants[id].name)
        else:
            for one in said.contains:
                if one not in ingredients:
                    known = tuple(sorted(ingredients))
                    yield FieldProblem(at, "unknown_id", noun="ingredient", id=one, known=known)
