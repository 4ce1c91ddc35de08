"""What sets two plans apart, as data that a screen can phrase."""

from typing import Literal

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.traits import Traits, measure_traits
from mellow_tide.core.setting import Setting

FELT = 10
"""Seconds of a region, all sides together, that are no difference: passes do not divide any finer."""


Stroked = tuple[str, str | None, int]
"""Stroke, zone and depth."""

StrokesCompared = Literal["same", "fewer", "more", "other"]


class RegionChange(Record):
    """A region's whole seconds of strokes before and after, all sides together; 0 where it is not worked.

    `strokes`: the same ones with more or fewer passes, some of them only, more than them, or others.
    """

    region: str
    before: int
    after: int
    strokes: StrokesCompared


class Difference(Record):
    """What changes from one flow to another: the traits of both, and the regions that gain, lose, come or go.

    Greatest change first. `kept` and `moved` are the regions set by hand that stay as they were, or could not.
    `reordered`: whether what both work comes in another order.
    """

    before: Traits
    after: Traits
    changes: tuple[RegionChange, ...]
    kept: tuple[str, ...]
    moved: tuple[str, ...]
    reordered: bool


def compare_flows(
    before: Flow,
    after: Flow,
    by_hand: tuple[str, ...],
    setting: Setting,
    then: Setting | None = None,
) -> Difference:
    """What changes from `before` to `after`; `by_hand` are the regions set by hand before.

    `then` is what `after` is worked in, if that is another setting.
    """
    first, second = (
        measure_traits(there.lay_out(flow), flow.brief, there.catalogue)
        for flow, there in ((before, setting), (after, then or setting))
    )
    changes = [
        RegionChange(
            region=id,
            before=first.by_region.get(id, 0),
            after=second.by_region.get(id, 0),
            strokes=_compared(_strokes(before, id), _strokes(after, id)),
        )
        for id in dict.fromkeys((*first.by_region, *second.by_region))
    ]
    felt = [c for c in changes if abs(c.after - c.before) > FELT or c.strokes == "other"]
    return Difference(
        before=first,
        after=second,
        changes=tuple(sorted(felt, key=lambda c: -abs(c.after - c.before))),
        kept=tuple(id for id in by_hand if _steps(before, id) == _steps(after, id)),
        moved=tuple(id for id in by_hand if _steps(before, id) != _steps(after, id)),
        reordered=_order(before, after) != _order(after, before),
    )


def _steps(flow: Flow, region: str) -> list[object]:
    return [part.steps for part in flow.parts if part.region == region and part.role == "work"]


def _compared(before: set[Stroked], after: set[Stroked]) -> StrokesCompared:
    if before == after:
        return "same"
    if before > after:
        return "fewer"
    return "more" if before < after else "other"


def _strokes(flow: Flow, region: str) -> set[Stroked]:
    worked = (part for part in flow.parts if part.region == region and part.role == "work")
    return {(step.stroke, step.zone, step.depth) for part in worked for step in part.steps}


def _order(flow: Flow, other: Flow) -> list[tuple[str, str]]:
    """What both work, side by side, in the order in which it is first come to."""
    there = {(part.region, part.side) for part in other.parts if part.role == "work"}
    here = dict.fromkeys((part.region, part.side) for part in flow.parts if part.role == "work")
    return [place for place in here if place in there]
