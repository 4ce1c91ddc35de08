"""Reading a session."""

from uuid import UUID

from mellow_tide.core.planner.reasons import Reasons, explain_flow
from mellow_tide.core.planner.stroke_reasons import StrokeReasons, explain_strokes
from mellow_tide.services.designing.standing import load_standing
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView, make_view, read_news
from mellow_tide.store.sessions import find_session, list_events


def read_session(desk: Desk, session_id: UUID) -> SessionView:
    """The session; raises `NotThere`."""
    with desk.reading() as t:
        row = find_session(t, session_id)
        events = list_events(t, session_id)
        news = read_news(desk, t, session_id)
    return make_view(desk, row, events, news)


def read_reasons(desk: Desk, session_id: UUID) -> Reasons:
    """Why the stored flow is as it is. Raises `NotThere`."""
    stands = load_standing(desk, session_id)
    return explain_flow(stands.plan.flow, stands.setting)


def read_stroke_reasons(desk: Desk, session_id: UUID, part_id: str) -> StrokeReasons:
    """Why a part of the stored flow has its strokes. Raises `NotThere`, `BadFlow`."""
    stands = load_standing(desk, session_id)
    return explain_strokes(stands.plan.flow, part_id, stands.setting)
