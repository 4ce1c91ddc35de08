"""The rows of the schools as a house works them: where the feet come, and the calves."""

from collections.abc import Mapping
from itertools import chain

from mellow_tide.core.catalogue.records import Region
from mellow_tide.core.catalogue.rules import Block, School

SchoolRows = tuple[tuple[str, ...], ...]
FOOT, CALF, SHIN = "foot", "lower_leg_back", "lower_leg_front"


def regions_in(chosen: Mapping[str, str], regions: Mapping[str, Region]) -> dict[str, Region]:
    """The regions; where each foot follows its leg, feet are worked side by side with their limb."""
    with_limb = chosen["legs_and_feet"] == "leg_foot_leg_foot"
    return {**regions, FOOT: regions[FOOT].model_copy(update={"with_limb": with_limb})}


def schools_in(chosen: Mapping[str, str], schools: Mapping[str, School]) -> dict[str, School]:
    """The schools with feet and calves where the house works them; one that begins with the feet keeps them first."""
    return {
        id: school.model_copy(update={"blocks": _calves(chosen, _feet(chosen, school.blocks))})
        for id, school in schools.items()
    }


def _feet(chosen: Mapping[str, str], blocks: tuple[Block, ...]) -> tuple[Block, ...]:
    having = [i for i, block in enumerate(blocks) if FOOT in block.regions()]
    if not having:
        return blocks
    match chosen["legs_and_feet"]:
        case "feet_last" if FOOT not in blocks[0].rows[0]:
            bare = [_without(block, FOOT) for block in blocks]
            bare[having[-1]] = _with_rows(bare[having[-1]], (*bare[having[-1]].rows, (FOOT,)))
            return tuple(bare)
        case "feet_prone" if any(blocks[i].position == "prone" for i in having):
            return tuple(_without(b, FOOT) if b.position != "prone" else b for b in blocks)
        case "leg_foot_leg_foot":
            return tuple(_feet_with_legs(block) for block in blocks)
    return blocks


def _feet_with_legs(block: Block) -> Block:
    """The row of the feet and that of the lower legs made one, where they follow one another."""
    rows: list[tuple[str, ...]] = []
    for row in block.rows:
        pair = {*row, *(rows[-1] if rows else ())}
        legs = pair & {CALF, SHIN}
        if rows and FOOT in pair and legs and (FOOT in row) != (FOOT in rows[-1]):
            rows[-1] = (*rows[-1], *row)
        else:
            rows.append(row)
    return _with_rows(block, tuple(rows))


def _calves(chosen: Mapping[str, str], blocks: tuple[Block, ...]) -> tuple[Block, ...]:
    supine = any(b.position == "supine" and SHIN in b.regions() for b in blocks)
    if chosen["calf_and_shin"] != "both_supine" or not supine:
        return blocks
    return tuple(
        _with_rows(b, tuple(tuple(chain.from_iterable(_with_calf(id) for id in row)) for row in b.rows))
        if b.position == "supine"
        else (_without(b, CALF) if b.position == "prone" else b)
        for b in blocks
    )


def _with_calf(id: str) -> tuple[str, ...]:
    return (CALF, SHIN) if id == SHIN else (id,)


def _without(block: Block, id: str) -> Block:
    rows = (tuple(other for other in row if other != id) for row in block.rows)
    return _with_rows(block, tuple(row for row in rows if row))


def _with_rows(block: Block, rows: SchoolRows) -> Block:
    return block.model_copy(update={"rows": rows})
