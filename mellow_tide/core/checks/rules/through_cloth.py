"""DRP02: a stroke that fails through cloth."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part, step
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Steps of clothed parts, openings and closings among them, whose stroke needs bare skin."""
    for s in case.flow.parts:
        if s.medium != "clothed":
            continue
        for i, x in enumerate(s.steps):
            stroke = case.stroke(x)
            if "clothed" in stroke.medium or "any" in stroke.medium:
                continue
            yield Found(say("findings.through_cloth", stroke=stroke.name), s, i, leave_out(case, s, i))


def _through(stroke: str, c: Catalogue) -> Flow:
    made = flow(c, part(c, "back"))
    first = made.parts[0]
    slot = next(iter(c.strokes[stroke].slots))
    more = step(c, stroke, slot, c.strokes[stroke].depth[0])
    opened = first.model_copy(update={"steps": (*first.steps, more)})
    return made.model_copy(update={"parts": (opened, *made.parts[1:])})


CHECK = Check(
    code="DRP02",
    name="fails through cloth",
    severity="caution",
    summary="Through a sheet or a shirt only strokes that neither glide on skin nor lift it.",
    rationale="Cloth bunches: long glides and skin rolling drag it along.",
    bad=lambda c: _through("effleurage", c),
    good=lambda c: _through("draped_stroking", c),
    check=check,
)
