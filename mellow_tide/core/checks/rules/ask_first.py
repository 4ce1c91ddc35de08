"""HLT02: a condition for which the client's clinician is asked first."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Conditions that want the clinician's word."""
    for reason in case.restrictions.reasons:
        if reason.level == "ask":
            yield Found(say("findings.health", reason=reason.name, says=reason.says))


CHECK = Check(
    code="HLT02",
    name="clinician first",
    severity="caution",
    summary="Some conditions want the word of the client's own clinician before a session.",
    rationale="Whether touch is safe here is not the therapist's to judge.",
    bad=lambda c: flow(c, part(c, "back")),
    good=lambda c: flow(c, part(c, "back")),
    client=ClientFacts(conditions=frozenset({"recent_surgery"})),
    check=check,
)
