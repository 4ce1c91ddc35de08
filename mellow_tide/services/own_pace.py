"""The therapist's own pace: shown as it is learnt, used by the clock once they accept it."""

from typing import Annotated

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import House, in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.learning.heard import PaceSample, pace_of
from mellow_tide.core.learning.own_pace import Factor, factors
from mellow_tide.core.refusal import BadFlow, FieldProblem
from mellow_tide.core.run.events import in_order
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import tempo_of
from mellow_tide.services.session_view import read_events
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.learning import WorkedRow, accept_pace, own_pace_of, worked_by
from mellow_tide.store.people import SignedIn

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


def own_pace(db: Database, who: SignedIn, catalogue: Catalogue) -> Pace:
    """The pace of who is signed in."""
    with db.transaction(Sight(who.practice_id)) as c:
        rows = worked_by(c, who.practice_id, who.person_id, MOST)
        accepted = own_pace_of(c, who.practice_id, who.person_id)
    samples = [sample for row in rows for sample in _samples(row, catalogue)]
    return Pace(
        learnt=factors(samples, catalogue.strokes),
        sessions=len(rows),
        in_use=accepted[0] if accepted else {},
        accepted_at=accepted[1] if accepted and accepted[0] else None,
    )


def accept(db: Database, who: SignedIn, confirmed: Confirmed, catalogue: Catalogue) -> Pace:
    """Let the clock go by what was learnt: all that can be trusted, and the odd ones that are `confirmed` by key.

    Sessions that have begun keep the pace they were planned at. Raises `UnknownFactor`.
    """
    known = own_pace(db, who, catalogue).learnt
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
    with db.transaction(Sight(who.practice_id)) as c:
        accept_pace(c, who.practice_id, who.person_id, chosen)
    return own_pace(db, who, catalogue)


def go_back(db: Database, who: SignedIn, catalogue: Catalogue) -> Pace:
    """Let the clock go by the usual pace again."""
    with db.transaction(Sight(who.practice_id)) as c:
        accept_pace(c, who.practice_id, who.person_id, {})
    return own_pace(db, who, catalogue)


def _samples(row: WorkedRow, catalogue: Catalogue) -> tuple[PaceSample, ...]:
    """What a session says of the pace, beside the usual one: the client's own height and breath are no pace."""
    client = ClientFacts(height_cm=row.height_cm, breaths_per_minute=row.breaths_per_minute)
    here = in_house(House.model_validate(row.house), catalogue)
    sheet = lay_out(Flow.model_validate(row.flow), here, tempo_of(client))
    return pace_of(in_order(read_events(row.events or [])), sheet)
