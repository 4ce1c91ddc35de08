"""A school of the practice's own beside the one it was begun from."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.house import OwnSchool
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.designing.school_minutes import SchoolMinutes, measure_school
from mellow_tide.core.flow.usual_brief import make_usual_brief
from mellow_tide.core.library.shipped import for_anybody
from mellow_tide.core.setting import Setting
from mellow_tide.services.desk import Desk

TRIED = "own-tried"
"""How a school is called while it is only looked at."""


class SchoolsBeside(Record):
    """What each of two schools gives the regions: one's own, and the one it was begun from."""

    own: SchoolMinutes
    base: SchoolMinutes


def compare_school(desk: Desk, school: OwnSchool, booked_minutes: int) -> SchoolsBeside:
    """Plan a session by a school that nobody has kept yet, and by its base; nothing is changed.

    Raises `UnknownReference` for what does not exist.
    """
    tried = desk.house.model_copy(update={"schools": {**desk.house.schools, TRIED: school}})
    known = in_house(tried, desk.shipped)
    return SchoolsBeside(
        own=_measure(TRIED, booked_minutes, known), base=_measure(school.base, booked_minutes, known)
    )


def _measure(id: str, booked_minutes: int, known: Catalogue) -> SchoolMinutes:
    usual = make_usual_brief(known.schools[id].kind, known)
    changes = {"school": id, "first_position": None, "booked_minutes": booked_minutes}
    return measure_school(usual.model_copy(update=changes), Setting.of(for_anybody(known, None), known))
