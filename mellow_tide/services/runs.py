"""Working a session: events in, state out."""

from collections.abc import Sequence
from uuid import UUID

from mellow_tide.core.catalogue.catalogue import Catalogue, unknown
from mellow_tide.core.refusal import UnknownReference
from mellow_tide.core.run.events import Added, Began, Observed, PointFound, RunEvent, Said
from mellow_tide.core.run.state import RunState
from mellow_tide.services.session_view import view_of
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import append_events, events_of, find_session, lock_session


class DayQuestionOpen(Exception):
    """Work does not begin before the client was asked what is new today."""


def add_events(
    db: Database, who: SignedIn, session_id: UUID, events: Sequence[RunEvent], catalogue: Catalogue
) -> RunState:
    """Append events in their order and fold all there are. Those already there change nothing.

    Raises `NotThere`, `UnknownReference`, and `DayQuestionOpen` where work begins before the client was asked.
    """
    problems = [
        unknown(catalogue.regions, event.region, f"events.{i}.region", "region")
        for i, event in enumerate(events)
        if isinstance(event, Said | Observed | PointFound | Added)
    ]
    found = [problem for problem in problems if problem]
    if found:
        raise UnknownReference(*found)
    with db.transaction(Sight(who.practice_id)) as c:
        lock_session(c, who.practice_id, session_id)
        append_events(
            c, who.practice_id, session_id, [(event.id, event.model_dump(mode="json")) for event in events]
        )
        row = find_session(c, who.practice_id, session_id)
        if row.answer is None and any(isinstance(event, Began) for event in events):
            raise DayQuestionOpen
        stored = events_of(c, who.practice_id, session_id)
    return view_of(row, stored, catalogue).run
