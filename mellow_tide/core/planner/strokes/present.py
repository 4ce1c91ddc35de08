"""Which regions of a present plan share long strokes."""

from collections.abc import Iterable, Mapping

from mellow_tide.core.flow.flow import Step

PresentSteps = Mapping[str, tuple[Step, ...]]
"""The steps that regions have now."""


def find_joined(present: PresentSteps, regions: Iterable[str]) -> frozenset[str]:
    """The regions, and all others that long strokes join with them."""
    joined = set(regions)
    while True:
        more = {
            other
            for id, steps in present.items()
            for step in steps
            for other in (id, *step.over)
            if joined & {id, *step.over}
        }
        if more <= joined:
            return frozenset(joined)
        joined |= more
