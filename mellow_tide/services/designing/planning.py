"""Planning the session for a brief: anew, with the least change, by pulling a part, or another way."""

from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from time import monotonic
from uuid import UUID

from mellow_tide.core.flow.brief import Brief, Excluded
from mellow_tide.core.meeting.sides import name_sides
from mellow_tide.core.planner.adjust import Hold, adjust
from mellow_tide.core.planner.alternatives import Alternatives, find_alternatives
from mellow_tide.core.planner.offers import find_offers
from mellow_tide.core.planner.plan import Plan, plan
from mellow_tide.core.planner.reshape import Pull, reshape_part
from mellow_tide.core.refusal import DoesNotFit
from mellow_tide.core.setting import Setting
from mellow_tide.services.booking.lateness import begin_later
from mellow_tide.services.designing.standing import (
    Adjustment,
    PlanChange,
    Standing,
    change_plan,
    load_standing,
)
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell
from mellow_tide.services.session_view import SessionView
from mellow_tide.store.database import Transaction
from mellow_tide.store.sessions import ReadAt, set_day_answer, set_excluded_today, set_late_minutes

PLANNING_SECONDS = 3.0
"""After this long the best plan so far is shown, with how much better another could be."""


def after(seconds: float) -> Callable[[], bool]:
    """A deadline so many seconds from now."""
    end = monotonic() + seconds
    return lambda: monotonic() >= end


def plan_in_time(brief: Brief, setting: Setting) -> Plan:
    """The best plan that is found in time. Raises the core's refusals."""
    return plan(brief, setting, after(PLANNING_SECONDS))


def replan(desk: Desk, at: ReadAt, brief: Brief, anew: bool = False) -> SessionView:
    """Plan for `brief` and store it; what was set by hand is kept as far as it can be, unless all is made `anew`.

    Raises the core's refusals, with the smallest changes that would do, `Stale` if the revision is no longer the
    newest, `RunHasBegun`; then nothing is changed.
    """

    def make(stands: Standing) -> PlanChange:
        before = stands.plan
        keeps = before.touched and not anew and before.flow.brief.kind == brief.kind
        with offering(brief, stands.setting):
            if keeps:
                return PlanChange(_adjusted(stands, brief, "by_hand"), before)
            return PlanChange(plan_in_time(brief, stands.setting))

    return change_plan(desk, at, make)


def fit(desk: Desk, at: ReadAt, brief: Brief, late_minutes: int = 0) -> SessionView:
    """Store the plan for `brief` that is closest to the present one. Raises as `replan` does.

    A client who is late by `late_minutes` is said to be, and the session begins by so much later.
    """

    def make(stands: Standing) -> PlanChange:
        def move_start(t: Transaction) -> None:
            set_late_minutes(t, stands.row.session_id, late_minutes)
            begin_later(desk, t, stands.row, late_minutes)

        with offering(brief, stands.setting):
            made = _adjusted(stands, brief, "all")
        return PlanChange(made, stands.plan, move_start if late_minutes else None)

    return change_plan(desk, at, make)


def reshape(desk: Desk, at: ReadAt, pull: Pull) -> SessionView:
    """Make a part longer or shorter by hand and store what becomes of the session. Raises as `replan` does."""

    def make(stands: Standing) -> PlanChange:
        before = stands.plan
        made = reshape_part(before, pull, stands.setting, after(PLANNING_SECONDS))
        # What is being pulled is not what could not stay as it was.
        pulled = {part.region for part in before.flow.parts if part.id == pull.part_id}
        held = tuple(id for id in before.by_hand if id not in pulled)
        return PlanChange(made, before.model_copy(update={"by_hand": held}))

    return change_plan(desk, at, make)


def keep_off(desk: Desk, at: ReadAt, lasting: Sequence[Excluded], today: Sequence[Excluded]) -> SessionView:
    """Store the places to keep off, and with them the closest plan that keeps off them.

    The `lasting` ones are kept on the session's client, those of `today` with the session alone. Raises as `replan`
    does.
    """
    lasting, today = (name_sides(places, desk.catalogue) for places in (lasting, today))

    def make(stands: Standing) -> PlanChange:
        row = stands.row
        facts = row.facts.model_copy(update={"excluded": (*lasting, *today)})
        answered = row.answer.excluded if row.answer else ()

        def keep(t: Transaction) -> None:
            by = Told("plan")
            tell(t, desk, row.client_id, lambda r: r.model_copy(update={"excluded": lasting}), by)
            set_excluded_today(t, at.session_id, [place for place in today if place not in answered])
            if row.answer:
                left = tuple(place for place in answered if place in today)
                set_day_answer(t, at.session_id, row.answer.model_copy(update={"excluded": left}))

        made = plan_closest(stands.plan, stands.setting.with_client(facts))
        return PlanChange(made, stands.plan, also=keep)

    return change_plan(desk, at, make)


def plan_closest(before: Plan, setting: Setting) -> Plan:
    """The plan for the same brief that is closest to `before`. Raises the core's refusals."""
    return adjust(before, before.flow.brief, setting, "all", after(PLANNING_SECONDS))


def try_fit(desk: Desk, session_id: UUID, brief: Brief) -> Adjustment:
    """What `fit` would store. Raises `NotThere` and the core's refusals."""
    stands = load_standing(desk, session_id)
    with offering(brief, stands.setting):
        return stands.beside(_adjusted(stands, brief, "all"))


def compare_anew(desk: Desk, session_id: UUID, brief: Brief) -> Adjustment:
    """What `replan` would store anew, beside what stands. Raises `NotThere` and the core's refusals."""
    stands = load_standing(desk, session_id)
    with offering(brief, stands.setting):
        return stands.beside(plan_in_time(brief, stands.setting))


def read_alternatives(desk: Desk, session_id: UUID) -> Alternatives:
    """Other plans for the brief of a session's stored plan. Raises `NotThere`."""
    stands = load_standing(desk, session_id)
    return find_alternatives(stands.plan.flow, stands.setting)


def _adjusted(stands: Standing, brief: Brief, hold: Hold) -> Plan:
    return adjust(stands.plan, brief, stands.setting, hold, after(PLANNING_SECONDS))


@contextmanager
def offering(brief: Brief, setting: Setting) -> Iterator[None]:
    """Adds to a refusal of `brief` the smallest changes that would do."""
    try:
        yield
    except DoesNotFit as refused:
        raise refused.offering(find_offers(refused, brief, setting)) from refused
