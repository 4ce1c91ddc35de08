"""TIM06: too much of the session goes by between strokes."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, both, flow, part
from mellow_tide.core.phrases.book import say

MOST = 0.35
"""Share of the session, from experience."""


def check(case: Case) -> Iterator[Found]:
    """A run sheet of which transitions take more than 35 %."""
    between = sum(e.seconds for e in case.sheet.entries if e.kind != "stroke")
    share = between / max(case.sheet.seconds, 1)
    if share > MOST:
        yield Found(say("findings.mostly_between", share=round(100 * share)))


SHORT: ExampleStrokes = (("oil_spread", "spread", 1), ("effleurage", "settle", 1))

CHECK = Check(
    code="TIM06",
    name="mostly between strokes",
    severity="advice",
    summary="Covering, walking, washing and turning take at most about a third of the session.",
    rationale="Each further region costs its covering and its walk before the first stroke.",
    bad=lambda c: flow(c, *both(c, "hip_front", SHORT, "supine"), *both(c, "arm", SHORT, "supine")),
    good=lambda c: flow(c, part(c, "back", times=6), part(c, "neck")),
    check=check,
)
