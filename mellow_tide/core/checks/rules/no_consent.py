"""CNS01: a region that needs consent without it."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, stop
from mellow_tide.core.flow.edits import RemoveStop


def check(case: Case) -> Iterator[Found]:
    """Stops on regions that need consent, where the client has given none."""
    for s in case.worked():
        region = case.region(s)
        if region.needs_consent and region.id not in case.client.consents:
            repair = Repair(words=f"Leave the {region.whole} out", edits=(RemoveStop(stop_id=s.id),))
            what = f"The {region.whole} is only worked with the client's consent, and none is on record."
            yield Found(what, s, None, (repair,))


CHECK = Check(
    code="CNS01",
    name="consent missing",
    severity="stop",
    summary="Regions that need consent are worked only with it. Schools differ: some include the abdomen for all.",
    rationale="Where someone may be touched is theirs to say, before they are uncovered.",
    bad=lambda c: flow(c, stop(c, "neck", position="supine"), stop(c, "abdomen", position="supine")),
    good=lambda c: flow(c, stop(c, "neck", position="supine")),
    check=check,
)
