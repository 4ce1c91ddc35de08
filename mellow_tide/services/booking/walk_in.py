"""Somebody who walks in: no client's record, one screen of questions, and the session begins; a name may come later."""

from datetime import timedelta
from typing import Annotated
from uuid import UUID

from pydantic import Field

from mellow_tide.core.booking.clashes import Booked
from mellow_tide.core.care.pregnancy import due_date_of
from mellow_tide.core.catalogue.records import BookedMinutes, Id, Ids, Record
from mellow_tide.core.meeting.day import DayAnswer, add_day_answer
from mellow_tide.core.meeting.record import ClientName, ClientRecord
from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.core.setting import Setting
from mellow_tide.services.booking.clock import read_clock
from mellow_tide.services.booking.judging import Accepted, Placed, Wanted, judge, refuse_clashes
from mellow_tide.services.booking.planned import BookingBasis, find_pace, plan_next
from mellow_tide.services.booking.worked_out import add_placed, new_client_of
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.clients import merge
from mellow_tide.services.meeting.day_answers import add_lasting, name_answer_sides
from mellow_tide.services.meeting.evidence import Told, tell, tell_new
from mellow_tide.services.refusals import BadEntry
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.sessions import read_session
from mellow_tide.store.bookings import hold_bookings, is_booked
from mellow_tide.store.meeting.clients import set_walk_in
from mellow_tide.store.sessions import find_session, set_day_answer


class WalkIn(Record):
    """Somebody without a record who is worked on now.

    `session_id` is made by the device, so that sending it twice begins one session. `answer` is what they answered to
    the few questions, `weeks` those of a pregnancy (0 to 44) if there is one; `consents` and `declined` are ids.
    """

    session_id: UUID
    name: Annotated[str, Field(max_length=120)] = ""
    kind: Id
    minutes: BookedMinutes
    weeks: Annotated[int, Field(ge=0, le=44)] | None = None
    consents: Ids = frozenset()
    declined: Ids = frozenset()
    answer: DayAnswer = DayAnswer()
    accepted: Accepted = ()


def walk_in(desk: Desk, told: WalkIn) -> SessionView:
    """Book and plan a session that begins now, with the day's question answered.

    Raises `Clashing` for what does not go and was not accepted, and the core's refusals: a stop sign among them.
    """
    with desk.reading() as t:
        there = is_booked(t, told.session_id)
    if not there:
        _store(desk, told)
    return read_session(desk, told.session_id)


def _store(desk: Desk, told: WalkIn) -> None:
    with desk.reading() as t:
        clock, pace = read_clock(desk, t), find_pace(t, desk.person_id)
    start = clock.local
    answer = name_answer_sides(told.answer, desk.catalogue)
    record = ClientRecord(
        name=told.name.strip() or say("booking.walk_in", at=clock.manner.say_time(start.at)),
        due_date=due_date_of(start.day - timedelta(weeks=told.weeks)) if told.weeks is not None else None,
        consents=told.consents,
        declined=told.declined,
    )
    facts = add_day_answer(record.facts(start.day), answer)
    setting = Setting.of(facts, desk.catalogue, pace)
    brief = BookingBasis(record).make_brief(told.kind, told.minutes, desk.catalogue, start.day)
    # Whoever walks in has answered the few questions: no first visit's long talk comes before the work.
    plan = plan_next(brief.model_copy(update={"first_visit": False}), (), setting)
    booked = Booked(
        session_id=told.session_id,
        client_name=record.name,
        starts_at=start.instant(clock.zone),
        minutes=told.minutes,
    )
    placed = Placed(Wanted(booked, desk.person_id), start, plan, setting)
    client_id = new_client_of(told.session_id)
    with desk.writing() as t:
        hold_bookings(t)
        refuse_clashes(judge(desk, t, clock, [placed], start.day).clashes, told.accepted)
        tell_new(t, desk, client_id, add_lasting(record, answer), Told("day_question"))
        set_walk_in(t, client_id, not told.name.strip())
        add_placed(t, [placed], client_id)
        set_day_answer(t, told.session_id, answer)


class NameGiven(Record):
    """Who it was that walked in: somebody new, by name, or a client of the practice."""

    name: ClientName | None = None
    client_id: UUID | None = None


def name_walk_in(desk: Desk, session_id: UUID, given: NameGiven) -> SessionView:
    """Give somebody who walked in a name, or put them together with a client who is known; the log goes with it.

    Raises `NotThere`, and `BadEntry` where nobody is named or the session's client has a name already.
    """
    with desk.reading() as t:
        row = find_session(t, session_id)
    if not row.walk_in:
        raise BadEntry(FieldProblem("name", "named_already", name=row.client.name))
    if given.client_id:
        merge(desk, given.client_id, row.client_id)
        return read_session(desk, session_id)
    if given.name is None:
        raise BadEntry(FieldProblem("name", "nobody_named"))
    name = given.name
    with desk.writing() as t:
        tell(t, desk, row.client_id, lambda r: r.model_copy(update={"name": name}), Told("by_hand"))
        set_walk_in(t, row.client_id, walk_in=False)
    return read_session(desk, session_id)
