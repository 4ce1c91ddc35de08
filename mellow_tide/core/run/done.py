"""What was done, region by region, against the plan."""

from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.run.events import TOWARD, Word
from mellow_tide.core.run.state import RunState, Saying
from mellow_tide.core.timing.run_sheet import RunSheet


class RegionDone(Record):
    """A region planned against done: seconds on both sides together, and the depth that suited (1 to 5).

    `suited` follows the last word said: its depth, one lighter or one deeper; None if nothing was said.
    """

    region: str
    planned: int
    taken: int
    suited: Depth | None
    last_word: Word | None


def compare_done(sheet: RunSheet, state: RunState) -> tuple[RegionDone, ...]:
    """Every worked region in order of the sheet, getting there included, planned against taken; then what was added."""
    planned: dict[str, int] = {}
    taken: dict[str, float] = {}
    counted: set[str] = set()
    for entry in sheet.entries:
        if entry.role != "work":
            continue
        planned[entry.region] = planned.get(entry.region, 0) + entry.seconds
        if entry.part_id not in counted:
            counted.add(entry.part_id)
            taken[entry.region] = taken.get(entry.region, 0) + state.taken.get(entry.part_id, 0)
    for addition in state.added:
        planned.setdefault(addition.region, 0)
        taken[addition.region] = taken.get(addition.region, 0) + state.taken.get(addition.part_id, 0)
    last = {saying.region: saying for saying in state.said}
    return tuple(
        RegionDone(
            region=region,
            planned=seconds,
            taken=round(taken[region]),
            suited=_suited(last[region]) if region in last else None,
            last_word=last[region].word if region in last else None,
        )
        for region, seconds in planned.items()
    )


def _suited(saying: Saying) -> int:
    return min(5, max(1, saying.depth + TOWARD[saying.word]))
