"""Reading a session."""

from uuid import UUID

from mellow_tide.core.planner.reasons import Reasons, reasons
from mellow_tide.services.desk import Desk
from mellow_tide.services.session_view import SessionView, news_of, view_of
from mellow_tide.services.standing import standing
from mellow_tide.store.sessions import events_of, find_session


def session(desk: Desk, session_id: UUID) -> SessionView:
    """The session; raises `NotThere`."""
    with desk.reading() as t:
        row = find_session(t, session_id)
        events = events_of(t, session_id)
        news = news_of(t, session_id)
    return view_of(desk, row, events, news)


def reasons_of(desk: Desk, session_id: UUID) -> Reasons:
    """Why the stored flow is as it is. Raises `NotThere`."""
    stands = standing(desk, session_id)
    return reasons(stands.plan.flow, stands.setting)
