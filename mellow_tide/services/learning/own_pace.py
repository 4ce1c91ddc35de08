"""The therapist's own pace: shown as it is learnt, used by the clock once they accept it."""

from typing import Annotated

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.learning.heard import PaceSample, read_pace
from mellow_tide.core.learning.own_pace import Factor, learn_factors
from mellow_tide.core.refusal import BadFlow, FieldProblem
from mellow_tide.core.run.events import order_events
from mellow_tide.services.desk import Desk
from mellow_tide.store.learning import WorkedRow, accept_pace, find_own_pace, list_worked

MOST = 60
"""Sessions back that count: hands change."""

Confirmed = Annotated[list[Annotated[str, Field(max_length=170)]], Field(max_length=500)]


class OwnPaceView(Record):
    """The factors as learnt from the last `sessions`, and those that the clock goes by since `accepted_at`, if any."""

    learnt: tuple[Factor, ...]
    sessions: int
    in_use: dict[str, float]
    accepted_at: AwareDatetime | None


class UnknownFactor(BadFlow):
    """Only what was learnt can be used."""

    code = "unknown-factor"


def read_own_pace(desk: Desk) -> OwnPaceView:
    """The pace of who is signed in."""
    with desk.reading() as t:
        rows = list_worked(t, desk.person_id, MOST)
        accepted = find_own_pace(t, desk.person_id)
    samples = [sample for row in rows for sample in _samples(row)]
    return OwnPaceView(
        learnt=learn_factors(samples, desk.catalogue.strokes),
        sessions=len(rows),
        in_use=accepted.factors if accepted else {},
        accepted_at=accepted.accepted_at if accepted and accepted.factors else None,
    )


def accept(desk: Desk, confirmed: Confirmed) -> OwnPaceView:
    """Let the clock go by what was learnt: all that can be trusted, and the odd ones that are `confirmed` by key.

    Sessions that have begun keep the pace they were planned at. Raises `UnknownFactor`.
    """
    known = read_own_pace(desk).learnt
    strange = set(confirmed) - {one.key for one in known}
    if strange:
        raise UnknownFactor(FieldProblem("confirmed", "not_learnt", names=tuple(sorted(strange))))
    chosen = {
        # What is outside is used as far as the clock bears it.
        one.key: min(2.0, max(0.5, one.factor))
        for one in known
        if one.trusted or one.key in confirmed
    }
    with desk.reading() as t:
        accept_pace(t, desk.person_id, chosen)
    return read_own_pace(desk)


def go_back(desk: Desk) -> OwnPaceView:
    """Let the clock go by the usual pace again."""
    with desk.reading() as t:
        accept_pace(t, desk.person_id, {})
    return read_own_pace(desk)


def _samples(row: WorkedRow) -> tuple[PaceSample, ...]:
    return read_pace(order_events(row.events), row.run)
