"""The form that a client fills in: opened once by its link, kept at every answer, handed in."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Position, Record, Region, Window
from mellow_tide.core.catalogue.rules import Condition, Consent
from mellow_tide.core.meeting.answers import Answers, problems
from mellow_tide.core.meeting.questions import IntakeSection, intake_sections
from mellow_tide.core.refusal import Refused
from mellow_tide.services.intakes import hashed
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.intakes import IntakeRow, hand_in, intake_by_token, open_intake, save_answers
from mellow_tide.store.people import find_practice


class LinkUsed(Exception):
    """The link was opened on another device before."""


class LinkEnded(Exception):
    """No such link, or its time is over, or its form has been handed in."""


class AtFault(Record):
    """An answer that cannot be right, as a form shows it."""

    field: str
    what: str
    remedy: str


class IntakeForm(Record):
    """The form as the client's device holds it: the questions, and what was saved. It shows nothing of anybody else.

    `conditions`, `consents`, `regions`, `windows` and `positions` are of the catalogue, by id.
    """

    practice: str
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
    title = "Something in the answers cannot be right yet."


@dataclass(frozen=True)
class _Opened:
    """An intake that a device may fill in, and its practice."""

    row: IntakeRow
    practice: str


def open_form(db: Database, token: str, key: str, catalogue: Catalogue) -> IntakeForm:
    """Open the link on the device that holds `key`; on that one it may be opened again, on no other.

    Raises `LinkUsed`, `LinkEnded`.
    """
    now = datetime.now(UTC)
    row = _by(db, hashed(token))
    if row.key_hash is None:
        with db.transaction(Sight(row.practice_id)) as c:
            opened = open_intake(c, row.practice_id, row.intake_id, hashed(key), now)
        if not opened:
            raise LinkUsed
    elif row.key_hash != hashed(key):
        raise LinkUsed
    return form(db, key, catalogue)


def form(db: Database, key: str, catalogue: Catalogue) -> IntakeForm:
    """The form that the device holding `key` fills in. Raises `LinkEnded`."""
    opened = _opened(db, key)
    return IntakeForm(
        practice=opened.practice,
        sections=intake_sections(),
        conditions=catalogue.conditions,
        consents=catalogue.consents,
        regions=catalogue.regions,
        windows=catalogue.windows,
        positions=catalogue.positions,
        sequence=opened.row.sequence,
        answers=Answers.model_validate(opened.row.answers),
        handed_in=opened.row.handed_in_at is not None,
    )


def save(db: Database, key: str, sequence: int, answers: Answers, catalogue: Catalogue) -> Saved:
    """Keep the answers as they are, half-filled too; one that comes late changes nothing. Raises `LinkEnded`."""
    row = _opened(db, key).row
    stored = answers.model_dump(mode="json", exclude_none=True)
    with db.transaction(Sight(row.practice_id)) as c:
        save_answers(c, row.practice_id, row.intake_id, sequence, stored)
    found = problems(answers, datetime.now(UTC).date(), catalogue)
    return Saved(
        sequence=sequence,
        problems=tuple(AtFault(field=p.field, what=p.what, remedy=p.remedy) for p in found),
    )


def hand_in_form(db: Database, key: str, sequence: int, answers: Answers, catalogue: Catalogue) -> None:
    """Hand the form in; a second time changes nothing. Raises `LinkEnded`, `AnswersAtFault`."""
    found = problems(answers, datetime.now(UTC).date(), catalogue)
    if found:
        raise AnswersAtFault(*found)
    row = _opened(db, key).row
    if row.handed_in_at is not None:
        return
    save(db, key, sequence, answers, catalogue)
    with db.transaction(Sight(row.practice_id)) as c:
        hand_in(c, row.practice_id, row.intake_id, datetime.now(UTC))


def _by(db: Database, token_hash: bytes) -> IntakeRow:
    with db.transaction(Sight(token_hash=token_hash)) as c:
        row = intake_by_token(c, token_hash)
    if row is None or row.expires_at <= datetime.now(UTC):
        raise LinkEnded
    return row


def _opened(db: Database, key: str) -> _Opened:
    row = _by(db, hashed(key))
    if row.key_hash != hashed(key):
        raise LinkEnded
    with db.transaction(Sight(row.practice_id)) as c:
        return _Opened(row, find_practice(c, row.practice_id).name)
