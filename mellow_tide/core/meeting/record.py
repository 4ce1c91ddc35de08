"""What is known of a client, as one record."""

from datetime import date
from typing import Annotated, Literal

from pydantic import Field, StringConstraints

from mellow_tide.core.care.pregnancy import gestation_days
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import ClientFacts, Excluded, Place, Wish

ClientName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120)]
ShortLine = Annotated[str, Field(max_length=80)]
Phone = Annotated[str, Field(max_length=40)]
Email = Annotated[str, Field(max_length=200)]
EmergencyContact = Annotated[str, Field(max_length=200)]
Words = Annotated[str, Field(max_length=1000)]
BirthYear = Annotated[int, Field(ge=1900, le=2100)]
HeightCm = Annotated[int, Field(ge=100, le=230)]
Weight = Annotated[int, Field(ge=25, le=300)]
TensionPlaces = Annotated[tuple[Place, ...], Field(max_length=60)]
KeptOff = Annotated[tuple[Excluded, ...], Field(max_length=60)]
Wishes = Annotated[tuple[Wish, ...], Field(max_length=40)]

Warmth = Literal["", "warm", "usual", "cool"]
Talk = Literal["", "quiet", "some", "talk"]
Music = Literal["", "none", "soft"]
Oil = Literal["", "usual", "little", "none"]


class ClientRecord(Record):
    """Everything a practice keeps of a client beside their sessions. Empty text: not known.

    Height in cm (100 to 230), weight in kg (25 to 300), breaths a minute (4 to 40). `conditions`, `consents` and
    `declined` are ids of the catalogue, `likes` and `dislikes` ids of its strokes and tools. `tension` is where the
    client says it sits, `excluded` where to keep off.
    """

    name: ClientName
    address_as: ShortLine = ""
    phone: Phone = ""
    email: Email = ""
    emergency_contact: EmergencyContact = ""
    birth_year: BirthYear | None = None
    language: ShortLine = ""
    clothing: Annotated[str, Field(max_length=200)] = ""
    note: Annotated[str, Field(max_length=4000)] = ""
    know_first: Annotated[str, Field(max_length=400)] = ""
    height_cm: HeightCm = 170
    weight_kg: Weight | None = None
    breaths_per_minute: Annotated[int, Field(ge=4, le=40)] = 12
    body_hair: Literal["usual", "much"] = "usual"
    skin: Literal["usual", "dry"] = "usual"
    conditions: frozenset[str] = frozenset()
    due_date: date | None = None
    medicines: Words = ""
    allergies: Words = ""
    operations: Words = ""
    injuries: Words = ""
    consents: frozenset[str] = frozenset()
    declined: frozenset[str] = frozenset()
    excluded: KeptOff = ()
    wishes: Wishes = ()
    likes: frozenset[str] = frozenset()
    dislikes: frozenset[str] = frozenset()
    aims: Words = ""
    tension: TensionPlaces = ()
    warmth: Warmth = ""
    talk: Talk = ""
    music: Music = ""
    oil: Oil = ""
    archived: bool = False

    def facts(self, day: date) -> ClientFacts:
        """What of it changes a plan on a day."""
        own = {
            field: getattr(self, field)
            for field in ClientFacts.model_fields
            if field in type(self).model_fields
        }
        return ClientFacts(
            **own, gestation_days=gestation_days(self.due_date, day) if self.due_date else None
        )

    def answered(self, consent: str, yes: bool | None) -> "ClientRecord":
        """The record with a consent given (True), declined (False) or taken back to unasked (None)."""
        consents, declined = self.consents - {consent}, self.declined - {consent}
        if yes is not None:
            consents, declined = (consents | {consent}, declined) if yes else (consents, declined | {consent})
        return self.model_copy(update={"consents": consents, "declined": declined})


def nobody(name: str) -> ClientRecord:
    """Someone of whom no more than the name is known."""
    return ClientRecord(name=name)
