"""HLT08: the question of the day is not answered."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """A session that is due while nobody has asked what is new today."""
    if case.client.day_question == "open":
        yield Found(say("findings.day_question"))


CHECK = Check(
    code="HLT08",
    name="not asked today",
    severity="refuse",
    summary="Before work begins the client is asked what is new today, and what to keep away from.",
    rationale="Health changes between visits; asked before uncovering, the answer can still change the plan.",
    bad=lambda c: flow(c, part(c, "back")),
    good=lambda c: flow(c, part(c, "back")),
    client=ClientFacts(day_question="open"),
    check=check,
)
