"""Where a question about the pressure has been asked already."""

from mellow_tide.core.flow.flow import Part

AskedAt = tuple[str, str]
"""A position, and the window whose regions are felt as one there; the region itself where no window lies open."""


def where_asked(part: Part) -> AskedAt:
    """What an answer holds for: all that lies under one cover, and the same on the other side (common practice)."""
    return part.position, part.region if part.window in ("none", "clothed") else part.window
