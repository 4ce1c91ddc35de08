"""HLT14: a session for a headache, and nobody has asked about it."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.phrases.book import say

HEADACHE = Brief(kind="chair", school="chair_headache", booked_minutes=15, close_with="seated")


def check(case: Case) -> Iterator[Found]:
    """A session by a school for headaches whose client was asked what is new, but not where the headache is."""
    if not case.catalogue.schools[case.flow.brief.school].asks_headache:
        return
    told = any(case.catalogue.conditions[id].headache for id in case.client.conditions)
    if case.client.day_question == "answered" and not told:
        yield Found(say("findings.headache_unasked"))


CHECK = Check(
    code="HLT14",
    name="headache not asked about",
    severity="refuse",
    summary="A session for a headache begins with where it is, since when, and how it feels.",
    rationale="Most headaches may be worked, some are an emergency; three short questions tell them apart.",
    bad=lambda c: flow(c, part(c, "neck")).model_copy(update={"brief": HEADACHE}),
    good=lambda c: flow(c, part(c, "neck")),
    client=ClientFacts(day_question="answered"),
    check=check,
)
