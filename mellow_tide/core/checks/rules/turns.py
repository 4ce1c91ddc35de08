"""TIM04: more turns than the regions need."""

from collections.abc import Iterator
from itertools import pairwise

from mellow_tide.core.catalogue.rules import Block
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """A flow that turns the client although its school reaches all its regions with fewer turns."""
    positions = [s.position for s in case.flow.parts]
    turns = sum(a != b for a, b in pairwise(positions))
    blocks = case.catalogue.schools[case.flow.brief.school].blocks
    one_suffices = any(_reaches(case, block) for block in blocks)
    needed = 0 if one_suffices else len(set(positions)) - 1
    if turns > needed:
        first = next(b for a, b in pairwise(case.flow.parts) if a.position != b.position)
        yield Found(say("findings.turns", turns=turns, count=needed), first)


def _reaches(case: Case, block: Block) -> bool:
    """Whether all that the flow works could be worked in the one position of `block`."""
    position = case.catalogue.positions[block.position]
    return all(s.region in block.regions() and position.reaches(s.side) for s in case.worked())


CHECK = Check(
    code="TIM04",
    name="needless turn",
    severity="caution",
    summary="The client is turned no more often than the regions need.",
    rationale="A turn costs two minutes and wakes a client who had just sunk in.",
    bad=lambda c: flow(
        c,
        part(c, "back"),
        *both(c, "thigh_front", position="supine"),
        *both(c, "thigh_back"),
        part(c, "neck", position="supine"),
    ),
    good=lambda c: flow(
        c, part(c, "back"), *both(c, "thigh_back"), *both(c, "thigh_front", position="supine")
    ),
    check=check,
)
