"""Reading a session and changing its plan."""

from collections.abc import Callable, Sequence
from time import monotonic
from uuid import UUID

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.checks.words import span
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.edits import Edit, apply
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.planner.alternatives import Alternatives, alternatives
from mellow_tide.core.planner.plan import Plan, plan
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
    db: Database, who: SignedIn, session_id: UUID, revision: int, brief: Brief, catalogue: Catalogue
) -> SessionView:
    """Plan anew for `brief` and store it.

    Raises the core's refusals, `Stale` if `revision` is no longer the newest, `RunHasBegun`; then nothing
    is changed.
    """
    row = _unworked(db, who, session_id)
    made = plan(brief, row.facts, catalogue, row.house, deadline=after(PLANNING_SECONDS))
    return _store(db, who, session_id, revision, made, catalogue)


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
    before = Plan.model_validate(row.plan)
    changed = before.model_copy(update={"flow": flow})
    return _store(db, who, session_id, revision, changed, catalogue)


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
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_session(c, who.practice_id, session_id)
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
    changed = before.model_copy(update={"flow": flow})
    return _store(db, who, session_id, revision, changed, catalogue)


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
) -> SessionView:
    with db.transaction(Sight(who.practice_id)) as c:
        replace_plan(c, who.practice_id, session_id, revision, made.model_dump(mode="json"))
        # The row is held now: a run cannot begin between this look and the commit.
        if events_of(c, who.practice_id, session_id):
            raise RunHasBegun
        row = find_session(c, who.practice_id, session_id)
    return view_of(row, [], catalogue)
