"""PRG06: many turns late in pregnancy."""

from collections.abc import Iterator
from itertools import pairwise

from mellow_tide.core.care.pregnancy import trimester
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, ExampleStrokes, flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say

LATE = 3
MOST = 2
LIGHT: ExampleStrokes = (*ARC[:2], ("kneading", "knead", 2), *ARC[3:])


def check(case: Case) -> Iterator[Found]:
    """The third turn, and any further one, from the third trimester on."""
    days = case.client.gestation_days
    if days is None or trimester(days) < LATE:
        return
    turned = [b for a, b in pairwise(case.flow.parts) if a.position != b.position]
    for s in turned[MOST:]:
        yield Found(say("findings.pregnancy_turns"), s)


CHECK = Check(
    code="PRG06",
    name="many turns in pregnancy",
    severity="advice",
    summary="From 28 weeks on the client is turned at most twice, slowly and with help.",
    rationale="Every turn moves a heavy belly and loose joints; sitting up slowly is enough at the end.",
    bad=lambda c: flow(
        c,
        part(c, "shoulders", "right", LIGHT, position="side_left"),
        part(c, "shoulders", "left", LIGHT, position="side_right"),
        part(c, "arm", "right", LIGHT, position="side_left"),
        part(c, "arm", "left", LIGHT, position="side_right"),
    ),
    good=lambda c: flow(
        c,
        part(c, "shoulders", "right", LIGHT, position="side_left"),
        part(c, "arm", "right", LIGHT, position="side_left"),
        part(c, "shoulders", "left", LIGHT, position="side_right"),
        part(c, "arm", "left", LIGHT, position="side_right"),
    ),
    client=ClientFacts(gestation_days=200),
    check=check,
)
