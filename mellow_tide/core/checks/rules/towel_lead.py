"""SUP03: a hot towel that cannot be hot in time by itself."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, ExampleStrokes, flow, part
from mellow_tide.core.phrases.book import say
from mellow_tide.core.supplies.packing import WARMER_MINUTES

TOWEL: ExampleStrokes = (*ARC[:4], ("hot_towel_press", "settle", 1), ARC[4])


def check(case: Case) -> Iterator[Found]:
    """The first towel of the session, where it is wanted sooner after the client's coming than the warmer takes."""
    first = next((e for e in case.sheet.entries if e.kind == "towel"), None)
    before = case.kind.before_after_minutes(case.flow.brief.first_visit) - case.kind.after_minutes
    if first is None or first.start >= 60 * (WARMER_MINUTES - before):
        return
    lead = 60 * (WARMER_MINUTES - before) - first.start
    what = say("findings.towel_lead", seconds=lead)
    yield Found(what, case.flow.parts[first.part])


CHECK = Check(
    code="SUP03",
    name="towel not hot in time",
    severity="advice",
    summary="Towels are in the warmer for 20 minutes before the first one is wanted.",
    rationale="A lukewarm towel is worse than none, and the warmer cannot be hurried.",
    bad=lambda c: flow(c, part(c, "back", strokes=TOWEL)),
    good=lambda c: flow(c, part(c, "back", times=12), part(c, "neck", strokes=TOWEL)),
    check=check,
)
