"""A run as it might have been worked: a little slower here, a little faster there, and what was said."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta
from random import Random
from uuid import UUID

from mellow_tide.core.run.events import (
    Began,
    Ended,
    Moved,
    PointFound,
    PointHeld,
    PointRated,
    RunEvent,
    Said,
    Word,
)
from mellow_tide.core.timing.run_sheet import RunSheet, sheet_id


@dataclass(frozen=True)
class Heard:
    """What is said at a session: a word by region, and the numbers of a sore point on the back as it is held."""

    words: Mapping[str, Word]
    numbers: tuple[int, ...] = ()


AS_SHIPPED = Heard(
    {"back": "deeper", "lower_leg_back": "lighter", "neck": "just_right", "shoulders": "just_right"},
    (6, 4, 2),
)


def worked_run(sheet: RunSheet, begins: datetime, seed: int, heard: Heard = AS_SHIPPED) -> list[RunEvent]:
    """Events of working `sheet` from `begins`; the same seed gives the same run."""
    random = Random(seed)
    now = begins
    events: list[RunEvent] = [Began(id=_id(random), at=now, sheet_id=sheet_id(sheet))]
    spoken: set[str] = set()
    for index, entry in enumerate(sheet.entries):
        now += timedelta(seconds=round(entry.seconds * random.uniform(0.92, 1.1)))
        deep_enough = entry.slot == "knead" and entry.depth is not None
        if deep_enough and entry.region in heard.words and entry.region not in spoken:
            spoken.add(entry.region)
            word, depth = heard.words[entry.region], entry.depth or 1
            events.append(
                Said(id=_id(random), at=now, word=word, region=entry.region, side=entry.side, depth=depth)
            )
            if entry.region == "back" and heard.numbers:
                events += _sore_point(random, now, heard.numbers)
        if index + 1 < len(sheet.entries):
            events.append(Moved(id=_id(random), at=now, to=sheet.entries[index + 1].address))
    events.append(Ended(id=_id(random), at=now))
    return events


def _sore_point(random: Random, now: datetime, numbers: tuple[int, ...]) -> list[RunEvent]:
    """A point beside the left shoulder blade, named by the client, that eases as it is held."""
    point = _id(random)
    found = PointFound(
        id=_id(random), at=now, point=point, region="back", side="left", zone="medial_scapula", named=True
    )
    events: list[RunEvent] = [found, PointRated(id=_id(random), at=now, point=point, number=numbers[0])]
    for number in numbers[1:]:
        events.append(PointHeld(id=_id(random), at=now, point=point, seconds=8))
        events.append(PointRated(id=_id(random), at=now, point=point, number=number))
    return events


def _id(random: Random) -> UUID:
    return UUID(int=random.getrandbits(128), version=4)
