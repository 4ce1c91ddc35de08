"""Clients: found again, added, described, put together, erased; and what to know of one before the first touch."""

from collections.abc import Mapping, Sequence
from datetime import date, datetime, timedelta
from uuid import UUID, uuid4
from zoneinfo import ZoneInfo

from pydantic import AwareDatetime

from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.care.thresholds import Threshold, list_thresholds
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.meeting.changes import ItemChange
from mellow_tide.core.meeting.merging import merge_records
from mellow_tide.core.meeting.most_told import rank_told
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.phrases.manner import manner_of
from mellow_tide.core.phrases.times import say_weeks
from mellow_tide.core.refusal import FieldProblem, Refused
from mellow_tide.core.run.log import Log
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell, tell_new
from mellow_tide.services.meeting.intakes import IntakeLine, ToAsk, list_lines, list_to_ask
from mellow_tide.services.running.sore_points import PointsOfVisit, group_points
from mellow_tide.services.session_view import Known, make_known
from mellow_tide.store.meeting.clients import (
    count_conditions,
    erase_client,
    find_client,
    list_point_events,
    list_sessions_of_client,
    lock_client,
    merge_client,
    search_clients,
)
from mellow_tide.store.meeting.evidence import Evidence, add_changes, list_changes
from mellow_tide.store.meeting.intakes import list_intakes
from mellow_tide.store.people import find_practice
from mellow_tide.store.sessions import Attendance

MOST_FOUND, MOST_LISTED, MOST_VISITS = 50, 1000, 12


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


class VisitLine(Record):
    """A session of a client, with what was logged of it."""

    session_id: UUID
    starts_at: AwareDatetime
    attendance: Attendance
    brief: Brief
    log: Log | None


