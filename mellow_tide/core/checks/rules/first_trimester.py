"""PRG08: a session in the first trimester where the house gives none."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """A reason of the house's own for which there is no session."""
    for reason in case.restrictions.refer:
        if reason.by_house:
            yield Found(say("findings.health", reason=reason.name, says=reason.says))


CHECK = Check(
    code="PRG08",
    name="first trimester",
    severity="refuse",
    summary="Where the house declines the first trimester, there is no session until 14 weeks.",
    rationale="Light work is thought harmless. Schools differ: many decline so as never to be thought a cause.",
    bad=lambda c: flow(c, part(c, "neck", position="supine", strokes=(*ARC[:2], *ARC[3:]))),
    good=lambda c: flow(c, part(c, "neck", position="supine", strokes=(*ARC[:2], *ARC[3:]))),
    client=ClientFacts(gestation_days=60),
    house=House(rules={"first_trimester": "decline"}),
    check=check,
)
