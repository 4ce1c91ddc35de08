"""What is asked of somebody who walks in, on one screen: stop signs, blood thinners, injuries, skin; scalp and hair."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record

ALSO_ASKED = ("anticoagulants",)
"""Not of today alone, and asked of everybody who is worked on without an intake (common practice)."""

YES_OR_NO = ("scalp", "hair")
"""What may be touched: without a yes neither is."""


class WalkInQuestions(Record):
    """Condition ids, stop signs first, and consent ids; pregnancy and where not are asked beside them.

    `kind`: what somebody who walks in has usually: a chair session where there is one.
    """

    kind: str
    conditions: tuple[str, ...]
    consents: tuple[str, ...]


def list_walk_in_questions(catalogue: Catalogue) -> WalkInQuestions:
    """What is asked of somebody who walks in."""
    today = [one for one in catalogue.conditions.values() if one.asked == "today" and not one.in_pregnancy]
    ordered = sorted(today, key=lambda one: one.level != "refer")
    asked = (*(one.id for one in ordered), *ALSO_ASKED)
    offered = [kind for kind in catalogue.kinds.values() if kind.offered and not kind.open_ended]
    chairs = [kind for kind in offered if kind.surface == "chair"]
    return WalkInQuestions(
        kind=(chairs or offered or list(catalogue.kinds.values()))[0].id,
        conditions=tuple(id for id in asked if id in catalogue.conditions),
        consents=tuple(id for id in YES_OR_NO if id in catalogue.consents),
    )
