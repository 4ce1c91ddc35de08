"""What happens at the table, as events that are only ever added."""

from collections.abc import Iterable, Mapping, Sequence
from datetime import UTC, datetime, timedelta
from typing import Annotated, Any, Literal
from uuid import UUID

from pydantic import AwareDatetime, Field, TypeAdapter, ValidationError, model_validator

from mellow_tide.core.catalogue.records import Depth, Id, Record
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.timing.run_sheet import Address

Word = Literal["lighter", "just_right", "deeper"]
TOWARD: Mapping[Word, int] = {"lighter": -1, "just_right": 0, "deeper": 1}
"""Which way a word points, in levels of depth."""

Sign = Literal["breath_held", "wince", "redness", "sleeping"]
Number = Annotated[int, Field(ge=0, le=10)]
"""Discomfort on the 11-point numeric rating scale: 0 none, 10 the worst."""

ReasonWords = Annotated[str, Field(max_length=400)]
PartId = Annotated[str, Field(max_length=80)]

EARLIEST = datetime(2020, 1, 1, tzinfo=UTC)
"""Before this nothing was worked with Mellow Tide: a clock that says so was never set."""

UNREAD = datetime.min.replace(tzinfo=UTC)
"""Stands for a time that cannot be read."""

AHEAD = timedelta(days=1)
"""So far a device's clock may be ahead of the server's."""

_TIME: TypeAdapter[datetime] = TypeAdapter(AwareDatetime)


class Event(Record):
    """Made by the device, which also makes its `id`; `at` is the device's time. Sent twice, it counts once.

    `odd_at` is what the device gave where that cannot be when it happened: `at` is then what `receive` makes of it.
    """

    id: UUID
    at: AwareDatetime
    odd_at: Annotated[str, Field(max_length=80)] = ""

    @model_validator(mode="before")
    @classmethod
    def _keep_what_is_no_time(cls, given: Any) -> Any:
        """No tap is lost for its time: what cannot be read is kept aside, until `receive` gives it another."""
        if not isinstance(given, dict) or given.get("odd_at"):
            return given
        told = given.get("at")
        try:
            return {**given, "at": _TIME.validate_python(told).astimezone(UTC)}
        except (ValidationError, OverflowError):
            legible = "".join(letter for letter in str(told) if letter.isprintable())
            return {**given, "at": UNREAD, "odd_at": legible[:80] or "none"}


class Began(Event):
    """The first touch. `sheet_id` names the run sheet that the device works by (`timing.run_sheet.sheet_id`).

    `news` is the client's answer to the day's question, empty if there was nothing new.
    """

    kind: Literal["began"] = "began"
    sheet_id: Annotated[str, Field(max_length=64)]
    news: ReasonWords = ""


class Moved(Event):
    """Gone to the entry of the run sheet whose address is `to`, on or back."""

    kind: Literal["moved"] = "moved"
    to: Address


class Said(Event):
    """The client's word on the pressure, with the depth it was said at."""

    kind: Literal["said"] = "said"
    word: Word
    region: Id
    side: Side
    depth: Depth


class Observed(Event):
    """What the body said, where it was being worked."""

    kind: Literal["observed"] = "observed"
    sign: Sign
    region: Id
    side: Side


class PointFound(Event):
    """A sore point: one that the client `named`, or that the hands found. `point` is its id from now on."""

    kind: Literal["point_found"] = "point_found"
    point: UUID
    region: Id
    side: Side
    zone: Id | None = None
    named: bool = False


class PointRated(Event):
    """The client's number for a point."""

    kind: Literal["point_rated"] = "point_rated"
    point: UUID
    number: Number


class PointHeld(Event):
    """A point held on the out-breath; `seconds` 1 to 120. After three in a session it is left for the day."""

    kind: Literal["point_held"] = "point_held"
    point: UUID
    seconds: Annotated[int, Field(ge=1, le=120)]


