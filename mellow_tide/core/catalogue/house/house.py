"""What a practice has chosen, as one value, and one thing of it changed at a time."""

import json
from collections.abc import Mapping
from typing import Annotated, Any, Literal, get_args

from pydantic import AfterValidator, BeforeValidator, Field, StringConstraints, TypeAdapter, ValidationError

from mellow_tide.core.catalogue.records import (
    LONGEST_BOOKING,
    SHORTEST_BOOKING,
    BookedMinutes,
    Id,
    Record,
)
from mellow_tide.core.refusal import FieldProblem, UnknownReference

LEAST_AND_MOST: Mapping[str, tuple[float, float]] = {
    "seconds": (1, 900),
    "seconds.check_in": (0, 900),
    "minutes": (0, 60),
    "bookings": (SHORTEST_BOOKING, LONGEST_BOOKING),
    "schools": (0.1, 5),
}
"""Bounds of a practice's own numbers, by the part of a house or one item of it: seconds of a transition, minutes before
or after the work, minutes of a booking, and what a region weighs."""


def _within(part: str) -> Any:
    least, most = LEAST_AND_MOST[part]
    return Field(ge=least, le=most)


def _split(told: object) -> object:
    """`60, 75` as it is typed is two bookings; they are kept in order, each once."""
    if isinstance(told, str):
        told = [one.strip() for one in told.split(",") if one.strip()]
    return sorted({int(one) for one in told}) if isinstance(told, list | tuple) else told


def _check_each(seconds: dict[str, int]) -> dict[str, int]:
    """Raise `ValueError` for seconds out of bounds; 0 are left to what can be done at the same time."""
    for name, told in seconds.items():
        least, most = LEAST_AND_MOST.get(f"seconds.{name}", LEAST_AND_MOST["seconds"])
        if not least <= told <= most:
            raise ValueError(name)
    return seconds


Bookings = Annotated[tuple[BookedMinutes, ...], Field(min_length=1, max_length=8), BeforeValidator(_split)]
"""Minutes of the bookings that are usual, the shortest first."""


class Bottle(Record):
    """A lubricant of the practice's own: its name, and what of it some people must not have on the skin."""

    name: Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=60)]
    contains: Annotated[tuple[Id, ...], Field(max_length=8)] = ()
    in_stock: bool = True


class OwnBlock(Record):
    """The rows of one position, as a practice works them."""

    position: Id
    rows: Annotated[
        tuple[Annotated[tuple[Id, ...], Field(min_length=1, max_length=20)], ...], Field(max_length=30)
    ]


class OwnSchool(Record):
    """A school of the practice's own, begun from a shipped one, `base`: its name, how much of what, and the order.

    `weights`: what a region gets of the time beside its size (0.1 to 5; 1, its share by size, where it is not named).
    `usual`: a session of its kind begins with it. An `archived` one is not offered any
    more, but plans that follow it stand.
    """

    name: Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=60)]
    base: Id
    weights: Annotated[dict[Id, Annotated[float, _within("schools")]], Field(max_length=40)] = {}
    blocks: Annotated[tuple[OwnBlock, ...], Field(min_length=1, max_length=8)]
    usual: bool = False
    archived: bool = False


class House(Record):
    """What a practice has chosen. What is not named keeps the default.

    `rules`: choice ids by house rule. `seconds`: of transitions by name, and of windows (`open_back`,
    `close_back`). `minutes`: of a booking before the first
    touch and after the last, by kind (`chair.before`, `chair.after`, `chair.first_visit`). `bookings`: the usual
    minutes of a kind. `kinds`: those that are not offered. `lubricants`: those of the catalogue that are not in stock,
    and bottles of its own, by id; `schools`: those of its own.
    """

    rules: dict[Id, Id] = {}
    seconds: Annotated[dict[Id, int], AfterValidator(_check_each)] = {}
    minutes: dict[Id, Annotated[int, _within("minutes")]] = {}
    bookings: dict[Id, Bookings] = {}
    kinds: dict[Id, Literal["not_offered"]] = {}
    lubricants: Annotated[dict[Id, Literal["none"] | Bottle], Field(max_length=60)] = {}
    schools: Annotated[dict[Id, OwnSchool], Field(max_length=30)] = {}


DEFAULTS = House()

HousePart = Literal["rules", "seconds", "minutes", "bookings", "kinds", "lubricants", "schools"]
"""The parts of a house that are changed one entry at a time."""


def change_house(house: House, item: str, after: str | None) -> House:
    """The house with another entry: `rules.end`, `seconds.turn`, `minutes.chair.before`; None: as usual.

    What is no plain word or number is told in JSON. A bottle of one's own is never gone, only out of stock, and a
    school archived: plans may name them. Raises `UnknownReference` for an item of another part and `ValidationError`
    for what the entry cannot be; what does not exist in the catalogue is told by `in_house`.
    """
    part, name = _split_item(item)
    entries = getattr(house, part)
    kept = {key: value for key, value in entries.items() if key != name}
    entry = {} if after is None else {name: read_entry(after)}
    match entries.get(name):
        case Bottle() as bottle if after is None:
            entry = {name: bottle.model_copy(update={"in_stock": False})}
        case OwnSchool() as school if after is None:
            entry = {name: school.model_copy(update={"archived": True, "usual": False})}
    return House.model_validate({**dict(house), part: {**kept, **entry}})


def value_in(house: House, item: str) -> str | None:
    """What the house has chosen of an item, as `change_house` reads it; None: as usual."""
    part, name = _split_item(item)
    return _told(getattr(house, part).get(name))


def own_items(house: House) -> dict[str, str]:
    """All that is not as usual, by item."""
    entries = {
        f"{part}.{name}": _told(value)
        for part in get_args(HousePart)
        for name, value in getattr(house, part).items()
    }
    return {item: told for item, told in entries.items() if told is not None}


def _split_item(item: str) -> tuple[str, str]:
    part, _, name = item.partition(".")
    if part not in get_args(HousePart):
        known = get_args(HousePart)
        raise UnknownReference(FieldProblem("item", "unknown_id", noun="setting", id=item, known=known))
    return part, name


_ANYTHING: TypeAdapter[object] = TypeAdapter(object)


def read_entry(told: str) -> object:
    """A record that is told in JSON, or the words as they are."""
    if not told.startswith("{"):
        return told
    try:
        return _ANYTHING.validate_json(told)
    except ValidationError:
        return told


def _told(value: object) -> str | None:
    if value is None:
        return None
    if isinstance(value, Record):
        # The same entry is told in the same words wherever it was kept in between.
        return json.dumps(value.model_dump(mode="json"), sort_keys=True)
    return ", ".join(map(str, value)) if isinstance(value, tuple) else str(value)
