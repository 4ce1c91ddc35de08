"""Every reference of one catalogue entry to another."""

from collections.abc import Iterator, Mapping
from itertools import chain
from string import Formatter
from typing import Any, get_args

from mellow_tide.core.catalogue.catalogue import Entries
from mellow_tide.core.catalogue.house.room import WARMER
from mellow_tide.core.catalogue.records import Surface
from mellow_tide.core.catalogue.rules import THERE, Closing, Opening

Reference = tuple[str, str, Any, str]
"""File, id, where it must exist, noun."""


def references(c: Entries) -> Iterator[Reference]:
    """Every id that one entry uses of another: file, id, where it must exist, noun."""
    for part in (_body, _strokes, _kinds, _care, _house, _rituals):
        yield from part(c)


def _body(c: Entries) -> Iterator[Reference]:
    for region in c.regions.values():
        yield from (("regions.toml", id, c.positions, "position") for id in region.positions)
        yield from (("regions.toml", id, c.positions, "position") for id in region.stool)
        for by_position in (region.partly, region.stand_in):
            yield from (("regions.toml", id, region.positions, "position here") for id in by_position)
        reached = chain.from_iterable(partly.zones for partly in region.partly.values())
        yield from (("regions.toml", id, region.zones, f"zone of {region.id}") for id in reached)
        for windows in (region.windows, region.also_windows):
            yield from (("regions.toml", id, region.positions, "position here") for id in windows)
            yield from (("regions.toml", id, c.windows, "window") for id in windows.values())
        yield from (("regions.toml", id, c.windows, "window") for id in region.keeps_open)
        yield from (("regions.toml", id, region.zones, f"zone of {region.id}") for id in region.zone_names)
    for position in c.positions.values():
        yield from (("positions.toml", id, c.supports, "support") for id in position.supports)
        named = (name for line in position.setup for _, name, _, _ in Formatter().parse(line) if name)
        yield from (("positions.toml", id, position.supports, f"support of {position.id}") for id in named)
    for window in c.windows.values():
        yield from (("windows.toml", id, c.regions, "region") for id in window.uncovers)
        yield from _zones("windows.toml", window.beyond, c)
    for passage in c.passages.values():
        yield from (("passages.toml", id, c.regions, "region") for id in passage.regions)
        glided = chain.from_iterable(passage.glides)
        yield from (("passages.toml", id, passage.regions, f"region of {passage.id}") for id in glided)
    for place in c.places.values():
        yield from _zones("places.toml", place.zones, c)
        yield from (("places.toml", id, place.zones, "region of its zones") for id in place.passed_cm)


def _zones(file: str, zones: Mapping[str, tuple[str, ...]], c: Entries) -> Iterator[Reference]:
    for id, named in zones.items():
        yield file, id, c.regions, "region"
        if id in c.regions:
            yield from ((file, zone, c.regions[id].zones, f"zone of {id}") for zone in named)


def _strokes(c: Entries) -> Iterator[Reference]:
    for stroke in c.strokes.values():
        yield from (("strokes.toml", id, c.tools, "tool") for id in stroke.tools)
        yield from (("strokes.toml", id, c.regions, "region") for id in stroke.regions)
        yield from (
            ("strokes.toml", id, stroke.regions, "region of it") for id in (*stroke.lifts_head, *stroke.stand)
        )
        yield from _zones("strokes.toml", stroke.zones, c)


def _kinds(c: Entries) -> Iterator[Reference]:
    for kind in c.kinds.values():
        yield from (("kinds.toml", id, c.positions, "position") for id in kind.positions)
        yield from (("kinds.toml", id, c.regions, "region") for id in kind.seconds)
        yield from (("kinds.toml", id, c.regions, "region") for one in kind.holds for id in one.regions)
        yield from (("kinds.toml", id, c.regions, "region") for area in kind.areas for id in area.regions)
        yield from (("kinds.toml", area.closing, c.closings, "closing") for area in kind.areas)


