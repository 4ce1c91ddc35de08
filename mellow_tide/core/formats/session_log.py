"""The log of one session as a document: JSON for other programs, and the words for a paper."""

from typing import Literal

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.formats.whole_record import AdditionKept
from mellow_tide.core.run.done import RegionDone
from mellow_tide.core.run.log import Log
from mellow_tide.core.run.points import SorePoint
from mellow_tide.core.run.state import Addition, Saying, Seen, Skip


class SessionLog(Record):
    """What was planned and done in a session, what was said, and what the therapist wrote of it. Seconds throughout."""

    format: Literal["mellow-tide-session-log"] = "mellow-tide-session-log"
    version: Literal[1] = 1
    practice: str
    client: str
    begun_at: AwareDatetime
    ended_at: AwareDatetime
    halted: str | None
    planned_seconds: int
    regions: tuple[RegionDone, ...]
    said: tuple[Saying, ...]
    seen: tuple[Seen, ...]
    points: tuple[SorePoint, ...]
    skipped: tuple[Skip, ...]
    added: tuple[Addition, ...]
    log: Log
    logged_at: AwareDatetime
    signed_by: str | None
    additions: tuple[AdditionKept, ...]
