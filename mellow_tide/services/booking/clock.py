"""The practice's clock, and a therapist's hours by it."""

from dataclasses import dataclass
from datetime import date, datetime, time, timedelta
from uuid import UUID
from zoneinfo import ZoneInfo

from mellow_tide.core.booking.hours import USUAL_HOURS, Hours
from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.phrases.manner import Manner, manner_of
from mellow_tide.services.desk import Desk
from mellow_tide.store.database import Transaction
from mellow_tide.store.people import find_hours, find_practice
from mellow_tide.store.sessions import Between


@dataclass(frozen=True)
class PracticeClock:
    """What time it is in the practice, and how it writes times."""

    zone: ZoneInfo
    now: datetime
    manner: Manner

    @property
    def local(self) -> LocalStart:
        """Day and time now."""
        return LocalStart.of(self.now, self.zone)

    @property
    def today(self) -> date:
        """The practice's date."""
        return self.local.day

    def days(self, first: date, last: date) -> Between:
        """From the midnight before `first` to the one after `last`."""
        midnights = (LocalStart(day=day, at=time()) for day in (first, last + timedelta(days=1)))
        return Between(*(midnight.instant(self.zone) for midnight in midnights))


def read_clock(desk: Desk, t: Transaction) -> PracticeClock:
    """The practice's clock."""
    practice = find_practice(t)
    return PracticeClock(ZoneInfo(practice.time_zone), desk.db.now(), manner_of(practice.country))


def read_hours_of(t: Transaction, person_id: UUID) -> Hours:
    """A therapist's hours, the usual ones where none were said."""
    return find_hours(t, person_id) or USUAL_HOURS
