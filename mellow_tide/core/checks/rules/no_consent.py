"""CNS01: a region that needs a yes on record without it."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.checks.repairs import leave_part_out
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Parts on regions where silence is a no, and the client has neither agreed nor declined."""
    kind = case.flow.brief.kind
    for consent in case.unanswered:
        if consent.strokes or not consent.needs_yes(kind):
            continue
        for s in case.flow.parts:
            if s.region == consent.region:
                what = say("findings.no_consent", consent=consent.name)
                yield Found(what, s, None, leave_part_out(case, s))


CHECK = Check(
    code="CNS01",
    name="consent missing",
    severity="refuse",
    summary="The abdomen, the hips, and in the chair the scalp, are touched only with a yes on record, cloth or not.",
    rationale="Where someone may be touched is theirs to say, before they are uncovered. Schools differ: some include "
    "the abdomen for all who do not decline.",
    bad=lambda c: flow(c, part(c, "neck", position="supine"), part(c, "abdomen", position="supine")),
    good=lambda c: flow(c, part(c, "neck", position="supine")),
    check=check,
)
