"""How the therapist's own hands and back are before the first client, and what that takes from the day."""

from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.records import Record

Ache = Annotated[int, Field(ge=0, le=10)]
"""On the 11-point numeric rating scale: 0 nothing, 10 the worst."""

HAVE_IT_SEEN = 7
"""From this number on it is to be seen by somebody licensed before more is asked of it (common practice)."""


class SelfCheck(Record):
    """What aches before work: wrists, thumbs and back, 0 to 10 each."""

    wrists: Ache
    thumbs: Ache
    back: Ache

    @property
    def have_seen(self) -> tuple[str, ...]:
        """What of it is to be seen by somebody licensed."""
        return tuple(name for name in ("wrists", "thumbs", "back") if getattr(self, name) >= HAVE_IT_SEEN)


def spare_thumbs(seconds: int, check: SelfCheck | None) -> int:
    """Of the seconds of thumb work that a day bears, how many it bears today.

    A tenth less for each number that the thumbs or wrists ache by, whichever ache more (from experience, no source).
    """
    if check is None:
        return seconds
    return seconds * (10 - max(check.thumbs, check.wrists)) // 10
