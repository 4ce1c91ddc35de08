"""HLT12: more time on the back or face down at a stretch than a condition bears."""

from collections.abc import Iterator
from itertools import groupby

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.run_sheet import TOLERATED


def check(case: Case) -> Iterator[Found]:
    """Each stretch of lying flat, a turn from face down to the back included, that is longer than may be."""
    most = case.restrictions.flat_minutes
    if not most:
        return
    positions = case.catalogue.positions
    for flat, stretch in groupby(case.sheet.entries, lambda e: positions[e.position].on_back_or_face):
        entries = list(stretch)
        seconds = sum(entry.seconds for entry in entries)
        if flat and seconds > 60 * most.minutes + TOLERATED:
            yield Found(
                say("findings.flat_too_long", seconds=seconds, most=most.minutes, because=most.because),
                case.flow.parts[entries[0].part],
            )


CHECK = Check(
    code="HLT12",
    name="flat too long",
    severity="refuse",
    summary="No client lies flat, on the back or face down, for longer at a stretch than a condition allows.",
    rationale="Breath, stomach or a low back that bears a quarter of an hour flat may not bear an hour.",
    bad=lambda c: back_with(c, *(step(c, "resting_hold", "settle", 1, 12) for _ in range(30))),
    good=lambda c: back_with(c, step(c, "effleurage", "warm", 2, 4)),
    client=ClientFacts(conditions=frozenset({"flat_for_short"})),
    check=check,
)