def _care(c: Entries) -> Iterator[Reference]:
    regions = {*c.regions, "all"}
    strokes = {*c.strokes, *(stroke.family for stroke in c.strokes.values())}
    ingredients = {id for lubricant in c.lubricants.values() for id in lubricant.contains}
    for limits in (*c.conditions.values(), *c.pregnancy_rules):
        barred = [id for one in limits.no_strokes for id in one.on]
        for id in (*limits.avoid_heat, *limits.unless_asked, *limits.no_outward, *barred):
            yield "conditions.toml", id, regions, "region"
        for id in (*limits.cap, *limits.forbid):
            yield "conditions.toml", id, {*regions, THERE}, "region"
        yield from (("conditions.toml", id, c.positions, "position") for id in limits.no_positions)
        for one in limits.no_strokes:
            yield from (("conditions.toml", id, strokes, "stroke or family") for id in one.strokes)
        yield from (("conditions.toml", id, ingredients, "ingredient") for id in limits.no_ingredients)
    for point in c.prenatal_points.values():
        yield from _zones("conditions.toml", point.zones, c)
    for consent in c.consents.values():
        yield "consents.toml", consent.region, c.regions, "region"
        yield from (("consents.toml", id, c.kinds, "kind") for id in consent.explicit_in)
        yield from (("consents.toml", id, c.strokes, "stroke") for id in consent.strokes)


def _house(c: Entries) -> Iterator[Reference]:
    for rule in c.house_rules.values():
        choices = {choice.id for choice in rule.choices}
        yield "house_rules.toml", rule.default, choices, f"choice of {rule.id}"
        for choice in rule.choices:
            yield from (("house_rules.toml", id, c.places, "place") for id in choice.place_depth)
            yield from (("house_rules.toml", id, c.strokes, "stroke") for id in choice.reaches)
            for zones in choice.reaches.values():
                yield from _zones("house_rules.toml", zones, c)
            names = type(c.clock).model_fields
            yield from (("house_rules.toml", id, names, "transition") for id in choice.seconds)
            strokes = (*choice.pass_seconds, *chain.from_iterable(choice.plans.values()), *choice.spares)
            yield from (("house_rules.toml", id, c.strokes, "stroke") for id in strokes)
            asked = (*choice.unasked, *choice.asks)
            yield from (("house_rules.toml", id, c.consents, "consent") for id in asked)
            things = {*c.supports, *get_args(Surface), WARMER}
            yield from (("house_rules.toml", id, things, "thing of a room") for id in choice.lacks)
    for limits in c.pregnancy_rules:
        for rule_id, choice_id in limits.when.items():
            yield "conditions.toml", rule_id, c.house_rules, "house rule"
            known = (
                {choice.id for choice in c.house_rules[rule_id].choices} if rule_id in c.house_rules else ()
            )
            yield "conditions.toml", choice_id, known, f"choice of {rule_id}"
    answers = (("end", c.closings, "closing"), ("body_order", c.schools, "school"))
    for rule_id, known_here, noun in answers:
        yield from (("house_rules.toml", x.id, known_here, noun) for x in c.house_rules[rule_id].choices)


def _rituals(c: Entries) -> Iterator[Reference]:
    for school in c.schools.values():
        yield "schools.toml", school.kind, c.kinds, "kind"
        yield from (("schools.toml", id, c.regions, "region") for id in school.weights)
        for block in school.blocks:
            yield "schools.toml", block.position, c.openings, "opening"
            yield "schools.toml", block.position, c.positions, "position"
            reachable = {id for id, region in c.regions.items() if region.is_whole_in(block.position)}
            yield from (("schools.toml", id, reachable, f"{block.position} region") for id in block.regions())
    yield from (("schools.toml", id, c.positions, "position") for id in c.openings)
    rituals: tuple[Opening | Closing, ...] = (*c.openings.values(), *c.closings.values())
    for ritual in rituals:
        yield "schools.toml", ritual.region, c.regions, "region"
        yield from (("schools.toml", s.stroke, c.strokes, "stroke") for s in ritual.strokes)
