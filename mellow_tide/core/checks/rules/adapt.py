"""HLT03: a condition that asks for small changes."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """What to do a little differently, and why; what a pregnancy changes is held by checks of its own."""
    for reason in case.restrictions.reasons:
        if reason.level == "adapt" and not reason.in_pregnancy:
            yield Found(say("findings.health", reason=reason.name, says=reason.says))


CHECK = Check(
    code="HLT03",
    name="adapt",
    severity="advice",
    summary="Some conditions are met with small changes of depth, position, oil or words.",
    rationale="Known and forgotten is as bad as not asked.",
    bad=lambda c: flow(c, part(c, "back")),
    good=lambda c: flow(c, part(c, "back")),
    client=ClientFacts(conditions=frozenset({"contact_lenses"})),
    check=check,
)
