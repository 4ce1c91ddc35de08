"""HLT01: a condition for which there is no session."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Conditions that stop the session, each with what to do instead; pregnancy has checks of its own."""
    for reason in case.restrictions.refer:
        if reason.in_pregnancy:
            continue
        yield Found(say("findings.health", reason=reason.name, says=reason.says))


CHECK = Check(
    code="HLT01",
    name="stop and refer",
    severity="refuse",
    summary="With a stop sign there is no session: refer, never diagnose.",
    rationale="Massage could do harm, or delay help. Local rules and licensed care decide.",
    bad=lambda c: flow(c, part(c, "back")),
    good=lambda c: flow(c, part(c, "back")),
    client=ClientFacts(conditions=frozenset({"fever"})),
    check=check,
)
