"""The log of a session: what was done against plan, the pressure that suited, a note."""

from collections.abc import Mapping
from typing import Annotated
from uuid import UUID

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.catalogue import Catalogue, unknown
from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.refusal import BadFlow, FieldProblem, UnknownReference
from mellow_tide.core.run.done import RegionDone, regions_done
from mellow_tide.services.session_view import SessionView, view_of
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import add_log, events_of, find_session, newest_log

Words = Annotated[str, Field(max_length=4000)]


class Log(Record):
    """What the therapist confirms: the depth that suited by region (1 to 5), and words (up to 4000 letters)."""

    suited: Mapping[str, Depth] = {}
    note: Words = ""
    next_time: Words = ""


class LogView(Record):
    """The session's log page. `log` is None until it is saved; `revision` 0 then, and must be sent back."""

    session: SessionView
    done: tuple[RegionDone, ...]
    revision: int
    log: Log | None
    logged_at: AwareDatetime | None


class NotEnded(BadFlow):
    """A session is logged after it has ended."""

    code = "not-ended"
    title = "This session has not ended yet."


def log_page(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> LogView:
    """What was done against plan, and the log if there is one; raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_session(c, who.practice_id, session_id)
        stored = events_of(c, who.practice_id, session_id)
        newest = newest_log(c, who.practice_id, session_id)
    view = view_of(row, stored, catalogue)
    return LogView(
        session=view,
        done=regions_done(view.evaluation.sheet, view.run),
        revision=newest.revision if newest else 0,
        log=Log.model_validate(newest.log) if newest else None,
        logged_at=newest.logged_at if newest else None,
    )


def save_log(
    db: Database, who: SignedIn, session_id: UUID, revision: int, log: Log, catalogue: Catalogue
) -> LogView:
    """Save over the log read at `revision` (0 for none). Raises `Conflict` if it was saved meanwhile."""
    problems = [unknown(catalogue.regions, id, f"suited.{id}", "region") for id in log.suited]
    found = [problem for problem in problems if problem]
    if found:
        raise UnknownReference(*found)
    page = log_page(db, who, session_id, catalogue)
    if page.session.run.ended_at is None:
        raise NotEnded(FieldProblem("session_id", "the session has not ended", "end it in Work first"))
    with db.transaction(Sight(who.practice_id)) as c:
        add_log(c, who.practice_id, session_id, revision + 1, log.model_dump(mode="json"))
    return log_page(db, who, session_id, catalogue)
