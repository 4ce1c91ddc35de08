"""What a session asks of the therapist's hands."""

from collections.abc import Iterator, Sequence
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Depth, Record, Stroke
from mellow_tide.core.hands.self_check import SelfCheck, spare_thumbs
from mellow_tide.core.hands.strain import (
    HAZARDOUS,
    Task,
    composite_strain_index,
    cumulative_strain_index,
    hours_multiplier,
    longest_hold,
    revised_strain_index,
)
from mellow_tide.core.hands.strain_1995 import Job, posture_of, strain_index_1995
from mellow_tide.core.timing.run_sheet import Entry, RunSheet

THUMBS = frozenset({"thumb", "reinforced_thumb"})
THUMB_BUDGET = 0.15
"""Share of the hands-on time that thumbs may take (common practice)."""

THUMB_SECONDS_A_DAY = 45 * 60
"""Thumb work that a day bears (common practice)."""

LoadKey = tuple[str, str, int]
"""Stroke, tool, depth."""

# Effort of a stroke by depth (Borg CR10 over 10), and the seconds of one effort: from experience, no source. How much
# of it the hand itself makes is the tool's: leaned weight through a forearm asks little, a thumb all of it.
_EFFORT = {1: 0.05, 2: 0.1, 3: 0.2, 4: 0.35, 5: 0.5}
_EFFORT_EACH = 3.0


class Straining(Record):
    """A stroke with a tool at a depth, and its own strain index over the session."""

    stroke: str
    tool: str
    depth: Depth
    index: float


class HandLoad(Record):
    """Load of one session: thumb seconds and their share, composite strain index, the hardest stroke.

    `straining` are the strokes that are above the hazard by themselves. `strain_1995` judges the session as one job by
    the older index, which many clinics still use: up to 3 is probably safe, from 7 on probably hazardous.
    """

    thumb_seconds: int
    thumb_share: Annotated[float, Field(ge=0, le=1)]
    strain: float
    hazardous: bool
    hardest: str | None
    straining: tuple[Straining, ...] = ()
    strain_1995: float


class DayLoad(Record):
    """Load of a day of sessions: thumb seconds, the day's budget of them, and the cumulative strain index.

    The budget is less where thumbs or wrists ached before work.
    """

    thumb_seconds: int
    thumb_budget_seconds: int
    strain: float
    hazardous: bool


def measure_hand_load(sheet: RunSheet, catalogue: Catalogue) -> HandLoad:
    """The load of working `sheet` once."""
    strokes = [entry for entry in sheet.entries if entry.kind == "stroke"]
    thumbs = sum(entry.seconds for entry in strokes if entry.tool in THUMBS)
    hours = max(sheet.seconds, 60) / 3600
    tasks = list(_tasks(sheet, catalogue))
    ranked = sorted(((revised_strain_index(task), key) for key, task in tasks), reverse=True)
    strain = composite_strain_index([task for _, task in tasks], hours)
    return HandLoad(
        thumb_seconds=thumbs,
        thumb_share=thumbs / max(sheet.seconds, 1),
        strain=round(strain, 2),
        hazardous=strain > HAZARDOUS,
        hardest=ranked[0][1][0] if ranked else None,
        straining=tuple(
            Straining(stroke=stroke, tool=tool, depth=depth, index=round(index, 1))
            for index, (stroke, tool, depth) in ranked
            if index > HAZARDOUS
        ),
        strain_1995=_as_one_job([task for _, task in tasks], sheet),
    )


def measure_day_load(sessions: Sequence[tuple[HandLoad, int]], check: SelfCheck | None = None) -> DayLoad:
    """The load of a day of sessions, each with its seconds at the table; `check`: what ached before the first."""
    thumbs = sum(load.thumb_seconds for load, _ in sessions)
    hours = [max(seconds, 60) / 3600 for _, seconds in sessions]
    free = [
        (load.strain / hours_multiplier(worked), worked)
        for (load, _), worked in zip(sessions, hours, strict=True)
    ]
    strain = cumulative_strain_index(free)
    return DayLoad(
        thumb_seconds=thumbs,
        thumb_budget_seconds=spare_thumbs(THUMB_SECONDS_A_DAY, check),
        strain=round(strain, 2),
        hazardous=strain > HAZARDOUS,
    )


def find_hold_limit(tool: str, depth: int, catalogue: Catalogue) -> float | None:
    """Seconds for which a still press at `depth` with `tool` can be held at all; None where it tires nobody."""
    fraction = _EFFORT[depth] * catalogue.tools[tool].effort
    return longest_hold(fraction) if fraction > 0.15 else None


def find_easier_tool(stroke: Stroke, tool: str, catalogue: Catalogue) -> str | None:
    """The least loading tool that is usual for this stroke, if it is easier than `tool`."""
    usual = catalogue.planned_strokes[stroke.id].tools
    easiest = min(usual, key=lambda t: catalogue.tools[t].load_rank)
    return easiest if catalogue.tools[easiest].load_rank < catalogue.tools[tool].load_rank else None


def _as_one_job(tasks: Sequence[Task], sheet: RunSheet) -> float:
    """The 1995 index of the session: its mean effort over all strokes, weighed by how often each is made."""
    efforts = sum(task.per_minute for task in tasks)
    if not efforts:
        return 0.0
    intensity = sum(task.intensity * task.per_minute for task in tasks) / efforts
    flexion = max((task.flexion for task in tasks), key=posture_of)
    worked = sum(entry.seconds for entry in sheet.entries if entry.kind == "stroke")
    job = Job(
        intensity=intensity,
        exertion_share=worked / max(sheet.seconds, 1),
        per_minute=efforts,
        flexion=flexion,
        hours=max(sheet.seconds, 60) / 3600,
    )
    return round(strain_index_1995(job), 2)


def _tasks(sheet: RunSheet, catalogue: Catalogue) -> Iterator[tuple[LoadKey, Task]]:
    """One task for each stroke, tool and depth: efforts of 3 s, at the rate they have over the whole session."""
    grouped: dict[LoadKey, int] = {}
    for entry in sheet.entries:
        if entry.kind == "stroke":
            key = _key(entry)
            grouped[key] = grouped.get(key, 0) + entry.seconds
    hours = max(sheet.seconds, 60) / 3600
    for (stroke, tool, depth), seconds in grouped.items():
        known = catalogue.tools[tool]
        intensity = _EFFORT[depth] * known.effort
        task = Task(intensity, seconds / _EFFORT_EACH / (60 * hours), _EFFORT_EACH, known.flexion, hours)
        yield (stroke, tool, depth), task


def _key(entry: Entry) -> LoadKey:
    return entry.stroke or "", entry.tool or "", entry.depth or 1
