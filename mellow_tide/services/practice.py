"""What the practice is called, and where it is."""

from mellow_tide.core.phrases.manner import Manner, manner_of
from mellow_tide.services.desk import Desk
from mellow_tide.services.people.opening import Whereabouts, judge_place
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.people import Practice, update_practice


def change_practice(desk: Desk, name: str, place: Whereabouts) -> None:
    """Another name, time zone or country. Raises `BadEntry`."""
    problems = tuple(judge_place(place))
    if problems:
        raise BadEntry(*problems)
    with desk.writing() as t:
        update_practice(t, name, place.time_zone, place.country)


def read_manner(practice: Practice) -> Manner | None:
    """How the practice writes times and measures; None where its country is not told, and the browser decides."""
    return manner_of(practice.country) if practice.country else None
