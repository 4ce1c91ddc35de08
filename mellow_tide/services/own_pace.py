"""The therapist's own pace: shown as it is learnt, used by the clock once they accept it."""

from typing import Annotated

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.learning.heard import PaceSample, pace_of
from mellow_tide.core.learning.own_pace import Factor, factors
from mellow_tide.core.refusal import BadFlow, FieldProblem
from mellow_tide.core.run.events import in_order
from mellow_tide.services.desk import Desk
from mellow_tide.store.learning import WorkedRow, accept_pace, own_pace_of, worked_by

MOST = 60
"""Sessions back that count: hands change."""

Confirmed = Annotated[list[str], Field(max_length=500)]


class Pace(Record):
    """The factors as learnt from the last `sessions`, and those that the clock goes by since `accepted_at`, if any."""

    learnt: tuple[Factor, ...]
    sessions: int
    in_use: dict[str, float]
    accepted_at: AwareDatetime | None


class UnknownFactor(BadFlow):
    """Only what was learnt can be used."""

    code = "unknown-factor"
    title = "There is no such pace."


def own_pace(desk: Desk) -> Pace:
    """The pace of who is signed in."""
    with desk.reading() as t:
        rows = worked_by(t, desk.person_id, MOST)
        accepted = own_pace_of(t, desk.person_id)
    samples = [sample for row in rows for sample in _samples(row)]
    return Pace(
        learnt=factors(samples, desk.catalogue.strokes),
        sessions=len(rows),
        in_use=accepted.factors if accepted else {},
        accepted_at=accepted.accepted_at if accepted and accepted.factors else None,
    )


def accept(desk: Desk, confirmed: Confirmed) -> Pace:
    """Let the clock go by what was learnt: all that can be trusted, and the odd ones that are `confirmed` by key.

    Sessions that have begun keep the pace they were planned at. Raises `UnknownFactor`.
    """
    known = own_pace(desk).learnt
    strange = set(confirmed) - {one.key for one in known}
    if strange:
        what = f"{', '.join(sorted(strange))} was not learnt"
        raise UnknownFactor(FieldProblem("confirmed", what, "confirm only what is shown"))
    chosen = {
        # What is outside is used as far as the clock bears it.
        one.key: min(2.0, max(0.5, one.factor))
        for one in known
        if one.trusted or one.key in confirmed
    }
    with desk.reading() as t:
        accept_pace(t, desk.person_id, chosen)
    return own_pace(desk)


def go_back(desk: Desk) -> Pace:
    """Let the clock go by the usual pace again."""
    with desk.reading() as t:
        accept_pace(t, desk.person_id, {})
    return own_pace(desk)


def _samples(row: WorkedRow) -> tuple[PaceSample, ...]:
    return pace_of(in_order(row.events), row.run)
