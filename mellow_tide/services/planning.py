"""Planning the session for a brief: anew, with the least change, by pulling a part, or another way."""

from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from time import monotonic
from uuid import UUID

from psycopg import Connection

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.brief import Brief, ClientFacts, Excluded
from mellow_tide.core.planner.adjust import Hold, adjust
from mellow_tide.core.planner.alternatives import Alternatives, alternatives
from mellow_tide.core.planner.offers import offers
from mellow_tide.core.planner.plan import Plan, plan
from mellow_tide.core.planner.reshape import reshaped
from mellow_tide.core.refusal import DoesNotFit
from mellow_tide.services.evidence import told
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.standing import Adjustment, beside, found, store_plan, unworked
from mellow_tide.store.database import Database, Row
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import SessionRow, set_day_answer

PLANNING_SECONDS = 3.0
"""After this long the best plan so far is shown, with how much better another could be."""


def after(seconds: float) -> Callable[[], bool]:
    """A deadline so many seconds from now."""
    end = monotonic() + seconds
    return lambda: monotonic() >= end


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
    row = unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    keeps = before.touched and not anew and before.flow.brief.kind == brief.kind
    with offering(brief, row, catalogue):
        if keeps:
            made = _adjusted(before, brief, row, "by_hand", catalogue)
        else:
            made = plan(brief, row.facts, catalogue, row.house, row.pace, deadline=after(PLANNING_SECONDS))
    return store_plan(db, who, session_id, revision, made, catalogue, before if keeps else None)


def fit(
    db: Database, who: SignedIn, session_id: UUID, revision: int, brief: Brief, catalogue: Catalogue
) -> SessionView:
    """Store the plan for `brief` that is closest to the present one. Raises as `replan` does."""
    row = unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    with offering(brief, row, catalogue):
        made = _adjusted(before, brief, row, "all", catalogue)
    return store_plan(db, who, session_id, revision, made, catalogue, before)


def reshape(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    part_id: str,
    seconds: int,
    alone: bool,
    catalogue: Catalogue,
) -> SessionView:
    """Make a part longer or shorter by hand and store what becomes of the session. Raises as `replan` does."""
    row = unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    deadline = after(PLANNING_SECONDS)
    made = reshaped(
        before, part_id, seconds, row.facts, catalogue, row.house, row.pace, alone=alone, deadline=deadline
    )
    # What is being pulled is not what could not stay as it was.
    pulled = {part.region for part in before.flow.parts if part.id == part_id}
    held = tuple(id for id in before.by_hand if id not in pulled)
    told = before.model_copy(update={"by_hand": held})
    return store_plan(db, who, session_id, revision, made, catalogue, told)


def keep_off(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    excluded: Sequence[Excluded],
    catalogue: Catalogue,
) -> SessionView:
    """Store the places to keep off on the session's client, and with them the closest plan that keeps off them.

    Those that were named for the day alone stay so. Raises as `replan` does.
    """
    row = unworked(db, who, session_id)
    before = Plan.model_validate(row.plan)
    facts = row.facts.model_copy(update={"excluded": tuple(excluded)})
    made = closest(before, facts, row, catalogue)
    today = row.answer.excluded if row.answer else ()
    lasting = tuple(place for place in excluded if place not in today)

    def keep(c: Connection[Row]) -> None:
        told(c, who, row.client_id, lambda r: r.model_copy(update={"excluded": lasting}), "plan", catalogue)
        if row.answer:
            left = tuple(place for place in today if place in excluded)
            answer = row.answer.model_copy(update={"excluded": left})
            set_day_answer(c, who.practice_id, session_id, answer)

    return store_plan(
        db,
        who,
        session_id,
        revision,
        made,
        catalogue,
        before,
        also=keep,
    )


def closest(before: Plan, facts: ClientFacts, row: SessionRow, catalogue: Catalogue) -> Plan:
    """The plan for the same brief that is closest to `before` and obeys `facts`. Raises the core's refusals."""
    deadline = after(PLANNING_SECONDS)
    return adjust(
        before, before.flow.brief, facts, catalogue, row.house, row.pace, hold="all", deadline=deadline
    )


def adjustment(
    db: Database, who: SignedIn, session_id: UUID, brief: Brief, catalogue: Catalogue
) -> Adjustment:
    """What `fit` would store. Raises `NotThere` and the core's refusals."""
    row = found(db, who, session_id)
    before = Plan.model_validate(row.plan)
    with offering(brief, row, catalogue):
        made = _adjusted(before, brief, row, "all", catalogue)
    return beside(before, made, row, catalogue)


def comparison(
    db: Database, who: SignedIn, session_id: UUID, brief: Brief, catalogue: Catalogue
) -> Adjustment:
    """What `replan` would store anew, beside what stands. Raises `NotThere` and the core's refusals."""
    row = found(db, who, session_id)
    with offering(brief, row, catalogue):
        made = plan(brief, row.facts, catalogue, row.house, row.pace, deadline=after(PLANNING_SECONDS))
    return beside(Plan.model_validate(row.plan), made, row, catalogue)


def alternatives_of(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> Alternatives:
    """Other plans for the brief of a session's stored plan. Raises `NotThere`."""
    row = found(db, who, session_id)
    return alternatives(Plan.model_validate(row.plan).flow, row.facts, catalogue, row.house, row.pace)


def _adjusted(before: Plan, brief: Brief, row: SessionRow, hold: Hold, catalogue: Catalogue) -> Plan:
    deadline = after(PLANNING_SECONDS)
    return adjust(before, brief, row.facts, catalogue, row.house, row.pace, hold=hold, deadline=deadline)


@contextmanager
def offering(brief: Brief, row: SessionRow, catalogue: Catalogue) -> Iterator[None]:
    """Adds to a refusal of `brief` the smallest changes that would do."""
    try:
        yield
    except DoesNotFit as refused:
        found = offers(refused, brief, row.facts, catalogue, row.house, row.pace)
        raise refused.offering(found) from refused
