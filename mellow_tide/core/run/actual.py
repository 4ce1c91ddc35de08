"""The session as it was: the run sheet stretched and cut to the time that was taken."""

from dataclasses import replace

from mellow_tide.core.run.state import RunState
from mellow_tide.core.timing.run_sheet import Entry, RunSheet


def lay_out_actual(sheet: RunSheet, run: RunState) -> RunSheet:
    """Every part that was worked, in the plan's order, each as long as it took; what was skipped is not in it.

    Within a part the time goes to its entries as planned: only parts were measured as a whole. What was added comes
    after the part at which it was, and has no depth of its own to draw.
    """
    skipped = {address for skip in run.skipped for address in skip.entries}
    entries: list[Entry] = []
    clock = 0.0
    for part in dict.fromkeys(entry.part_id for entry in sheet.entries):
        taken = run.taken.get(part, 0.0)
        here = [e for e in sheet.entries if e.part_id == part and e.address not in skipped]
        planned = sum(entry.seconds for entry in here)
        if taken > 0 and planned > 0:
            for entry in here:
                start = round(clock)
                clock += entry.seconds * taken / planned
                entries.append(replace(entry, start=start, seconds=round(clock) - start))
        elif taken > 0:
            clock += taken
        clock += sum(
            run.taken.get(one.part_id, 0.0) for one in run.added if sheet.entries[one.entry].part_id == part
        )
    return RunSheet.model_construct(**{**dict(sheet), "entries": tuple(entries), "seconds": round(clock)})
