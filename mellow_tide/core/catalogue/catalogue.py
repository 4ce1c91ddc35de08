"""The catalogue as one immutable value, with look-ups that refuse what they do not know."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import TypeVar

from mellow_tide.core.catalogue.records import (
    FragilePlace,
    Named,
    Position,
    Region,
    Slot,
    Stroke,
    Support,
    Tool,
    Window,
)
from mellow_tide.core.catalogue.rules import (
    Choice,
    Closing,
    Condition,
    Consent,
    HouseRule,
    Kind,
    Lubricant,
    Opening,
    Pace,
    Point,
    PregnancyRule,
    School,
)
from mellow_tide.core.refusal import FieldProblem

Entry = TypeVar("Entry", bound=Named)


@dataclass(frozen=True, eq=False)
class Catalogue:
    """Everything a practitioner knows by name. Compared and hashed by identity: it is made once for each house.

    `chosen` is the id of the choice for each house rule; its effects are already in the entries.
    """

    regions: Mapping[str, Region]
    strokes: Mapping[str, Stroke]
    positions: Mapping[str, Position]
    supports: Mapping[str, Support]
    windows: Mapping[str, Window]
    tools: Mapping[str, Tool]
    kinds: Mapping[str, Kind]
    schools: Mapping[str, School]
    openings: Mapping[str, Opening]
    closings: Mapping[str, Closing]
    places: Mapping[str, FragilePlace]
    conditions: Mapping[str, Condition]
    consents: Mapping[str, Consent]
    lubricants: Mapping[str, Lubricant]
    prenatal_points: Mapping[str, Point]
    pregnancy_rules: tuple[PregnancyRule, ...]
    house_rules: Mapping[str, HouseRule]
    chosen: Mapping[str, str]
    pace: Pace

    @cached_property
    def skipped_slots(self) -> frozenset[str]:
        """The slots that the house does not plan on skin to be oiled."""
        return frozenset(slot for rule in self.house_rules for slot in self.choice(rule).skips)

    def planned_first(self, slot: Slot) -> tuple[str, ...]:
        """The strokes that the house plans in a slot before all others."""
        return self._planned_first.get(slot, ())

    @cached_property
    def _planned_first(self) -> dict[Slot, tuple[str, ...]]:
        found: dict[Slot, tuple[str, ...]] = {}
        for rule in self.house_rules:
            for slot, strokes in self.choice(rule).plans.items():
                found[slot] = (*found.get(slot, ()), *strokes)
        return found

    def choice(self, rule: str) -> Choice:
        """What the house has chosen for a rule of the catalogue."""
        found = self.house_rules[rule].choice(self.chosen[rule])
        if found is None:
            raise KeyError(f"{rule}: {self.chosen[rule]}")
        return found


def unknown(known: Mapping[str, Entry], id: str, field: str, noun: str) -> FieldProblem | None:
    """The problem of naming `id` where only the ids in `known` exist, or None if it is known."""
    if id in known:
        return None
    return FieldProblem(field, f"there is no {noun} called “{id}”", f"use one of: {', '.join(known)}")
