"""The desk at which a request is served: who asks, for which practice, with which database and catalogue."""

from contextlib import AbstractContextManager
from dataclasses import dataclass
from uuid import UUID

from mellow_tide.core.catalogue.catalogue import Catalogue, ShippedCatalogue
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.setting import Setting
from mellow_tide.store.database import Database, Sight, Transaction
from mellow_tide.store.house import find_house
from mellow_tide.store.people import SignedIn, find_person
from mellow_tide.store.security import SecurityEventKind, Whose, add_security_event
from mellow_tide.store.sessions import SessionRow


@dataclass(frozen=True)
class Desk:
    """Everything a use case needs beside its own arguments. `house` is what the practice has chosen."""

    db: Database
    who: SignedIn
    shipped: ShippedCatalogue
    house: House

    @classmethod
    def of(cls, db: Database, who: SignedIn, shipped: ShippedCatalogue) -> "Desk":
        """The desk of who is signed in. Raises `NotThere` where their practice is gone."""
        with db.transaction(Sight(who.practice_id)) as t:
            return cls(db, who, shipped, find_house(t))

    @property
    def catalogue(self) -> Catalogue:
        """The practice's catalogue."""
        return in_house(self.house, self.shipped)

    def reading(self) -> AbstractContextManager[Transaction]:
        """A transaction that sees the practice."""
        return self.db.transaction(Sight(self.who.practice_id))

    def writing(self) -> AbstractContextManager[Transaction]:
        """A transaction that sees the practice and who asks, so that what is written has a name under it."""
        return self.db.transaction(Sight(self.who.practice_id, self.who.person_id))

    def note(self, t: Transaction, kind: SecurityEventKind, what: str) -> None:
        """Write down what touches safety, with who did it."""
        add_security_event(t, kind, self.db.now(), Whose(self.who.practice_id, self.who.person_id), what)

    def name(self, t: Transaction) -> str:
        """Who writes it down, by name: it stays readable when the person is gone."""
        return find_person(t, self.who.person_id).name

    @property
    def person_id(self) -> UUID:
        """Who asks."""
        return self.who.person_id

    def setting_of(self, row: SessionRow) -> Setting:
        """What a session is planned in; once it has begun, what it began in."""
        if row.run:
            return Setting(in_house(row.run.house, self.shipped), row.facts, row.run.tempo)
        return Setting.of(row.facts, self.catalogue, row.pace)
