"""The catalogue as one immutable value: as it ships, and as a practice works by it."""

from collections.abc import Hashable, Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Any, Self, TypeVar

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
from mellow_tide.core.refusal import FieldProblem

CatalogueEntry = TypeVar("CatalogueEntry", bound=Named)


@dataclass(frozen=True, kw_only=True, eq=False)
class Entries:
    """Everything a practitioner knows by name. `chosen` is the id of the choice for each house rule."""

    regions: Mapping[str, Region]
    strokes: Mapping[str, Stroke]
    positions: Mapping[str, Position]
    supports: Mapping[str, Support]
    windows: Mapping[str, Window]
    passages: Mapping[str, Passage]
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
    clock: ClockNumbers

    def fragile(self, region: str, zone: str | None) -> tuple[FragilePlace, ...]:
        """The places at which a zone lies."""
        return self._fragile.get((region, zone), ())

    def passed_lightly(self, region: str, depth: int) -> tuple[FragilePlace, ...]:
        """The fragile places of a region that do not bear `depth`: a stroke over all of it eases off there."""
        return self._passed_lightly.get((region, depth), ())

    @cached_property
    def _passed_lightly(self) -> Mapping[tuple[str, int], tuple[FragilePlace, ...]]:
        return {
            (region, depth): tuple(
                place for place in self.places.values() if region in place.zones and place.most_depth < depth
            )
            for region in self.regions
            for depth in range(1, 6)
        }

    def zones_to_hold(self, region: str) -> tuple[str, ...]:
        """The zones of a region at which a point may be pressed and held."""
        zones = self.regions[region].zones
        return tuple(zone for zone in zones if all(place.holds for place in self.fragile(region, zone)))

    @cached_property
    def _fragile(self) -> Mapping[tuple[str, str | None], tuple[FragilePlace, ...]]:
        found: dict[tuple[str, str | None], tuple[FragilePlace, ...]] = {}
        for place in self.places.values():
            for region, zones in place.zones.items():
                for zone in zones:
                    found[(region, zone)] = (*found.get((region, zone), ()), place)
        return found

    def choice(self, rule: str) -> Choice:
        """What is chosen for a house rule of the catalogue."""
        found = self.house_rules[rule].choice(self.chosen[rule])
        if found is None:
            raise KeyError(f"{rule}: {self.chosen[rule]}")
        return found


@dataclass(frozen=True, kw_only=True, eq=False)
class ShippedCatalogue(Entries):
    """The catalogue as it ships. Nobody works by it: `in_house` makes a practice's own of it.

    `digest` is of the data it was read from.
    """

    digest: str


@dataclass(frozen=True, kw_only=True, eq=False)
class Catalogue(Entries):
    """A practice's catalogue: the effects of its house rules are already in the entries.

    `origin` says what it was made from: the digest of the shipped data, then each change in order. Two catalogues of
    the same origin are equal, so that what is remembered for one holds for the other.
    """

    origin: tuple[Hashable, ...]

    def __eq__(self, other: object) -> bool:
        return self is other or (isinstance(other, Catalogue) and self.origin == other.origin)

    def __hash__(self) -> int:
        return self._hash

    @cached_property
    def _hash(self) -> int:
        return hash(self.origin)

    def changed(self, change: Hashable, **entries: Any) -> Self:
        """The catalogue with other entries; `change` says by value what makes them so."""
        return replace(self, **entries, origin=(*self.origin, change))

    @cached_property
    def skipped_slots(self) -> frozenset[str]:
        """The slots that the house does not plan on skin to be oiled."""
        return frozenset(slot for rule in self.house_rules for slot in self.choice(rule).skips)

    @cached_property
    def lacks(self) -> frozenset[str]:
        """Supports, surfaces and machines that are not in the house's room."""
        return frozenset(id for rule in self.house_rules for id in self.choice(rule).lacks)

    @cached_property
    def planned_strokes(self) -> Mapping[str, Stroke]:
        """The strokes with what a plan uses of them by itself."""
        return {id: stroke.as_planned() for id, stroke in self.strokes.items()}

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


def check_known(known: Mapping[str, CatalogueEntry], id: str, field: str, noun: str) -> FieldProblem | None:
    """The problem of naming `id` where only the ids in `known` exist, or None if it is known."""
    if id in known:
        return None
    return FieldProblem(field, "unknown_id", noun=noun, id=id, known=tuple(known))
