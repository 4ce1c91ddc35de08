"""Clients: found again, added, described, put together, erased; and what to know of one before the first touch."""

from collections.abc import Mapping
from datetime import date
from uuid import UUID, uuid4

from pydantic import AwareDatetime

from mellow_tide.core.care.pregnancy import weeks_words
from mellow_tide.core.care.restrictions import Restrictions, Threshold, restrict, thresholds
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.meeting.changes import ItemChange
from mellow_tide.core.meeting.merging import merged
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.refusal import FieldProblem, Refused
from mellow_tide.core.run.log import Log
from mellow_tide.services.evidence import newly_told, person_name, told
from mellow_tide.services.intakes import IntakeLine, ToAsk, lines_of, to_ask_of
from mellow_tide.services.session_view import Known, known_of
from mellow_tide.services.sore_points import PointsOfVisit, points_by_visit
from mellow_tide.store.clients import (
    add_changes,
    changes_of,
    clients_found,
    erase_client,
    find_client,
    lock_client,
    merge_client,
    point_events_of,
    sessions_of_client,
)
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.intakes import intakes_of
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


class Visit(Record):
    """A session of a client, with what was logged of it."""

    session_id: UUID
    starts_at: AwareDatetime
    brief: Brief
    log: Log | None


class ClientPage(Record):
    """A client whole: what restricts a session and why, consents, wishes, visits. `revision` must be sent back.

    `pregnancy` says the weeks and days of `day`, or is empty; `ahead` what is still to change in it. `since` says of
    each thing that stands how it became known, by field and item: `consents foot`. `to_ask` are answers of intakes
    that were questioned; `sore` the points of each visit, the last first.
    """

    client_id: UUID
    revision: int
    day: date
    record: ClientRecord
    facts: ClientFacts
    pregnancy: str
    ahead: tuple[Threshold, ...]
    restrictions: Restrictions
    since: Mapping[str, Known]
    to_ask: tuple[ToAsk, ...]
    intakes: tuple[IntakeLine, ...]
    visits: tuple[Visit, ...]
    sore: tuple[PointsOfVisit, ...]


class Erased(Record):
    """What erasing a client took away, by kind: sessions, events, logs, intakes, changes."""

    name: str
    counts: Mapping[str, int]


class OneClient(Refused):
    """Two entries are needed to make one."""

    code = "one-client"
    title = "A client cannot be put together with themselves."


class NameDiffers(Refused):
    """Erasing asks for the name, so that nobody is erased by a slip."""

    code = "name-differs"
    title = "That is not the name of this client."


def found(db: Database, who: SignedIn, typed: str, archived: bool) -> tuple[ClientInList, ...]:
    """The clients that what was typed could mean, the likeliest first, at most fifty; by name if nothing was."""
    with db.transaction(Sight(who.practice_id)) as c:
        rows = clients_found(c, who.practice_id, typed, archived, MOST_FOUND)
    return tuple(ClientInList(**vars(row)) for row in rows)


def add(db: Database, who: SignedIn, name: str, phone: str, catalogue: Catalogue) -> ClientPage:
    """Add a client."""
    client_id = uuid4()
    with db.transaction(_sight(who)) as c:
        record = ClientRecord(name=name, phone=phone)
        newly_told(c, who.practice_id, client_id, record, "by_hand", person_name(c, who))
    return page(db, who, client_id, catalogue)


def describe(
    db: Database, who: SignedIn, client_id: UUID, revision: int, record: ClientRecord, catalogue: Catalogue
) -> ClientPage:
    """Keep what is now known of the client read at `revision`. Raises `NotThere`, `Stale`, `UnknownReference`."""
    with db.transaction(_sight(who)) as c:
        told(c, who, client_id, lambda _: record, "by_hand", catalogue, revision)
    return page(db, who, client_id, catalogue)


def merge(db: Database, who: SignedIn, kept: UUID, other: UUID, catalogue: Catalogue) -> ClientPage:
    """Make one of two entries: `kept` gets what only `other` knew, its sessions, intakes and evidence.

    Raises `NotThere`, `OneClient`.
    """
    if kept == other:
        raise OneClient(FieldProblem("other", "it is the same client", "choose another one"))
    with db.transaction(_sight(who)) as c:
        # Always in the same order, so that two who put the same ones together do not wait for each other for ever.
        for client_id in sorted((kept, other)):
            lock_client(c, who.practice_id, client_id)
        theirs = find_client(c, who.practice_id, other).record
        told(c, who, kept, lambda record: merged(record, theirs), "merge", catalogue)
        whole = ItemChange(field="merged", item=theirs.name, before=theirs.model_dump(mode="json"))
        add_changes(c, who.practice_id, kept, [whole], "merge", person_name(c, who))
        merge_client(c, kept, other)
    return page(db, who, kept, catalogue)


def erase(db: Database, who: SignedIn, client_id: UUID, name: str) -> Erased:
    """Take everything of a client away, for good. Raises `NotThere`, and `NameDiffers` unless `name` is theirs."""
    with db.transaction(_sight(who)) as c:
        lock_client(c, who.practice_id, client_id)
        theirs = find_client(c, who.practice_id, client_id).record.name
        if " ".join(name.lower().split()) != " ".join(theirs.lower().split()):
            raise NameDiffers(
                FieldProblem("name", f"“{name}” is not “{theirs}”", "type the name as it is shown")
            )
        counts = erase_client(c, who.practice_id, client_id, person_name(c, who))
    return Erased(name=theirs, counts=counts)


def history(db: Database, who: SignedIn, client_id: UUID) -> tuple[Known, ...]:
    """Everything that became known of a client, the newest first: when, how, who wrote it down. Raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        find_client(c, who.practice_id, client_id)
        return tuple(known_of(row) for row in changes_of(c, who.practice_id, client_id))


def page(db: Database, who: SignedIn, client_id: UUID, catalogue: Catalogue) -> ClientPage:
    """The client, and what to know before touching on the practice's present day. Raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_client(c, who.practice_id, client_id)
        visits = sessions_of_client(c, who.practice_id, client_id, MOST_VISITS)
        changed = changes_of(c, who.practice_id, client_id)
        intakes = intakes_of(c, who.practice_id, client_id)
        pointed = point_events_of(c, who.practice_id, client_id)
    facts = row.record.facts(row.day)
    days, house = facts.gestation_days, in_house(row.house, catalogue)
    known = [known_of(change) for change in reversed(changed)]
    return ClientPage(
        client_id=row.client_id,
        revision=row.revision,
        day=row.day,
        record=row.record,
        facts=facts,
        pregnancy=weeks_words(days) if days is not None else "",
        ahead=thresholds(row.record.due_date, days, house)
        if row.record.due_date and days is not None
        else (),
        restrictions=restrict(facts, house),
        since={f"{one.change.field} {one.change.item}".strip(): one for one in known},
        to_ask=to_ask_of(intakes, row, catalogue),
        intakes=lines_of(intakes),
        visits=tuple(
            Visit(
                session_id=visit.session_id,
                starts_at=visit.starts_at,
                brief=Brief.model_validate(visit.brief),
                log=Log.model_validate(visit.log) if visit.log else None,
            )
            for visit in visits
        ),
        sore=points_by_visit(pointed),
    )


def _sight(who: SignedIn) -> Sight:
    return Sight(who.practice_id, who.person_id)
