"""PRG05: heat over the belly of a pregnancy."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say

WARM: ExampleStrokes = (
    ("oil_spread", "spread", 1),
    ("abdominal_circle", "warm", 1),
    ("hot_towel_press", "settle", 1),
    ("abdominal_circle", "settle", 1),
)


def check(case: Case) -> Iterator[Found]:
    """Heat on a region where the pregnancy rules it out."""
    for s, i, _, stroke in case.all_steps():
        if stroke.heat and any(x.in_pregnancy for x in case.restrictions.avoid_heat(s.region)):
            what = say("findings.pregnancy_heat", stroke=stroke.name, place=case.place(s))
            yield Found(what, s, i, leave_out(case, s, i))


CHECK = Check(
    code="PRG05",
    name="heat over the belly",
    severity="refuse",
    summary="No heat over the belly in pregnancy.",
    rationale="A child in the womb cannot cool itself.",
    bad=lambda c: flow(c, part(c, "abdomen", position="supine", strokes=WARM)),
    good=lambda c: flow(c, part(c, "abdomen", position="supine", strokes=(*WARM[:2], WARM[3]))),
    client=ClientFacts(gestation_days=120, consents=frozenset({"abdomen"})),
    check=check,
)
