"""The plan of a session that stands: reading it, storing another over it, and what sets the two apart."""

from collections.abc import Callable
from uuid import UUID

from psycopg import Connection

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.planner.difference import Difference, difference
from mellow_tide.core.planner.plan import Plan
from mellow_tide.services.session_view import SessionView, news_of, view_of
from mellow_tide.store.database import Database, Row, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import SessionRow, events_of, find_session, replace_plan


class RunHasBegun(Exception):
    """The plan of a session that is being worked, or was, stands."""


class Adjustment(Record):
    """A plan that is not stored, evaluated, and what sets it apart from the one that stands."""

    plan: Plan
    evaluation: Evaluation
    difference: Difference


def found(db: Database, who: SignedIn, session_id: UUID) -> SessionRow:
    """The session as it is stored; raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        return find_session(c, who.practice_id, session_id)


def unworked(db: Database, who: SignedIn, session_id: UUID) -> SessionRow:
    """The session as it is stored, its plan still open to change; raises `NotThere`, `RunHasBegun`."""
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_session(c, who.practice_id, session_id)
        if events_of(c, who.practice_id, session_id):
            raise RunHasBegun
    return row


def beside(before: Plan, made: Plan, row: SessionRow, catalogue: Catalogue) -> Adjustment:
    """A plan beside the one that stands."""
    return Adjustment(
        plan=made,
        evaluation=evaluate(made.flow, row.facts, catalogue, row.house, row.pace),
        difference=difference(
            before.flow, made.flow, before.by_hand, row.facts, catalogue, row.house, row.pace
        ),
    )


def store_plan(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    made: Plan,
    catalogue: Catalogue,
    before: Plan | None = None,
    also: Callable[[Connection[Row]], None] | None = None,
    knows: bool = True,
) -> SessionView:
    """Store a plan; with `before` the answer says what sets the two apart.

    What is `also` written stands or falls with it. `knows`: the planner made it with all that is known of the client
    now. Raises `Stale`, `RunHasBegun`, `NotThere`.
    """
    with db.transaction(Sight(who.practice_id, who.person_id)) as c:
        replace_plan(c, who.practice_id, session_id, revision, made.model_dump(mode="json"), knows)
        if also:
            also(c)
        # The row is held now: a run cannot begin between this look and the commit.
        if events_of(c, who.practice_id, session_id):
            raise RunHasBegun
        row = find_session(c, who.practice_id, session_id)
        news = news_of(c, who.practice_id, session_id)
    view = view_of(row, [], catalogue, news)
    if before is None:
        return view
    apart = difference(before.flow, made.flow, before.by_hand, row.facts, catalogue, row.house, row.pace)
    return view.model_copy(update={"difference": apart})
