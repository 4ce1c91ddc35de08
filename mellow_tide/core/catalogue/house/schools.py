"""The schools of a house's own: order and weight begun from a shipped one and made otherwise."""

from collections.abc import Iterator, Mapping

from mellow_tide.core.catalogue.catalogue import Entries, check_known
from mellow_tide.core.catalogue.house.house import House, OwnSchool
from mellow_tide.core.catalogue.rules import School
from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import FieldProblem


def own_schools_in(house: House, shipped: Mapping[str, School]) -> dict[str, School]:
    """The house's own schools, which keep the rows they were given whatever the house rules say of feet and calves."""
    return {id: _made(id, own, shipped[own.base]) for id, own in house.schools.items()}


def _made(id: str, own: OwnSchool, base: School) -> School:
    return School.model_validate(
        {
            "id": id,
            "name": own.name,
            "gloss": say("house.school_from", school=base.name),
            "kind": base.kind,
            "asks_headache": base.asks_headache,
            "base": own.base,
            "usual": own.usual and not own.archived,
            "offered": not own.archived,
            "weights": own.weights,
            "block": [block.model_dump() for block in own.blocks],
        }
    )


def school_problems(house: House, c: Entries) -> Iterator[FieldProblem]:
    """What the house's own schools name that does not exist, or cannot be worked there."""
    begun: set[str] = set()
    for id, own in house.schools.items():
        at = f"schools.{id}"
        unknown = check_known(c.schools, own.base, f"{at}.base", "school")
        if id in c.schools:
            yield FieldProblem(at, "school_taken", school=c.schools[id].name)
        elif unknown:
            yield unknown
        else:
            kind = c.schools[own.base].kind
            if own.usual and kind in begun:
                yield FieldProblem(f"{at}.usual", "begun_with_another", kind=c.kinds[kind].name)
            begun |= {kind} if own.usual else set()
            yield from _row_problems(own, at, c)


def _row_problems(own: OwnSchool, at: str, c: Entries) -> Iterator[FieldProblem]:
    has = [block.position for block in c.schools[own.base].blocks]
    if sorted(block.position for block in own.blocks) != sorted(has):
        yield FieldProblem(f"{at}.blocks", "other_positions", known=tuple(has))
        return
    for id in own.weights:
        if problem := check_known(c.regions, id, f"{at}.weights", "region"):
            yield problem
    for block in own.blocks:
        regions = [id for row in block.rows for id in row]
        for id in regions:
            if problem := check_known(c.regions, id, f"{at}.blocks", "region"):
                yield problem
            elif not c.regions[id].is_whole_in(block.position):
                name = c.positions[block.position].name
                yield FieldProblem(f"{at}.blocks", "not_worked_so", region=c.regions[id].name, position=name)
        if len(set(regions)) < len(regions):
            yield FieldProblem(f"{at}.blocks", "region_twice", position=c.positions[block.position].name)
