"""TIM08: no time left to talk, settle and dress."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.phrases.book import say


def eats_before_and_after(case: Case) -> bool:
    """Whether the work takes more than half of the minutes that are not hands-on."""
    minutes = case.kind.before_after_minutes(case.flow.brief.first_visit)
    return case.sheet.over > 30 * minutes > 0


def check(case: Case) -> Iterator[Found]:
    """A run sheet that fills most of the time for talking, settling and dressing."""
    if eats_before_and_after(case):
        brief = case.flow.brief
        minutes = case.kind.before_after_minutes(brief.first_visit)
        phrase = "findings.no_time_to_dress_first" if brief.first_visit else "findings.no_time_to_dress"
        yield Found(say(phrase, booked=brief.booked_minutes, minutes=minutes))


CHECK = Check(
    code="TIM08",
    name="no time to talk and dress",
    severity="caution",
    summary="Booking minutes are not hands-on minutes: talking, settling and dressing come out of them.",
    rationale="Whoever plans the whole booking sends the client out half dressed, or starts the next one late.",
    bad=lambda c: flow(c, part(c, "back", times=8), booked_minutes=14),
    good=lambda c: flow(c, part(c, "back", times=8), booked_minutes=23),
    check=check,
)
