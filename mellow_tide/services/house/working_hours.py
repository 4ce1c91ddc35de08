"""When whoever asks works in the practice."""

from mellow_tide.core.booking.hours import USUAL_HOURS, Hours
from mellow_tide.core.catalogue.records import Record
from mellow_tide.services.desk import Desk
from mellow_tide.store.people import find_hours, set_hours


class HoursView(Record):
    """The hours; `said`: whether they have been said, or are the usual ones."""

    hours: Hours
    said: bool


def read_hours(desk: Desk) -> HoursView:
    """One's own hours."""
    with desk.reading() as t:
        hours = find_hours(t, desk.person_id)
    return HoursView(hours=hours or USUAL_HOURS, said=hours is not None)


def change_hours(desk: Desk, hours: Hours) -> HoursView:
    """Work at other hours from now on; bookings that stand are not moved."""
    with desk.writing() as t:
        set_hours(t, hours)
    return HoursView(hours=hours, said=True)
