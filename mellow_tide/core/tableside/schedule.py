"""The run sheet as it stands at the table: what was shared out anew is longer, shorter or left out."""

from mellow_tide.core.run.state import RunState
from mellow_tide.core.timing.run_sheet import Entry, RunSheet


def planned_work(sheet: RunSheet, part_id: str) -> int:
    """Whole seconds of work of a part as planned: its strokes, oiling and asking."""
    return sum(e.seconds for e in sheet.entries if e.part_id == part_id and e.working)


def work_of(sheet: RunSheet, run: RunState, part_id: str) -> int:
    """Whole seconds of work that a part has now."""
    return run.allotted.get(part_id, planned_work(sheet, part_id))


def schedule(sheet: RunSheet, run: RunState) -> list[tuple[float, float]]:
    """When each entry begins and how long it takes, in seconds; nothing of a part that is left out takes any time."""
    times, start = [], 0.0
    for entry in sheet.entries:
        seconds = _seconds(entry, sheet, run)
        times.append((start, seconds))
        start += seconds
    return times


def _seconds(entry: Entry, sheet: RunSheet, run: RunState) -> float:
    own = run.allotted.get(entry.part_id)
    if own is None:
        return entry.seconds
    planned = planned_work(sheet, entry.part_id)
    if own == 0:
        return 0
    return entry.seconds * own / planned if entry.working and planned > 0 else entry.seconds


def find_neighbour(sheet: RunSheet, run: RunState, by: int) -> int:
    """The place of the entry to go to, on (1) or back (-1), past what is left out and what belongs to a contraction.

    On, also past what was skipped. The present one if there is none.
    """
    skipped = {address for skip in run.skipped for address in skip.entries}

    def passed(at: int) -> bool:
        entry = sheet.entries[at]
        return (
            run.allotted.get(entry.part_id) == 0
            or entry.seconds == 0
            or (by > 0 and sheet.entries[_stroke_of(sheet, at)].address in skipped)
            or (sheet.open_ended and entry.slot == "contraction")
        )

    at = run.entry + by
    while 0 <= at < len(sheet.entries) and passed(at):
        at += by
    return at if 0 <= at < len(sheet.entries) else run.entry


def _stroke_of(sheet: RunSheet, at: int) -> int:
    """The stroke that an entry is, or serves: oil goes before its stroke, asking comes after it."""
    by = -1 if sheet.entries[at].kind == "check_in" else 1
    part, place = sheet.entries[at].part, at
    while (
        0 <= place < len(sheet.entries)
        and sheet.entries[place].working
        and sheet.entries[place].kind != "stroke"
        and sheet.entries[place].part == part
    ):
        place += by
    return place if 0 <= place < len(sheet.entries) and sheet.entries[place].part == part else at


def find_owed(sheet: RunSheet, run: RunState, part_id: str | None = None) -> tuple[Entry, ...]:
    """The entries owed, in order of the sheet; of one part, or of all."""
    owed = {
        address
        for skip in run.skipped
        if not skip.reason and part_id in (None, skip.part_id)
        for address in skip.entries
    }
    return tuple(entry for entry in sheet.entries if entry.address in owed)


def leaves(sheet: RunSheet, here: int, there: int) -> bool:
    """Whether going from one entry to another leaves its part, or puts its cover back; so does staying, at the end."""
    one, other = sheet.entries[here], sheet.entries[there]
    return here == there or one.part_id != other.part_id or other.kind == "close_window"
