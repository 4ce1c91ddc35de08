"""TIM07: percussion too long to rouse."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow

ROUSES_UP_TO = 30


def check(case: Case) -> Iterator[Found]:
    """Percussion over 30 s in a region, where it was meant to rouse."""
    for e in case.sheet.entries:
        if e.slot != "rouse" or e.step is None or e.seconds <= ROUSES_UP_TO:
            continue
        s = case.flow.stops[e.stop]
        x = s.steps[e.step]
        if case.stroke(x).family == "percussion":
            passes = max(1, x.passes * ROUSES_UP_TO // e.seconds)
            repair = Repair(words="Shorten it", edits=(ChangeStep(stop_id=s.id, step=e.step, passes=passes),))
            what = (
                f"{e.seconds} s of {case.stroke(x).name}: over {ROUSES_UP_TO} s it calms instead of rousing."
            )
            yield Found(what, s, e.step, (repair,))


def _clapping(passes: int, c: Catalogue) -> Flow:
    return back_with(c, step(c, "clapping", "rouse", 2, passes))


CHECK = Check(
    code="TIM07",
    name="percussion too long to rouse",
    severity="advice",
    summary="Percussion that is to rouse lasts up to 30 s.",
    rationale="The body soon stops answering a steady beat, and then sinks under it.",
    bad=lambda c: _clapping(5, c),
    good=lambda c: _clapping(3, c),
    check=check,
)
