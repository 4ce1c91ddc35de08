"""A run sheet in little: what a small tide line is drawn from."""

from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Role
from mellow_tide.core.timing.run_sheet import RunSheet


class OutlineStroke(Record):
    """Strokes of one part that follow one another at one depth; `start` and `seconds` as on the run sheet.

    `window` is what of the drape is open, on `window_side`.
    """

    part: int
    part_id: str
    role: Role
    side: Side
    position: str
    window: str
    window_side: Side
    start: int
    seconds: int
    depth: Depth


class Outline(Record):
    """The strokes of a session in order, and its whole seconds."""

    strokes: tuple[OutlineStroke, ...]
    seconds: int


def draw_outline(sheet: RunSheet) -> Outline:
    """The outline of a run sheet."""
    strokes: list[OutlineStroke] = []
    for entry in sheet.entries:
        if entry.kind != "stroke" or entry.depth is None:
            continue
        last = strokes[-1] if strokes else None
        if last and (last.part, last.depth, last.start + last.seconds) == (
            entry.part,
            entry.depth,
            entry.start,
        ):
            strokes[-1] = last.model_copy(update={"seconds": last.seconds + entry.seconds})
            continue
        strokes.append(
            OutlineStroke(
                part=entry.part,
                part_id=entry.part_id,
                role=entry.role,
                side=entry.side,
                position=entry.position,
                window=entry.window,
                window_side=entry.window_side,
                start=entry.start,
                seconds=entry.seconds,
                depth=entry.depth,
            )
        )
    return Outline(strokes=tuple(strokes), seconds=sheet.seconds)