class PointTravels(Event):
    """Where a point is felt as well."""

    kind: Literal["point_travels"] = "point_travels"
    point: UUID
    to: Annotated[str, Field(min_length=1, max_length=120)]


class PointLeft(Event):
    """A point left alone, as slow to ease."""

    kind: Literal["point_left"] = "point_left"
    point: UUID


class PointWithdrawn(Event):
    """A point that was set by mistake: it was never there."""

    kind: Literal["point_withdrawn"] = "point_withdrawn"
    point: UUID


class Paused(Event):
    """Time stands still: what passes from now on belongs to no part."""

    kind: Literal["paused"] = "paused"


class Resumed(Event):
    """Time goes on."""

    kind: Literal["resumed"] = "resumed"


class Bent(Event):
    """The rest is shared out anew: seconds of work by part id, 0 for a part that is left out.

    `total` is what the session has from first touch to last from now on (60 to 14,400 s).
    """

    kind: Literal["bent"] = "bent"
    seconds: Annotated[Mapping[PartId, Annotated[int, Field(ge=0, le=3600)]], Field(max_length=200)]
    total: Annotated[int, Field(ge=60, le=14_400)]


class Skipped(Event):
    """Entries of a part left undone, by address: owed until they are done, or waived with a `reason`."""

    kind: Literal["skipped"] = "skipped"
    part_id: PartId
    entries: Annotated[tuple[Address, ...], Field(min_length=1, max_length=100)]
    reason: ReasonWords = ""


class Added(Event):
    """A region worked now that the plan has not: `seconds` 15 to 3600, until the next move. `part_id` is its own."""

    kind: Literal["added"] = "added"
    part_id: PartId
    region: Id
    side: Side
    seconds: Annotated[int, Field(ge=15, le=3600)]


class ContractionBegan(Event):
    """A contraction begins, on her word."""

    kind: Literal["contraction_began"] = "contraction_began"


class ContractionEnded(Event):
    """The contraction has passed."""

    kind: Literal["contraction_ended"] = "contraction_ended"


class Halted(Event):
    """Stopped for safety, and why if that was said."""

    kind: Literal["halted"] = "halted"
    reason: ReasonWords = ""


class Ended(Event):
    """The session is over."""

    kind: Literal["ended"] = "ended"


RunEvent = Annotated[
    Began
    | Moved
    | Said
    | Observed
    | PointFound
    | PointRated
    | PointHeld
    | PointTravels
    | PointLeft
    | PointWithdrawn
    | Paused
    | Resumed
    | Bent
    | Skipped
    | Added
    | ContractionBegan
    | ContractionEnded
    | Halted
    | Ended,
    Field(discriminator="kind"),
]


def receive(events: Sequence[RunEvent], now: datetime) -> list[RunEvent]:
    """Events as they are stored, once they arrive. A clock may be set wrong and goes on all the same.

    Of those with an odd time (before `EARLIEST`, or further ahead than a clock may be) the latest happened when it was
    received, and the others as long before it as the device says. What has no time that can be read happened now.
    """
    odd = [event.at for event in events if event.at != UNREAD and not EARLIEST <= event.at <= now + AHEAD]
    latest = max(odd, default=now)
    received = []
    for event in events:
        if event.at == UNREAD:
            received.append(event.model_copy(update={"at": now}))
        elif event.at in odd:
            then = (
                max(EARLIEST, now - (latest - event.at)) if latest - event.at < now - EARLIEST else EARLIEST
            )
            received.append(event.model_copy(update={"at": then, "odd_at": event.at.isoformat()}))
        else:
            received.append(event)
    return received


def order_events(events: Iterable[RunEvent]) -> list[RunEvent]:
    """Events of one run in the order they happened, whichever of several devices they came from, and when.

    A device gives each event a time after all that it knows of, so the order of their times keeps each device's own
    order and never puts an answer before what it answers (hybrid logical clocks: Kulkarni et al. 2014, from memory).
    At the same time they stay in the order given.
    """
    return sorted(events, key=lambda event: event.at)
