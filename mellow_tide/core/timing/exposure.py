"""What of the client lies bare, second by second."""

from collections.abc import Iterable
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.timing.run_sheet import Entry, RunSheet


class Exposure(Record):
    """A stretch of the session with one window open: whole seconds from the first touch, and percent of the skin bare.

    A second in no stretch is one with everything covered.
    """

    start: Annotated[int, Field(ge=0)]
    seconds: Annotated[int, Field(ge=1)]
    window: str
    side: Side
    also_open: str
    percent: Annotated[float, Field(ge=0, le=100)]


def find_exposures(sheet: RunSheet, catalogue: Catalogue) -> tuple[Exposure, ...]:
    """The stretches in order, without overlaps. A window is bare from when it is open until it has been closed."""
    stretches: list[tuple[Entry, int]] = []
    for entry in sheet.entries:
        if stretches and _alike(stretches[-1][0], entry) and _end(stretches[-1]) == entry.start:
            stretches[-1] = (stretches[-1][0], stretches[-1][1] + entry.seconds)
        else:
            stretches.append((entry, entry.seconds))
    return tuple(
        Exposure(
            start=first.start,
            seconds=seconds,
            window=first.window,
            side=first.window_side,
            also_open=first.also_open,
            percent=round(_percent((first.window, first.also_open), catalogue), 1),
        )
        for first, seconds in stretches
        if seconds and catalogue.windows[first.window].uncovers
    )


def _alike(a: Entry, b: Entry) -> bool:
    return (a.window, a.window_side, a.also_open) == (b.window, b.window_side, b.also_open)


def _end(stretch: tuple[Entry, int]) -> int:
    return stretch[0].start + stretch[1]


def _percent(windows: Iterable[str], catalogue: Catalogue) -> float:
    """Percent of the body's surface that the windows uncover, one side of it where they are per side."""
    total = 0.0
    for id in windows:
        window = catalogue.windows[id]
        for region in (catalogue.regions[r] for r in window.uncovers):
            total += region.share * (1 if window.per_side else region.side_count)
    return total
