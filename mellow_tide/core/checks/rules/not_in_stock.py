"""SUP05: a lubricant that is not in stock."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.checks.another_lubricant import offer_another_lubricant
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """The lubricant of the brief, where any is used and there is none of it."""
    used = case.catalogue.lubricants[case.flow.brief.lubricant]
    if used.in_stock or not any(s.medium == "lubricated" for s in case.worked()):
        return
    what = say("findings.not_in_stock", lubricant=used.name)
    yield Found(what, repairs=offer_another_lubricant(case))


CHECK = Check(
    code="SUP05",
    name="not in stock",
    severity="advice",
    summary="The lubricant is in stock.",
    rationale="What is missing is better seen before the client lies on the table.",
    bad=lambda c: flow(c, part(c, "back"), lubricant="plain_cream"),
    good=lambda c: flow(c, part(c, "back"), lubricant="jojoba_wax"),
    house=House(lubricants={"plain_cream": "none"}),
    check=check,
)
