"""HLT10: more time on the table than a condition bears."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.run_sheet import TOLERATED


def check(case: Case) -> Iterator[Found]:
    """A run sheet longer than the most minutes that a condition names."""
    most = case.restrictions.most_minutes
    if most and case.sheet.seconds > 60 * most.minutes + TOLERATED:
        yield Found(
            say(
                "findings.too_long_for_health",
                seconds=case.sheet.seconds,
                most=most.minutes,
                because=most.because,
            )
        )


CHECK = Check(
    code="HLT10",
    name="too long for health",
    severity="refuse",
    summary="No session is longer than a condition bears: 45 minutes hands-on with heart failure.",
    rationale="Lying long, and much fluid moved at once, is work for a weak heart.",
    bad=lambda c: back_with(c, *(step(c, "resting_hold", "settle", 1, 12) for _ in range(60))),
    good=lambda c: back_with(c, step(c, "effleurage", "warm", 2, 4)),
    client=ClientFacts(conditions=frozenset({"heart_failure"})),
    check=check,
)
