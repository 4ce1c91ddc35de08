"""What the practice is called, and where it is."""

from mellow_tide.services.desk import Desk
from mellow_tide.services.people.opening import Whereabouts, judge_place
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.people import update_practice


def change_practice(desk: Desk, name: str, place: Whereabouts) -> None:
    """Another name, time zone or country. Raises `BadEntry`."""
    problems = tuple(judge_place(place))
    if problems:
        raise BadEntry(*problems)
    with desk.writing() as t:
        update_practice(t, name, place.time_zone, place.country)
