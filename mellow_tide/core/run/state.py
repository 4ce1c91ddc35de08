"""The state of a run: the fold of its events over the run sheet."""

from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Annotated

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.run.events import Began, Ended, Moved, RunEvent, Said, Word
from mellow_tide.core.timing.run_sheet import RunSheet


class Saying(Record):
    """What the client said of the pressure on a region, at which depth."""

    region: str
    side: Side
    depth: Depth
    word: Word


class RunState(Record):
    """Where a run is: present entry, seconds taken by stop id up to `last_at`, and what was said, in order."""

    begun_at: AwareDatetime | None = None
    ended_at: AwareDatetime | None = None
    last_at: AwareDatetime | None = None
    news: str = ""
    entry: Annotated[int, Field(ge=0)] = 0
    taken: Mapping[str, float] = {}
    said: tuple[Saying, ...] = ()


class RegionDone(Record):
    """A region planned against done: seconds on both sides together, and the depth that suited (1 to 5).

    `suited` follows the last word said: its depth, one lighter or one deeper; None if nothing was said.
    """

    region: str
    planned: int
    taken: int
    suited: Depth | None
    last_word: Word | None


def fold(events: Iterable[RunEvent], sheet: RunSheet) -> RunState:
    """The state after `events`, in their order. Events before `began` and after `ended` change nothing.

    A move beyond the sheet goes to its last entry. Time between two events belongs to the stop that was
    being worked; a device clock that steps back adds none.
    """
    begun_at: datetime | None = None
    ended_at: datetime | None = None
    last_at: datetime | None = None
    news = ""
    entry = 0
    taken: dict[str, float] = {}
    said: list[Saying] = []
    for event in events:
        if ended_at is not None:
            break
        if begun_at is None and isinstance(event, Began):
            begun_at = last_at = event.at
            news = event.news
        if last_at is None:
            continue
        stop_id = sheet.entries[entry].stop_id
        taken[stop_id] = taken.get(stop_id, 0) + max(0.0, (event.at - last_at).total_seconds())
        last_at = max(last_at, event.at)
        match event:
            case Moved():
                entry = min(event.to, len(sheet.entries) - 1)
            case Said():
                said.append(Saying(region=event.region, side=event.side, depth=event.depth, word=event.word))
            case Ended():
                ended_at = event.at
    return RunState(
        begun_at=begun_at,
        ended_at=ended_at,
        last_at=last_at,
        news=news,
        entry=entry,
        taken=taken,
        said=tuple(said),
    )


def regions_done(sheet: RunSheet, state: RunState) -> tuple[RegionDone, ...]:
    """Every worked region in order of the sheet, getting there included, planned against taken."""
    planned: dict[str, int] = {}
    taken: dict[str, float] = {}
    counted: set[str] = set()
    for entry in sheet.entries:
        if entry.role != "work":
            continue
        planned[entry.region] = planned.get(entry.region, 0) + entry.seconds
        if entry.stop_id not in counted:
            counted.add(entry.stop_id)
            taken[entry.region] = taken.get(entry.region, 0) + state.taken.get(entry.stop_id, 0)
    last = {saying.region: saying for saying in state.said}
    return tuple(
        RegionDone(
            region=region,
            planned=seconds,
            taken=round(taken[region]),
            suited=_suited(last[region]) if region in last else None,
            last_word=last[region].word if region in last else None,
        )
        for region, seconds in planned.items()
    )


def _suited(saying: Saying) -> int:
    shift = {"lighter": -1, "just_right": 0, "deeper": 1}[saying.word]
    return min(5, max(1, saying.depth + shift))
