"""A session: its plan, its run, its log."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Path, Response
from pydantic import Field

from mellow_tide.core.catalogue.rules import Condition
from mellow_tide.core.flow.brief import Brief, ConditionPlaces, Excluded
from mellow_tide.core.flow.edits import Edit
from mellow_tide.core.meeting import day
from mellow_tide.core.meeting.day import DayAnswer
from mellow_tide.core.meeting.headache import Headache
from mellow_tide.core.planner.alternatives import Alternatives
from mellow_tide.core.planner.reasons import Reasons
from mellow_tide.core.planner.reshape import Pull
from mellow_tide.core.planner.stroke_reasons import StrokeReasons
from mellow_tide.services import sessions
from mellow_tide.services.designing import editing, planning
from mellow_tide.services.designing.standing import Adjustment
from mellow_tide.services.meeting import day_answers
from mellow_tide.services.running import table_side
from mellow_tide.services.running.table_side import TableSide
from mellow_tide.services.session_view import SessionView
from mellow_tide.store.sessions import ReadAt
from mellow_tide.web.body import Body, Revision
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import straight

router = APIRouter(prefix="/sessions/{session_id}", tags=["session"])


class BriefChange(Body):
    """A new brief for the session read at `revision`; what was set by hand is kept unless all is made `anew`."""

    revision: Revision
    brief: Brief
    anew: bool = False


class Reshape(Body):
    """A part of the session read at `revision` that is pulled to other seconds."""

    revision: Revision
    pull: Pull


class At(Body):
    """The revision at which the session was read."""

    revision: Revision


class Fit(Body):
    """A brief to which the session read at `revision` is fitted, and by how many minutes its client comes late."""

    revision: Revision
    brief: Brief
    late_minutes: Annotated[int, Field(ge=0, le=120)] = 0


class PlacesToKeepOff(Body):
    """All places to keep off on the client of the session read at `revision`: for good, and in this session alone."""

    revision: Revision
    excluded: Annotated[list[Excluded], Field(max_length=60)]
    today: Annotated[list[Excluded], Field(max_length=60)] = []


class AnswerOfTheDay(Body):
    """What the client of the session read at `revision` answered; `lasting` keeps it for later visits too."""

    revision: Revision
    answer: DayAnswer
    lasting: bool = False


class DayNote(Body):
    """What was said, in the therapist's words."""

    note: Annotated[str, Field(max_length=400)]


class Wished(Body):
    """A brief to be tried, not stored."""

    brief: Brief


class PlacesOfCondition(Body):
    """Where a condition of the session's client is."""

    revision: Revision
    told: ConditionPlaces


class Edits(Body):
    """Edits to the flow of the session read at `revision`, in order."""

    revision: Revision
    edits: Annotated[list[Edit], Field(min_length=1, max_length=100)]


@router.get("", response_model=SessionView)
def read_session(session_id: UUID, desk: AtDesk) -> Response:
    """The session, laid out."""
    return straight(sessions.read_session(desk, session_id))


@router.put("/brief", response_model=SessionView)
def change_brief(session_id: UUID, change: BriefChange, desk: AtDesk) -> Response:
    """Plan anew for a brief."""
    made = planning.replan(desk, ReadAt(session_id, change.revision), change.brief, change.anew)
    return straight(made)


@router.post("/adjustment", response_model=Adjustment)
def try_adjustment(session_id: UUID, wished: Wished, desk: AtDesk) -> Response:
    """The plan for a brief that is closest to the present one, not stored."""
    return straight(planning.try_fit(desk, session_id, wished.brief))


@router.put("/adjustment", response_model=SessionView)
def take_adjustment(session_id: UUID, change: Fit, desk: AtDesk) -> Response:
    """Store the plan for a brief that is closest to the present one."""
    return straight(
        planning.fit(desk, ReadAt(session_id, change.revision), change.brief, change.late_minutes)
    )


