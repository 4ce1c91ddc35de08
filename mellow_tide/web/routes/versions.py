"""Named versions of a session's plan."""

from uuid import UUID

from fastapi import APIRouter, Response

from mellow_tide.services.designing import versions
from mellow_tide.services.designing.standing import Adjustment
from mellow_tide.services.designing.versions import Version
from mellow_tide.services.session_view import SessionView
from mellow_tide.store.sessions import ReadAt
from mellow_tide.web.body import Body, Revision, ShortName
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import straight

router = APIRouter(prefix="/sessions/{session_id}/versions", tags=["versions"])


class VersionName(Body):
    """What a version is called."""

    name: ShortName


class StandAt(Body):
    """The revision over which a version is to stand."""

    revision: Revision


@router.get("")
def read_versions(session_id: UUID, desk: AtDesk) -> list[Version]:
    """All versions, the first kept first."""
    return list(versions.read_versions(desk, session_id))


@router.post("", status_code=204)
def keep_version(session_id: UUID, named: VersionName, desk: AtDesk) -> None:
    """Keep what stands under a name."""
    versions.keep_version(desk, session_id, named.name)


@router.put("/{version_id}", status_code=204)
def rename_version(session_id: UUID, version_id: UUID, named: VersionName, desk: AtDesk) -> None:
    """Give a version another name."""
    versions.change_version(desk, session_id, version_id, named.name)


@router.delete("/{version_id}", status_code=204)
def forget_version(session_id: UUID, version_id: UUID, desk: AtDesk) -> None:
    """Forget a version."""
    versions.drop_version(desk, session_id, version_id)


@router.get("/{version_id}/comparison", response_model=Adjustment)
def compare_version(session_id: UUID, version_id: UUID, desk: AtDesk) -> Response:
    """A version beside what stands."""
    return straight(versions.compare_version(desk, session_id, version_id))


@router.post("/{version_id}/stand", response_model=SessionView)
def let_version_stand(session_id: UUID, version_id: UUID, at: StandAt, desk: AtDesk) -> Response:
    """Let a version stand again."""
    return straight(versions.let_version_stand(desk, ReadAt(session_id, at.revision), version_id))
