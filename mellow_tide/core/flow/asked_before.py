"""Where a question about the pressure has been asked already."""

from collections.abc import Sequence

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.flow.passages import split_into_passages

AskedAt = tuple[str, str]
"""How one lies, and the window whose regions are felt as one there; the region itself where no window lies open."""


def list_covers(parts: Sequence[Part], catalogue: Catalogue) -> tuple[AskedAt, ...]:
    """What an answer holds for, part by part: the whole passage, and the same on the other side (common practice)."""
    covers = [_cover(part, catalogue) for part in parts]
    for first, *others in split_into_passages([part.setup for part in parts], catalogue):
        for other in others:
            covers[other] = covers[first]
    return tuple(covers)


def _cover(part: Part, catalogue: Catalogue) -> AskedAt:
    lying = "side" if catalogue.positions[part.position].upper else part.position
    return lying, part.region if part.window in ("none", "clothed") else part.window