class ClientPage(Record):
    """A client whole: what restricts a session and why, consents, wishes, visits. `revision` must be sent back.

    `pregnancy` says the weeks and days of `day`, or is empty; `ahead` what is still to change in it. `since` says of
    each thing that stands how it became known, by field and item: `consents foot`. `to_ask` are answers of intakes
    that were questioned; `sore` the points of each visit, the last first. `again` are starts at which to book again: on
    the weekday and at the hour of the newest session, some weeks later.
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
    visits: tuple[VisitLine, ...]
    sore: tuple[PointsOfVisit, ...]
    again: tuple[LocalStart, ...]


class Erased(Record):
    """What erasing a client took away, by kind: sessions, events, logs, intakes, changes."""

    name: str
    counts: Mapping[str, int]


class OneClient(Refused):
    """Two entries are needed to make one."""

    code = "one-client"


class NameDiffers(Refused):
    """Erasing asks for the name, so that nobody is erased by a slip."""

    code = "name-differs"


def find_clients(desk: Desk, typed: str, archived: bool) -> tuple[ClientInList, ...]:
    """The clients that what was typed could mean, the likeliest first, at most fifty; all by name if nothing was."""
    with desk.reading() as t:
        rows = search_clients(t, typed, archived, MOST_FOUND if typed.strip() else MOST_LISTED)
    return tuple(ClientInList(**vars(row)) for row in rows)


def add(desk: Desk, name: str, phone: str) -> ClientPage:
    """Add a client."""
    client_id = uuid4()
    with desk.writing() as t:
        record = ClientRecord(name=name, phone=phone)
        tell_new(t, desk, client_id, record, Told("by_hand"))
    return read_client(desk, client_id)


def describe(desk: Desk, client_id: UUID, revision: int, record: ClientRecord) -> ClientPage:
    """Keep what is now known of the client read at `revision`. Raises `NotThere`, `Stale`, `UnknownReference`."""
    with desk.writing() as t:
        tell(t, desk, client_id, lambda _: record, Told("by_hand", revision=revision))
    return read_client(desk, client_id)


def merge(desk: Desk, kept: UUID, other: UUID) -> ClientPage:
    """Make one of two entries: `kept` gets what only `other` knew, its sessions, intakes and evidence.

    Raises `NotThere`, `OneClient`.
    """
    if kept == other:
        raise OneClient(FieldProblem("other", "same_client"))
    with desk.writing() as t:
        # Always in the same order, so that two who put the same ones together do not wait for each other for ever.
        for client_id in sorted((kept, other)):
            lock_client(t, client_id)
        theirs = find_client(t, other).record
        tell(t, desk, kept, lambda record: merge_records(record, theirs), Told("merge"))
        whole = ItemChange(field="merged", item=theirs.name, before=theirs.model_dump(mode="json"))
        add_changes(t, kept, [whole], Evidence("merge", desk.name(t)))
        merge_client(t, kept, other)
    return read_client(desk, kept)


def erase(desk: Desk, client_id: UUID, name: str) -> Erased:
    """Take everything of a client away, for good. Raises `NotThere`, and `NameDiffers` unless `name` is theirs."""
    with desk.writing() as t:
        lock_client(t, client_id)
        theirs = find_client(t, client_id).record.name
        if " ".join(name.lower().split()) != " ".join(theirs.lower().split()):
            raise NameDiffers(FieldProblem("name", "name_differs", name=name, theirs=theirs))
        counts = erase_client(t, client_id, desk.name(t))
        desk.note(t, "erased", "client")
    return Erased(name=theirs, counts=counts)


def list_most_told(desk: Desk) -> tuple[str, ...]:
    """The conditions that are told most in this practice, by id."""
    with desk.reading() as t:
        counts = count_conditions(t)
    return rank_told(counts, desk.catalogue)


def read_history(desk: Desk, client_id: UUID) -> tuple[Known, ...]:
    """Everything that became known of a client, the newest first: when, how, who wrote it down. Raises `NotThere`."""
    with desk.reading() as t:
        find_client(t, client_id)
        return tuple(make_known(row) for row in list_changes(t, client_id))


def read_client(desk: Desk, client_id: UUID) -> ClientPage:
    """The client, and what to know before touching on the practice's present day. Raises `NotThere`."""
    with desk.reading() as t:
        row = find_client(t, client_id)
        visits = list_sessions_of_client(t, client_id, MOST_VISITS)
        changed = list_changes(t, client_id)
        intakes = list_intakes(t, client_id)
        pointed = list_point_events(t, client_id)
        practice = find_practice(t)
    zone = ZoneInfo(practice.time_zone)
    facts = row.record.facts(row.day)
    days, catalogue = facts.gestation_days, desk.catalogue
    known = [make_known(change) for change in reversed(changed)]
    return ClientPage(
        client_id=row.client_id,
        revision=row.revision,
        day=row.day,
        record=row.record,
        facts=facts,
        pregnancy=say_weeks(days) if days is not None else "",
        ahead=list_thresholds(row.record.due_date, days, catalogue)
        if row.record.due_date and days is not None
        else (),
        restrictions=restrict(facts, catalogue),
        since={f"{one.change.field} {one.change.item}".strip(): one for one in known},
        to_ask=list_to_ask(intakes, row, catalogue, manner_of(practice.country)),
        intakes=list_lines(intakes),
        visits=tuple(
            VisitLine(
                session_id=visit.session_id,
                starts_at=visit.starts_at,
                attendance=visit.attendance,
                brief=visit.brief,
                log=visit.log,
            )
            for visit in visits
        ),
        sore=group_points(pointed),
        again=_again([visit.starts_at for visit in visits[:1]], row.day, zone),
    )


def _again(newest: Sequence[datetime], today: date, zone: ZoneInfo) -> tuple[LocalStart, ...]:
    """In two, three and four weeks from the newest session; from this week where that was long ago."""
    if not newest:
        return ()
    last = LocalStart.of(newest[0], zone)
    # What was long ago is counted on in whole weeks, so that weekday and hour stay.
    late = max(0, (today - last.day).days // 7)
    return tuple(LocalStart(day=last.day + timedelta(weeks=late + weeks), at=last.at) for weeks in (2, 3, 4))
