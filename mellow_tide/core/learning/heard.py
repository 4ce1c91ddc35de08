"""What a run has to teach: the words on the pressure with their depths, and how long each stroke took."""

from collections.abc import Callable, Iterable

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.learning.evidence import Answer
from mellow_tide.core.run.events import (
    Added,
    Moved,
    Paused,
    PointFound,
    PointRated,
    PointWithdrawn,
    RunEvent,
    Said,
)
from mellow_tide.core.run.frozen import FrozenRun
from mellow_tide.core.timing.run_sheet import Entry, RunSheet


class PaceSample(Record):
    """A stroke on a region: whole seconds planned, seconds taken, and whether something came between."""

    stroke: str
    region: str
    planned: int
    taken: float
    interrupted: bool


def read_answers(
    visit: int, events: Iterable[RunEvent], sheet: Callable[[], RunSheet], ceiling: int
) -> tuple[Answer, ...]:
    """Every word of a run (events in order), and every number above `ceiling`: that counts as "lighter".

    A point that was withdrawn has said nothing. The run sheet is only read where a number needs the depth it was said
    at.
    """
    events = tuple(events)
    gone = {event.point for event in events if isinstance(event, PointWithdrawn)}
    found = []
    at: str | None = None
    for event in events:
        if isinstance(event, Moved):
            at = event.to
        elif isinstance(event, Said):
            found.append(Answer(visit=visit, region=event.region, depth=event.depth, word=event.word))
        elif isinstance(event, PointRated) and event.number > ceiling and event.point not in gone:
            stroke = _stroke_at(sheet(), at)
            if stroke and stroke.depth:
                found.append(Answer(visit=visit, region=stroke.region, depth=stroke.depth, word="lighter"))
    return tuple(found)


def _stroke_at(sheet: RunSheet, address: str | None) -> Entry | None:
    """The stroke that is being worked, or was last in the same part; a run begins at the first entry."""
    at = sheet.find(address) if address else 0
    if at is None:
        return None
    part = sheet.entries[at].part
    while at >= 0 and sheet.entries[at].part == part:
        if sheet.entries[at].kind == "stroke":
            return sheet.entries[at]
        at -= 1
    return None


def read_pace(events: Iterable[RunEvent], run: FrozenRun) -> tuple[PaceSample, ...]:
    """How long each stroke took, from coming to it to going on; going back, pausing and sore points interrupt it.

    `planned` is what it takes at the usual pace on that client: the therapist's own factor of that time is taken out.
    """
    sheet = run.sheet
    found: list[PaceSample] = []
    at, since, interrupted = 0, None, True
    for event in events:
        if isinstance(event, Moved):
            to = sheet.find(event.to)
            if to is None:
                continue
            entry = sheet.entries[at]
            if since is not None and entry.kind == "stroke" and entry.role == "work" and entry.stroke:
                sample = PaceSample(
                    stroke=entry.stroke,
                    region=entry.region,
                    planned=round(entry.seconds / run.tempo.factor(entry.stroke, entry.region)),
                    taken=(event.at - since).total_seconds(),
                    interrupted=interrupted or to != at + 1,
                )
                found.append(sample)
            at, since, interrupted = to, event.at, False
        elif isinstance(event, Paused | PointFound | Added):
            interrupted = True
    return tuple(found)
