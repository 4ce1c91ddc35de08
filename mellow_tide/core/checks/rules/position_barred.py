"""PRG01: a position the client may not lie in."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """The first part in each position that is barred."""
    seen: set[str] = set()
    for s in case.flow.parts:
        why = case.restrictions.why_not(s.position)
        if why and s.position not in seen:
            seen.add(s.position)
            yield Found(
                say("findings.position_barred", position=case.catalogue.positions[s.position].name, why=why),
                s,
            )


CHECK = Check(
    code="PRG01",
    name="position barred",
    severity="refuse",
    summary="No face-down lying after 12 weeks of pregnancy, no flat back from 20. Schools differ on cushions.",
    rationale="Lying on the belly presses on it; flat on the back, the womb presses on the great vessels.",
    bad=lambda c: flow(c, part(c, "back")),
    good=lambda c: flow(c, part(c, "neck", position="supine")),
    client=ClientFacts(gestation_days=100),
    check=check,
)
