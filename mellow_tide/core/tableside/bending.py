"""The rest of the session shared out anew: what gives way, before it happens."""

from collections.abc import Collection

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.planner.question.question import CLOSE
from mellow_tide.core.planner.table.replan_table import PartTable, ReplanTable
from mellow_tide.core.planner.table.share_out import share_out
from mellow_tide.core.run.state import RunState
from mellow_tide.core.tableside.progress import elapsed, still_needed, taken_by
from mellow_tide.core.tableside.schedule import work_of
from mellow_tide.core.timing.run_sheet import Entry, RunSheet


class Bending(Record):
    """Whole seconds of work by part id from now on, 0 for one that is left out; with `short_by`, nothing fits."""

    seconds: dict[str, int]
    short_by: int


def bend(
    tables: ReplanTable,
    sheet: RunSheet,
    run: RunState,
    until: tuple[float, float],
    keep: Collection[str] = (),
) -> Bending | None:
    """What becomes of the parts after the present one.

    `until`: the seconds the session is to have from first touch to last, and now (seconds since 1970). Second sides get
    what their first side got; the regions in `keep` give nothing, the others give more. None after the last part.
    """
    total, now = until
    parts = _parts(sheet)
    here = next(i for i, part in enumerate(parts) if part.part_id == sheet.entries[run.entry].part_id)
    table = next((one for one in tables.parts if one.part == here + 1), None)
    if table is None:
        return None
    spent = elapsed(run, now) + still_needed(run, sheet, now) + _still_added(run, sheet, now)
    owed = sum(_first_side(parts[: here + 1], region, sheet, run) for region in table.owed)
    shared = share_out(table, total - spent - owed, _held(parts[here + 1 :], keep, table, sheet, run))
    if shared.short_by > 0:
        return Bending(seconds={}, short_by=shared.short_by)
    seconds = {}
    for part in parts[here + 1 :]:
        key = CLOSE if part.role == "close" else part.region
        if part.role in ("work", "close") and key not in table.owed:
            seconds[part.part_id] = int(shared.seconds.get(key, 0) + 0.5)
    return Bending(seconds=seconds, short_by=0)


def _parts(sheet: RunSheet) -> list[Entry]:
    """The first entry of each part, in order."""
    before = [None, *(entry.part_id for entry in sheet.entries)]
    return [entry for entry, last in zip(sheet.entries, before, strict=False) if entry.part_id != last]


def _still_added(run: RunState, sheet: RunSheet, now: float) -> float:
    beside = next((one for one in run.added if one.part_id == run.adding), None)
    return max(0.0, beside.seconds - taken_by(run, sheet, beside.part_id, now)) if beside else 0.0


def _first_side(done: list[Entry], region: str, sheet: RunSheet, run: RunState) -> int:
    first = next((part for part in done if part.role == "work" and part.region == region), None)
    return work_of(sheet, run, first.part_id) if first else 0


def _held(
    ahead: list[Entry], keep: Collection[str], table: PartTable, sheet: RunSheet, run: RunState
) -> dict[str, float]:
    rows = {share.region for share in table.shares}
    return {
        part.region: work_of(sheet, run, part.part_id)
        for part in ahead
        if part.role == "work" and part.region in keep and part.region in rows
    }
