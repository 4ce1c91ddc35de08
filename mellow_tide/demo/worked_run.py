"""A run as it might have been worked: a little slower here, a little faster there, and what was said."""

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

WORDS: dict[str, Word] = {
    "back": "deeper",
    "lower_leg_back": "lighter",
    "neck": "just_right",
    "shoulders": "just_right",
}


def worked_run(sheet: RunSheet, begins: datetime, seed: int) -> list[RunEvent]:
    """Events of working `sheet` from `begins`; the same seed gives the same run."""
    random = Random(seed)
    now = begins
    events: list[RunEvent] = [Began(id=_id(random), at=now, sheet_id=sheet_id(sheet))]
    spoken: set[str] = set()
    for index, entry in enumerate(sheet.entries):
        now += timedelta(seconds=round(entry.seconds * random.uniform(0.92, 1.1)))
        deep_enough = entry.slot == "knead" and entry.depth is not None
        if deep_enough and entry.region in WORDS and entry.region not in spoken:
            spoken.add(entry.region)
            word, depth = WORDS[entry.region], entry.depth or 1
            events.append(
                Said(id=_id(random), at=now, word=word, region=entry.region, side=entry.side, depth=depth)
            )
            if entry.region == "back":
                events += _sore_point(random, now)
        if index + 1 < len(sheet.entries):
            events.append(Moved(id=_id(random), at=now, to=sheet.entries[index + 1].address))
    events.append(Ended(id=_id(random), at=now))
    return events


def _sore_point(random: Random, now: datetime) -> list[RunEvent]:
    """A point beside the left shoulder blade, named by the client, that eases over two holds."""
    point = _id(random)
    found = PointFound(
        id=_id(random), at=now, point=point, region="back", side="left", zone="medial_scapula", named=True
    )
    events: list[RunEvent] = [found, PointRated(id=_id(random), at=now, point=point, number=6)]
    for number in (4, 2):
        events.append(PointHeld(id=_id(random), at=now, point=point, seconds=8))
        events.append(PointRated(id=_id(random), at=now, point=point, number=number))
    return events


def _id(random: Random) -> UUID:
    return UUID(int=random.getrandbits(128), version=4)
