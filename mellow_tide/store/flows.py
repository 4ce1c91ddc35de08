"""The flows that a practice keeps."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from mellow_tide.store.database import Row
from mellow_tide.store.errors import NotThere, Stale
from mellow_tide.store.queries import query


@dataclass(frozen=True, kw_only=True)
class FlowRow:
    """A flow of a practice. `flow` is a core flow as JSON; `origin` its id among the shipped ones, if it is one."""

    flow_id: UUID
    name: str
    note: str
    flow: dict[str, Any]
    gestation_days: int | None
    origin: str | None
    archived: bool
    revision: int
    made_at: datetime


def flows_of(c: Connection[Row], practice_id: UUID) -> list[FlowRow]:
    """All flows, own ones first, archived ones last."""
    with c.cursor(row_factory=class_row(FlowRow)) as cursor:
        return cursor.execute(query("flows_of_practice"), {"practice_id": practice_id}).fetchall()


def find_flow(c: Connection[Row], practice_id: UUID, flow_id: UUID) -> FlowRow:
    """The flow; raises `NotThere`."""
    with c.cursor(row_factory=class_row(FlowRow)) as cursor:
        values = {"practice_id": practice_id, "flow_id": flow_id}
        row = cursor.execute(query("find_flow"), values).fetchone()
    if row is None:
        raise NotThere("flow")
    return row


def add_flow(
    c: Connection[Row],
    practice_id: UUID,
    flow_id: UUID,
    name: str,
    note: str,
    flow: dict[str, Any],
    gestation_days: int | None = None,
    origin: str | None = None,
) -> None:
    """Add a flow; a shipped one that is there already stays as it is."""
    c.execute(
        query("insert_flow"),
        {
            "practice_id": practice_id,
            "flow_id": flow_id,
            "name": name,
            "note": note,
            "flow": Jsonb(flow),
            "gestation_days": gestation_days,
            "origin": origin,
        },
    )


def shipped_there(c: Connection[Row], practice_id: UUID) -> set[str]:
    """The ids of the shipped flows that the practice has."""
    return {row[0] for row in c.execute(query("shipped_flows_there"), {"practice_id": practice_id})}


def change_flow(
    c: Connection[Row], practice_id: UUID, flow_id: UUID, revision: int, name: str, note: str, archived: bool
) -> None:
    """Rename, describe or archive the flow read at `revision`; raises `NotThere`, `Stale`."""
    values = {
        "practice_id": practice_id,
        "flow_id": flow_id,
        "revision": revision,
        "name": name,
        "note": note,
        "archived": archived,
    }
    if c.execute(query("change_flow"), values).fetchone() is None:
        find_flow(c, practice_id, flow_id)
        raise Stale("flow")
