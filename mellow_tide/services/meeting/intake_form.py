"""The form that a client fills in: opened once by its link, kept at every answer, handed in."""

from collections.abc import Mapping
from dataclasses import dataclass

from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.records import Position, Record, Region, Window
from mellow_tide.core.catalogue.rules import Condition, Consent
from mellow_tide.core.meeting.answers import Answers, find_problems
from mellow_tide.core.meeting.questions import IntakeSection, read_sections
from mellow_tide.core.phrases.manner import Manner
from mellow_tide.core.refusal import Refused
from mellow_tide.services.people.tokens import hash_token
from mellow_tide.services.practice import read_manner
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.house import find_house
from mellow_tide.store.meeting.intakes import (
    IntakeRow,
    find_intake_by_token,
    hand_in,
    lock_intake,
    open_intake,
    save_answers,
)
from mellow_tide.store.people import Practice, find_practice


class LinkUsed(Exception):
    """The link was opened on another device before."""


class LinkEnded(Exception):
    """No such link, or its time is over, or its form has been handed in."""


class AtFault(Record):
    """An answer that cannot be right, as a form shows it."""

    field: str
    what: str
    remedy: str


class FormHandedIn(Exception):
    """The form has been handed in: its answers stand."""


class AnswersOutOfTurn(Exception):
    """Newer answers than these are there, or these are further ahead than a device can be."""


MOST_AHEAD = 10_000
"""By how many savings a device that was offline can be ahead of what arrived."""


class IntakeForm(Record):
    """The form as the client's device holds it: the questions, and what was saved. It shows nothing of anybody else.

    `conditions`, `consents`, `regions`, `windows` and `positions` are of the catalogue, by id. `manner` is how the
    practice writes times and measures, if its country is told.
    """

    practice: str
    manner: Manner | None
    sections: tuple[IntakeSection, ...]
    conditions: Mapping[str, Condition]
    consents: Mapping[str, Consent]
    regions: Mapping[str, Region]
    windows: Mapping[str, Window]
    positions: Mapping[str, Position]
    sequence: int
    answers: Answers
    handed_in: bool


class Saved(Record):
    """The answers are kept. `problems` are what cannot be right yet; it cannot be handed in with them."""

    sequence: int
    problems: tuple[AtFault, ...]


class AnswersAtFault(Refused):
    """Answers that cannot be right."""

    code = "answers-at-fault"


@dataclass(frozen=True)
class _Opened:
    """An intake that a device may fill in, and its practice."""

    row: IntakeRow
    practice: Practice
    house: House


def open_form(db: Database, token: str, key: str, shipped: ShippedCatalogue) -> IntakeForm:
    """Open the link on the device that holds `key`; on that one it may be opened again, on no other.

    Raises `LinkUsed`, `LinkEnded`.
    """
    now = db.now()
    row = _by(db, hash_token(token))
    if row.key_hash is None:
        with db.transaction(Sight(row.practice_id)) as t:
            opened = open_intake(t, row.intake_id, hash_token(key), now)
        if not opened:
            raise LinkUsed
    elif row.key_hash != hash_token(key):
        raise LinkUsed
    return read_form(db, key, shipped)


def read_form(db: Database, key: str, shipped: ShippedCatalogue) -> IntakeForm:
    """The form that the device holding `key` fills in. Raises `LinkEnded`."""
    opened = _opened(db, key)
    catalogue = in_house(opened.house, shipped)
    return IntakeForm(
        practice=opened.practice.name,
        manner=read_manner(opened.practice),
        sections=read_sections(),
        conditions=catalogue.conditions,
        consents=catalogue.consents,
        regions=catalogue.regions,
        windows=catalogue.windows,
        positions=catalogue.positions,
        sequence=opened.row.sequence,
        answers=opened.row.answers,
        handed_in=opened.row.handed_in_at is not None,
    )


def save(db: Database, key: str, sequence: int, answers: Answers, shipped: ShippedCatalogue) -> Saved:
    """Keep the answers as they are, half-filled too; one that comes late changes nothing.

    Raises `LinkEnded`, `FormHandedIn`, and `AnswersOutOfTurn` for a sequence far ahead of what is there.
    """
    opened = _opened(db, key)
    row = opened.row
    with db.transaction(Sight(row.practice_id)) as t:
        held = lock_intake(t, row.intake_id)
        if held.handed_in_at is not None:
            raise FormHandedIn
        if sequence > held.sequence + MOST_AHEAD:
            raise AnswersOutOfTurn
        save_answers(t, row.intake_id, sequence, answers)
    found = find_problems(answers, db.now().date(), in_house(opened.house, shipped))
    return Saved(
        sequence=sequence,
        problems=tuple(AtFault(field=p.field, what=p.what, remedy=p.remedy) for p in found),
    )


def hand_in_form(db: Database, key: str, sequence: int, answers: Answers, shipped: ShippedCatalogue) -> None:
    """Hand the form in with these answers, all or nothing; the same once more changes nothing.

    Raises `LinkEnded`, `AnswersAtFault`, `FormHandedIn` for other answers than those that were handed in, and
    `AnswersOutOfTurn` where newer ones are there, or these are far ahead.
    """
    opened = _opened(db, key)
    row = opened.row
    found = find_problems(answers, db.now().date(), in_house(opened.house, shipped))
    if found:
        raise AnswersAtFault(*found)
    with db.transaction(Sight(row.practice_id)) as t:
        held = lock_intake(t, row.intake_id)
        if held.handed_in_at is not None:
            if sequence == held.sequence:
                return
            raise FormHandedIn
        if not held.sequence <= sequence <= held.sequence + MOST_AHEAD:
            raise AnswersOutOfTurn
        hand_in(t, row.intake_id, sequence, answers, db.now())


def _by(db: Database, token_hash: bytes) -> IntakeRow:
    with db.transaction(Sight(token_hash=token_hash)) as t:
        row = find_intake_by_token(t, token_hash)
    if row is None or row.expires_at <= db.now():
        raise LinkEnded
    return row


def _opened(db: Database, key: str) -> _Opened:
    row = _by(db, hash_token(key))
    if row.key_hash != hash_token(key):
        raise LinkEnded
    with db.transaction(Sight(row.practice_id)) as t:
        return _Opened(row, find_practice(t), find_house(t))
