"""PRG02: deeper than pregnancy allows."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, ExampleStrokes, both, flow
from mellow_tide.core.checks.repairs import deeper_than
from mellow_tide.core.flow.brief import ClientFacts

LIGHT: ExampleStrokes = (*ARC[:2], ("kneading", "knead", 2), *ARC[3:])


def check(case: Case) -> Iterator[Found]:
    """Steps deeper than the pregnancy allows on their region."""
    for s in case.flow.parts:
        cap = case.restrictions.capped(s.region)
        if cap and cap.in_pregnancy:
            yield from deeper_than(case, s, cap)


CHECK = Check(
    code="PRG02",
    name="too deep in pregnancy",
    severity="refuse",
    summary="In pregnancy the limbs are worked to depth 2, the back to 3, the belly to 1.",
    rationale="Clots form more easily, and ligaments are loose. Schools differ: some are light everywhere.",
    bad=lambda c: flow(c, *both(c, "lower_leg_back", position="side_left")),
    good=lambda c: flow(c, *both(c, "lower_leg_back", LIGHT, "side_left")),
    client=ClientFacts(gestation_days=170),
    check=check,
)
