"""What a plan is like, in numbers."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.hands.load import measure_hand_load
from mellow_tide.core.timing.run_sheet import RunSheet


class Traits(Record):
    """What sets a plan apart, in numbers: turns and walks, whole seconds between strokes and on the focus, thumbs.

    `by_region` are whole seconds of strokes, both sides together.
    """

    turns: int
    walks: int
    between: int
    on_focus: int
    by_region: dict[str, int]
    thumb_share: float


def measure_traits(sheet: RunSheet, brief: Brief, catalogue: Catalogue) -> Traits:
    """The traits of a flow that is laid out, in a house's catalogue."""
    entries = sheet.entries
    by_region: dict[str, int] = {}
    for e in entries:
        if e.kind == "stroke" and e.role == "work":
            by_region[e.region] = by_region.get(e.region, 0) + e.seconds
    return Traits(
        turns=sum(e.kind in ("turn", "sit_back") for e in entries),
        walks=sum(e.kind == "walk" for e in entries),
        between=sum(e.seconds for e in entries if e.kind != "stroke"),
        on_focus=sum(by_region.get(region, 0) for region in brief.focus),
        by_region=by_region,
        thumb_share=round(measure_hand_load(sheet, catalogue).thumb_share, 3),
    )
