"""The log of a session: what the therapist confirms of it, and what it leaves for the next ones."""

from collections.abc import Iterator, Mapping
from typing import Annotated, Literal

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Depth, Id, Record
from mellow_tide.core.flow.place_names import say_site
from mellow_tide.core.phrases.book import say
from mellow_tide.core.run.points import SorePoint
from mellow_tide.core.run.state import RunState

LogWords = Annotated[str, Field(max_length=4000)]
LogLine = Annotated[str, Field(max_length=400)]

EASED = 3
"""A point at this number or below, on release, is done with: 0 to 3 is the aim."""


class Log(Record):
    """What the therapist confirms: the depth that suited by region (1 to 5), and words.

    `note` is the therapist's, `client_words` what the client said, `next_time` what to change; `aftercare` what was
    said about the hours after, `next_booking` when they wish to come again. `door_wish` was said at the door,
    `for_clinician` is a question for the client's own clinician.
    """

    suited: Annotated[Mapping[Id, Depth], Field(max_length=80)] = {}
    note: LogWords = ""
    client_words: LogWords = ""
    next_time: LogWords = ""
    aftercare: Annotated[tuple[LogLine, ...], Field(max_length=12)] = ()
    next_booking: LogLine = ""
    door_wish: LogLine = ""
    for_clinician: LogLine = ""


FollowUpKind = Literal["point", "wish", "question"]
"""A sore point that is left, a wish, a question for the clinician; they turn up in Work, Plan and Meet."""


class FollowUp(Record):
    """One thing that a session leaves for the next ones."""

    kind: FollowUpKind
    words: str


def list_follow_ups(log: Log, run: RunState, catalogue: Catalogue) -> tuple[FollowUp, ...]:
    """What turns up again: points that have not eased, the wish at the door, the question for the clinician."""
    return tuple(_follow_ups(log, run, catalogue))


def _follow_ups(log: Log, run: RunState, catalogue: Catalogue) -> Iterator[FollowUp]:
    for point in run.points:
        if left_for_later(point):
            yield FollowUp(kind="point", words=describe_point(point, catalogue))
    if log.door_wish.strip():
        yield FollowUp(kind="wish", words=log.door_wish.strip())
    if log.for_clinician.strip():
        yield FollowUp(kind="question", words=log.for_clinician.strip())


def left_for_later(point: SorePoint) -> bool:
    """Whether a point has not eased, and so is for another visit."""
    return point.left or not point.numbers or point.numbers[-1] > EASED


def describe_point(point: SorePoint, catalogue: Catalogue) -> str:
    """`left calf, medial: 7, 5, slow to ease`."""
    region = catalogue.regions.get(point.region)
    place = say_site(region, point.side, point.zone) if region else point.region
    numbers = ", ".join(str(number) for number in point.numbers)
    slow = say("papers.slow_to_ease") if point.left else ""
    return ": ".join(filter(None, (place, ", ".join(filter(None, (numbers, slow))))))
