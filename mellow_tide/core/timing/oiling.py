"""When oil goes on in a part."""

from collections.abc import Iterable
from typing import Literal

from mellow_tide.core.catalogue.records import Slot, Stroke

Oiling = Literal["first", "again"]

EARLIER_OR_LATER = 60
"""Seconds by which more oil may come before or after it is due (common practice: after 6 to 8 minutes)."""

StepWorked = tuple[bool, bool, int]
"""Of a step: whether it wants oil on the skin, whether it settles, and its whole seconds."""


def wants_oil(stroke: Stroke, slot: Slot) -> bool:
    """Whether a stroke in a slot wants oil on the skin: dry work does not, whatever else the stroke is good for."""
    return "lubricated" in stroke.medium and slot != "dry"


def plan_oilings(
    steps: Iterable[StepWorked], lasts: int, since: int | None = None
) -> tuple[list[Oiling | None], int | None]:
    """For each step of a part, whether oil goes on before it; and the seconds that it has been worked at the end.

    The first time before the first stroke that wants it; again before one that does once the oil has been worked for
    `lasts` seconds, or would be used up long before that stroke ends, but not for the last slow stroke. `since`: for so
    many seconds the oil has been worked by what came before under the same cover; None where there is none yet.
    """
    found: list[Oiling | None] = []
    for wants, settles, seconds in steps:
        oiling: Oiling | None = None
        if wants and since is None:
            oiling = "first"
        elif wants and since is not None and not settles and _is_due(since, seconds, lasts):
            oiling = "again"
        if oiling:
            since = 0
        if since is not None:
            since += seconds
        found.append(oiling)
    return found, since


def _is_due(since: int, seconds: int, lasts: int) -> bool:
    """Whether more oil is due before a stroke of so many seconds."""
    ends_dry = since + seconds > lasts + EARLIER_OR_LATER
    return since >= lasts or (since >= lasts - EARLIER_OR_LATER and ends_dry)
