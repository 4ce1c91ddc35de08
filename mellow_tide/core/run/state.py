"""The state of a run: the fold of its events over the run sheet."""

from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Annotated

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.run.contractions import Contraction, add_press_of_contraction
from mellow_tide.core.run.events import (
    Added,
    Began,
    Bent,
    ContractionBegan,
    ContractionEnded,
    Ended,
    Halted,
    Moved,
    Observed,
    Paused,
    PointFound,
    PointHeld,
    PointLeft,
    PointRated,
    PointTravels,
    PointWithdrawn,
    Resumed,
    RunEvent,
    Said,
    Sign,
    Skipped,
    Word,
)
from mellow_tide.core.run.points import SorePoint, note_point
from mellow_tide.core.timing.run_sheet import Address, RunSheet


class Saying(Record):
    """What the client said of the pressure on a region, at which depth."""

    region: str
    side: Side
    depth: Depth
    word: Word


class Seen(Record):
    """What the body said, and where."""

    sign: Sign
    region: str
    side: Side


class Skip(Record):
    """Entries left undone, by address: owed while there is no `reason`, waived with one."""

    part_id: str
    entries: tuple[Address, ...]
    reason: str


class Addition(Record):
    """A region worked beside the plan, at `entry`; `seconds` are those meant for it, `taken` has its part's id."""

    part_id: str
    region: str
    side: Side
    seconds: int
    entry: int


class RunState(Record):
    """Where a run is: present entry, seconds taken by part id up to `last_at`, and what was said, in order.

    `sheet_id` names the run sheet it is worked by, `entry` counts that sheet's entries from 0.
    `paused` are seconds that belong to no part, up to `paused_at` if time stands still now. `allotted` are the seconds
    of work that a part has since the rest was shared out anew, 0 where it is left out, and `total` what the session
    then has. `added` are regions worked beside the plan, and `adding` the part id of the one being worked now, if any.
    `halted`: why it was stopped for safety, None if it was not.
    """

    sheet_id: str = ""
    begun_at: AwareDatetime | None = None
    ended_at: AwareDatetime | None = None
    last_at: AwareDatetime | None = None
    news: str = ""
    entry: Annotated[int, Field(ge=0)] = 0
    taken: Mapping[str, float] = {}
    said: tuple[Saying, ...] = ()
    seen: tuple[Seen, ...] = ()
    points: tuple[SorePoint, ...] = ()
    paused: float = 0
    paused_at: AwareDatetime | None = None
    allotted: Mapping[str, int] = {}
    total: int | None = None
    skipped: tuple[Skip, ...] = ()
    added: tuple[Addition, ...] = ()
    adding: str | None = None
    contractions: tuple[Contraction, ...] = ()
    halted: str | None = None


def fold(events: Iterable[RunEvent], sheet: RunSheet) -> RunState:
    """The state after `events`, in their order. Events before `began` and after `ended` change nothing.

    A move to an address that the sheet does not have changes nothing. Time between two events belongs to the part that
    was being worked, or to none while it is paused; a device clock that steps back adds none.
    """
    state = RunState()
    for event in events:
        state = step(state, event, sheet)
    return state


def step(state: RunState, event: RunEvent, sheet: RunSheet) -> RunState:
    """The state after one more event."""
    if state.ended_at is not None:
        return state
    if state.begun_at is None:
        if not isinstance(event, Began):
            return state
        started = {
            "sheet_id": event.sheet_id,
            "begun_at": event.at,
            "last_at": event.at,
            "news": event.news,
        }
        return _spent(state.model_copy(update=started), event.at, sheet)
    return _changed(_spent(state, event.at, sheet), event, sheet)


def _spent(state: RunState, at: datetime, sheet: RunSheet) -> RunState:
    """Time up to `at` given to the part that is being worked, or to the pause."""
    last = state.last_at or at
    passed = max(0.0, (at - last).total_seconds())
    if state.paused_at is not None:
        return state.model_copy(update={"paused": state.paused + passed, "last_at": max(last, at)})
    part_id = state.adding or sheet.entries[state.entry].part_id
    taken = {**state.taken, part_id: state.taken.get(part_id, 0) + passed}
    return state.model_copy(update={"taken": taken, "last_at": max(last, at)})


def _changed(state: RunState, event: RunEvent, sheet: RunSheet) -> RunState:
    match event:
        case Moved():
            to = sheet.find(event.to)
            # Whoever goes to what is owed, does it.
            owed = tuple(_without(skip, {event.to}) if not skip.reason else skip for skip in state.skipped)
            change: dict[str, object] = {
                "entry": state.entry if to is None else to,
                "adding": None,
                "skipped": _standing(owed),
            }
        case Paused():
            change = {"paused_at": state.paused_at or state.last_at}
        case Resumed():
            change = {"paused_at": None}
        case Bent():
            change = {"allotted": {**state.allotted, **event.seconds}, "total": event.total}
        case Skipped():
            skip = Skip(part_id=event.part_id, entries=event.entries, reason=event.reason)
            before = _standing(tuple(_without(one, set(skip.entries)) for one in state.skipped))
            change = {"skipped": (*before, skip)}
        case Added():
            addition = Addition(
                part_id=event.part_id,
                region=event.region,
                side=event.side,
                seconds=event.seconds,
                entry=state.entry,
            )
            others = tuple(one for one in state.added if one.part_id != event.part_id)
            change = {"added": (*others, addition), "adding": event.part_id}
        case Halted():
            change = {"halted": event.reason, "ended_at": event.at}
        case Ended():
            change = {"ended_at": event.at}
        case _:
            change = _told(state, event)
    return state.model_copy(update=change)


def _told(state: RunState, event: RunEvent) -> dict[str, object]:
    """What is said and felt, where nothing moves."""
    match event:
        case Said():
            saying = Saying(region=event.region, side=event.side, depth=event.depth, word=event.word)
            return {"said": (*state.said, saying)}
        case Observed():
            return {"seen": (*state.seen, Seen(sign=event.sign, region=event.region, side=event.side))}
        case PointFound() | PointRated() | PointHeld() | PointTravels() | PointLeft() | PointWithdrawn():
            return {"points": note_point(state.points, event)}
        case ContractionBegan() | ContractionEnded():
            return {"contractions": add_press_of_contraction(state.contractions, event)}
    return {}


def _without(skip: Skip, entries: set[str]) -> Skip:
    return skip.model_copy(
        update={"entries": tuple(address for address in skip.entries if address not in entries)}
    )


def _standing(skips: tuple[Skip, ...]) -> tuple[Skip, ...]:
    return tuple(skip for skip in skips if skip.entries)
