"""The catalogue as one immutable value, with look-ups that refuse what they do not know."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TypeVar

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
from mellow_tide.core.refusal import FieldProblem

Entry = TypeVar("Entry", bound=Named)


@dataclass(frozen=True, eq=False)
class Catalogue:
    """Everything a practitioner knows by name. Compared and hashed by identity: it is loaded once."""

    regions: Mapping[str, Region]
    strokes: Mapping[str, Stroke]
    positions: Mapping[str, Position]
    windows: Mapping[str, Window]
    tools: Mapping[str, Tool]
    kinds: Mapping[str, Kind]
    schools: Mapping[str, School]
    openings: Mapping[str, Opening]
    closings: Mapping[str, Closing]
    places: Mapping[str, FragilePlace]
    conditions: Mapping[str, Condition]
    pregnancy_rules: tuple[PregnancyRule, ...]
    pace: Pace


def unknown(known: Mapping[str, Entry], id: str, field: str, noun: str) -> FieldProblem | None:
    """The problem of naming `id` where only the ids in `known` exist, or None if it is known."""
    if id in known:
        return None
    return FieldProblem(field, f"there is no {noun} called “{id}”", f"use one of: {', '.join(known)}")
