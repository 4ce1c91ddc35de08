"""The library of flows, and starting a session from one."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Response
from pydantic import Field

from mellow_tide.services import flows
from mellow_tide.services.flows import FlowsBeside, FlowView, Start
from mellow_tide.services.session_view import SessionView
from mellow_tide.web.body import Body, Name, Revision
from mellow_tide.web.guard import Db, Known, Who
from mellow_tide.web.straight import straight

router = APIRouter(tags=["flows"])

Note = Annotated[str, Field(max_length=400)]


class NewFlow(Body):
    """A session whose flow is kept, and what it is called."""

    session_id: UUID
    name: Name
    note: Note = ""


class FlowName(Body):
    """What a copy is called."""

    name: Name


class FlowDescription(Body):
    """How the flow read at `revision` is called and described, and whether it is put away."""

    revision: Revision
    name: Name
    note: Note
    archived: bool


class StartAt(Body):
    """The flow to start the session read at `revision` from."""

    revision: Revision
    flow_id: UUID


@router.get("/flows")
def read_flows(db: Db, who: Who, known: Known) -> list[FlowView]:
    """All flows, own ones first, archived ones last."""
    return list(flows.library(db, who, known))


@router.post("/flows", status_code=201)
def keep_flow(kept: NewFlow, db: Db, who: Who, known: Known) -> FlowView:
    """Keep a session's flow."""
    return flows.keep_flow(db, who, kept.session_id, kept.name, kept.note, known)


@router.get("/flows/comparison", response_model=FlowsBeside)
def compare_flows(first: UUID, second: UUID, db: Db, who: Who, known: Known) -> Response:
    """Two flows beside one another."""
    return straight(flows.flows_beside(db, who, first, second, known))


@router.put("/flows/{flow_id}")
def describe_flow(flow_id: UUID, change: FlowDescription, db: Db, who: Who, known: Known) -> FlowView:
    """Rename, describe, archive or bring back a flow."""
    return flows.describe_flow(
        db, who, flow_id, change.revision, change.name, change.note, change.archived, known
    )


@router.post("/flows/{flow_id}/copy", status_code=201)
def copy_flow(flow_id: UUID, named: FlowName, db: Db, who: Who, known: Known) -> FlowView:
    """Keep another flow just like this one."""
    return flows.copy_flow(db, who, flow_id, named.name, known)


@router.get("/sessions/{session_id}/start", response_model=Start)
def try_start(session_id: UUID, flow_id: UUID, db: Db, who: Who, known: Known) -> Response:
    """A flow adapted to the session's client, not stored."""
    return straight(flows.start(db, who, session_id, flow_id, known))


@router.put("/sessions/{session_id}/start", response_model=SessionView)
def take_start(session_id: UUID, at: StartAt, db: Db, who: Who, known: Known) -> Response:
    """Start the session from a flow, adapted to its client."""
    return straight(flows.start_from(db, who, session_id, at.revision, at.flow_id, known))
