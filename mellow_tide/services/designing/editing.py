"""Changing the flow of a session by hand: edits, what they would do, and what may be done where."""

from collections.abc import Sequence
from typing import Literal
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import Severity
from mellow_tide.core.designing.landing import Landing, find_landings, find_passage_landings
from mellow_tide.core.designing.mending import Mending, mend
from mellow_tide.core.designing.other_side import find_other_side, find_passage_other_side
from mellow_tide.core.designing.picker import Pick, pick_strokes
from mellow_tide.core.designing.quick_add import suggest_edits
from mellow_tide.core.designing.suggestion import Suggestion
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.edits import Edit, apply, part_named
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.planner.difference import Difference, compare_flows
from mellow_tide.core.planner.plan import Plan, mark_by_hand
from mellow_tide.core.planner.strokes.rituals import meet_the_minutes
from mellow_tide.services.booking.lateness import begin_as_before, begin_later
from mellow_tide.services.designing.standing import (
    Adjustment,
    PlanChange,
    RunHasBegun,
    Standing,
    change_plan,
    load_standing,
)
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView, make_view, read_news
from mellow_tide.store.sessions import ReadAt, find_session, list_late_minutes, step_to_plan


class PartPlaces(Record):
    """Where a part may go, and how its other side comes to the same strokes, if there is something to give it.

    `with_passage`: where it may go together with all that is worked as one with it; empty where it stands alone.
    """

    landings: tuple[Landing, ...]
    with_passage: tuple[Landing, ...]
    other_side: Landing | None


def edit_flow(desk: Desk, at: ReadAt, edits: Sequence[Edit]) -> SessionView:
    """Apply edits to the stored flow; the closing hold takes up the change in time as far as it sensibly can.

    What then still does not fit is a finding, not a refusal. Raises as `replan` does otherwise.
    """
    return change_plan(desk, at, lambda stands: PlanChange(_edited(stands, edits), knows=False))


def try_edits(desk: Desk, session_id: UUID, edits: Sequence[Edit]) -> Adjustment:
    """What `edit_flow` would store. Raises as it does, but for the revision."""
    stands = load_standing(desk, session_id)
    return stands.beside(_edited(stands, edits))


def _edited(stands: Standing, edits: Sequence[Edit]) -> Plan:
    flow = apply(stands.plan.flow, edits)
    check_flow(flow, stands.setting.catalogue)
    return mark_by_hand(stands.plan, meet_the_minutes(flow, stands.setting))


def step_plan(desk: Desk, at: ReadAt, by: Literal[-1, 1]) -> SessionView:
    """Take the last change of the plan back (-1), or do it again (1); across reloads and restarts.

    What a plan for a late client did to the start goes with it. Raises `Stale`, `RunHasBegun`, and `NotThere` where
    there is nothing to take back or to do again.
    """
    with desk.writing() as t:
        late, *late_before = list_late_minutes(t, at.session_id, ahead=1 if by == 1 else 0) or [0]
        step_to_plan(t, at, by)
        row = find_session(t, at.session_id)
        if row.begun:
            raise RunHasBegun
        if late and by == 1:
            begin_later(desk, t, row, late)
        elif late:
            begin_as_before(t, row, late, late_still=any(late_before))
        row = find_session(t, at.session_id)
        news = read_news(desk, t, at.session_id)
    return make_view(desk, row, [], news)


def read_places(desk: Desk, session_id: UUID, part_id: str) -> PartPlaces:
    """Where a part of the session may go, with the reason where it may not. Raises `NotThere`, `BadFlow`."""
    trial = _trial(desk, session_id)
    ids = _passage_ids(trial, part_id)
    return PartPlaces(
        landings=find_landings(trial, part_id),
        with_passage=find_passage_landings(trial, ids) if len(ids) > 1 else (),
        other_side=find_other_side(trial, part_id),
    )


def read_passage_other_side(desk: Desk, session_id: UUID, part_id: str) -> Landing | None:
    """How the other side comes to all that is worked as one with a part. Raises `NotThere`, `BadFlow`."""
    trial = _trial(desk, session_id)
    return find_passage_other_side(trial, _passage_ids(trial, part_id))


def _passage_ids(trial: Trial, part_id: str) -> list[str]:
    parts = trial.case.flow.parts
    return [parts[at].id for at in trial.case.passage_of(parts.index(part_named(trial.case.flow, part_id)))]


def read_picks(desk: Desk, session_id: UUID, part_id: str) -> tuple[Pick, ...]:
    """Every stroke for a part, with the reason where it does not fit. Raises `NotThere`, `BadFlow`."""
    return pick_strokes(_trial(desk, session_id), part_id)


def read_suggestions(desk: Desk, session_id: UUID, line: str, selected: str | None) -> tuple[Suggestion, ...]:
    """What a typed line could mean at the `selected` part. Raises `NotThere`."""
    return suggest_edits(_trial(desk, session_id), line, selected)


def compare_since(desk: Desk, session_id: UUID, seen: Flow) -> Difference:
    """What sets what stands apart from a flow seen before. Raises `NotThere`, and as `check_flow` does."""
    stands = load_standing(desk, session_id)
    check_flow(seen, stands.setting.catalogue)
    return compare_flows(seen, stands.plan.flow, (), stands.setting)


class MendingTried(Record):
    """Repairs taken together, and what they would come to; nothing where there is none to take."""

    mending: Mending
    adjustment: Adjustment | None


def try_mending(desk: Desk, session_id: UUID, severity: Severity) -> MendingTried:
    """All repairs of one severity that can be taken at once, tried. Raises `NotThere`."""
    stands = load_standing(desk, session_id)
    taken = mend(Trial.of(stands.plan.flow, stands.setting), severity)
    if not taken.edits:
        return MendingTried(mending=taken, adjustment=None)
    return MendingTried(mending=taken, adjustment=stands.beside(_edited(stands, taken.edits)))


def _trial(desk: Desk, session_id: UUID) -> Trial:
    stands = load_standing(desk, session_id)
    return Trial.of(stands.plan.flow, stands.setting)
