"""Intakes as the therapist has them: made with a one-time link, read, each answer accepted or questioned."""

from collections.abc import Iterable, Mapping
from datetime import timedelta
from typing import Annotated, Literal
from uuid import UUID, uuid4

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.meeting.answers import keep_known
from mellow_tide.core.meeting.review import Item, accept_answers, review_answers
from mellow_tide.core.phrases.manner import Manner, manner_of
from mellow_tide.core.refusal import FieldProblem, Refused
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell
from mellow_tide.services.people.tokens import hash_token, make_token
from mellow_tide.store.errors import NotThere
from mellow_tide.store.meeting.clients import ClientRow, find_client
from mellow_tide.store.meeting.intakes import (
    IntakeRow,
    add_intake,
    find_intake,
    lock_intake,
    set_verdicts,
    withdraw_intake,
)
from mellow_tide.store.meeting.intakes import IntakeToOpen as StoredIntake
from mellow_tide.store.people import find_practice

OPEN_FOR = timedelta(days=7)
"""A link that nobody opens, and a form that nobody hands in, ends after a week."""


class Verdict(Record):
    """What the therapist made of an answer: taken into the record, to be asked about, or asked about since."""

    verdict: Literal["accepted", "questioned", "settled"]
    note: Annotated[str, Field(max_length=400)] = ""


class Judged(Verdict):
    """A verdict, with its time and who gave it."""

    at: AwareDatetime
    person_name: str


class NewIntake(Record):
    """An intake just made. `token` opens it once; nobody can be shown it again."""

    intake_id: UUID
    token: str
    expires_at: AwareDatetime


class IntakeLine(Record):
    """How far an intake is."""

    intake_id: UUID
    made_at: AwareDatetime
    expires_at: AwareDatetime
    opened_at: AwareDatetime | None
    handed_in_at: AwareDatetime | None
    reviewed_at: AwareDatetime | None


class ToAsk(Record):
    """An answer that was questioned and not yet asked about."""

    intake_id: UUID
    item: Item
    note: str


class ReviewItem(Record):
    """An answer and what was made of it."""

    item: Item
    judged: Judged | None


class IntakeReview(Record):
    """A handed-in intake as the therapist reads it."""

    intake_id: UUID
    client_id: UUID
    client_name: str
    handed_in_at: AwareDatetime
    reviewed_at: AwareDatetime | None
    items: tuple[ReviewItem, ...]


def make_intake(desk: Desk, client_id: UUID) -> NewIntake:
    """A form for the client, with a link that opens it once. Raises `NotThere`."""
    token, intake_id = make_token(), uuid4()
    expires_at = desk.db.now() + OPEN_FOR
    with desk.reading() as t:
        find_client(t, client_id)
        add_intake(t, StoredIntake(intake_id, client_id, hash_token(token), expires_at))
    return NewIntake(intake_id=intake_id, token=token, expires_at=expires_at)


def withdraw(desk: Desk, intake_id: UUID) -> None:
    """Let a link, and the form behind it, end now; what was handed in stays. Raises `NotThere`."""
    with desk.writing() as t:
        lock_intake(t, intake_id)
        withdraw_intake(t, intake_id, desk.db.now())


def read_review(desk: Desk, intake_id: UUID) -> IntakeReview:
    """A handed-in intake, each answer with what it means. Raises `NotThere`."""
    with desk.reading() as t:
        row = find_intake(t, intake_id)
        client = find_client(t, row.client_id)
        manner = manner_of(find_practice(t).country)
    if row.handed_in_at is None:
        raise NotThere("intake")
    judged = _judged(row)
    return IntakeReview(
        intake_id=row.intake_id,
        client_id=row.client_id,
        client_name=client.record.name,
        handed_in_at=row.handed_in_at,
        reviewed_at=row.reviewed_at,
        items=tuple(
            ReviewItem(item=item, judged=judged.get(item.id))
            for item in _items(row, client, desk.catalogue, manner)
        ),
    )


def judge(desk: Desk, intake_id: UUID, verdicts: Mapping[str, Verdict]) -> IntakeReview:
    """Accept or question answers. What is accepted for the first time goes into the client's record, dated.

    Raises `NotThere`, `Refused` for an answer that is not there.
    """
    now = desk.db.now()
    with desk.writing() as t:
        lock_intake(t, intake_id)
        row = find_intake(t, intake_id)
        if row.handed_in_at is None:
            raise NotThere("intake")
        client = find_client(t, row.client_id)
        manner = manner_of(find_practice(t).country)
        known = {item.id for item in _items(row, client, desk.catalogue, manner)} | set(_judged(row))
        strays = [id for id in verdicts if id not in known]
        if strays:
            raise Refused(FieldProblem("verdicts", "unknown_answer", id=strays[0]))
        before = _judged(row)
        taken = {id for id, one in verdicts.items() if one.verdict == "accepted"}
        taken -= {id for id, one in before.items() if one.verdict == "accepted"}
        answers = keep_known(row.answers, desk.catalogue)
        tell(t, desk, row.client_id, lambda record: accept_answers(record, answers, taken), Told("intake"))
        name = desk.name(t)
        made = {id: Judged(**one.model_dump(), at=now, person_name=name) for id, one in verdicts.items()}
        all_judged = before | made
        done = row.reviewed_at or (now if known <= set(all_judged) else None)
        stored = {id: one.model_dump(mode="json") for id, one in all_judged.items()}
        set_verdicts(t, intake_id, stored, done)
    return read_review(desk, intake_id)


def list_lines(rows: Iterable[IntakeRow]) -> tuple[IntakeLine, ...]:
    """How far each intake is."""
    return tuple(
        IntakeLine(**{field: getattr(row, field) for field in IntakeLine.model_fields}) for row in rows
    )


def list_to_ask(
    rows: Iterable[IntakeRow], client: ClientRow, catalogue: Catalogue, manner: Manner
) -> tuple[ToAsk, ...]:
    """The answers that were questioned and not yet asked about."""
    found = []
    for row in rows:
        judged = _judged(row)
        for item in _items(row, client, catalogue, manner) if judged else ():
            verdict = judged.get(item.id)
            if verdict and verdict.verdict == "questioned":
                found.append(ToAsk(intake_id=row.intake_id, item=item, note=verdict.note))
    return tuple(found)


def _items(row: IntakeRow, client: ClientRow, catalogue: Catalogue, manner: Manner) -> tuple[Item, ...]:
    return review_answers(keep_known(row.answers, catalogue), client.record, client.day, catalogue, manner)


def _judged(row: IntakeRow) -> dict[str, Judged]:
    return {id: Judged.model_validate(one) for id, one in row.verdicts.items()}
