"""The run sheet once parts are left out: what must happen on the way past them is there, what need not is gone."""

from collections.abc import Mapping, Sequence
from dataclasses import replace

from mellow_tide.core.timing.run_sheet import Entry, RunSheet
from mellow_tide.core.timing.ways import WayChange, WayPast

FOREMOST = ("turn", "sit_back", "wash", "open_window", "close_window")
"""What a way is called by: the change that is not to be missed."""


def pass_left_out(sheet: RunSheet, allotted: Mapping[str, int], ways: Sequence[WayPast]) -> tuple[Entry, ...]:
    """The same entries at the same places.

    Where the part before is left out, the first entry of the next one becomes the way from the last that is worked, and
    the rest of its getting there takes no time.
    """
    came_from: dict[int, int] = {}
    last = 0
    for part, id in dict.fromkeys((entry.part, entry.part_id) for entry in sheet.entries):
        if allotted.get(id) != 0:
            came_from[part], last = last, part
    known = {(way.start, way.to): way for way in ways}
    seen: set[int] = set()
    found = []
    for entry in sheet.entries if 0 in allotted.values() else ():
        way = known.get((came_from.get(entry.part, -1), entry.part))
        if way is None or entry.working:
            found.append(entry)
        elif entry.part in seen:
            found.append(replace(entry, seconds=0))
        else:
            seen.add(entry.part)
            found.append(_as_way(entry, way.changes))
    return tuple(found) or sheet.entries


def _as_way(entry: Entry, changes: Sequence[WayChange]) -> Entry:
    by_kind = {change.kind: change for change in reversed(changes)}
    chief = next((by_kind[kind] for kind in FOREMOST if kind in by_kind), changes[0] if changes else None)
    seconds = sum(change.seconds for change in changes)
    if chief is None:
        return replace(entry, seconds=seconds)
    return replace(entry, kind=chief.kind, about=chief.about, about_side=chief.about_side, seconds=seconds)
