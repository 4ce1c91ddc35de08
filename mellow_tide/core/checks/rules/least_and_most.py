"""TIM02: less than is useful, or more than is sensible, on a region."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, both, flow, part
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say

TOLERATED = 10
"""Seconds by which passes may miss a bound."""


def check(case: Case) -> Iterator[Found]:
    """Passages outside their least and most seconds, side by side, in a session with minutes to meet.

    Regions that share a passage share its least and their most.
    """
    if case.kind.open_ended:
        return
    for places in case.passages:
        parts = [case.flow.parts[at] for at in places if case.flow.parts[at].role == "work"]
        if not parts:
            continue
        first, seconds = parts[0], sum(case.counted(s) for s in parts)
        least, most = _bounds(case, parts)
        tolerated = TOLERATED * len(parts)
        if seconds < least - tolerated:
            yield Found(
                say("findings.too_short", seconds=seconds, place=case.place(first), least=least), first
            )
        elif seconds > most + tolerated:
            yield Found(say("findings.too_long", seconds=seconds, place=case.place(first), most=most), first)


def _bounds(case: Case, parts: list[Part]) -> tuple[int, int]:
    """Least and most seconds of a passage: of one region its own, of several at least what the passage needs."""
    least, most = (sum(bounds) for bounds in zip(*(case.bounds(s) for s in parts), strict=True))
    regions = {s.region for s in parts}
    if len(regions) == 1:
        return least, most
    of_it = next(p for p in case.catalogue.passages.values() if regions <= set(p.regions))
    return min(of_it.least_seconds, least), most


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
