"""CNS04: a stroke that needs a yes of its own."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.phrases.book import say

CIRCLES: ExampleStrokes = (("scalp_circles", "warm", 2), ("scalp_circles", "settle", 2))
LIFT: ExampleStrokes = (CIRCLES[0], ("hair_root_lift", "settle", 1))


def check(case: Case) -> Iterator[Found]:
    """Strokes that need a yes on record, and have none: lifting at the roots of the hair."""
    for consent in case.unanswered:
        if not consent.strokes or not consent.explicit:
            continue
        for s, i, x, stroke in case.all_steps():
            if x.stroke in consent.strokes:
                what = say("findings.hair_lifted", stroke=stroke.name)
                yield Found(what, s, i, leave_out(case, s, i))


CHECK = Check(
    code="CNS04",
    name="hair lifted unasked",
    severity="refuse",
    summary="Hair is lifted at its roots only with a yes on record.",
    rationale="It may be thin, sore, dyed or not all their own; ask about hair first.",
    bad=lambda c: flow(c, part(c, "scalp", position="supine", strokes=LIFT, medium="dry")),
    good=lambda c: flow(c, part(c, "scalp", position="supine", strokes=CIRCLES, medium="dry")),
    check=check,
)
