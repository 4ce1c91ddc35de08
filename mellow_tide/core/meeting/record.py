"""What is known of a client, as one record."""

from collections.abc import Iterable, Mapping
from datetime import date
from typing import Annotated, Literal

from pydantic import AfterValidator, Field, StringConstraints

from mellow_tide.core.care.pregnancy import gestation_days
from mellow_tide.core.catalogue.records import Ids, Record
from mellow_tide.core.flow.brief import ClientFacts, ConditionPlaces, Excluded, Place, Wish, merge_places
from mellow_tide.core.meeting.field_rules import FieldRule

ClientName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120)]
ShortLine = Annotated[str, Field(max_length=80)]
Phone = Annotated[str, Field(max_length=40)]
Email = Annotated[str, Field(max_length=200)]
EmergencyContact = Annotated[str, Field(max_length=200)]
Words = Annotated[str, Field(max_length=1000)]
SetUp = Annotated[str, Field(max_length=200)]
Guardian = Annotated[str, Field(max_length=200)]
CalendarDay = Annotated[date, Field(ge=date(1900, 1, 1), le=date(2200, 12, 31))]
"""Days that can be reckoned with, whatever is added to them."""

BirthYear = Annotated[int, Field(ge=1900, le=2100)]
HeightCm = Annotated[int, Field(ge=100, le=230)]
Weight = Annotated[float, Field(ge=25, le=300), AfterValidator(lambda kg: round(kg, 1))]
TensionPlaces = Annotated[tuple[Place, ...], Field(max_length=60)]
KeptOff = Annotated[tuple[Excluded, ...], Field(max_length=60)]
PlacesOfConditions = Annotated[tuple[ConditionPlaces, ...], Field(max_length=60)]
Wishes = Annotated[tuple[Wish, ...], Field(max_length=40)]

Warmth = Literal["", "warm", "usual", "cool"]
Talk = Literal["", "quiet", "some", "talk"]
Music = Literal["", "none", "soft"]
Oil = Literal["", "usual", "little", "none"]
_RULED = FieldRule(group="own", merge="rule", bears_on_plan=True)
"""Merged and printed by rules of their own; a plan depends on it."""


OF_AGE = 18
WITHOUT_GUARDIAN = "minor_without_guardian"
"""The condition of a client under 18 for whom nobody has agreed."""


ConsentAnswer = Literal["yes", "through_cloth", "no"]
CONSENT_FIELDS: Mapping[ConsentAnswer, str] = {
    "yes": "consents",
    "through_cloth": "through_cloth",
    "no": "declined",
}
"""Which field of a record holds the consents answered so."""


