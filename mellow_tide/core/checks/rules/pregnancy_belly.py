"""PRG03: work on the belly in pregnancy that is not light circling, or too early."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import leave_out, leave_part_out
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say

LIGHT = ("abdominal_circle", "resting_hold", "oil_spread")


def check(case: Case) -> Iterator[Found]:
    """The belly in weeks in which it is left alone, and any stroke on it but light circles and still hands."""
    if case.client.gestation_days is None:
        return
    barred = next((x for x in case.restrictions.regions if x.id == "abdomen" and x.in_pregnancy), None)
    for s in case.flow.parts:
        if s.region != "abdomen":
            continue
        if barred:
            what = say("findings.first_trimester_belly", because=barred.because)
            yield Found(what, s, None, leave_part_out(case, s))
            continue
        for i, x in enumerate(s.steps):
            if x.stroke not in LIGHT:
                what = say("findings.pregnant_belly_stroke", stroke=case.stroke(x).name)
                yield Found(what, s, i, leave_out(case, s, i))


BELLY: ExampleStrokes = (
    ("oil_spread", "spread", 1),
    ("abdominal_circle", "warm", 1),
    ("abdominal_circle", "settle", 1),
)

CHECK = Check(
    code="PRG03",
    name="belly in pregnancy",
    severity="refuse",
    summary="The belly is left alone in the first trimester; later only light circles or still hands, by wish.",
    rationale="Nothing presses on the womb at any time.",
    bad=lambda c: flow(c, part(c, "abdomen", position="supine", strokes=BELLY)),
    good=lambda c: flow(c, part(c, "neck", position="supine")),
    client=ClientFacts(gestation_days=70, consents=frozenset({"abdomen"})),
    check=check,
)
