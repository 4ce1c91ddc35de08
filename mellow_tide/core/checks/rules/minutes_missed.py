"""TIM01: over or under the hands-on minutes."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.checks.rules.no_time_to_dress import eats_before_and_after
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.run_sheet import TOLERATED


def check(case: Case) -> Iterator[Found]:
    """A run sheet more than 15 s longer or shorter than the booking leaves."""
    over = case.sheet.over
    # Work that eats the time to talk and dress is another rule's.
    if abs(over) > TOLERATED and not eats_before_and_after(case):
        phrase = "findings.session_too_long" if over > 0 else "findings.session_too_short"
        yield Found(say(phrase, seconds=abs(over), hands_on=case.sheet.hands_on_seconds))


CHECK = Check(
    code="TIM01",
    name="minutes missed",
    severity="caution",
    summary="Strokes and transitions together meet the hands-on minutes within 15 s.",
    rationale="A session that does not add up is paid for by its last region, or by the next client.",
    bad=lambda c: flow(c, *both(c, "thigh_back"), booked_minutes=60),
    good=lambda c: flow(c, part(c, "back", times=9), booked_minutes=24),
    check=check,
)
