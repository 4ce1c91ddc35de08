"""What a client answers in an intake. What is not answered is None and changes nothing."""

from collections.abc import Iterable, Iterator, Mapping
from datetime import date, timedelta
from typing import Annotated, Literal, TypeVar

from pydantic import Field

from mellow_tide.core.care.pregnancy import TERM_DAYS, due_date_of
from mellow_tide.core.catalogue.catalogue import Catalogue, check_known
from mellow_tide.core.catalogue.records import Id, Record
from mellow_tide.core.catalogue.rules import Heading
from mellow_tide.core.flow.brief import Excluded, Place, Wish, check_places
from mellow_tide.core.meeting.record import (
    BirthYear,
    CalendarDay,
    Email,
    EmergencyContact,
    Guardian,
    HeightCm,
    KeptOff,
    Music,
    Oil,
    Phone,
    PlacesOfConditions,
    ShortLine,
    Talk,
    TensionPlaces,
    Warmth,
    Wishes,
    Words,
)
from mellow_tide.core.refusal import FieldProblem

Consenting = Literal["yes", "through_cloth", "no", "ask"]
LATEST = timedelta(days=28)
"""A pregnancy is reckoned with until four weeks past its due date."""


P = TypeVar("P", Place, Excluded, Wish)


class Answers(Record):
    """The answers by question. `conditions` are those ticked under a heading; an empty tuple says "none of these".

    `condition_places` says where those are that need a place.
    """

    address_as: ShortLine | None = None
    phone: Phone | None = None
    email: Email | None = None
    emergency_contact: EmergencyContact | None = None
    birth_year: BirthYear | None = None
    guardian: Guardian | None = None
    language: ShortLine | None = None
    height_cm: HeightCm | None = None
    conditions: Annotated[
        Mapping[Heading, Annotated[tuple[Id, ...], Field(max_length=80)]], Field(max_length=20)
    ] = {}
    condition_places: PlacesOfConditions = ()
    medicines: Words | None = None
    allergies: Words | None = None
    operations: Words | None = None
    injuries: Words | None = None
    pregnant: Literal["yes", "no"] | None = None
    due_date: CalendarDay | None = None
    last_period: CalendarDay | None = None
    aims: Words | None = None
    tension: TensionPlaces | None = None
    excluded: KeptOff | None = None
    wishes: Wishes | None = None
    consents: Annotated[Mapping[Id, Consenting], Field(max_length=80)] = {}
    oil: Oil | None = None
    warmth: Warmth | None = None
    talk: Talk | None = None
    music: Music | None = None

    def due(self) -> date | None:
        """The due date named, or the one that follows from the last period; None without a pregnancy or a date."""
        if self.pregnant != "yes":
            return None
        return self.due_date or (due_date_of(self.last_period) if self.last_period else None)

    def where(self) -> Mapping[str, tuple[Place, ...]]:
        """Where the ticked conditions are of which that is told, by id."""
        ticked = self.ticked()
        return {one.condition: one.places for one in self.condition_places if one.condition in ticked}

    def ticked(self) -> frozenset[str]:
        """All conditions named; those of a pregnancy only if there is one."""
        return frozenset(
            id
            for heading, ids in self.conditions.items()
            if heading != "pregnancy" or self.pregnant == "yes"
            for id in ids
        )


def keep_known(answers: Answers, catalogue: Catalogue) -> Answers:
    """The answers without what names nothing of the catalogue, as an older or a broken form may."""

    def placed(places: Iterable[P] | None) -> tuple[P, ...] | None:
        return None if places is None else tuple(x for x in places if x.region in catalogue.regions)

    return answers.model_copy(
        update={
            "conditions": {
                heading: tuple(id for id in ids if id in catalogue.conditions)
                for heading, ids in answers.conditions.items()
            },
            "condition_places": tuple(
                one.model_copy(update={"places": placed(one.places)})
                for one in answers.condition_places
                if one.condition in catalogue.conditions
            ),
            "consents": {id: said for id, said in answers.consents.items() if id in catalogue.consents},
            "tension": placed(answers.tension),
            "excluded": placed(answers.excluded),
            "wishes": placed(answers.wishes),
        }
    )


def find_problems(answers: Answers, day: date, catalogue: Catalogue) -> tuple[FieldProblem, ...]:
    """What cannot be right, by question; empty if it can be handed in."""
    return tuple(_problems(answers, day, catalogue))


def _problems(answers: Answers, day: date, catalogue: Catalogue) -> Iterator[FieldProblem]:
    for heading, ids in answers.conditions.items():
        field = f"conditions.{heading}"
        known = {id: one for id, one in catalogue.conditions.items() if one.asked == heading}
        yield from filter(None, (check_known(known, id, field, "condition under this heading") for id in ids))
    yield from _without_a_place(answers, catalogue)
    yield from filter(
        None, (check_known(catalogue.consents, id, "consents", "consent") for id in answers.consents)
    )
    sheeted = {id: one for id, one in catalogue.consents.items() if one.through_cloth}
    through = (id for id, answer in answers.consents.items() if answer == "through_cloth")
    yield from filter(None, (check_known(sheeted, id, "consents", "consent") for id in through))
    yield from check_places(answers.tension or (), "tension", catalogue)
    yield from check_places(answers.excluded or (), "excluded", catalogue)
    located = (place for one in answers.condition_places for place in one.places)
    yield from check_places(located, "condition_places", catalogue)
    wished = (check_known(catalogue.regions, one.region, "wishes", "region") for one in answers.wishes or ())
    yield from filter(None, wished)
    if answers.pregnant != "yes":
        return
    if answers.due_date and not day - LATEST <= answers.due_date <= day + timedelta(days=TERM_DAYS):
        yield FieldProblem("due_date", "due_date_impossible")
    if answers.last_period and not day - timedelta(days=TERM_DAYS) - LATEST <= answers.last_period <= day:
        yield FieldProblem("last_period", "last_period_impossible")
    if not answers.due_date and not answers.last_period:
        yield FieldProblem("due_date", "due_date_missing")


def _without_a_place(answers: Answers, catalogue: Catalogue) -> Iterator[FieldProblem]:
    ticked, where = answers.ticked(), answers.where()
    for id in sorted(ticked & set(catalogue.conditions) - set(where)):
        condition = catalogue.conditions[id]
        if condition.needs_place:
            yield FieldProblem(f"conditions.{condition.asked}", "where_missing", asks=condition.asks)
