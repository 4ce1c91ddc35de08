"""How far a run is, and how far behind or ahead of its plan. Instants are in seconds since 1970."""

from mellow_tide.core.run.state import RunState
from mellow_tide.core.tableside.schedule import schedule, work_of
from mellow_tide.core.timing.run_sheet import RunSheet

MATTERS = 180
"""Seconds by which a first touch may be late without a word."""

ASKED_WITHIN = 600
"""Seconds from the first touch in which a late start is spoken of."""


def elapsed(run: RunState, now: float) -> float:
    """Seconds since the first touch, pauses left out."""
    if run.begun_at is None:
        return 0
    since = (run.last_at or run.paused_at).timestamp() if run.paused_at else now
    return now - run.begun_at.timestamp() - run.paused - max(0.0, now - since)


def find_present_part(run: RunState, sheet: RunSheet) -> str:
    """The part that time now goes to: what was added to the plan, or the present entry's."""
    return run.adding or sheet.entries[run.entry].part_id


def taken_by(run: RunState, sheet: RunSheet, part_id: str, now: float) -> float:
    """Seconds that a part has taken up to now."""
    goes_on = find_present_part(run, sheet) == part_id and not run.ended_at and not run.paused_at
    since = max(0.0, now - run.last_at.timestamp()) if goes_on and run.last_at else 0.0
    return run.taken.get(part_id, 0) + since


def seconds_left(run: RunState, sheet: RunSheet, now: float) -> float:
    """Seconds of work that the present part still has."""
    part = find_present_part(run, sheet)
    added = next((one.seconds for one in run.added if one.part_id == part), None)
    has = work_of(sheet, run, part) if added is None else added
    return max(0.0, has - taken_by(run, sheet, part, now))


def water_level(run: RunState, sheet: RunSheet, now: float) -> float:
    """How much of the present part's time is left, 1 to 0, getting there included."""
    part = find_present_part(run, sheet)
    added = next((one.seconds for one in run.added if one.part_id == part), None)
    times = zip(sheet.entries, schedule(sheet, run), strict=True)
    planned = sum(s for e, (_, s) in times if e.part_id == part) if added is None else added
    return 0.0 if planned == 0 else max(0.0, 1 - taken_by(run, sheet, part, now) / planned)


def behind(run: RunState, sheet: RunSheet, now: float) -> float:
    """Seconds behind the plan (positive) or ahead of it (negative); 0 while the present entry has its time.

    Once the rest was shared out anew, it is the end then promised that counts.
    """
    passed, at = _where(run, sheet, now)
    return passed - at


def still_needed(run: RunState, sheet: RunSheet, now: float) -> float:
    """Seconds that the present part still needs: what is left of its present entry, and those after it."""
    times = schedule(sheet, run)
    part = sheet.entries[run.entry].part_id
    last = max(i for i, entry in enumerate(sheet.entries) if entry.part_id == part)
    return times[last][0] + times[last][1] - _where(run, sheet, now)[1]


def _where(run: RunState, sheet: RunSheet, now: float) -> tuple[float, float]:
    """Where the plan should be by now, and where within the present entry it is, in seconds from the first touch."""
    if run.begun_at is None:
        return 0, 0
    times = schedule(sheet, run)
    all = sum(seconds for _, seconds in times)
    start, seconds = times[run.entry]
    passed = elapsed(run, now) + all - (all if run.total is None else run.total)
    return passed, min(max(passed, start), start + seconds)


def begun_late(run: RunState, sheet: RunSheet, due: float, now: float) -> float:
    """Seconds by which the first touch was later than the booked hour leaves room for.

    `due`: when the first touch was to be. 0 if it was not late, if a minute or two do not matter, or if it was so late
    that it must have been another hour; only asked in the first minutes, and while nothing has been shared out anew.
    """
    if run.begun_at is None or run.total or elapsed(run, now) > ASKED_WITHIN:
        return 0
    late = run.begun_at.timestamp() - due
    return late if MATTERS <= late <= sheet.hands_on_seconds / 2 else 0


def progress(run: RunState, sheet: RunSheet) -> float:
    """How far the session is, 0 to 1."""
    times = schedule(sheet, run)
    total = sum(seconds for _, seconds in times)
    return times[run.entry][0] / total if total else 0
