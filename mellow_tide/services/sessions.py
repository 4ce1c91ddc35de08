"""Reading a session and changing its plan."""

from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from time import monotonic
from typing import Literal
from uuid import UUID

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.words import span
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.edits import Edit, apply
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.planner.adjust import Hold, adjust
from mellow_tide.core.planner.alternatives import Alternatives, alternatives
from mellow_tide.core.planner.difference import Difference, difference
from mellow_tide.core.planner.offers import offers
from mellow_tide.core.planner.plan import Plan, plan, worked_by_hand
from mellow_tide.core.planner.reasons import Reasons, reasons
from mellow_tide.core.planner.replan_table import ReplanTable, replan_table
from mellow_tide.core.planner.reshape import reshaped
from mellow_tide.core.planner.rituals import meet_the_minutes
from mellow_tide.core.refusal import DoesNotFit, FieldProblem
from mellow_tide.core.timing.run_sheet import TOLERATED, lay_out
from mellow_tide.core.timing.tempo import tempo_of
from mellow_tide.services.session_view import SessionView, view_of
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import (
    SessionRow,
    events_of,
    find_client_on_the_day,
    find_session,
    replace_plan,
    step_to_plan,
)

PLANNING_SECONDS = 3.0
"""After this long the best plan so far is shown, with how much better another could be."""


def after(seconds: float) -> Callable[[], bool]:
    """A deadline so many seconds from now."""
    end = monotonic() + seconds
    return lambda: monotonic() >= end


class RunHasBegun(Exception):
    """The plan of a session that is being worked, or was, stands."""


