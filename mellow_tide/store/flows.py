"""The flows that a practice keeps."""

from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb

from mellow_tide.core.flow.flow import Flow
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere, Stale


@dataclass(frozen=True, kw_only=True)
class FlowRow:
    """A flow of a practice. `origin` is its id among the shipped ones, if it is one.

    `made_for` is the client from whose session it was kept.
    """

    flow_id: UUID
    name: str
    note: str
    stored: dict[str, Any]
    gestation_days: int | None
    origin: str | None
    made_for: UUID | None
    archived: bool
    revision: int
    made_at: datetime

    @cached_property
    def flow(self) -> Flow:
        """The flow itself."""
        return Flow.model_validate(self.stored)


@dataclass(frozen=True)
class FlowText:
    """How a flow is called, and what it is good for."""

    name: str
    note: str


def list_flows(t: Transaction) -> list[FlowRow]:
    """All flows, own ones first, archived ones last."""
    return t.all(FlowRow, "flows_of_practice")


def find_flow(t: Transaction, flow_id: UUID) -> FlowRow:
    """The flow; raises `NotThere`."""
    row = t.one(FlowRow, "find_flow", flow_id=flow_id)
    if row is None:
        raise NotThere("flow")
    return row


@dataclass(frozen=True)
class NewFlow:
    """A flow to be kept; `gestation_days` if it is for somebody in pregnancy, `origin` if it is a shipped one.

    `made_for` is the client from whose session it is kept.
    """

    flow_id: UUID
    text: FlowText
    flow: Flow
    gestation_days: int | None = None
    origin: str | None = None
    made_for: UUID | None = None


def add_flow(t: Transaction, new: NewFlow) -> None:
    """Add a flow; a shipped one that is there already stays as it is."""
    t.run(
        "insert_flow",
        flow_id=new.flow_id,
        **vars(new.text),
        flow=Jsonb(new.flow.model_dump(mode="json")),
        gestation_days=new.gestation_days,
        origin=new.origin,
        made_for=new.made_for,
    )


def list_shipped(t: Transaction) -> set[str]:
    """The ids of the shipped flows that the practice has."""
    return set(t.column("shipped_flows_there"))


def change_flow(t: Transaction, flow_id: UUID, revision: int, text: FlowText, archived: bool) -> None:
    """Rename, describe or archive the flow read at `revision`; raises `NotThere`, `Stale`."""
    values = {"flow_id": flow_id, "revision": revision, "archived": archived, **vars(text)}
    if t.value("change_flow", **values) is None:
        find_flow(t, flow_id)
        raise Stale("flow")
