"""What is worked lighter than wished because a session ends with it."""

from mellow_tide.core.flow.flow import FIRM, Flow
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.strokes.repertoire import arc_options
from mellow_tide.core.planner.strokes.rituals import LAST
from mellow_tide.core.timing.run_sheet import lay_out


def is_light_at_end(flow: Flow, region: str, asked: Asked) -> bool:
    """Whether nothing on a region is firm though it could be, and its last side is worked in the last minutes."""
    parts = [part for part in flow.parts if part.role == "work" and part.region == region]
    if asked.kind.surface != "table" or any(step.depth >= FIRM for part in parts for step in part.steps):
        return False
    options = arc_options(region, asked.touch(region), asked.catalogue)
    if not any(option.depth >= FIRM for option in options):
        return False
    sheet = lay_out(flow, asked.catalogue, asked.tempo)
    ends = max(entry.start + entry.seconds for entry in sheet.entries if entry.part_id == parts[-1].id)
    return ends > sheet.seconds - LAST
