"""Changing the flow of a session by hand: edits, what they would do, and what may be done where."""

from collections.abc import Sequence
from typing import Literal
from uuid import UUID

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
from mellow_tide.core.timing.run_sheet import TOLERATED
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView, news_of, view_of
from mellow_tide.services.standing import Adjustment, Change, RunHasBegun, Standing, change_plan, standing
from mellow_tide.store.sessions import ReadAt, find_session, step_to_plan


class Places(Record):
    """Where a part may go, and how its other side comes to the same strokes, if there is something to give it."""

    landings: tuple[Landing, ...]
    other_side: Landing | None


def edit_flow(desk: Desk, at: ReadAt, edits: Sequence[Edit]) -> SessionView:
    """Apply edits to the stored flow; the closing hold takes up the change in time as far as it sensibly can.

    What then still does not fit is a finding, not a refusal. Raises as `replan` does otherwise.
    """
    return change_plan(desk, at, lambda stands: Change(_edited(stands, edits), knows=False))


def edits_tried(desk: Desk, session_id: UUID, edits: Sequence[Edit]) -> Adjustment:
    """What `edit_flow` would store. Raises as it does, but for the revision."""
    stands = standing(desk, session_id)
    return stands.beside(_edited(stands, edits))


def _edited(stands: Standing, edits: Sequence[Edit]) -> Plan:
    flow = meet_the_minutes(apply(stands.plan.flow, edits), stands.setting)
    check_flow(flow, stands.setting.catalogue)
    return worked_by_hand(stands.plan, flow)


def set_flow(desk: Desk, at: ReadAt, flow: Flow) -> SessionView:
    """Store a flow made by hand, if hands can follow it and it fits. Raises as `replan` does."""

    def make(stands: Standing) -> Change:
        check_flow(flow, stands.setting.catalogue)
        over = stands.setting.lay_out(flow).over
        if over > TOLERATED:
            what = f"the flow takes {span(over)} more than the booking leaves"
            raise DoesNotFit(FieldProblem("parts", what, "take passes or a part away, or book more minutes"))
        return Change(worked_by_hand(stands.plan, flow), knows=False)

    return change_plan(desk, at, make)


def step(desk: Desk, at: ReadAt, by: Literal[-1, 1]) -> SessionView:
    """Take the last change of the plan back (-1), or do it again (1); across reloads and restarts.

    Raises `Stale`, `RunHasBegun`, and `NotThere` where there is nothing to take back or to do again.
    """
    with desk.reading() as t:
        step_to_plan(t, at, by)
        row = find_session(t, at.session_id)
        if row.begun:
            raise RunHasBegun
        news = news_of(t, at.session_id)
    return view_of(desk, row, [], news)


def evaluate_draft(desk: Desk, session_id: UUID, flow: Flow) -> Evaluation:
    """Evaluate a flow for the session's client without storing it. Raises `NotThere`, and as `check_flow` does."""
    setting = standing(desk, session_id).setting
    check_flow(flow, setting.catalogue)
    return evaluate(flow, setting)


def places_of(desk: Desk, session_id: UUID, part_id: str) -> Places:
    """Where a part of the session may go, with the reason where it may not. Raises `NotThere`, `BadFlow`."""
    trial = _trial(desk, session_id)
    return Places(landings=landings(trial, part_id), other_side=other_side(trial, part_id))


def picks_of(desk: Desk, session_id: UUID, part_id: str) -> tuple[Pick, ...]:
    """Every stroke for a part, with the reason where it does not fit. Raises `NotThere`, `BadFlow`."""
    return picks(_trial(desk, session_id), part_id)


def suggestions_of(desk: Desk, session_id: UUID, line: str, selected: str | None) -> tuple[Suggestion, ...]:
    """What a typed line could mean at the `selected` part. Raises `NotThere`."""
    return suggestions(_trial(desk, session_id), line, selected)


def changed_since(desk: Desk, session_id: UUID, seen: Flow) -> Difference:
    """What sets what stands apart from a flow seen before. Raises `NotThere`, and as `check_flow` does."""
    stands = standing(desk, session_id)
    check_flow(seen, stands.setting.catalogue)
    return difference(seen, stands.plan.flow, (), stands.setting)


class MendingTried(Record):
    """Repairs taken together, and what they would come to; nothing where there is none to take."""

    mending: Mending
    adjustment: Adjustment | None


def mending_of(desk: Desk, session_id: UUID, severity: Severity) -> MendingTried:
    """All repairs of one severity that can be taken at once, tried. Raises `NotThere`."""
    stands = standing(desk, session_id)
    taken = mending(Trial.of(stands.plan.flow, stands.setting), severity)
    if not taken.edits:
        return MendingTried(mending=taken, adjustment=None)
    return MendingTried(mending=taken, adjustment=stands.beside(_edited(stands, taken.edits)))


def _trial(desk: Desk, session_id: UUID) -> Trial:
    stands = standing(desk, session_id)
    return Trial.of(stands.plan.flow, stands.setting)
