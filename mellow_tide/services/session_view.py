"""A session as every screen sees it: the plan, laid out on the clock, and how far the run and the log are."""

import json
from collections.abc import Iterable
from functools import lru_cache
from typing import Literal, NamedTuple
from uuid import UUID

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.house.house import DEFAULTS, House, change_house
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.flow.brief import Brief, Excluded, specific_ceiling_in
from mellow_tide.core.flow.usual_brief import follow_house
from mellow_tide.core.meeting.changes import BEARS_ON_A_PLAN, ItemChange, net_changes
from mellow_tide.core.meeting.day import DayAnswer
from mellow_tide.core.meeting.field_rules import name_field
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.phrases.book import say
from mellow_tide.core.planner.difference import Difference
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.run.events import RunEvent, order_events
from mellow_tide.core.run.state import RunState, fold
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import sheet_id
from mellow_tide.services.desk import Desk
from mellow_tide.services.house.changes import HouseChange, tell_change
from mellow_tide.store.database import Transaction
from mellow_tide.store.house import list_house_changes_since_plan
from mellow_tide.store.meeting.evidence import ChangeRow, Source, list_changes_since_plan
from mellow_tide.store.sessions import Attendance, SessionRow

Stage = Literal["plan", "work", "log", "logged"]
"""What a session waits for: to be begun, to be ended, to be logged, nothing."""


class ClientView(Record):
    """The client of a session, with what to know before touching; `excluded` are the places to keep off for good.

    `set_up`: how they lie best, or sit best in the chair, whichever the session is.
    """

    client_id: UUID
    name: str
    height_cm: int
    consents: tuple[str, ...]
    excluded: tuple[Excluded, ...]
    know_first: str
    set_up: str


class Known(Record):
    """Something that became known of a client, and when.

    `how` says where it came from, `about` what the changed field is called in a sentence.
    """

    at: AwareDatetime
    source: Source
    how: str
    person_name: str
    change: ItemChange
    about: str
    reason: str = ""


class SessionView(Record):
    """A session whole. `revision` must be sent back with every change of the plan.

    `sheet_id` names the run sheet of `evaluation`, as a run that begins must. Once a run has begun, that sheet is the
    one it began with.
    `day_answer`: what was answered to the question of the day, None until it was asked. `excluded_today`: places to
    keep off in this session alone. `news`: what became known of
    the client since the plan was made, `house_news` what the practice does otherwise since then; `house_brief`: the
    brief that follows it there, if that is another one. `attendance` is whether the client comes, with a word;
    `walk_in`: the client has no name yet. `unread_intake`: one that the client has handed in and nobody
    has read.

    `hold_seconds`: how long a sore point is held; `specific_ceiling`: the number (0 to 10) at which one eases off.
    `can_undo` and `can_redo`: whether a change of the plan can be taken back, or done again. `difference` is what the
    change just made has changed, where the plan had to keep something.
    """

    session_id: UUID
    client: ClientView
    starts_at: AwareDatetime
    revision: int
    stage: Stage
    plan: Plan
    evaluation: Evaluation
    sheet_id: str
    run: RunState
    can_undo: bool = False
    can_redo: bool = False
    difference: Difference | None = None
    day_answer: DayAnswer | None = None
    excluded_today: tuple[Excluded, ...] = ()
    news: tuple[Known, ...] = ()
    house_news: tuple[HouseChange, ...] = ()
    house_brief: Brief | None = None
    unread_intake: UUID | None = None
    attendance: Attendance = "expected"
    attendance_note: str = ""
    walk_in: bool = False
    hold_seconds: int
    specific_ceiling: int


def make_known(row: ChangeRow) -> Known:
    """A change as a screen reads it."""
    change = ItemChange(field=row.field, item=row.item, before=row.before, after=row.after)
    return Known(
        at=row.changed_at,
        source=row.source,
        how=say(f"sources.{row.source}"),
        person_name=row.person_name,
        change=change,
        about=name_field(ClientRecord, row.field),
        reason=row.reason,
    )


