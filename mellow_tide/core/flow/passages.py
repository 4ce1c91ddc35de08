"""Parts that are worked as one: all that lies under one cover, on one side."""

from collections.abc import Sequence

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Setup


def are_one(before: Setup, now: Setup, catalogue: Catalogue) -> bool:
    """Whether a part goes on with the passage of the part right before it: same position, same cover, same limb."""
    if (before.role, now.role) != ("work", "work") or before.position != now.position:
        return False
    if not _same_cover(before, now, catalogue):
        return False
    return any(
        before.region in passage.regions
        and now.region in passage.regions
        and (passage.both_sides or before.side == now.side)
        for passage in catalogue.passages.values()
    )


def _same_cover(before: Setup, now: Setup, catalogue: Catalogue) -> bool:
    """Whether what is open before stays open: the hand has no window of its own, it goes with the arm's."""
    return before.window == now.window or before.window in catalogue.regions[now.region].keeps_open


def split_into_passages(setups: Sequence[Setup], catalogue: Catalogue) -> tuple[tuple[int, ...], ...]:
    """The places of the parts in `setups`, passage by passage, in order of their first; what is no work stands alone.

    A rest between two parts does not part them: the oil is still on.
    """
    found: list[list[int]] = []
    last: list[int] | None = None
    for at, setup in enumerate(setups):
        if last and are_one(setups[last[-1]], setup, catalogue):
            last.append(at)
            continue
        found.append([at])
        if setup.role == "work":
            last = found[-1]
        elif setup.role != "integrate":
            last = None
    return tuple(tuple(places) for places in found)
