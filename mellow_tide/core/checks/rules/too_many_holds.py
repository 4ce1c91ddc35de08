"""PRS02: more than three holds on a point."""

from collections import Counter
from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say

MOST = 3


def check(case: Case) -> Iterator[Found]:
    """The step with which a zone of a part gets its fourth hold or more."""
    for s in case.worked():
        holds: Counter[str | None] = Counter()
        for i, x in enumerate(s.steps):
            if case.stroke(x).family != "point" or case.stroke(x).act:
                continue
            before = holds[x.zone]
            holds[x.zone] += x.passes
            if holds[x.zone] > MOST and before <= MOST and case.stroke(x).id == "point_hold":
                what = say("findings.too_many_holds", holds=holds[x.zone], place=case.place(s))
                yield Found(what, s, i, leave_out(case, s, i))


def _holds(times: int, c: Catalogue) -> Flow:
    return back_with(
        c, step(c, "point_hold", "specific", 3, times).model_copy(update={"zone": "medial_scapula"})
    )


CHECK = Check(
    code="PRS02",
    name="too many holds",
    severity="caution",
    summary="A point is held three times at the most; what has not eased by then waits for the next visit.",
    rationale="More presses make a place sore that was not. Schools differ on the length of a hold, not on its number.",
    bad=lambda c: _holds(4, c),
    good=lambda c: _holds(3, c),
    check=check,
)
