"""Labour at the table: what is done between contractions, and what during one."""

from mellow_tide.core.run.state import RunState
from mellow_tide.core.timing.run_sheet import RunSheet


def find_during(sheet: RunSheet, run: RunState) -> str | None:
    """The address of what steadies during a contraction: where one works now, or wherever the round has it next."""
    here = sheet.entries[run.entry].part_id
    during = [entry for entry in sheet.entries if entry.slot == "contraction"]
    mine = [entry for entry in during if entry.part_id == here]
    return (mine or during)[0].address if during else None


def find_round_start(sheet: RunSheet) -> int:
    """The place of the first stroke of the round, to begin it again; -1 where there is none."""
    places = (i for i, e in enumerate(sheet.entries) if e.role == "work" and e.kind == "stroke")
    return next(places, -1)


def is_round_over(sheet: RunSheet, run: RunState) -> bool:
    """Whether the round has been through once: only the close is left."""
    return sheet.entries[run.entry].role == "close"
