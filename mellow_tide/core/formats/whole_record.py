"""A client's whole record, for the client's own right to it: one JSON document with a published schema."""

from typing import Any, Literal

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.meeting.answers import Answers
from mellow_tide.core.meeting.changes import ItemChange
from mellow_tide.core.meeting.record import ClientRecord


class DatedChange(ItemChange):
    """A change of what was known: when, how it became known, and who wrote it down."""

    at: AwareDatetime
    source: str
    by: str


class HandedIn(Record):
    """An intake as it was handed in."""

    at: AwareDatetime
    answers: Answers


class LogKept(Record):
    """A session's log as it was saved at a time."""

    at: AwareDatetime
    note: str
    next_time: str
    suited: dict[str, int]


class VisitKept(Record):
    """A session: when it began or will begin, what was planned, what was tapped at the table, what was logged."""

    starts_at: AwareDatetime
    flow: Flow
    day_answer: dict[str, Any] | None
    events: tuple[dict[str, Any], ...]
    logs: tuple[LogKept, ...]


class WholeRecord(Record):
    """Everything that is kept of one client."""

    format: Literal["mellow-tide-client-record"] = "mellow-tide-client-record"
    version: Literal[1] = 1
    practice: str
    exported_at: AwareDatetime
    client: ClientRecord
    history: tuple[DatedChange, ...]
    intakes: tuple[HandedIn, ...]
    visits: tuple[VisitKept, ...]


def schema() -> dict[str, Any]:
    """The JSON Schema (2020-12) of the document."""
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        **WholeRecord.model_json_schema(mode="serialization"),
    }
