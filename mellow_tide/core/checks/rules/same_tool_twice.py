"""HND04: two strong parts in a row on one tool."""

from collections.abc import Iterator
from itertools import pairwise

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part, step
from mellow_tide.core.flow.flow import Flow, Part
from mellow_tide.core.hands.spread import tired_by
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Neighbouring parts whose strong strokes load the hand with the same tool."""
    for before, now in pairwise(case.worked()):
        # The other side of a pair gets the same strokes, and so the same tools.
        again = _strained(before) & _strained(now) if before.region != now.region else ()
        for tool in sorted(again):
            name = case.catalogue.tools[tool].name
            what = say("findings.same_tool_twice", tool=name, place=case.place(before), then=case.place(now))
            yield Found(what, now)


def _strained(s: Part) -> frozenset[str]:
    return tired_by((x.tool, x.depth) for x in s.steps)


def _two(c: Catalogue, second: str) -> Flow:
    parts = []
    for region, tool in (("thigh_back", "knuckles"), ("lower_leg_back", second)):
        s = part(c, region, "right", ARC)
        strong = step(c, "stripping", "specific", 4).model_copy(update={"tool": tool})
        parts.append(s.model_copy(update={"steps": (*s.steps[:3], strong, *s.steps[3:])}))
    return flow(c, *parts)


CHECK = Check(
    code="HND04",
    name="one tool, twice strong",
    severity="advice",
    summary="Two strong parts in a row use different tools, or the therapist's weight.",
    rationale="Effort that is spread over hand, fist and forearm lasts a working life.",
    bad=lambda c: _two(c, "knuckles"),
    good=lambda c: _two(c, "forearm"),
    check=check,
)
