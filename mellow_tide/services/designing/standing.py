"""The plan of a session that stands: the one way to read it, change it and store the change at a revision."""

from collections.abc import Callable
from dataclasses import dataclass
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.planner.difference import Difference, compare_flows
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.setting import Setting
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView, make_view, read_news
from mellow_tide.store.database import Transaction
from mellow_tide.store.sessions import ReadAt, SessionRow, find_session, list_events, replace_plan


class RunHasBegun(Exception):
    """The plan of a session that is being worked, or was, stands."""


class Adjustment(Record):
    """A plan that is not stored, evaluated, and what sets it apart from the one that stands."""

    plan: Plan
    evaluation: Evaluation
    difference: Difference


@dataclass(frozen=True)
class Standing:
    """A session as it is stored, and the setting that its plan is for."""

    row: SessionRow
    setting: Setting

    @property
    def plan(self) -> Plan:
        """The plan that stands."""
        return self.row.plan

    def beside(self, made: Plan) -> Adjustment:
        """Another plan beside the one that stands."""
        return Adjustment(
            plan=made,
            evaluation=evaluate(made.flow, self.setting),
            difference=compare_flows(self.plan.flow, made.flow, self.plan.by_hand, self.setting),
        )


@dataclass(frozen=True)
class PlanChange:
    """A plan to be stored over the one that stands.

    With `before` the answer says what sets the two apart. What is `also` written stands or falls with the plan.
    `knows`: the planner made it with all that is known of the client now.
    """

    plan: Plan
    before: Plan | None = None
    also: Callable[[Transaction], None] | None = None
    knows: bool = True


def load_standing(desk: Desk, session_id: UUID) -> Standing:
    """The session and its setting; raises `NotThere`."""
    with desk.reading() as t:
        row = find_session(t, session_id)
    return Standing(row, desk.setting_of(row))


def change_plan(desk: Desk, at: ReadAt, make: Callable[[Standing], PlanChange]) -> SessionView:
    """Load the session, let `make` say what becomes of its plan, and store that.

    Raises `NotThere`, `RunHasBegun`, whatever `make` raises, and `Stale` if `at.revision` is no longer the newest; then
    nothing is changed.
    """
    stands = load_standing(desk, at.session_id)
    if stands.row.begun:
        raise RunHasBegun
    return store_change(desk, at, make(stands))


def store_change(desk: Desk, at: ReadAt, change: PlanChange) -> SessionView:
    """Store a plan that has been made. Raises `Stale`, `RunHasBegun`, `NotThere`."""
    with desk.writing() as t:
        replace_plan(t, at, change.plan, change.knows)
        if change.also:
            change.also(t)
        # The row is held now: a run cannot begin between this look and the commit.
        if list_events(t, at.session_id):
            raise RunHasBegun
        row = find_session(t, at.session_id)
        news = read_news(desk, t, at.session_id)
    view = make_view(desk, row, [], news)
    if change.before is None:
        return view
    before = change.before
    apart = compare_flows(before.flow, change.plan.flow, before.by_hand, desk.setting_of(row))
    return view.model_copy(update={"difference": apart})
