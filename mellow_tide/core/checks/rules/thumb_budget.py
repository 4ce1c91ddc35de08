"""HND01: thumbs over their budget."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import back_with, flow, part, step
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.hands.load import THUMB_BUDGET
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """A session whose thumbs work more than 15 % of it."""
    load = case.load
    if load.thumb_share > THUMB_BUDGET:
        share, most = round(100 * load.thumb_share), round(100 * THUMB_BUDGET)
        yield Found(say("findings.thumb_budget", share=share, most=most))


def _with_thumbs(c: Catalogue) -> Flow:
    thumbs = step(c, "circular_friction", "specific", 3, 4).model_copy(update={"tool": "thumb"})
    return back_with(c, thumbs, thumbs)


CHECK = Check(
    code="HND01",
    name="thumbs over budget",
    severity="caution",
    summary="Thumbs work at most 15 % of the hands-on time.",
    rationale="Thumbs are for small places and short times; they end careers when they are the main tool.",
    bad=_with_thumbs,
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
