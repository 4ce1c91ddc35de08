"""Designing a session by hand: what may go where, what a change would do, what was typed."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response
from pydantic import Field

from mellow_tide.core.checks.check import Severity
from mellow_tide.core.designing.landing import Landing
from mellow_tide.core.designing.picker import Pick
from mellow_tide.core.designing.suggestion import Suggestion
from mellow_tide.core.flow.edits import Edit
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.difference import Difference
from mellow_tide.core.run.events import PartId
from mellow_tide.services.designing import editing
from mellow_tide.services.designing.editing import MendingTried, PartPlaces
from mellow_tide.services.designing.standing import Adjustment
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import straight

router = APIRouter(prefix="/sessions/{session_id}", tags=["designing"])


class EditsToTry(Body):
    """Edits to be tried, in order."""

    edits: Annotated[list[Edit], Field(min_length=1, max_length=100)]


class FlowBefore(Body):
    """A flow of the session as it was seen before."""

    flow: Flow


@router.get("/parts/{part_id}/places", response_model=PartPlaces)
def read_places(session_id: UUID, part_id: PartId, desk: AtDesk) -> Response:
    """Where a part may go, and why it may not go elsewhere."""
    return straight(editing.read_places(desk, session_id, part_id))


@router.get("/parts/{part_id}/passage-other-side")
def read_passage_other_side(session_id: UUID, part_id: PartId, desk: AtDesk) -> Landing | None:
    """How the other side comes to all that is worked as one with a part, if there is something to give it."""
    return editing.read_passage_other_side(desk, session_id, part_id)


@router.get("/parts/{part_id}/strokes")
def read_picks(session_id: UUID, part_id: PartId, desk: AtDesk) -> list[Pick]:
    """The strokes that fit a part, and why the others do not."""
    return list(editing.read_picks(desk, session_id, part_id))


@router.get("/suggestions")
def read_suggestions(
    session_id: UUID,
    desk: AtDesk,
    line: Annotated[str, Query(max_length=80)],
    at: Annotated[str | None, Query(max_length=80)] = None,
) -> list[Suggestion]:
    """What a typed line could mean at a part."""
    return list(editing.read_suggestions(desk, session_id, line, at))


@router.post("/edits/trial", response_model=Adjustment)
def try_edits(session_id: UUID, wished: EditsToTry, desk: AtDesk) -> Response:
    """What edits would come to, not stored."""
    return straight(editing.try_edits(desk, session_id, wished.edits))


@router.get("/mending", response_model=MendingTried)
def read_mending(session_id: UUID, desk: AtDesk, severity: Severity = "advice") -> Response:
    """All repairs of one severity together, not stored."""
    return straight(editing.try_mending(desk, session_id, severity))


@router.post("/difference", response_model=Difference)
def read_difference(session_id: UUID, seen: FlowBefore, desk: AtDesk) -> Response:
    """What has changed from a flow seen before to what stands now."""
    return straight(editing.compare_since(desk, session_id, seen.flow))
