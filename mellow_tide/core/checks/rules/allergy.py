"""HLT06: a lubricant that the client must not have on the skin."""

from collections.abc import Iterator

from mellow_tide.core.checks.another_lubricant import offer_another_lubricant
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """A lubricant of the brief that contains what a condition forbids, where any is used."""
    used = case.catalogue.lubricants[case.flow.brief.lubricant]
    if not any(s.medium == "lubricated" for s in case.worked()):
        return
    for barred in case.restrictions.ingredients:
        if barred.id in used.contains:
            yield Found(
                say("findings.allergy", lubricant=used.name, ingredient=barred.id, because=barred.because),
                repairs=offer_another_lubricant(case),
            )


CHECK = Check(
    code="HLT06",
    name="allergy to the lubricant",
    severity="refuse",
    summary="The lubricant contains nothing the client is allergic to or cannot bear.",
    rationale="Oil covers most of the skin for an hour; an allergy to it can be grave.",
    bad=lambda c: flow(c, part(c, "back"), lubricant="sweet_almond_oil"),
    good=lambda c: flow(c, part(c, "back"), lubricant="jojoba_wax"),
    client=ClientFacts(conditions=frozenset({"nut_allergy"})),
    check=check,
)
