"""PRG07: a sign in pregnancy for which there is no session."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Danger signs on record: refer at once."""
    for reason in case.restrictions.refer:
        if reason.in_pregnancy and not reason.by_house:
            yield Found(say("findings.health", reason=reason.name, says=reason.says))


CHECK = Check(
    code="PRG07",
    name="danger sign in pregnancy",
    severity="refuse",
    summary="With a danger sign there is no session: the maternity care is called at once.",
    rationale="Bleeding, leaking fluid, sudden headache or swelling cannot wait, and massage could cost the time.",
    bad=lambda c: flow(c, part(c, "neck", position="side_left")),
    good=lambda c: flow(c, part(c, "neck", position="side_left")),
    client=ClientFacts(gestation_days=170, conditions=frozenset({"pregnancy_danger_signs"})),
    check=check,
)
