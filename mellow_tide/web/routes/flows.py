"""The library of flows, and starting a session from one."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Response
from pydantic import Field

from mellow_tide.services.designing import flows
from mellow_tide.services.designing.flows import FlowsBeside, FlowView, Start
from mellow_tide.services.session_view import SessionView
from mellow_tide.store.flows import FlowText
from mellow_tide.store.sessions import ReadAt
from mellow_tide.web.body import Body, Revision, ShortName
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import straight

router = APIRouter(tags=["flows"])

FlowNote = Annotated[str, Field(max_length=400)]


class FlowToKeep(Body):
    """A session whose flow is kept, and what it is called."""

    session_id: UUID
    name: ShortName
    note: FlowNote = ""


class FlowName(Body):
    """What a copy is called."""

    name: ShortName


class FlowDescription(Body):
    """How the flow read at `revision` is called and described, and whether it is put away."""

    revision: Revision
    name: ShortName
    note: FlowNote
    archived: bool


class StartAt(Body):
    """The flow to start the session read at `revision` from."""

    revision: Revision
    flow_id: UUID


@router.get("/flows")
def read_flows(desk: AtDesk) -> list[FlowView]:
    """All flows, own ones first, archived ones last."""
    return list(flows.read_library(desk))


@router.post("/flows", status_code=201)
def keep_flow(kept: FlowToKeep, desk: AtDesk) -> FlowView:
    """Keep a session's flow."""
    return flows.keep_flow(desk, kept.session_id, FlowText(kept.name, kept.note))


@router.get("/flows/comparison", response_model=FlowsBeside)
def compare_flows(first: UUID, second: UUID, desk: AtDesk) -> Response:
    """Two flows beside one another."""
    return straight(flows.compare_kept(desk, first, second))


@router.put("/flows/{flow_id}")
def describe_flow(flow_id: UUID, change: FlowDescription, desk: AtDesk) -> FlowView:
    """Rename, describe, archive or bring back a flow."""
    return flows.describe_flow(
        desk, flow_id, change.revision, FlowText(change.name, change.note), change.archived
    )


@router.post("/flows/{flow_id}/copy", status_code=201)
def copy_flow(flow_id: UUID, named: FlowName, desk: AtDesk) -> FlowView:
    """Keep another flow just like this one."""
    return flows.copy_flow(desk, flow_id, named.name)


@router.get("/sessions/{session_id}/start", response_model=Start)
def try_start(session_id: UUID, flow_id: UUID, desk: AtDesk) -> Response:
    """A flow adapted to the session's client, not stored."""
    return straight(flows.try_start(desk, session_id, flow_id))


@router.put("/sessions/{session_id}/start", response_model=SessionView)
def take_start(session_id: UUID, at: StartAt, desk: AtDesk) -> Response:
    """Start the session from a flow, adapted to its client."""
    return straight(flows.take_start(desk, ReadAt(session_id, at.revision), at.flow_id))
