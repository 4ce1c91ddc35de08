"""A practice's own choices among the schools, and the catalogue as it then stands."""

from collections.abc import Iterator, Mapping
from dataclasses import fields, replace
from functools import lru_cache
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue, Entries, ShippedCatalogue, check_known
from mellow_tide.core.catalogue.house_rows import regions_in, schools_in
from mellow_tide.core.catalogue.records import Pass, Record, Stroke, Surface
from mellow_tide.core.catalogue.rules import Choice
from mellow_tide.core.refusal import FieldProblem, UnknownReference


class House(Record):
    """What a practice has chosen: choice ids by house rule, and transition seconds of its own by name.

    What is not named keeps the default.
    """

    rules: dict[str, str] = {}
    seconds: dict[str, Annotated[int, Field(ge=1, le=900)]] = {}


DEFAULTS = House()


def in_house(house: House, shipped: ShippedCatalogue) -> Catalogue:
    """The catalogue of a practice that works as `house` says. The same house gives an equal value.

    Raises `UnknownReference` for a rule, choice or transition that does not exist.
    """
    return _made(tuple(sorted(house.rules.items())), tuple(sorted(house.seconds.items())), shipped)


@lru_cache(maxsize=64)
def on_surface(surface: Surface | None, catalogue: Catalogue) -> Catalogue:
    """The catalogue as it stands on `surface`: a mat has no height, and one kneels instead of sitting on a stool."""
    if surface != "mat":
        return catalogue
    chosen = {**catalogue.chosen, "table_height": "fixed", "stool": "stand"}
    return catalogue.changed(("surface", surface), chosen=chosen)


@lru_cache(maxsize=64)
def _made(
    rules: tuple[tuple[str, str], ...], seconds: tuple[tuple[str, int], ...], shipped: ShippedCatalogue
) -> Catalogue:
    problems = [p for p in (*_rule_problems(rules, shipped), *_second_problems(seconds, shipped)) if p]
    if problems:
        raise UnknownReference(*problems)
    entries = {field.name: getattr(shipped, field.name) for field in fields(Entries)}
    as_shipped = Catalogue(**entries, origin=(shipped.digest,))
    if not rules and not seconds:
        return as_shipped
    chosen = {**shipped.chosen, **dict(rules)}
    choices = [replace(shipped, chosen=chosen).choice(rule) for rule in shipped.house_rules]
    unasked = {id for choice in choices for id in choice.unasked}
    return as_shipped.changed(
        ("house", rules, seconds),
        chosen=chosen,
        clock=shipped.clock.model_copy(update=dict(seconds)),
        places={
            id: place.model_copy(update={"most_depth": _most_depth(choices, id, place.most_depth)})
            for id, place in shipped.places.items()
        },
        regions=regions_in(chosen, shipped.regions),
        schools=schools_in(chosen, shipped.schools),
        strokes=_strokes(choices, shipped.strokes),
        consents={
            id: consent.model_copy(update={"explicit": False, "explicit_in": ()})
            if id in unasked
            else consent
            for id, consent in shipped.consents.items()
        },
    )


def _most_depth(choices: list[Choice], place: str, usual: int) -> int:
    return next((c.place_depth[place] for c in choices if place in c.place_depth), usual)


def _strokes(choices: list[Choice], strokes: Mapping[str, Stroke]) -> dict[str, Stroke]:
    """The strokes as they are done here."""
    spares = {id for choice in choices for id in choice.spares}
    return {
        id: stroke.model_copy(
            update={
                "passing": _passing(choices, id, stroke.passing),
                "routine": stroke.routine and id not in spares,
            }
        )
        for id, stroke in strokes.items()
    }


def _passing(choices: list[Choice], stroke: str, passing: Pass) -> Pass:
    seconds = next((c.pass_seconds[stroke] for c in choices if stroke in c.pass_seconds), None)
    return passing if seconds is None else Pass(kind="seconds", seconds=seconds)


def _rule_problems(rules: tuple[tuple[str, str], ...], c: Entries) -> Iterator[FieldProblem | None]:
    for rule, choice in rules:
        missing = check_known(c.house_rules, rule, "rules", "house rule")
        yield missing
        if missing is None:
            known = {option.id: option for option in c.house_rules[rule].choices}
            yield check_known(known, choice, f"rules.{rule}", "choice")


def _second_problems(seconds: tuple[tuple[str, int], ...], c: Entries) -> Iterator[FieldProblem]:
    names = [name for name in type(c.clock).model_fields if name != "glide_cm_per_second"]
    for name, _ in seconds:
        if name not in names:
            yield FieldProblem(f"seconds.{name}", "unknown_id", noun="transition", id=name, known=names)
