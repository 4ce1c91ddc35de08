"""Clients: found again, added, and what to know of one before the first touch."""

from typing import Annotated
from uuid import UUID, uuid4

from pydantic import AwareDatetime, Field

from mellow_tide.core.care.pregnancy import weeks_words
from mellow_tide.core.care.restrictions import Restrictions, restrict
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.services.logs import Log
from mellow_tide.store.clients import (
    add_plain_client,
    change_client,
    clients_found,
    find_client,
    sessions_of_client,
)
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn

MOST_FOUND, MOST_VISITS = 50, 12


class ClientInList(Record):
    """A client as a list shows one."""

    client_id: UUID
    name: str
    address_as: str
    phone: str
    know_first: str
    archived: bool
    last_at: AwareDatetime | None
    next_at: AwareDatetime | None


class Contact(Record):
    """What may be said of a client by hand. Height in cm (100 to 230)."""

    name: Annotated[str, Field(min_length=1, max_length=120)]
    address_as: Annotated[str, Field(max_length=80)] = ""
    phone: Annotated[str, Field(max_length=40)] = ""
    email: Annotated[str, Field(max_length=200)] = ""
    note: Annotated[str, Field(max_length=4000)] = ""
    know_first: Annotated[str, Field(max_length=400)] = ""
    height_cm: Annotated[int, Field(ge=100, le=230)] = 170
    archived: bool = False


class Visit(Record):
    """A session of a client, with what was logged of it."""

    session_id: UUID
    starts_at: AwareDatetime
    brief: Brief
    log: Log | None


class ClientPage(Record):
    """A client whole: what restricts a session and why, consents, wishes, visits. `revision` must be sent back.

    `pregnancy` says the weeks and days of the day, or is empty.
    """

    client_id: UUID
    revision: int
    contact: Contact
    facts: ClientFacts
    pregnancy: str
    restrictions: Restrictions
    visits: tuple[Visit, ...]


def found(db: Database, who: SignedIn, typed: str, archived: bool) -> tuple[ClientInList, ...]:
    """The clients that what was typed could mean, the likeliest first, at most fifty; by name if nothing was."""
    with db.transaction(Sight(who.practice_id)) as c:
        rows = clients_found(c, who.practice_id, typed, archived, MOST_FOUND)
    return tuple(ClientInList(**vars(row)) for row in rows)


def add(db: Database, who: SignedIn, name: str, phone: str, catalogue: Catalogue) -> ClientPage:
    """Add a client."""
    client_id = uuid4()
    with db.transaction(Sight(who.practice_id)) as c:
        add_plain_client(c, who.practice_id, client_id, name, phone)
    return page(db, who, client_id, catalogue)


def describe(
    db: Database, who: SignedIn, client_id: UUID, revision: int, contact: Contact, catalogue: Catalogue
) -> ClientPage:
    """Describe, archive or bring back the client read at `revision`. Raises `NotThere`, `Stale`."""
    with db.transaction(Sight(who.practice_id)) as c:
        change_client(c, who.practice_id, client_id, revision, contact.model_dump())
    return page(db, who, client_id, catalogue)


def page(db: Database, who: SignedIn, client_id: UUID, catalogue: Catalogue) -> ClientPage:
    """The client, and what to know before touching on the practice's present day. Raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_client(c, who.practice_id, client_id)
        visits = sessions_of_client(c, who.practice_id, client_id, MOST_VISITS)
    facts = row.facts
    return ClientPage(
        client_id=row.client_id,
        revision=row.revision,
        contact=Contact(
            name=row.name,
            address_as=row.address_as,
            phone=row.phone,
            email=row.email,
            note=row.note,
            know_first=row.know_first,
            height_cm=row.height_cm,
            archived=row.archived,
        ),
        facts=facts,
        pregnancy=weeks_words(facts.gestation_days) if facts.gestation_days is not None else "",
        restrictions=restrict(facts, in_house(row.house, catalogue)),
        visits=tuple(
            Visit(
                session_id=visit.session_id,
                starts_at=visit.starts_at,
                brief=Brief.model_validate(visit.brief),
                log=Log.model_validate(visit.log) if visit.log else None,
            )
            for visit in visits
        ),
    )