class News(NamedTuple):
    """What a plan does not know that stands: of the client, and of how the practice works."""

    of_client: tuple[Known, ...] = ()
    of_house: tuple[HouseChange, ...] = ()
    house_before: House | None = None


NO_NEWS = News()


def read_news(desk: Desk, t: Transaction, session_id: UUID) -> News:
    """What became known of a session's client and of the house since its plan was made, and may change it.

    What was told, or changed, and taken back since is no news.
    """
    usual = in_house(DEFAULTS, desk.shipped)
    changed = [
        tell_change(row, desk.catalogue, usual) for row in list_house_changes_since_plan(t, session_id)
    ]
    first = {one.item: one.before for one in reversed(changed)}
    last = {one.item: one for one in changed}
    of_house = tuple(one for one in last.values() if one.after != first[one.item])
    before = desk.house
    for one in of_house:
        before = change_house(before, one.item, first[one.item])
    return News(_of_client(t, session_id), of_house, before if of_house else None)


def _of_client(t: Transaction, session_id: UUID) -> tuple[Known, ...]:
    known = [make_known(row) for row in list_changes_since_plan(t, session_id, BEARS_ON_A_PLAN)]
    net = net_changes(one.change for one in known)
    newest = {(one.change.field, one.change.item): one for one in known}
    return tuple(newest[change.field, change.item].model_copy(update={"change": change}) for change in net)


def make_view(desk: Desk, row: SessionRow, events: Iterable[RunEvent], news: News = NO_NEWS) -> SessionView:
    """Evaluate the stored plan and fold the events over the run sheet that the session is worked by."""
    setting = desk.setting_of(row)
    plan, evaluation, id = _evaluated(json.dumps(row.stored_plan), setting)
    if row.run and row.run.sheet_id != id:
        evaluation, id = evaluation.model_copy(update={"sheet": row.run.sheet}), row.run.sheet_id
    run = fold(order_events(events), evaluation.sheet)
    return SessionView(
        session_id=row.session_id,
        client=ClientView(
            client_id=row.client_id,
            name=row.client.name,
            height_cm=row.client.height_cm,
            consents=tuple(sorted(row.client.consents)),
            excluded=row.client.excluded,
            know_first=row.client.know_first,
            set_up=row.client.set_up_for(desk.catalogue.kinds[plan.flow.brief.kind].surface),
        ),
        starts_at=row.starts_at,
        revision=row.revision,
        stage=stage_of(row, run),
        plan=plan,
        evaluation=evaluation,
        sheet_id=id,
        run=run,
        can_undo=row.can_undo,
        can_redo=row.can_redo,
        day_answer=row.answer,
        excluded_today=row.excluded_today,
        news=news.of_client,
        house_news=news.of_house,
        house_brief=_brief_in_house(desk, plan.flow.brief, news.house_before),
        unread_intake=row.unread_intake,
        attendance=row.attendance,
        attendance_note=row.attendance_note,
        walk_in=row.walk_in,
        hold_seconds=round(setting.catalogue.strokes["point_hold"].passing.seconds),
        specific_ceiling=specific_ceiling_in(plan.flow.brief, setting.catalogue),
    )


def _brief_in_house(desk: Desk, brief: Brief, before: House | None) -> Brief | None:
    if before is None:
        return None
    followed = follow_house(brief, in_house(before, desk.shipped), desk.catalogue)
    return followed if followed != brief else None


@lru_cache(maxsize=64)
def _evaluated(plan_json: str, setting: Setting) -> tuple[Plan, Evaluation, str]:
    """A stored plan, its evaluation and its sheet's id, kept by all that decides them: it is read more than changed."""
    plan = Plan.model_validate_json(plan_json)
    evaluation = evaluate(plan.flow, setting)
    return plan, evaluation, sheet_id(evaluation.sheet)


def stage_of(row: SessionRow, run: RunState) -> Stage:
    """What the session waits for."""
    if row.logged:
        return "logged"
    if run.ended_at:
        return "log"
    return "work" if run.begun_at else "plan"
