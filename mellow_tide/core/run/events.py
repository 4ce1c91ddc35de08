"""What happens at the table, as events that are only ever added."""

from typing import Annotated, Literal
from uuid import UUID

from pydantic import AwareDatetime, Field

from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.flow.brief import Side

Word = Literal["lighter", "just_right", "deeper"]


class Event(Record):
    """Made by the device, which also makes its `id`; `at` is the device's time. Sent twice, it counts once."""

    id: UUID
    at: AwareDatetime


class Began(Event):
    """The first touch. `news` is the client's answer to the day's question, empty if there was nothing new."""

    kind: Literal["began"] = "began"
    news: Annotated[str, Field(max_length=400)] = ""


class Moved(Event):
    """Gone to entry `to` of the run sheet, on or back."""

    kind: Literal["moved"] = "moved"
    to: Annotated[int, Field(ge=0, le=5000)]


class Said(Event):
    """The client's word on the pressure, with the depth it was said at."""

    kind: Literal["said"] = "said"
    word: Word
    region: str
    side: Side
    depth: Depth


class Ended(Event):
    """The session is over."""

    kind: Literal["ended"] = "ended"


RunEvent = Annotated[Began | Moved | Said | Ended, Field(discriminator="kind")]