@router.put("/excluded", response_model=SessionView)
def keep_off(session_id: UUID, change: PlacesToKeepOff, desk: AtDesk) -> Response:
    """Store the places to keep off, and the closest plan that keeps off them."""
    made = planning.keep_off(desk, ReadAt(session_id, change.revision), change.excluded, change.today)
    return straight(made)


@router.put("/day-answer", response_model=SessionView)
def answer_day(session_id: UUID, change: AnswerOfTheDay, desk: AtDesk) -> Response:
    """Keep what was answered to the question of the day; the closest plan that obeys it stands."""
    made = day_answers.answer_day(desk, ReadAt(session_id, change.revision), change.answer, change.lasting)
    return straight(made)


@router.post("/headache")
def judge_headache(session_id: UUID, told: Headache, desk: AtDesk) -> Condition:
    """The condition that a headache of the session's client is, and what it means."""
    return day_answers.judge_headache(desk, session_id, told)


@router.put("/condition-places", response_model=SessionView)
def tell_where(session_id: UUID, change: PlacesOfCondition, desk: AtDesk) -> Response:
    """Keep where a condition is; the closest plan that obeys it stands."""
    return straight(day_answers.tell_where(desk, ReadAt(session_id, change.revision), change.told))


@router.post("/heard")
def hear_places(session_id: UUID, said: DayNote, desk: AtDesk) -> list[Excluded]:
    """The places that a note names, to be confirmed."""
    return list(day.hear_places(said.note, desk.catalogue))


@router.post("/looked-at", response_model=SessionView)
def look_at_news(session_id: UUID, desk: AtDesk) -> Response:
    """The plan is right as it is beside what became known since it was made."""
    return straight(day_answers.mark_looked_at(desk, session_id))


@router.post("/comparison", response_model=Adjustment)
def compare_brief(session_id: UUID, wished: Wished, desk: AtDesk) -> Response:
    """The plan made anew for a brief beside the present one, not stored."""
    return straight(planning.compare_anew(desk, session_id, wished.brief))


@router.get("/reasons", response_model=Reasons)
def read_reasons(session_id: UUID, desk: AtDesk) -> Response:
    """Why the stored flow is as it is."""
    return straight(sessions.read_reasons(desk, session_id))


@router.get("/reasons/{part_id}", response_model=StrokeReasons)
def read_stroke_reasons(
    session_id: UUID, part_id: Annotated[str, Path(max_length=80)], desk: AtDesk
) -> Response:
    """Why a part of the stored flow has its strokes."""
    return straight(sessions.read_stroke_reasons(desk, session_id, part_id))


@router.get("/table-side", response_model=TableSide)
def read_table_side(session_id: UUID, desk: AtDesk) -> Response:
    """What the table's side needs to go on without a server."""
    return straight(table_side.read_table_side(desk, session_id))


@router.get("/alternatives", response_model=Alternatives)
def read_alternatives(session_id: UUID, desk: AtDesk) -> Response:
    """Other plans for the session's brief."""
    return straight(planning.read_alternatives(desk, session_id))


@router.post("/edits", response_model=SessionView)
def edit_flow(session_id: UUID, change: Edits, desk: AtDesk) -> Response:
    """Apply edits to the stored flow: a repair, for one."""
    return straight(editing.edit_flow(desk, ReadAt(session_id, change.revision), change.edits))


@router.post("/reshape", response_model=SessionView)
def reshape(session_id: UUID, change: Reshape, desk: AtDesk) -> Response:
    """Make a part longer or shorter by hand; the rest of the session makes room."""
    made = planning.reshape(desk, ReadAt(session_id, change.revision), change.pull)
    return straight(made)


@router.post("/undo", response_model=SessionView)
def undo(session_id: UUID, at: At, desk: AtDesk) -> Response:
    """Take the last change of the plan back."""
    return straight(editing.step_plan(desk, ReadAt(session_id, at.revision), -1))


@router.post("/redo", response_model=SessionView)
def redo(session_id: UUID, at: At, desk: AtDesk) -> Response:
    """Do again what was taken back."""
    return straight(editing.step_plan(desk, ReadAt(session_id, at.revision), 1))
