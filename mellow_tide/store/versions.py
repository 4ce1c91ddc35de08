"""Versions of a session's plan that were given a name."""

from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from typing import Any
from uuid import UUID

from mellow_tide.core.planner.plan import Plan
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere


@dataclass(frozen=True, kw_only=True)
class VersionRow:
    """A named version."""

    version_id: UUID
    name: str
    stored: dict[str, Any]
    made_at: datetime

    @cached_property
    def plan(self) -> Plan:
        """The plan that was kept."""
        return Plan.model_validate(self.stored)


def list_versions(t: Transaction, session_id: UUID) -> list[VersionRow]:
    """All versions of a session, the first made first."""
    return t.all(VersionRow, "versions_of_session", session_id=session_id)


def find_version(t: Transaction, session_id: UUID, version_id: UUID) -> VersionRow:
    """The version; raises `NotThere`."""
    row = t.one(VersionRow, "find_version", session_id=session_id, version_id=version_id)
    if row is None:
        raise NotThere("version")
    return row


def name_standing_plan(t: Transaction, session_id: UUID, version_id: UUID, name: str) -> None:
    """Keep the plan that stands under a name; raises `NotThere`, and `Conflict` where the name is taken."""
    if t.run("name_standing_plan", session_id=session_id, version_id=version_id, name=name) == 0:
        raise NotThere("session")


def rename_version(t: Transaction, session_id: UUID, version_id: UUID, name: str) -> None:
    """Give a version another name; raises `NotThere`, and `Conflict` where the name is taken."""
    if t.run("rename_version", session_id=session_id, version_id=version_id, name=name) == 0:
        raise NotThere("version")


def forget_version(t: Transaction, session_id: UUID, version_id: UUID) -> None:
    """Forget a version; raises `NotThere`."""
    if t.run("forget_version", session_id=session_id, version_id=version_id) == 0:
        raise NotThere("version")
