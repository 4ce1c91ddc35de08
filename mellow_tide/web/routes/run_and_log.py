"""A session at the table and after it: its run, its log, what it leaves for later."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Path, Response
from pydantic import Field

from mellow_tide.core.formats.session_log import SessionLog
from mellow_tide.core.run.events import RunEvent
from mellow_tide.core.run.log import Log
from mellow_tide.core.run.state import RunState
from mellow_tide.core.timing.run_sheet import RunSheet
from mellow_tide.services.running import follow_ups, logs, runs
from mellow_tide.services.running.follow_ups import LeftForNow
from mellow_tide.services.running.logs import AdditionText, LogView
from mellow_tide.store.logs import FollowUpTick
from mellow_tide.store.sessions import ReadAt
from mellow_tide.web.body import Body, Revision
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import as_file, file_of

router = APIRouter(prefix="/sessions/{session_id}", tags=["run and log"])


class Events(Body):
    """Events in the order they happened; with the run sheet that the first touch names, where the server asks."""

    events: Annotated[list[RunEvent], Field(min_length=1, max_length=500)]
    sheet: RunSheet | None = None


class LogChange(Body):
    """The log over the one read at `revision`, 0 for none; signed, it is changed no more."""

    revision: Revision
    log: Log
    sign: bool = False


class LogAddition(Body):
    """What is added to a signed log."""

    words: AdditionText


class Ticked(Body):
    """Something an earlier session left, done or open again."""

    done: bool


@router.get("/run")
def read_run(session_id: UUID, desk: AtDesk) -> RunState:
    """How far the run is, with what other devices have added to it."""
    return runs.read_run(desk, session_id)


@router.post("/events")
def add_events(session_id: UUID, sent: Events, desk: AtDesk) -> RunState:
    """Append what happened at the table."""
    return runs.add_events(desk, session_id, sent.events, sent.sheet)


@router.get("/log")
def read_log(session_id: UUID, desk: AtDesk) -> LogView:
    """Planned against done, and the log if there is one."""
    return logs.read_log(desk, session_id)


@router.put("/log")
def save_log(session_id: UUID, change: LogChange, desk: AtDesk) -> LogView:
    """Save the log."""
    return logs.save_log(desk, ReadAt(session_id, change.revision), change.log, change.sign)


@router.post("/log/additions", status_code=201)
def add_to_log(session_id: UUID, addition: LogAddition, desk: AtDesk) -> LogView:
    """Add to a signed log."""
    return logs.add_to_log(desk, session_id, addition.words)


@router.get("/log.json", response_model=SessionLog)
def read_log_document(session_id: UUID, desk: AtDesk) -> Response:
    """The saved log, for other programs."""
    made, _ = logs.read_document(desk, session_id)
    return as_file(made.model_dump_json(indent=1).encode(), "application/json", "session-log.json")


@router.get("/log.pdf", response_class=Response, responses=file_of("application/pdf"))
def read_log_paper(session_id: UUID, desk: AtDesk) -> Response:
    """The saved log, to read."""
    return as_file(logs.print_paper(desk, session_id), "application/pdf", "session-log.pdf")


@router.get("/follow-ups")
def read_follow_ups(session_id: UUID, desk: AtDesk) -> list[LeftForNow]:
    """What earlier sessions left for this one."""
    return list(follow_ups.read_follow_ups(desk, session_id))


@router.put("/follow-ups/{made_in}/{number}")
def tick_follow_up(
    session_id: UUID,
    made_in: UUID,
    number: Annotated[int, Path(ge=0, le=10_000)],
    ticked: Ticked,
    desk: AtDesk,
) -> list[LeftForNow]:
    """Tick one off, or open it again."""
    return list(follow_ups.tick(desk, session_id, FollowUpTick(made_in, number, ticked.done)))
