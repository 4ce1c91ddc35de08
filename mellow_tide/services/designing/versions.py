"""Versions of a session's plan that were given a name, to go back to."""

from uuid import UUID, uuid4

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.planner.plan import Plan
from mellow_tide.services.designing.standing import (
    Adjustment,
    PlanChange,
    Standing,
    change_plan,
    load_standing,
)
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView
from mellow_tide.store.sessions import ReadAt
from mellow_tide.store.versions import (
    find_version,
    forget_version,
    list_versions,
    name_standing_plan,
    rename_version,
)


class Version(Record):
    """A version: its name, when it was kept, and whether it is what stands now."""

    version_id: UUID
    name: str
    made_at: AwareDatetime
    stands: bool


def read_versions(desk: Desk, session_id: UUID) -> tuple[Version, ...]:
    """All versions of a session, the first kept first. Raises `NotThere`."""
    stands = load_standing(desk, session_id).plan.flow
    with desk.reading() as t:
        kept = list_versions(t, session_id)
    return tuple(
        Version(
            version_id=version.version_id,
            name=version.name,
            made_at=version.made_at,
            stands=version.plan.flow == stands,
        )
        for version in kept
    )


def keep_version(desk: Desk, session_id: UUID, name: str) -> None:
    """Keep what stands under `name`. Raises `NotThere`, `Conflict` where the name is taken."""
    with desk.reading() as t:
        name_standing_plan(t, session_id, uuid4(), name)


def change_version(desk: Desk, session_id: UUID, version_id: UUID, name: str) -> None:
    """Rename a version. Raises `NotThere`, `Conflict` where the name is taken."""
    with desk.reading() as t:
        rename_version(t, session_id, version_id, name)


def drop_version(desk: Desk, session_id: UUID, version_id: UUID) -> None:
    """Forget a version; what stands stays. Raises `NotThere`."""
    with desk.reading() as t:
        forget_version(t, session_id, version_id)


def compare_version(desk: Desk, session_id: UUID, version_id: UUID) -> Adjustment:
    """A version beside what stands. Raises `NotThere`."""
    return load_standing(desk, session_id).beside(_plan(desk, session_id, version_id))


def let_version_stand(desk: Desk, at: ReadAt, version_id: UUID) -> SessionView:
    """Store a version over what stands; that can be taken back. Raises `NotThere`, `Stale`, `RunHasBegun`."""

    def make(stands: Standing) -> PlanChange:
        return PlanChange(_plan(desk, at.session_id, version_id), stands.plan, knows=False)

    return change_plan(desk, at, make)


def _plan(desk: Desk, session_id: UUID, version_id: UUID) -> Plan:
    with desk.reading() as t:
        version = find_version(t, session_id, version_id)
    check_flow(version.plan.flow, desk.catalogue)
    return version.plan
