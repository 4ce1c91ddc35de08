"""ORD08: the last minutes do not get calmer."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import work_at
from mellow_tide.core.phrases.book import say

LAST_SECONDS, IN_THE_CHAIR = 60, 30
"""The end of a session, and of a short one in the chair."""

CALM = 2


def check(case: Case) -> Iterator[Found]:
    """Steps deeper than 2 in the last minute, or half a minute in the chair, of a session that is to end calm."""
    if case.flow.brief.finish == "bright":
        return
    last = IN_THE_CHAIR if case.kind.surface == "chair" else LAST_SECONDS
    from_second = case.sheet.seconds - last
    for e in case.sheet.entries:
        if e.kind != "stroke" or e.start < from_second or (e.depth or 0) <= CALM or e.step is None:
            continue
        s = case.flow.parts[e.part]
        yield Found(say("findings.restless_end"), s, e.step, work_at(case, s, e.step, CALM))


RESTLESS: ExampleStrokes = (("oil_spread", "spread", 1), ("kneading", "knead", 3))

CHECK = Check(
    code="ORD08",
    name="restless end",
    severity="caution",
    summary="The last minutes only get slower and lighter.",
    rationale="The client gets up from the last minute, not from the middle.",
    bad=lambda c: flow(c, part(c, "neck", position="supine", strokes=RESTLESS)),
    good=lambda c: flow(c, part(c, "neck", position="supine")),
    check=check,
)
