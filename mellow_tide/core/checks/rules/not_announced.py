"""ORD12: a region that is not announced."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.checks.repairs import part_skipping
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Work parts to which the hands come without resting there first."""
    for s in case.worked():
        if "announce" in s.skips:
            yield Found(
                say("findings.not_announced", place=case.place(s)),
                s,
                None,
                part_skipping(say("repairs.rest_hands_there_first"), s, "announce"),
            )


CHECK = Check(
    code="ORD12",
    name="not announced",
    severity="advice",
    summary="The hands rest on the next region for two seconds before they work it.",
    rationale="A touch that comes out of nowhere startles; one that rests first is expected.",
    bad=lambda c: flow(c, part(c, "back").model_copy(update={"skips": ("announce",)})),
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
