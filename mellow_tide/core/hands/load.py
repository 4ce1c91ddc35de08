"""What a session asks of the therapist's hands."""

from collections.abc import Iterator
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record, Stroke
from mellow_tide.core.hands.strain import HAZARDOUS, Task, composite_strain_index, revised_strain_index
from mellow_tide.core.timing.run_sheet import Entry, RunSheet

THUMBS = frozenset({"thumb", "reinforced_thumb"})
THUMB_BUDGET = 0.15
"""Share of the hands-on time that thumbs may take (common practice)."""

# Effort of a stroke by depth (Borg CR10 over 10), and the seconds of one effort: from experience, no source. How much
# of it the hand itself makes is the tool's: leaned weight through a forearm asks little, a thumb all of it.
_EFFORT = {1: 0.05, 2: 0.1, 3: 0.2, 4: 0.35, 5: 0.5}
_EFFORT_EACH = 3.0


class HandLoad(Record):
    """Load of one session: thumb seconds and their share, composite strain index, the hardest stroke."""

    thumb_seconds: int
    thumb_share: Annotated[float, Field(ge=0, le=1)]
    strain: float
    hazardous: bool
    hardest: str | None


def hand_load(sheet: RunSheet, catalogue: Catalogue) -> HandLoad:
    """The load of working `sheet` once."""
    strokes = [entry for entry in sheet.entries if entry.kind == "stroke"]
    thumbs = sum(entry.seconds for entry in strokes if entry.tool in THUMBS)
    hours = max(sheet.seconds, 60) / 3600
    tasks = list(_tasks(sheet, catalogue))
    hardest = max(tasks, key=lambda named: revised_strain_index(named[1]), default=None)
    strain = composite_strain_index([task for _, task in tasks], hours)
    return HandLoad(
        thumb_seconds=thumbs,
        thumb_share=thumbs / max(sheet.seconds, 1),
        strain=round(strain, 2),
        hazardous=strain > HAZARDOUS,
        hardest=hardest[0] if hardest else None,
    )


def easier_tool(stroke: Stroke, tool: str, catalogue: Catalogue) -> str | None:
    """The least loading tool this stroke allows, if it is easier than `tool`."""
    easiest = min(stroke.tools, key=lambda t: catalogue.tools[t].load_rank)
    return easiest if catalogue.tools[easiest].load_rank < catalogue.tools[tool].load_rank else None


def _tasks(sheet: RunSheet, catalogue: Catalogue) -> Iterator[tuple[str, Task]]:
    """One task for each stroke, tool and depth: efforts of 3 s, at the rate they have over the whole session."""
    grouped: dict[tuple[str, str, int], int] = {}
    for entry in sheet.entries:
        if entry.kind == "stroke":
            key = _key(entry)
            grouped[key] = grouped.get(key, 0) + entry.seconds
    hours = max(sheet.seconds, 60) / 3600
    for (stroke, tool, depth), seconds in grouped.items():
        known = catalogue.tools[tool]
        intensity = _EFFORT[depth] * known.effort
        yield (
            stroke,
            Task(intensity, seconds / _EFFORT_EACH / (60 * hours), _EFFORT_EACH, known.flexion, hours),
        )


def _key(entry: Entry) -> tuple[str, str, int]:
    return entry.stroke or "", entry.tool or "", entry.depth or 1
