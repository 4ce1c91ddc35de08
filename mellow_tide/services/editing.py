"""Changing the flow of a session by hand: edits, what they would do, and what may be done where."""

from collections.abc import Sequence
from typing import Literal
from uuid import UUID

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import Severity
from mellow_tide.core.checks.words import span
from mellow_tide.core.designing.landing import Landing, landings
from mellow_tide.core.designing.mending import Mending, mending
from mellow_tide.core.designing.other_side import other_side
from mellow_tide.core.designing.picker import Pick, picks
from mellow_tide.core.designing.quick_add import suggestions
from mellow_tide.core.designing.suggestion import Suggestion
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.flow.edits import Edit, apply
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.planner.difference import Difference, difference
from mellow_tide.core.planner.plan import Plan, worked_by_hand
from mellow_tide.core.planner.rituals import meet_the_minutes
from mellow_tide.core.refusal import DoesNotFit, FieldProblem
from mellow_tide.core.timing.run_sheet import TOLERATED, lay_out
from mellow_tide.core.timing.tempo import tempo_of
from mellow_tide.services.session_view import SessionView, news_of, view_of
from mellow_tide.services.standing import Adjustment, RunHasBegun, beside, found, store_plan, unworked
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import (
    SessionRow,
    events_of,
    find_client_on_the_day,
    find_session,
    step_to_plan,
)


class Places(Record):
    """Where a part may go, and how its other side comes to the same strokes, if there is something to give it."""

    landings: tuple[Landing, ...]
    other_side: Landing | None


def edit_flow(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    edits: Sequence[Edit],
    catalogue: Catalogue,
) -> SessionView:
    """Apply edits to the stored flow; the closing hold takes up the change in time as far as it sensibly can.

    What then still does not fit is a finding, not a refusal. Raises as `replan` does otherwise.
    """
    row = unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    edited = _edited(before, edits, row, catalogue)
    return store_plan(db, who, session_id, revision, edited, catalogue, knows=False)


def edits_tried(
    db: Database, who: SignedIn, session_id: UUID, edits: Sequence[Edit], catalogue: Catalogue
) -> Adjustment:
    """What `edit_flow` would store. Raises as it does, but for the revision."""
    row = found(db, who, session_id)
    before = Plan.model_validate(row.plan)
    return beside(before, _edited(before, edits, row, catalogue), row, catalogue)


def _edited(before: Plan, edits: Sequence[Edit], row: SessionRow, catalogue: Catalogue) -> Plan:
    flow = meet_the_minutes(apply(before.flow, edits), row.facts, catalogue, row.house, row.pace)
    check_flow(flow, catalogue)
    return worked_by_hand(before, flow)


def set_flow(
    db: Database, who: SignedIn, session_id: UUID, revision: int, flow: Flow, catalogue: Catalogue
) -> SessionView:
    """Store a flow made by hand, if hands can follow it and it fits. Raises as `replan` does."""
    row = unworked(db, who, session_id)
    check_flow(flow, catalogue)
    over = lay_out(flow, in_house(row.house, catalogue), tempo_of(row.facts, row.pace)).over
    if over > TOLERATED:
        what = f"the flow takes {span(over)} more than the booking leaves"
        raise DoesNotFit(FieldProblem("parts", what, "take passes or a part away, or book more minutes"))
    changed = worked_by_hand(Plan.model_validate(row.plan), flow)
    return store_plan(db, who, session_id, revision, changed, catalogue, knows=False)


def step(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    by: Literal[-1, 1],
    catalogue: Catalogue,
) -> SessionView:
    """Take the last change of the plan back (-1), or do it again (1); across reloads and restarts.

    Raises `Stale`, `RunHasBegun`, and `NotThere` where there is nothing to take back or to do again.
    """
    with db.transaction(Sight(who.practice_id)) as c:
        step_to_plan(c, who.practice_id, session_id, revision, by)
        if events_of(c, who.practice_id, session_id):
            raise RunHasBegun
        row = find_session(c, who.practice_id, session_id)
        news = news_of(c, who.practice_id, session_id)
    return view_of(row, [], catalogue, news)


def evaluate_draft(
    db: Database, who: SignedIn, session_id: UUID, flow: Flow, catalogue: Catalogue
) -> Evaluation:
    """Evaluate a flow for the session's client without storing it. Raises `NotThere`, and as `check_flow` does."""
    with db.transaction(Sight(who.practice_id)) as c:
        client = find_client_on_the_day(c, who.practice_id, session_id)
    check_flow(flow, catalogue)
    return evaluate(flow, client.facts, catalogue, client.house, client.pace)


def places_of(db: Database, who: SignedIn, session_id: UUID, part_id: str, catalogue: Catalogue) -> Places:
    """Where a part of the session may go, with the reason where it may not. Raises `NotThere`, `BadFlow`."""
    trial = _trial(db, who, session_id, catalogue)
    return Places(landings=landings(trial, part_id), other_side=other_side(trial, part_id))


def picks_of(
    db: Database, who: SignedIn, session_id: UUID, part_id: str, catalogue: Catalogue
) -> tuple[Pick, ...]:
    """Every stroke for a part, with the reason where it does not fit. Raises `NotThere`, `BadFlow`."""
    return picks(_trial(db, who, session_id, catalogue), part_id)


def suggestions_of(
    db: Database, who: SignedIn, session_id: UUID, line: str, selected: str | None, catalogue: Catalogue
) -> tuple[Suggestion, ...]:
    """What a typed line could mean at the `selected` part. Raises `NotThere`."""
    return suggestions(_trial(db, who, session_id, catalogue), line, selected)


def changed_since(
    db: Database, who: SignedIn, session_id: UUID, seen: Flow, catalogue: Catalogue
) -> Difference:
    """What sets what stands apart from a flow seen before. Raises `NotThere`, and as `check_flow` does."""
    row = found(db, who, session_id)
    check_flow(seen, catalogue)
    now = Plan.model_validate(row.plan)
    return difference(seen, now.flow, (), row.facts, catalogue, row.house, row.pace)


class MendingTried(Record):
    """Repairs taken together, and what they would come to; nothing where there is none to take."""

    mending: Mending
    adjustment: Adjustment | None


def mending_of(
    db: Database, who: SignedIn, session_id: UUID, severity: Severity, catalogue: Catalogue
) -> MendingTried:
    """All repairs of one severity that can be taken at once, tried. Raises `NotThere`."""
    row = found(db, who, session_id)
    before = Plan.model_validate(row.plan)
    taken = mending(Trial.of(before.flow, row.facts, catalogue, row.house, row.pace), severity)
    if not taken.edits:
        return MendingTried(mending=taken, adjustment=None)
    made = _edited(before, taken.edits, row, catalogue)
    return MendingTried(mending=taken, adjustment=beside(before, made, row, catalogue))


def _trial(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> Trial:
    row = found(db, who, session_id)
    return Trial.of(Plan.model_validate(row.plan).flow, row.facts, catalogue, row.house, row.pace)
