"""Reads the catalogue's TOML files into typed records and holds every reference."""

import tomllib
from functools import cache
from hashlib import sha256
from importlib import resources
from importlib.resources.abc import Traversable
from typing import Any

from pydantic import ValidationError

from mellow_tide.core.catalogue.catalogue import CatalogueEntry, ShippedCatalogue
from mellow_tide.core.catalogue.records import (
    FragilePlace,
    Position,
    Region,
    Stroke,
    Support,
    Tool,
    Window,
)
from mellow_tide.core.catalogue.references import references
from mellow_tide.core.catalogue.rules import (
    ClockNumbers,
    Closing,
    Condition,
    Consent,
    HouseRule,
    Kind,
    Lubricant,
    Opening,
    Passage,
    Point,
    PregnancyRule,
    School,
)


class CatalogueError(Exception):
    """The shipped data is wrong; the message names file and line."""


@cache
def load_catalogue() -> ShippedCatalogue:
    """The shipped catalogue. Raises `CatalogueError` where data or references are wrong."""
    return read_catalogue(resources.files("mellow_tide.core.catalogue") / "data")


def read_catalogue(folder: Traversable) -> ShippedCatalogue:
    """The catalogue in `folder`, a directory of TOML files; raises `CatalogueError`."""
    house_rules = _entries(folder, "house_rules.toml", "house_rule", HouseRule)
    catalogue = ShippedCatalogue(
        regions=_entries(folder, "regions.toml", "region", Region),
        strokes=_entries(folder, "strokes.toml", "stroke", Stroke),
        positions=_entries(folder, "positions.toml", "position", Position),
        supports=_entries(folder, "supports.toml", "support", Support),
        windows=_entries(folder, "windows.toml", "window", Window),
        passages=_entries(folder, "passages.toml", "passage", Passage),
        tools=_entries(folder, "tools.toml", "tool", Tool),
        kinds=_entries(folder, "kinds.toml", "kind", Kind),
        schools=_entries(folder, "schools.toml", "school", School),
        openings=_entries(folder, "schools.toml", "opening", Opening),
        closings=_entries(folder, "schools.toml", "closing", Closing),
        places=_entries(folder, "places.toml", "place", FragilePlace),
        conditions=_entries(folder, "conditions.toml", "condition", Condition),
        consents=_entries(folder, "consents.toml", "consent", Consent),
        lubricants=_entries(folder, "lubricants.toml", "lubricant", Lubricant),
        prenatal_points=_entries(folder, "conditions.toml", "prenatal_point", Point),
        pregnancy_rules=_rules(folder),
        house_rules=house_rules,
        chosen={rule.id: rule.default for rule in house_rules.values()},
        clock=ClockNumbers.model_validate(_read(folder, "transitions.toml")),
        digest=_digest(folder),
    )
    for file, id, known, noun in references(catalogue):
        if id not in known:
            raise CatalogueError(f"{file}:{_line_of(folder, file, id)}: there is no {noun} called “{id}”")
    return catalogue


def _digest(folder: Traversable) -> str:
    """Tells one state of the data from another."""
    files = sorted((file for file in folder.iterdir() if file.name.endswith(".toml")), key=lambda f: f.name)
    return sha256(b"".join(file.read_bytes() for file in files)).hexdigest()


def _read(folder: Traversable, file: str) -> dict[str, Any]:
    try:
        return tomllib.loads((folder / file).read_text(encoding="utf-8"))
    except tomllib.TOMLDecodeError as error:
        raise CatalogueError(f"{file}: {error}") from error


def _entries(
    folder: Traversable, file: str, table: str, record: type[CatalogueEntry]
) -> dict[str, CatalogueEntry]:
    entries: dict[str, CatalogueEntry] = {}
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
