"""Reading a session."""

from uuid import UUID

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.planner.reasons import Reasons, reasons
from mellow_tide.services.session_view import SessionView, news_of, view_of
from mellow_tide.services.standing import found
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import events_of, find_session


def session(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> SessionView:
    """The session; raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        row = find_session(c, who.practice_id, session_id)
        events = events_of(c, who.practice_id, session_id)
        news = news_of(c, who.practice_id, session_id)
    return view_of(row, events, catalogue, news)


def reasons_of(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> Reasons:
    """Why the stored flow is as it is. Raises `NotThere`."""
    row = found(db, who, session_id)
    return reasons(Plan.model_validate(row.plan).flow, row.facts, catalogue, row.house, row.pace)
