"""HLT11: a condition of which nobody has told where it is."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Conditions that need a place and have none: what they limit there is not known."""
    for one in case.restrictions.unplaced:
        yield Found(say("findings.place_unknown", condition=one.name))


CHECK = Check(
    code="HLT11",
    name="place not told",
    severity="refuse",
    summary="Surgery, a fracture, an implant, an injury, numb, sore or broken skin: nothing before its place is told.",
    rationale="A place that nobody has marked is a place that hands will find.",
    bad=lambda c: flow(c, part(c, "back")),
    good=lambda c: flow(c, part(c, "back")),
    client=ClientFacts(conditions=frozenset({"recent_surgery"})),
    check=check,
)
