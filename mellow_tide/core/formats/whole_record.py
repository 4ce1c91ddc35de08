"""A client's whole record, for the client's own right to it: one JSON document with a published schema."""

from typing import Any, Literal

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.meeting.answers import Answers
from mellow_tide.core.meeting.changes import ItemChange
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.run.log import FollowUpKind, Log


class DatedChange(ItemChange):
    """A change of what was known: when, how it became known, and who wrote it down."""

    at: AwareDatetime
    source: str
    by: str
    reason: str = ""


class HandedIn(Record):
    """An intake as it was handed in."""

    at: AwareDatetime
    answers: Answers


class LogKept(Log):
    """A session's log as it was saved at a time, and who signed it then, if anybody."""

    at: AwareDatetime
    signed_by: str | None = None


class AdditionKept(Record):
    """What was added to a signed log."""

    at: AwareDatetime
    by: str
    words: str


class LeftKept(Record):
    """What a session left for the next ones, and when that was ticked off."""

    kind: FollowUpKind
    words: str
    done_at: AwareDatetime | None


class MarkKept(Record):
    """That a visit was left out of what is learnt, or counted again, and why."""

    at: AwareDatetime
    by: str
    left_out: bool
    reason: str


class VisitKept(Record):
    """A session: when it began or will begin, what was planned, what was tapped at the table, what was logged."""

    starts_at: AwareDatetime
    flow: Flow
    day_answer: dict[str, Any] | None
    events: tuple[dict[str, Any], ...]
    logs: tuple[LogKept, ...]
    additions: tuple[AdditionKept, ...] = ()
    left: tuple[LeftKept, ...] = ()
    marks: tuple[MarkKept, ...] = ()


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


def make_schema() -> dict[str, Any]:
    """The JSON Schema (2020-12) of the document."""
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        **WholeRecord.model_json_schema(mode="serialization"),
    }
