"""What was said of the pressure, visit by visit: all that is learnt from."""

from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.run.events import Word

VisitNumber = Annotated[int, Field(ge=1, le=10_000)]
"""Which visit of the client it was, from 1 on; visits that are left out are not counted."""

HalfDepth = Annotated[float, Field(ge=1, le=5)]


class Answer(Record):
    """A word on the pressure at `depth` (1 to 5; fractions between passes). Silence is no answer."""

    visit: VisitNumber
    region: str
    depth: HalfDepth
    word: Word


class SetByHand(Record):
    """A wish that the therapist set at a visit: evidence as well, surer than an answer, and no verdict."""

    visit: VisitNumber
    region: str
    depth: HalfDepth
