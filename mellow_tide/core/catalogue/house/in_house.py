"""A practice's own choices among the schools, and the catalogue as it then stands."""

import json
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import fields, replace
from functools import lru_cache
from itertools import chain

from mellow_tide.core.catalogue.catalogue import Catalogue, Entries, ShippedCatalogue, check_known
from mellow_tide.core.catalogue.house.house import DEFAULTS, House
from mellow_tide.core.catalogue.house.kinds import kind_problems, kinds_in
from mellow_tide.core.catalogue.house.room import (
    MAT,
    lubricant_problems,
    lubricants_in,
    positions_in,
    room_in,
    supports_in,
)
from mellow_tide.core.catalogue.house.rows import regions_in, schools_in
from mellow_tide.core.catalogue.house.schools import own_schools_in, school_problems
from mellow_tide.core.catalogue.house.seconds import second_problems, windows_in
from mellow_tide.core.catalogue.records import Pass, Planned, Stroke, Surface
from mellow_tide.core.catalogue.rules import Choice, Consent
from mellow_tide.core.refusal import FieldProblem, UnknownReference


def in_house(house: House, shipped: ShippedCatalogue) -> Catalogue:
    """The catalogue of a practice that works as `house` says. The same house gives an equal value.

    Raises `UnknownReference` for a rule, choice, transition or kind that does not exist.
    """
    told = house.model_dump(mode="json", exclude_defaults=True)
    return _made(json.dumps(told, sort_keys=True), shipped)


@lru_cache(maxsize=64)
def in_session(kind: str, surface: Surface | None, catalogue: Catalogue) -> Catalogue:
    """The catalogue as it stands in a session of `kind` on `surface`.

    Who is pregnant takes longer from side to side. A mat has no height, and one kneels instead of sitting on a stool.
    """
    if catalogue.kinds[kind].pregnant:
        clock = catalogue.clock.model_copy(update={"side_turn": catalogue.clock.side_turn_pregnant})
        catalogue = catalogue.changed(("pregnant",), clock=clock)
    if surface != "mat":
        return catalogue
    chosen = room_in({**catalogue.chosen, "table_height": MAT}, catalogue.lacks)
    return catalogue.changed(("surface", surface), chosen=chosen)


@lru_cache(maxsize=64)
def _made(told: str, shipped: ShippedCatalogue) -> Catalogue:
    """The catalogue of the house that is `told` in JSON, sorted by name."""
    house = House.model_validate_json(told)
    problems = [p for p in (*_rule_problems(house, shipped), *_entry_problems(house, shipped)) if p]
    if problems:
        raise UnknownReference(*problems)
    entries = {field.name: getattr(shipped, field.name) for field in fields(Entries)}
    as_shipped = Catalogue(**entries, origin=(shipped.digest,))
    chosen = {**shipped.chosen, **house.rules}
    choices = [replace(shipped, chosen=chosen).choice(rule) for rule in shipped.house_rules]
    lacks = {id for choice in choices for id in choice.lacks}
    supports = supports_in(lacks, shipped.supports)
    positions = positions_in(supports, shipped.positions)
    if house == DEFAULTS:
        return replace(as_shipped, positions=positions)
    chosen = room_in(chosen, lacks)
    return as_shipped.changed(
        ("house", told),
        chosen=chosen,
        clock=shipped.clock.model_copy(update={**_choice_seconds(choices), **_clock_of(house, shipped)}),
        windows=windows_in(house, shipped.windows),
        places={
            id: place.model_copy(update={"most_depth": _most_depth(choices, id, place.most_depth)})
            for id, place in shipped.places.items()
        },
        regions=regions_in(chosen, shipped.regions),
        schools={**schools_in(chosen, shipped.schools), **own_schools_in(house, shipped.schools)},
        strokes=_strokes(choices, shipped.strokes),
        consents=_consents(choices, shipped.consents),
        supports=supports,
        positions=positions,
        kinds=kinds_in(house, lacks, chosen["table_height"] == MAT, shipped.kinds),
        lubricants=lubricants_in(house, shipped.lubricants),
    )


def _most_depth(choices: list[Choice], place: str, usual: int) -> int:
    return next((c.place_depth[place] for c in choices if place in c.place_depth), usual)


def _clock_of(house: House, c: Entries) -> dict[str, int]:
    return {name: seconds for name, seconds in house.seconds.items() if name in type(c.clock).model_fields}


def _choice_seconds(choices: list[Choice]) -> dict[str, int]:
    """The seconds of transitions that the choices replace."""
    return {name: seconds for choice in choices for name, seconds in choice.seconds.items()}


def _consents(choices: list[Choice], consents: Mapping[str, Consent]) -> dict[str, Consent]:
    """What is asked here before it is touched."""
    asks, unasked = (
        set(chain.from_iterable(getattr(c, name) for c in choices)) for name in ("asks", "unasked")
    )
    changes: dict[str, dict[str, object]] = {
        **{id: {"explicit": False, "explicit_in": ()} for id in unasked},
        **{id: {"explicit": True} for id in asks},
    }
    return {id: consent.model_copy(update=changes.get(id, {})) for id, consent in consents.items()}


def _strokes(choices: list[Choice], strokes: Mapping[str, Stroke]) -> dict[str, Stroke]:
    """The strokes as they are done here."""
    spares = {id for choice in choices for id in choice.spares}
    reached = {id: _reached(choices, id) for id in strokes}
    return {
        id: stroke.model_copy(
            update={
                "regions": _with(reached[id], stroke.regions),
                "planned": _planned_at(reached[id], stroke),
                "zones": {**stroke.zones, **reached[id]},
                "passing": _passing(choices, id, stroke.passing),
                "use": "wish" if id in spares else stroke.use,
            }
        )
        for id, stroke in strokes.items()
    }


def _with(reached: Iterable[str], regions: tuple[str, ...]) -> tuple[str, ...]:
    return (*regions, *(region for region in reached if region not in regions))


def _planned_at(reached: Iterable[str], stroke: Stroke) -> Planned:
    planned = stroke.planned
    if planned.regions is None:
        return planned
    return planned.model_copy(update={"regions": _with(reached, planned.regions)})


def _reached(choices: list[Choice], stroke: str) -> dict[str, tuple[str, ...]]:
    """The zones, by region, at which a stroke is done in this house as well."""
    return {region: zones for choice in choices for region, zones in choice.reaches.get(stroke, {}).items()}


def _passing(choices: list[Choice], stroke: str, passing: Pass) -> Pass:
    seconds = next((c.pass_seconds[stroke] for c in choices if stroke in c.pass_seconds), None)
    return passing if seconds is None else Pass(kind="seconds", seconds=seconds)


def _rule_problems(house: House, c: Entries) -> Iterator[FieldProblem | None]:
    for rule, choice in sorted(house.rules.items()):
        missing = check_known(c.house_rules, rule, "rules", "house rule")
        yield missing
        if missing is None:
            known = {option.id: option for option in c.house_rules[rule].choices}
            yield check_known(known, choice, f"rules.{rule}", "choice")


def _entry_problems(house: House, c: Entries) -> Iterator[FieldProblem]:
    yield from second_problems(house, c)
    yield from kind_problems(house, c)
    yield from lubricant_problems(house, c)
    yield from school_problems(house, c)
