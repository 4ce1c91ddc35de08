"""Whether a flow names only what exists and asks nothing that no hands could do.

A region that its position does not reach is not refused but found by a check: a hand may have dropped it there.
"""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue, check_known
from mellow_tide.core.catalogue.records import Stroke
from mellow_tide.core.flow.brief import check_brief
from mellow_tide.core.flow.flow import Flow, Part, Step
from mellow_tide.core.refusal import BadFlow, FieldProblem, UnknownReference


def check_flow(flow: Flow, catalogue: Catalogue) -> None:
    """Raise `UnknownReference` or `BadFlow` naming every place at fault; return None if the flow can be worked."""
    check_brief(flow.brief, catalogue)
    missing = [p for p in _references(flow, catalogue) if p]
    if missing:
        raise UnknownReference(*missing)
    faults = list(_faults(flow, catalogue))
    if faults:
        raise BadFlow(*faults)


def _references(flow: Flow, c: Catalogue) -> Iterator[FieldProblem | None]:
    for i, part in enumerate(flow.parts):
        at = f"parts.{i}"
        yield check_known(c.regions, part.region, f"{at}.region", "region")
        yield check_known(c.positions, part.position, f"{at}.position", "position")
        yield check_known(c.windows, part.window, f"{at}.window", "window")
        for j, step in enumerate(part.steps):
            yield check_known(c.strokes, step.stroke, f"{at}.steps.{j}.stroke", "stroke")
            yield check_known(c.tools, step.tool, f"{at}.steps.{j}.tool", "tool")
            for id in step.over:
                yield check_known(c.regions, id, f"{at}.steps.{j}.over", "region")


def _faults(flow: Flow, c: Catalogue) -> Iterator[FieldProblem]:
    seen: set[str] = set()
    for i, part in enumerate(flow.parts):
        at = f"parts.{i}"
        if part.id in seen:
            yield FieldProblem(f"{at}.id", "id_used_twice", id=part.id)
        seen.add(part.id)
        if part.role == "work":
            yield from _part_faults(part, at, c)
        for j, step in enumerate(part.steps):
            yield from _step_faults(step, part, f"{at}.steps.{j}", c.strokes[step.stroke], c)


def _part_faults(part: Part, at: str, c: Catalogue) -> Iterator[FieldProblem]:
    region = c.regions[part.region]
    allowed = (
        ("left", "right")
        if region.sides == "pair"
        else ("mid", "left", "right")
        if region.halves
        else ("mid",)
    )
    if part.side not in allowed:
        yield FieldProblem(f"{at}.side", "no_such_side", region=region.name, side=part.side, allowed=allowed)


def _step_faults(step: Step, part: Part, at: str, stroke: Stroke, c: Catalogue) -> Iterator[FieldProblem]:
    low, high = stroke.depth
    if not low <= step.depth <= high:
        yield FieldProblem(
            f"{at}.depth", "depth_out_of_range", stroke=stroke.name, depth=step.depth, low=low, high=high
        )
    if step.tool not in stroke.tools:
        yield FieldProblem(f"{at}.tool", "tool_unfit", stroke=stroke.name, tool=step.tool, known=stroke.tools)
    if len({part.region, *step.over}) <= len(step.over):
        yield FieldProblem(f"{at}.over", "over_a_region_twice", region=c.regions[part.region].name)
    if step.zone is not None and step.zone not in c.regions[part.region].zones:
        zones = c.regions[part.region].zones
        yield FieldProblem(f"{at}.zone", "unknown_zone", region=part.region, zone=step.zone, known=zones)
