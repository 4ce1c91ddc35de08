"""The brief that a session begins with, as the house works: which school, which way up first, how it ends."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import LONGEST_BOOKING
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.refusal import FieldProblem, UnknownReference

OPEN_ENDED_MINUTES = LONGEST_BOOKING
"""What is booked for a kind that has no minutes of its own."""


FROM_HOUSE = ("school", "first_position", "close_with", "lubricant")
"""What of a brief the house decides unless something else is asked."""


def follow_house(brief: Brief, before: Catalogue, after: Catalogue) -> Brief:
    """The brief in a house that works otherwise: what was as usual there is as usual here, what was asked for stays."""
    was, is_now = (make_usual_brief(brief.kind, catalogue) for catalogue in (before, after))
    if brief.area != was.area:
        return brief
    change = {
        field: getattr(is_now, field)
        for field in FROM_HOUSE
        if getattr(brief, field) == getattr(was, field) != getattr(is_now, field)
    }
    return brief.model_copy(update=change)


def make_usual_brief(kind_id: str, catalogue: Catalogue) -> Brief:
    """The brief of a kind of session before anything is known of the client. Raises `UnknownReference`.

    It follows the house's own school for the kind; else, where the kind has one for each order in the body, the house's
    order. It begins in the house's position where
    that is another one than usual, else in the school's own; it ends as the house ends. A part of the body ends where
    its own closing says, the chair seated.
    """
    if kind_id not in catalogue.kinds:
        raise UnknownReference(
            FieldProblem("kind", "unknown_id", noun="kind", id=kind_id, known=tuple(catalogue.kinds))
        )
    kind = catalogue.kinds[kind_id]
    schools = [school for school in catalogue.schools.values() if school.kind == kind_id and school.offered]
    own = [school for school in schools if school.usual]
    ordered = own or [school for school in schools if school.id == catalogue.chosen["body_order"]]
    school = (ordered or schools)[0]
    first = catalogue.chosen["first_position"]
    unusual = first != catalogue.house_rules["first_position"].default
    blocks = [block.position for block in school.blocks]
    area = kind.areas[0] if kind.areas else None
    return Brief(
        kind=kind_id,
        area=area.id if area else None,
        school=school.id,
        first_position=first if ordered and unusual and first in blocks and first != blocks[0] else None,
        booked_minutes=kind.usual_minutes[0] if kind.usual_minutes else OPEN_ENDED_MINUTES,
        close_with=area.closing if area else "seated" if kind.surface == "chair" else catalogue.chosen["end"],
        lubricant=usual_lubricant(catalogue),
    )


def usual_lubricant(catalogue: Catalogue) -> str:
    """What goes on the skin unless something else is asked: the first in stock; the first of all where none is."""
    stock = [lubricant.id for lubricant in catalogue.lubricants.values() if lubricant.in_stock]
    return (stock or list(catalogue.lubricants))[0]
