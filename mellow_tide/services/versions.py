"""Versions of a session's plan that were given a name, to go back to."""

from uuid import UUID, uuid4

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.planner.plan import Plan
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.standing import Adjustment, beside, found, store_plan, unworked
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.versions import (
    find_version,
    forget_version,
    name_standing_plan,
    rename_version,
    versions_of,
)


class Version(Record):
    """A version: its name, when it was kept, and whether it is what stands now."""

    version_id: UUID
    name: str
    made_at: AwareDatetime
    stands: bool


def versions(db: Database, who: SignedIn, session_id: UUID) -> tuple[Version, ...]:
    """All versions of a session, the first kept first. Raises `NotThere`."""
    row = found(db, who, session_id)
    standing = Plan.model_validate(row.plan).flow
    with db.transaction(Sight(who.practice_id)) as c:
        kept = versions_of(c, who.practice_id, session_id)
    return tuple(
        Version(
            version_id=version.version_id,
            name=version.name,
            made_at=version.made_at,
            stands=Plan.model_validate(version.plan).flow == standing,
        )
        for version in kept
    )


def keep_version(db: Database, who: SignedIn, session_id: UUID, name: str) -> None:
    """Keep what stands under `name`. Raises `NotThere`, `Conflict` where the name is taken."""
    with db.transaction(Sight(who.practice_id)) as c:
        name_standing_plan(c, who.practice_id, session_id, uuid4(), name)


def change_version(db: Database, who: SignedIn, session_id: UUID, version_id: UUID, name: str) -> None:
    """Rename a version. Raises `NotThere`, `Conflict` where the name is taken."""
    with db.transaction(Sight(who.practice_id)) as c:
        rename_version(c, who.practice_id, session_id, version_id, name)


def drop_version(db: Database, who: SignedIn, session_id: UUID, version_id: UUID) -> None:
    """Forget a version; what stands stays. Raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        forget_version(c, who.practice_id, session_id, version_id)


def version_beside(
    db: Database, who: SignedIn, session_id: UUID, version_id: UUID, catalogue: Catalogue
) -> Adjustment:
    """A version beside what stands. Raises `NotThere`."""
    row = found(db, who, session_id)
    return beside(
        Plan.model_validate(row.plan), _plan(db, who, session_id, version_id, catalogue), row, catalogue
    )


def let_version_stand(
    db: Database, who: SignedIn, session_id: UUID, revision: int, version_id: UUID, catalogue: Catalogue
) -> SessionView:
    """Store a version over what stands; that can be taken back. Raises `NotThere`, `Stale`, `RunHasBegun`."""
    row = unworked(db, who, session_id)
    made = _plan(db, who, session_id, version_id, catalogue)
    stands = Plan.model_validate(row.plan)
    return store_plan(db, who, session_id, revision, made, catalogue, stands, knows=False)


def _plan(db: Database, who: SignedIn, session_id: UUID, version_id: UUID, catalogue: Catalogue) -> Plan:
    with db.transaction(Sight(who.practice_id)) as c:
        version = find_version(c, who.practice_id, session_id, version_id)
    plan = Plan.model_validate(version.plan)
    check_flow(plan.flow, catalogue)
    return plan
