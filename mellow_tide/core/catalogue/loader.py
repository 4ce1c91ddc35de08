"""Reads the catalogue's TOML files into typed records and holds every reference."""

import tomllib
from collections.abc import Iterator
from functools import cache
from importlib import resources
from importlib.resources.abc import Traversable
from typing import Any, TypeVar

from pydantic import ValidationError

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import (
    Closing,
    Condition,
    FragilePlace,
    Kind,
    Named,
    Opening,
    Pace,
    Position,
    PregnancyRule,
    Region,
    School,
    Stroke,
    Tool,
    Window,
)

Entry = TypeVar("Entry", bound=Named)


class CatalogueError(Exception):
    """The shipped data is wrong; the message names file and line."""


@cache
def load_catalogue() -> Catalogue:
    """The shipped catalogue. Raises `CatalogueError` where data or references are wrong."""
    return read_catalogue(resources.files("mellow_tide.core.catalogue") / "data")


def read_catalogue(folder: Traversable) -> Catalogue:
    """The catalogue in `folder`, a directory of TOML files; raises `CatalogueError`."""
    regions = _entries(folder, "regions.toml", "region", Region)
    catalogue = Catalogue(
        regions=regions,
        strokes=_entries(folder, "strokes.toml", "stroke", Stroke),
        positions=_entries(folder, "positions.toml", "position", Position),
        windows=_entries(folder, "windows.toml", "window", Window),
        tools=_entries(folder, "tools.toml", "tool", Tool),
        kinds=_entries(folder, "kinds.toml", "kind", Kind),
        schools=_entries(folder, "schools.toml", "school", School),
        openings=_entries(folder, "schools.toml", "opening", Opening),
        closings=_entries(folder, "schools.toml", "closing", Closing),
        places=_entries(folder, "places.toml", "place", FragilePlace),
        conditions=_entries(folder, "conditions.toml", "condition", Condition),
        pregnancy_rules=_rules(folder),
        pace=Pace.model_validate(_read(folder, "transitions.toml")),
    )
    for file, id, known, noun in _references(catalogue):
        if id not in known:
            raise CatalogueError(f"{file}:{_line_of(folder, file, id)}: there is no {noun} called “{id}”")
    return catalogue


def _read(folder: Traversable, file: str) -> dict[str, Any]:
    try:
        return tomllib.loads((folder / file).read_text(encoding="utf-8"))
    except tomllib.TOMLDecodeError as error:
        raise CatalogueError(f"{file}: {error}") from error


def _entries(folder: Traversable, file: str, table: str, record: type[Entry]) -> dict[str, Entry]:
    entries: dict[str, Entry] = {}
    for raw in _read(folder, file).get(table, []):
        id = str(raw.get("id", "?"))
        try:
            entry = record.model_validate(raw)
        except ValidationError as error:
            raise CatalogueError(f"{file}:{_line_of(folder, file, id)}: {error}") from error
        if id in entries:
            raise CatalogueError(f"{file}:{_line_of(folder, file, id)}: {table} “{id}” is there twice")
        entries[id] = entry
    return entries


def _rules(folder: Traversable) -> tuple[PregnancyRule, ...]:
    rules = _read(folder, "conditions.toml").get("pregnancy_rule", [])
    return tuple(PregnancyRule.model_validate(rule) for rule in rules)


def _line_of(folder: Traversable, file: str, id: str) -> int:
    """The first line (from 1) that quotes `id`, as a value or as a key; 0 if none does."""
    for number, line in enumerate((folder / file).read_text(encoding="utf-8").splitlines(), 1):
        if f'"{id}"' in line or f"{id} =" in line:
            return number
    return 0


Reference = tuple[str, str, Any, str]


def _references(c: Catalogue) -> Iterator[Reference]:
    """Every id that one entry uses of another: file, id, where it must exist, noun."""
    for region in c.regions.values():
        yield from (("regions.toml", id, c.positions, "position") for id in region.positions)
        yield from (("regions.toml", id, region.positions, "position here") for id in region.windows)
        yield from (("regions.toml", id, c.windows, "window") for id in region.windows.values())
        yield from (("regions.toml", id, c.windows, "window") for id in region.keeps_open)
    for stroke in c.strokes.values():
        yield from (("strokes.toml", id, c.tools, "tool") for id in stroke.tools)
        yield from (("strokes.toml", id, c.regions, "region") for id in stroke.regions)
        for id, zones in stroke.zones.items():
            yield "strokes.toml", id, c.regions, "region"
            yield from (("strokes.toml", zone, c.regions[id].zones, f"zone of {id}") for zone in zones)
    yield from (("kinds.toml", id, c.positions, "position") for k in c.kinds.values() for id in k.positions)
    for place in c.places.values():
        for id, zones in place.zones.items():
            yield "places.toml", id, c.regions, "region"
            yield from (("places.toml", zone, c.regions[id].zones, f"zone of {id}") for zone in zones)
    capped = {*c.regions, "all"}
    for limits in (*c.conditions.values(), *c.pregnancy_rules):
        yield from (("conditions.toml", id, capped, "region") for id in limits.cap)
        yield from (("conditions.toml", id, c.positions, "position") for id in limits.no_positions)
    yield from _ritual_references(c)


def _ritual_references(c: Catalogue) -> Iterator[Reference]:
    for school in c.schools.values():
        yield "schools.toml", school.kind, c.kinds, "kind"
        yield from (("schools.toml", id, c.regions, "region") for id in school.weights)
        for block in school.blocks:
            yield "schools.toml", block.position, c.openings, "opening"
            yield "schools.toml", block.position, c.positions, "position"
            reachable = {id for id, region in c.regions.items() if block.position in region.positions}
            yield from (("schools.toml", id, reachable, f"{block.position} region") for id in block.regions())
    yield from (("schools.toml", id, c.positions, "position") for id in c.openings)
    rituals: tuple[Opening | Closing, ...] = (*c.openings.values(), *c.closings.values())
    for ritual in rituals:
        yield "schools.toml", ritual.region, c.regions, "region"
        yield from (("schools.toml", s.stroke, c.strokes, "stroke") for s in ritual.strokes)
