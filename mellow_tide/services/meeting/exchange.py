"""Clients in and out: contacts as cards and tables, and a client's whole record."""

from collections.abc import Collection, Mapping, Sequence
from typing import Literal
from uuid import UUID, uuid4

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.formats.contact import Contact
from mellow_tide.core.formats.contact_table import ColumnField, read_contacts
from mellow_tide.core.formats.vcard import read_vcard, write_vcard
from mellow_tide.core.formats.whole_record import (
    AdditionKept,
    DatedChange,
    HandedIn,
    LeftKept,
    LogKept,
    MarkKept,
    VisitKept,
    WholeRecord,
)
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.phrases.manner import manner_of
from mellow_tide.core.refusal import FieldProblem, Refused
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell_new
from mellow_tide.store.meeting.clients import (
    ContactRow,
    find_client,
    list_all_contacts,
    list_contacts,
    list_whole_visits,
)
from mellow_tide.store.meeting.evidence import list_changes
from mellow_tide.store.meeting.intakes import list_intakes
from mellow_tide.store.people import find_practice

LEAST_DIGITS = 6
"""Fewer digits of a phone number do not tell two people apart."""


class Arrival(Record):
    """A line of what was brought: a new client, somebody who is there already, or one that cannot be taken.

    `known_as` and `known_id` name the client that is there; `twice_of` the earlier line of the same person; `unread`
    the lines of the text, counted from 1, that could not be read and are left out of it.
    """

    line: int
    name: str
    phone: str
    email: str
    outcome: Literal["new", "known", "twice", "faulty"]
    known_as: str = ""
    known_id: UUID | None = None
    twice_of: int | None = None
    problems: tuple[str, ...] = ()
    unread: tuple[int, ...] = ()


class BroughtIn(Record):
    """How many clients were added."""

    added: int


class FaultyLines(Refused):
    """Lines that cannot be taken were not left out."""

    code = "faulty-lines"


def read_brought(
    kind: Literal["vcard", "table"], text: str, matching: Mapping[int, ColumnField]
) -> tuple[Contact, ...]:
    """The contacts in a text. Raises `UnreadableCards`, `UnreadableTable`."""
    return read_vcard(text) if kind == "vcard" else read_contacts(text, matching)


def preview_contacts(desk: Desk, brought: Sequence[Contact]) -> tuple[Arrival, ...]:
    """What bringing the contacts in would do, line by line; nothing is changed."""
    with desk.reading() as t:
        return _arrivals(brought, list_contacts(t))


def bring_in(desk: Desk, brought: Sequence[Contact], leave_out: Collection[int]) -> BroughtIn:
    """Add every contact but those whose line is left out: all of them, or none. Raises `FaultyLines`."""
    taken = [contact for contact in brought if contact.line not in leave_out]
    faults = [problem for contact in taken for problem in contact.problems]
    if faults:
        raise FaultyLines(*faults)
    if not taken:
        raise FaultyLines(FieldProblem("leave_out", "every_line_left_out"))
    with desk.writing() as t:
        for contact in taken:
            if contact.record:
                tell_new(t, desk, uuid4(), contact.record, Told("import"))
    return BroughtIn(added=len(taken))


def write_cards(desk: Desk, client_id: UUID | None) -> str:
    """The contact of a client as a card, or of all that are not put away. Raises `NotThere`."""
    with desk.reading() as t:
        desk.note(t, "exported", "contact" if client_id else "all contacts")
        if client_id:
            return write_vcard([find_client(t, client_id).record])
        return write_vcard(list_all_contacts(t))


def read_whole_record(desk: Desk, client_id: UUID) -> WholeRecord:
    """Everything that is kept of a client. Raises `NotThere`."""
    with desk.reading() as t:
        row = find_client(t, client_id)
        changed = list_changes(t, client_id)
        intakes = list_intakes(t, client_id)
        visits = list_whole_visits(t, client_id)
        practice = find_practice(t).name
        desk.note(t, "exported", "whole record")
    return WholeRecord(
        practice=practice,
        exported_at=desk.db.now(),
        client=row.record,
        history=tuple(
            DatedChange(
                at=one.changed_at,
                source=one.source,
                by=one.person_name,
                reason=one.reason,
                field=one.field,
                item=one.item,
                before=one.before,
                after=one.after,
            )
            for one in changed
        ),
        intakes=tuple(
            HandedIn(at=one.handed_in_at, answers=one.answers) for one in intakes if one.handed_in_at
        ),
        visits=tuple(
            VisitKept(
                starts_at=one.starts_at,
                flow=Flow.model_validate(one.flow),
                day_answer=one.day_answer,
                events=tuple(one.events),
                logs=tuple(LogKept.model_validate(log) for log in one.logs),
                additions=tuple(AdditionKept.model_validate(added) for added in one.additions),
                left=tuple(LeftKept.model_validate(left) for left in one.left_for_later),
                marks=tuple(MarkKept.model_validate(mark) for mark in one.marks),
            )
            for one in visits
        ),
    )


def print_record(desk: Desk, client_id: UUID) -> tuple[str, bytes]:
    """The client's name, and everything that is kept of them as PDF. Raises `NotThere`."""
    # Making papers takes a second to load, which the start of the server does not wait for.
    from mellow_tide.core.formats.client_paper import print_client

    whole = read_whole_record(desk, client_id)
    with desk.reading() as t:
        practice = find_practice(t)
    manner = manner_of(practice.country)
    return whole.client.name, print_client(whole, practice.time_zone, manner, desk.catalogue)


def _arrivals(brought: Sequence[Contact], there: Sequence[ContactRow]) -> tuple[Arrival, ...]:
    known: dict[str, ContactRow] = {}
    for row in there:
        for mark in _marks(row.name, row.digits, row.email):
            known.setdefault(mark, row)
    seen: dict[str, int] = {}
    arrivals = []
    for contact in brought:
        record = contact.record
        if record is None:
            problems = tuple(f"{p.what}: {p.remedy}" for p in contact.problems)
            arrivals.append(
                Arrival(
                    line=contact.line,
                    name="",
                    phone="",
                    email="",
                    outcome="faulty",
                    problems=problems,
                    unread=contact.unread,
                )
            )
            continue
        marks = _marks(record.name, "".join(filter(str.isdigit, record.phone)), record.email.lower())
        arrivals.append(_arrival(contact, record, marks, known, seen))
        for mark in marks:
            seen.setdefault(mark, contact.line)
    return tuple(arrivals)


def _arrival(
    contact: Contact,
    record: ClientRecord,
    marks: Sequence[str],
    known: Mapping[str, ContactRow],
    seen: Mapping[str, int],
) -> Arrival:
    row = next((known[mark] for mark in marks if mark in known), None)
    twice = next((seen[mark] for mark in marks if mark in seen), None)
    return Arrival(
        line=contact.line,
        name=record.name,
        phone=record.phone,
        email=record.email,
        outcome="known" if row else "twice" if twice else "new",
        known_as=row.name if row else "",
        known_id=row.client_id if row else None,
        twice_of=None if row else twice,
        unread=contact.unread,
    )


def _marks(name: str, digits: str, email: str) -> tuple[str, ...]:
    """What two entries of one person have in common: the e-mail, the end of the phone number, or the name."""
    by_phone = f"phone {digits[-9:]}" if len(digits) >= LEAST_DIGITS else ""
    by_email = f"email {email}" if email else ""
    return tuple(filter(None, (by_email, by_phone, f"name {' '.join(name.lower().split())}")))
