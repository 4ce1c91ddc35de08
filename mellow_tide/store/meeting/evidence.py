"""How it became known what is known of a client: dated changes that are only ever added."""

from collections.abc import Collection, Iterable
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Literal
from uuid import UUID

from psycopg.types.json import Jsonb

from mellow_tide.core.meeting.changes import ItemChange
from mellow_tide.store.database import Transaction

Source = Literal["by_hand", "intake", "day_question", "plan", "import", "merge", "learnt"]
"""How something became known."""


@dataclass(frozen=True)
class Evidence:
    """How something became known, who wrote it down, when if that is not now, and why if that was said."""

    source: Source
    person_name: str
    changed_at: datetime | None = None
    reason: str = ""


@dataclass(frozen=True, kw_only=True)
class ChangeRow:
    """One dated change of what is known of a client."""

    changed_at: datetime
    source: Source
    person_name: str
    field: str
    item: str
    before: Any
    after: Any
    reason: str


def add_changes(t: Transaction, client_id: UUID, changes: Iterable[ItemChange], evidence: Evidence) -> None:
    """Add dated evidence."""
    values = [
        {
            "client_id": client_id,
            **vars(evidence),
            "field": change.field,
            "item": change.item,
            "before": None if change.before is None else Jsonb(change.before),
            "after": None if change.after is None else Jsonb(change.after),
        }
        for change in changes
    ]
    t.run_each("insert_change", values)


def list_changes(t: Transaction, client_id: UUID) -> list[ChangeRow]:
    """All evidence of a client, the newest first."""
    return t.all(ChangeRow, "changes_of_client", client_id=client_id)


def list_changes_since_plan(t: Transaction, session_id: UUID, fields: Collection[str]) -> list[ChangeRow]:
    """What of `fields` became known of a session's client after its standing plan was made, the oldest first."""
    return t.all(ChangeRow, "changes_since_plan", session_id=session_id, fields=sorted(fields))
