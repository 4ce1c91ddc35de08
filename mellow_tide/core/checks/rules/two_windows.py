"""DRP05: two windows open at a time."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.checks.repairs import part_skipping
from mellow_tide.core.flow.flow import Flow, WaySkip
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """The parts that begin to be worked while an earlier window is still open."""
    open_since = "none"
    for e in case.sheet.entries:
        before, open_since = open_since, e.also_open if e.kind == "stroke" else open_since
        if open_since in ("none", before):
            continue
        s = case.flow.parts[e.part]
        open_too = case.catalogue.windows[e.also_open].name
        what = say("findings.two_windows", place=case.place(s), window=open_too)
        yield Found(what, s, None, part_skipping(say("repairs.cover_first"), s, "cover"))


def _back_and_legs(c: Catalogue, *skips: WaySkip) -> Flow:
    right, left = both(c, "thigh_back")
    return flow(c, part(c, "back"), right.model_copy(update={"skips": skips}), left)


CHECK = Check(
    code="DRP05",
    name="two windows open",
    severity="refuse",
    summary="One window is open at a time.",
    rationale="Only what is being worked is uncovered; the rest stays warm and safe.",
    bad=lambda c: _back_and_legs(c, "cover"),
    good=_back_and_legs,
    check=check,
)
