"""A session at the table and after it: its run, its log, what it leaves for later."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Response
from pydantic import Field

from mellow_tide.core.run.events import RunEvent
from mellow_tide.core.run.log import Log
from mellow_tide.core.run.state import RunState
from mellow_tide.services import follow_ups, logs, runs, sessions
from mellow_tide.services.follow_ups import LeftForNow
from mellow_tide.services.logs import Addition, LogView
from mellow_tide.web.body import Body, Revision
from mellow_tide.web.guard import Db, Known, Who
from mellow_tide.web.straight import as_file

router = APIRouter(prefix="/sessions/{session_id}", tags=["run and log"])


class Events(Body):
    """Events in the order they happened."""

    events: Annotated[list[RunEvent], Field(min_length=1, max_length=500)]


class LogChange(Body):
    """The log over the one read at `revision`, 0 for none; signed, it is changed no more."""

    revision: Revision
    log: Log
    sign: bool = False


class LogAddition(Body):
    """What is added to a signed log."""

    words: Addition


class Ticked(Body):
    """Something an earlier session left, done or open again."""

    done: bool


@router.get("/run")
def read_run(session_id: UUID, db: Db, who: Who, known: Known) -> RunState:
    """How far the run is, with what other devices have added to it."""
    return sessions.session(db, who, session_id, known).run


@router.post("/events")
def add_events(session_id: UUID, sent: Events, db: Db, who: Who, known: Known) -> RunState:
    """Append what happened at the table."""
    return runs.add_events(db, who, session_id, sent.events, known)


@router.get("/log")
def read_log(session_id: UUID, db: Db, who: Who, known: Known) -> LogView:
    """Planned against done, and the log if there is one."""
    return logs.log_page(db, who, session_id, known)


@router.put("/log")
def save_log(session_id: UUID, change: LogChange, db: Db, who: Who, known: Known) -> LogView:
    """Save the log."""
    return logs.save_log(db, who, session_id, change.revision, change.log, change.sign, known)


@router.post("/log/additions", status_code=201)
def add_to_log(session_id: UUID, addition: LogAddition, db: Db, who: Who, known: Known) -> LogView:
    """Add to a signed log."""
    return logs.add_to_log(db, who, session_id, addition.words, known)


@router.get("/log.json", response_class=Response)
def read_log_document(session_id: UUID, db: Db, who: Who, known: Known) -> Response:
    """The saved log, for other programs."""
    made, _ = logs.document(db, who, session_id, known)
    return as_file(made.model_dump_json(indent=1).encode(), "application/json", "session-log.json")


@router.get("/log.pdf", response_class=Response)
def read_log_paper(session_id: UUID, db: Db, who: Who, known: Known) -> Response:
    """The saved log, to read."""
    return as_file(logs.paper(db, who, session_id, known), "application/pdf", "session-log.pdf")


@router.get("/follow-ups")
def read_follow_ups(session_id: UUID, db: Db, who: Who) -> list[LeftForNow]:
    """What earlier sessions left for this one."""
    return list(follow_ups.left_for(db, who, session_id))


@router.put("/follow-ups/{made_in}/{number}")
def tick_follow_up(
    session_id: UUID, made_in: UUID, number: int, ticked: Ticked, db: Db, who: Who
) -> list[LeftForNow]:
    """Tick one off, or open it again."""
    return list(follow_ups.tick(db, who, session_id, made_in, number, ticked.done))
