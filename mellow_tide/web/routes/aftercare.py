"""What a client may take home after a session."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from mellow_tide.core.aftercare.aftercare import AftercareText
from mellow_tide.services.running import aftercare
from mellow_tide.services.running.aftercare import AftercareView
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import as_file, file_of

router = APIRouter(tags=["aftercare"])

Stretch = Annotated[str | None, Query(max_length=40, description="a region's id; empty for none")]


class AftercareChange(Body):
    """The practice's own text; empty: the usual one."""

    text: AftercareText


@router.get("/sessions/{session_id}/aftercare")
def read_aftercare(session_id: UUID, desk: AtDesk, stretch: Stretch = None) -> AftercareView:
    """The words, and what they are made from."""
    return aftercare.read_aftercare(desk, session_id, stretch)


@router.get(
    "/sessions/{session_id}/aftercare.pdf", response_class=Response, responses=file_of("application/pdf")
)
def read_aftercare_paper(session_id: UUID, desk: AtDesk, stretch: Stretch = None) -> Response:
    """The same, to print or to send."""
    paper = aftercare.print_aftercare_paper(desk, session_id, stretch)
    return as_file(paper, "application/pdf", "after-your-session.pdf")


@router.put("/aftercare", status_code=204)
def change_aftercare(change: AftercareChange, desk: AtDesk) -> None:
    """Keep the practice's own text."""
    aftercare.change_aftercare(desk, change.text)
