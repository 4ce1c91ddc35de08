"""SUP04: a kind of session that the practice does not offer."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """A kind for which there is no surface, or that the practice does not do."""
    kind, surface = case.kind, case.flow.brief.surface
    if kind.surface in case.catalogue.lacks:
        if surface in (None, kind.surface):
            yield Found(say("findings.no_surface", kind=kind.name, surface=kind.surface))
    elif not kind.offered:
        yield Found(say("findings.not_offered", kind=kind.name))


CHECK = Check(
    code="SUP04",
    name="not offered here",
    severity="caution",
    summary="The practice offers this kind of session, and has what it is worked on.",
    rationale="A session that cannot be given as it was booked is better changed before the client comes.",
    bad=lambda c: flow(c, part(c, "back")),
    good=lambda c: flow(c, part(c, "back"), surface="mat"),
    house=House(rules={"table_height": "none"}),
    check=check,
)