class ClientRecord(Record):
    """Everything a practice keeps of a client beside their sessions. Empty text: not known.

    Height in cm (100 to 230), weight in kg (25 to 300), breaths a minute (4 to 40). `conditions`, `consents`,
    `through_cloth` and `declined` are ids of the catalogue, `likes` and `dislikes` ids of its strokes and tools.
    `condition_places` says where conditions are, `tension` where the client feels it, `excluded` where to keep off.
    `table_set_up` and `chair_set_up` are how they lie and sit best: supports, heights, notches.
    `guardian` says who has agreed for a client under 18, or since when the client is of age.
    """

    name: ClientName
    address_as: Annotated[ShortLine, FieldRule("Called", asked=True, about="how to address")] = ""
    phone: Annotated[Phone, FieldRule("Phone", asked=True)] = ""
    email: Annotated[Email, FieldRule("E-mail", asked=True, about="e-mail")] = ""
    emergency_contact: Annotated[
        EmergencyContact, FieldRule("In an emergency", asked=True, about="in an emergency")
    ] = ""
    birth_year: Annotated[
        BirthYear | None, FieldRule("Born in", asked=True, about="year of birth", bears_on_plan=True)
    ] = None
    guardian: Annotated[
        Guardian,
        FieldRule(
            "Guardian",
            asked=True,
            about="guardian’s consent",
            means="Under 18 there is no session without it. See it in writing.",
            bears_on_plan=True,
            grave=True,
        ),
    ] = ""
    language: Annotated[ShortLine, FieldRule("Language", asked=True)] = ""
    clothing: Annotated[str, Field(max_length=200), FieldRule("Clothing")] = ""
    table_set_up: Annotated[
        SetUp, FieldRule("Set-up on the table", merge="join", about="set-up on the table")
    ] = ""
    chair_set_up: Annotated[
        SetUp, FieldRule("Set-up in the chair", merge="join", about="set-up in the chair")
    ] = ""
    note: Annotated[str, Field(max_length=4000), FieldRule("Notes", merge="join", between="\n")] = ""
    know_first: Annotated[
        str,
        Field(max_length=400),
        FieldRule("To know first", merge="join", between=" · ", about="to know first"),
    ] = ""
    height_cm: Annotated[
        HeightCm,
        FieldRule(
            "Height",
            bears_on_plan=True,
            asked=True,
            about="height",
            measure="height",
            means="The time of long strokes follows.",
        ),
    ] = 170
    weight_kg: Annotated[Weight | None, FieldRule("Weight", bears_on_plan=True, measure="weight")] = None
    breaths_per_minute: Annotated[
        int, Field(ge=4, le=40), FieldRule(group="own", about="breaths a minute")
    ] = 12
    body_hair: Annotated[Literal["usual", "much"], FieldRule("Body hair")] = "usual"
    skin: Annotated[Literal["usual", "dry"], FieldRule("Skin")] = "usual"
    conditions: Annotated[Ids, _RULED] = frozenset()
    condition_places: Annotated[PlacesOfConditions, _RULED] = ()
    due_date: Annotated[CalendarDay | None, _RULED] = None
    medicines: Annotated[
        Words,
        FieldRule(
            "Medicines",
            "health",
            merge="join",
            asked=True,
            means="If you do not know what one is for, ask; blood thinners and strong pain relief ask for light hands.",
            grave=True,
        ),
    ] = ""
    allergies: Annotated[
        Words,
        FieldRule(
            "Allergies",
            "health",
            merge="join",
            asked=True,
            means="Look at the oil and at what is near the table.",
        ),
    ] = ""
    operations: Annotated[
        Words,
        FieldRule(
            "Operations",
            "health",
            merge="join",
            asked=True,
            means="Leave healing places alone; within six weeks the surgeon’s word first.",
            grave=True,
        ),
    ] = ""
    injuries: Annotated[
        Words,
        FieldRule(
            "Injuries",
            "health",
            merge="join",
            asked=True,
            means="Leave the places alone; mark them as places to keep off.",
            grave=True,
        ),
    ] = ""
    consents: Annotated[Ids, _RULED] = frozenset()
    through_cloth: Annotated[Ids, _RULED] = frozenset()
    declined: Annotated[Ids, FieldRule(group="own", merge="rule")] = frozenset()
    excluded: Annotated[KeptOff, _RULED] = ()
    wishes: Annotated[Wishes, _RULED] = ()
    likes: Annotated[Ids, _RULED] = frozenset()
    dislikes: Annotated[Ids, _RULED] = frozenset()
    aims: Annotated[
        Words, FieldRule("What was wished for", merge="join", asked=True, about="what would be good")
    ] = ""
    tension: Annotated[TensionPlaces, FieldRule(group="own", merge="rule")] = ()
    warmth: Annotated[Warmth, FieldRule("Warmth", asked=True)] = ""
    talk: Annotated[Talk, FieldRule("Talk", asked=True)] = ""
    music: Annotated[Music, FieldRule("Music", asked=True)] = ""
    oil: Annotated[Oil, FieldRule("Oil", asked=True)] = ""
    archived: bool = False

    def set_up_for(self, surface: str) -> str:
        """How they sit best in the chair, or lie best on anything else; empty where nobody has said."""
        return self.chair_set_up if surface == "chair" else self.table_set_up

    def facts(self, day: date) -> ClientFacts:
        """What of it changes a plan on a day."""
        own = {
            field: getattr(self, field)
            for field in ClientFacts.model_fields
            if field in type(self).model_fields
        }
        if self.is_perhaps_minor(day) and not self.guardian.strip():
            own["conditions"] = self.conditions | {WITHOUT_GUARDIAN}
        return ClientFacts(
            **own, gestation_days=gestation_days(self.due_date, day) if self.due_date else None
        )

    def is_perhaps_minor(self, day: date) -> bool:
        """Whether the client may be under 18: only the year of birth is known."""
        return self.birth_year is not None and day.year - self.birth_year <= OF_AGE

    def told_where(self, told: Iterable[ConditionPlaces]) -> "ClientRecord":
        """The record with what is `told` of where conditions are; of those that it no longer has, nothing is kept."""
        places = merge_places(self.condition_places, told)
        kept = tuple(one for one in places if one.condition in self.conditions)
        return self.model_copy(update={"condition_places": kept})

    def answered(self, consent: str, answer: ConsentAnswer | None) -> "ClientRecord":
        """The record with a consent answered, or taken back to unasked (None)."""
        sets = {field: getattr(self, field) - {consent} for field in CONSENT_FIELDS.values()}
        if answer is not None:
            sets[CONSENT_FIELDS[answer]] |= {consent}
        return self.model_copy(update=sets)


def read_consents(record: ClientRecord) -> Mapping[str, ConsentAnswer]:
    """Every consent that has an answer, with it."""
    return {id: answer for answer, field in CONSENT_FIELDS.items() for id in getattr(record, field)}


def nobody(name: str) -> ClientRecord:
    """Someone of whom no more than the name is known."""
    return ClientRecord(name=name)
