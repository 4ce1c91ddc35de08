"""TIM02: less than is useful, or more than is sensible, on a region."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, both, flow, part
from mellow_tide.core.phrases.book import say

TOLERATED = 10
"""Seconds by which passes may miss a bound."""


def check(case: Case) -> Iterator[Found]:
    """Parts outside the least and most seconds of their region, side by side, in a session with minutes to meet."""
    if case.kind.open_ended:
        return
    for s in case.worked():
        seconds, (least, most) = case.seconds(s), case.bounds(s)
        if seconds < least - TOLERATED:
            yield Found(say("findings.too_short", seconds=seconds, place=case.place(s), least=least), s)
        elif seconds > most + TOLERATED:
            yield Found(
                say("findings.too_long", seconds=seconds, place=case.place(s), most=most),
                s,
            )


FOOT: ExampleStrokes = (
    ("oil_spread", "spread", 1),
    ("foot_circles", "warm", 2),
    ("thumb_criss_cross", "knead", 3),
    ("sole_knuckling", "specific", 3),
    ("toe_work", "mobilise", 2),
    ("effleurage", "settle", 1),
)

CHECK = Check(
    code="TIM02",
    name="too short or too long",
    severity="caution",
    summary="Each region has at least its least useful time, and at most its most sensible one.",
    rationale="Two minutes on a back only wake it; half an hour on a calf leaves it sore.",
    bad=lambda c: flow(c, part(c, "back", times=1)),
    good=lambda c: flow(c, *both(c, "foot", strokes=FOOT)),
    check=check,
)