def session(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> SessionView:
    """The session; raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_session(c, who.practice_id, session_id)
        events = events_of(c, who.practice_id, session_id)
    return view_of(row, events, catalogue)


def replan(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    brief: Brief,
    catalogue: Catalogue,
    anew: bool = False,
) -> SessionView:
    """Plan for `brief` and store it; what was set by hand is kept as far as it can be, unless all is made `anew`.

    Raises the core's refusals, with the smallest changes that would do, `Stale` if `revision` is no longer the newest,
    `RunHasBegun`; then nothing is changed.
    """
    row = _unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    keeps = before.touched and not anew and before.flow.brief.kind == brief.kind
    with offering(brief, row, catalogue):
        if keeps:
            made = _adjusted(before, brief, row, "by_hand", catalogue)
        else:
            made = plan(brief, row.facts, catalogue, row.house, deadline=after(PLANNING_SECONDS))
    return _store(db, who, session_id, revision, made, catalogue, before if keeps else None)


def fit(
    db: Database, who: SignedIn, session_id: UUID, revision: int, brief: Brief, catalogue: Catalogue
) -> SessionView:
    """Store the plan for `brief` that is closest to the present one. Raises as `replan` does."""
    row = _unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    with offering(brief, row, catalogue):
        made = _adjusted(before, brief, row, "all", catalogue)
    return _store(db, who, session_id, revision, made, catalogue, before)


def reshape(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    stop_id: str,
    seconds: int,
    alone: bool,
    catalogue: Catalogue,
) -> SessionView:
    """Make a stop longer or shorter by hand and store what becomes of the session. Raises as `replan` does."""
    row = _unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    deadline = after(PLANNING_SECONDS)
    made = reshaped(before, stop_id, seconds, row.facts, catalogue, row.house, alone=alone, deadline=deadline)
    # What is being pulled is not what could not stay as it was.
    pulled = {stop.region for stop in before.flow.stops if stop.id == stop_id}
    held = tuple(id for id in before.by_hand if id not in pulled)
    told = before.model_copy(update={"by_hand": held})
    return _store(db, who, session_id, revision, made, catalogue, told)


class Adjustment(Record):
    """A plan that is not stored, evaluated, and what sets it apart from the present one."""

    plan: Plan
    evaluation: Evaluation
    difference: Difference


def adjustment(
    db: Database, who: SignedIn, session_id: UUID, brief: Brief, catalogue: Catalogue
) -> Adjustment:
    """What `fit` would store. Raises `NotThere` and the core's refusals."""
    row = _found(db, who, session_id)
    before = Plan.model_validate(row.plan)
    with offering(brief, row, catalogue):
        made = _adjusted(before, brief, row, "all", catalogue)
    return Adjustment(
        plan=made,
        evaluation=evaluate(made.flow, row.facts, catalogue, row.house),
        difference=difference(before.flow, made.flow, before.by_hand, row.facts, catalogue, row.house),
    )


def _adjusted(before: Plan, brief: Brief, row: SessionRow, hold: Hold, catalogue: Catalogue) -> Plan:
    deadline = after(PLANNING_SECONDS)
    return adjust(before, brief, row.facts, catalogue, row.house, hold=hold, deadline=deadline)


@contextmanager
def offering(brief: Brief, row: SessionRow, catalogue: Catalogue) -> Iterator[None]:
    """Adds to a refusal of `brief` the smallest changes that would do."""
    try:
        yield
    except DoesNotFit as refused:
        found = offers(refused, brief, row.facts, catalogue, row.house)
        raise refused.offering(found) from refused


def reasons_of(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> Reasons:
    """Why the stored flow is as it is. Raises `NotThere`."""
    row = _found(db, who, session_id)
    return reasons(Plan.model_validate(row.plan).flow, row.facts, catalogue, row.house)


def replan_table_of(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> ReplanTable:
    """The tables of the stored flow, for the table's side. Raises `NotThere`."""
    row = _found(db, who, session_id)
    stored = Plan.model_validate(row.plan)
    return replan_table(stored.flow, stored.by_hand, row.facts, catalogue, row.house)


def set_flow(
    db: Database, who: SignedIn, session_id: UUID, revision: int, flow: Flow, catalogue: Catalogue
) -> SessionView:
    """Store a flow made by hand, if hands can follow it and it fits. Raises as `replan` does."""
    row = _unworked(db, who, session_id)
    check_flow(flow, catalogue)
    over = lay_out(flow, in_house(row.house, catalogue), tempo_of(row.facts)).over
    if over > TOLERATED:
        what = f"the flow takes {span(over)} more than the booking leaves"
        raise DoesNotFit(FieldProblem("stops", what, "take passes or a stop away, or book more minutes"))
    changed = worked_by_hand(Plan.model_validate(row.plan), flow)
    return _store(db, who, session_id, revision, changed, catalogue)


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
    return view_of(row, [], catalogue)


def evaluate_draft(
    db: Database, who: SignedIn, session_id: UUID, flow: Flow, catalogue: Catalogue
) -> Evaluation:
    """Evaluate a flow for the session's client without storing it. Raises `NotThere`, and as `check_flow` does."""
    with db.transaction(Sight(who.practice_id)) as c:
        client = find_client_on_the_day(c, who.practice_id, session_id)
    check_flow(flow, catalogue)
    return evaluate(flow, client.facts, catalogue, client.house)


def alternatives_of(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> Alternatives:
    """Other plans for the brief of a session's stored plan. Raises `NotThere`."""
    row = _found(db, who, session_id)
    return alternatives(Plan.model_validate(row.plan).flow, row.facts, catalogue, row.house)


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
    row = _unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    flow = meet_the_minutes(apply(before.flow, edits), row.facts, catalogue, row.house)
    check_flow(flow, catalogue)
    return _store(db, who, session_id, revision, worked_by_hand(before, flow), catalogue)


def _found(db: Database, who: SignedIn, session_id: UUID) -> SessionRow:
    with db.transaction(Sight(who.practice_id)) as c:
        return find_session(c, who.practice_id, session_id)


def _unworked(db: Database, who: SignedIn, session_id: UUID) -> SessionRow:
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_session(c, who.practice_id, session_id)
        if events_of(c, who.practice_id, session_id):
            raise RunHasBegun
    return row


def _store(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    made: Plan,
    catalogue: Catalogue,
    before: Plan | None = None,
) -> SessionView:
    """Store a plan; with `before` the answer says what sets the two apart."""
    with db.transaction(Sight(who.practice_id)) as c:
        replace_plan(c, who.practice_id, session_id, revision, made.model_dump(mode="json"))
        # The row is held now: a run cannot begin between this look and the commit.
        if events_of(c, who.practice_id, session_id):
            raise RunHasBegun
        row = find_session(c, who.practice_id, session_id)
    view = view_of(row, [], catalogue)
    if before is None:
        return view
    apart = difference(before.flow, made.flow, before.by_hand, row.facts, catalogue, row.house)
    return view.model_copy(update={"difference": apart})
