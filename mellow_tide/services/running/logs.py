"""The log of a session: confirmed, signed, and then only added to."""

from typing import Annotated
from uuid import UUID

from pydantic import AwareDatetime, StringConstraints

from mellow_tide.core.catalogue.catalogue import check_known
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.formats.session_log import SessionLog
from mellow_tide.core.formats.whole_record import AdditionKept
from mellow_tide.core.phrases.manner import manner_of
from mellow_tide.core.refusal import BadFlow, FieldProblem, UnknownReference
from mellow_tide.core.run.actual import lay_out_actual
from mellow_tide.core.run.done import RegionDone, compare_done
from mellow_tide.core.run.log import Log, list_follow_ups
from mellow_tide.core.timing.outline import Outline, draw_outline
from mellow_tide.services.desk import Desk
from mellow_tide.services.learning.learnt import tell_learnt
from mellow_tide.services.running.stock import use_stock
from mellow_tide.services.session_view import SessionView, make_view
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere
from mellow_tide.store.logs import add_addition, add_follow_ups, add_log, find_log, list_additions
from mellow_tide.store.people import Practice, find_practice
from mellow_tide.store.sessions import ReadAt, find_session, list_events, list_late_events, lock_session

AdditionText = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=4000)]


class AddedToLog(Record):
    """What was added to a signed log, when and by whom."""

    words: str
    by: str
    at: AwareDatetime


class LateTap(Record):
    """A tap that came from a device when the log had been signed, and changes nothing of it."""

    kind: str
    at: AwareDatetime
    received_at: AwareDatetime


class LogView(Record):
    """The session's log page. `log` is None until it is saved; `revision` 0 then, and must be sent back.

    `actual` is the session as it was. Once `signed_by` somebody, only `additions` come to it, and `late` taps beside
    it. `odd_times` counts the taps that came with a time that cannot be right.
    """

    session: SessionView
    done: tuple[RegionDone, ...]
    actual: Outline
    revision: int
    log: Log | None
    logged_at: AwareDatetime | None
    signed_by: str | None
    additions: tuple[AddedToLog, ...]
    late: tuple[LateTap, ...] = ()
    odd_times: int = 0


class NotEnded(BadFlow):
    """A session is logged after it has ended."""

    code = "not-ended"


class LogSigned(BadFlow):
    """A signed log is changed no more."""

    code = "log-signed"


class NotSigned(BadFlow):
    """Only a signed log is added to; one that is not is simply changed."""

    code = "log-not-signed"


def read_log(desk: Desk, session_id: UUID) -> LogView:
    """What was done against plan, and the log if there is one; raises `NotThere`."""
    with desk.reading() as t:
        return _page(t, desk, session_id)


def _page(t: Transaction, desk: Desk, session_id: UUID) -> LogView:
    row = find_session(t, session_id)
    events = list_events(t, session_id)
    view = make_view(desk, row, events)
    newest = find_log(t, session_id)
    added = list_additions(t, session_id)
    sheet = view.evaluation.sheet
    return LogView(
        session=view,
        done=compare_done(sheet, view.run),
        actual=draw_outline(lay_out_actual(sheet, view.run)),
        revision=newest.revision if newest else 0,
        log=newest.log if newest else None,
        logged_at=newest.logged_at if newest else None,
        signed_by=newest.signed_by if newest else None,
        additions=tuple(AddedToLog(words=one.words, by=one.person_name, at=one.added_at) for one in added),
        late=tuple(LateTap(**vars(one)) for one in list_late_events(t, session_id)),
        odd_times=sum(bool(event.odd_at) for event in events),
    )


def save_log(desk: Desk, at: ReadAt, log: Log, sign: bool) -> LogView:
    """Save over the log read at `at.revision` (0 for none); `sign` it, and it leaves what it has for the next ones.

    Raises `Conflict` if it was saved meanwhile, `NotEnded`, and `LogSigned` if it is signed already.
    """
    problems = [check_known(desk.catalogue.regions, id, f"suited.{id}", "region") for id in log.suited]
    found = [problem for problem in problems if problem]
    if found:
        raise UnknownReference(*found)
    with desk.writing() as t:
        lock_session(t, at.session_id)
        page = _page(t, desk, at.session_id)
        if page.session.run.ended_at is None:
            raise NotEnded(FieldProblem("session_id", "session_not_ended"))
        if page.signed_by:
            raise LogSigned(FieldProblem("log", "log_signed", name=page.signed_by))
        signed_by = desk.name(t) if sign else None
        add_log(t, at.session_id, at.revision + 1, log, signed_by)
        if sign:
            add_follow_ups(t, at.session_id, list_follow_ups(log, page.session.run, desk.catalogue))
            tell_learnt(t, desk, page.session.client.client_id)
            use_stock(t, page.session.session_id, page.session.evaluation.supplies, page.done)
    return read_log(desk, at.session_id)


def add_to_log(desk: Desk, session_id: UUID, words: AdditionText) -> LogView:
    """Add to a signed log, dated and by name. Raises `NotThere`, `NotSigned`."""
    with desk.writing() as t:
        lock_session(t, session_id)
        newest = find_log(t, session_id)
        if newest is None or newest.signed_by is None:
            raise NotSigned(FieldProblem("log", "log_not_signed"))
        add_addition(t, session_id, words, desk.name(t))
    return read_log(desk, session_id)


def read_document(desk: Desk, session_id: UUID) -> tuple[SessionLog, Practice]:
    """The saved log as a document, and the practice's time zone. Raises `NotThere`, also if nothing is saved yet."""
    with desk.reading() as t:
        page = _page(t, desk, session_id)
        practice = find_practice(t)
        desk.note(t, "exported", "session log")
    run = page.session.run
    if page.log is None or page.logged_at is None or run.begun_at is None or run.ended_at is None:
        raise NotThere("log")
    made = SessionLog(
        practice=practice.name,
        client=page.session.client.name,
        begun_at=run.begun_at,
        ended_at=run.ended_at,
        halted=run.halted,
        planned_seconds=page.session.evaluation.sheet.seconds,
        regions=page.done,
        said=run.said,
        seen=run.seen,
        points=run.points,
        skipped=run.skipped,
        added=run.added,
        log=page.log,
        logged_at=page.logged_at,
        signed_by=page.signed_by,
        additions=tuple(AdditionKept(at=one.at, by=one.by, words=one.words) for one in page.additions),
    )
    return made, practice


def print_paper(desk: Desk, session_id: UUID) -> bytes:
    """The saved log as PDF. Raises `NotThere`, also if nothing is saved yet."""
    # Making papers takes a second to load, which the start of the server does not wait for.
    from mellow_tide.core.formats.log_paper import print_log

    made, practice = read_document(desk, session_id)
    return print_log(made, practice.time_zone, manner_of(practice.country), desk.catalogue)
