"""PRG09: labour support before 37 weeks."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import PRESS, flow, part
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say

FROM_DAY = 37 * 7


def check(case: Case) -> Iterator[Found]:
    """Labour support for a pregnancy that is not yet 37 weeks old."""
    days = case.client.gestation_days
    if case.kind.id == "labour_support" and days is not None and days < FROM_DAY:
        yield Found(say("findings.labour_too_early", days=days))


def _pressing(c: Catalogue) -> Flow:
    back = part(c, "back", position="forward_leaning", strokes=PRESS, medium="clothed")
    return flow(c, back, kind="labour_support", school="between_and_during")


CHECK = Check(
    code="PRG09",
    name="labour too early",
    severity="refuse",
    summary="Regular contractions before 37 weeks are a sign to call, not to work.",
    rationale="An early birth may still be stopped, or needs care that only a clinic has.",
    bad=_pressing,
    good=_pressing,
    client=ClientFacts(gestation_days=240),
    check=check,
)
