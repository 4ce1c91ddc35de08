"""The plan that a session is booked with: as last time with what was learnt, or as the house begins."""

from dataclasses import dataclass
from datetime import date
from functools import lru_cache
from uuid import UUID

from mellow_tide.core.booking.next_brief import make_next_brief, propose_kind
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.brief import Brief, Place
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.tempo import OwnPace
from mellow_tide.services.designing.planning import offering
from mellow_tide.services.desk import Desk
from mellow_tide.services.learning.drafting import plan_with_points, read_next_visit
from mellow_tide.store.bookings import find_last_booking
from mellow_tide.store.database import Transaction
from mellow_tide.store.learning import find_own_pace
from mellow_tide.store.sessions import find_session


@dataclass(frozen=True)
class BookingBasis:
    """What the next plan of a client is made from: what is known of them, the last brief, and sore points left."""

    record: ClientRecord
    last: Brief | None = None
    visits: int = 0
    points: tuple[Place, ...] = ()

    def make_brief(self, kind: str | None, minutes: int | None, catalogue: Catalogue, day: date) -> Brief:
        """The brief of a session on a day, as far as kind and minutes are said. Raises `UnknownReference`."""
        kind = kind or propose_kind(self.last, self.record.facts(day), catalogue)
        brief = make_next_brief(self.last, kind, self.visits == 0, catalogue)
        return brief.model_copy(update={"booked_minutes": minutes or brief.booked_minutes})


def read_basis(desk: Desk, client_id: UUID) -> BookingBasis:
    """What a client's next plan is made from. Raises `NotThere`."""
    ahead = read_next_visit(desk, client_id)
    if ahead.last:
        return BookingBasis(ahead.record, ahead.last.plan.flow.brief, len(ahead.known.visits), ahead.places)
    with desk.reading() as t:
        booked = find_last_booking(t, client_id)
        brief = find_session(t, booked).plan.flow.brief if booked else None
    return BookingBasis(ahead.record, brief)


def plan_next(brief: Brief, points: tuple[Place, ...], setting: Setting) -> Plan:
    """The plan of a booking; what was tried just now is not planned again. Raises the core's refusals."""
    with offering(brief, setting):
        return _planned(brief, points, setting)


def find_pace(t: Transaction, person_id: UUID) -> OwnPace | None:
    """The pace that a therapist has accepted, if they have."""
    accepted = find_own_pace(t, person_id)
    return OwnPace(factors=accepted.factors) if accepted and accepted.factors else None


@lru_cache(maxsize=32)
def _planned(brief: Brief, points: tuple[Place, ...], setting: Setting) -> Plan:
    return plan_with_points(brief, points, setting)
