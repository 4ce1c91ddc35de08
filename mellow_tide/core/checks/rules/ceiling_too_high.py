"""PRS04: a discomfort number above what the house allows."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.edits import ChangeBrief
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Ceilings of the brief above those of the house, in relaxation and, where points are worked, in specific work."""
    allowed = case.catalogue.choice("strength").ceilings
    brief = case.flow.brief
    if brief.ceiling is not None and brief.ceiling > allowed["relaxation"]:
        edit = ChangeBrief(ceiling=allowed["relaxation"])
        yield Found(
            say("findings.ceiling_too_high", ceiling=brief.ceiling, allowed=allowed["relaxation"]),
            repairs=(Repair(words=say("repairs.ease_off_at", allowed=allowed["relaxation"]), edits=(edit,)),),
        )
    points = any(stroke.family == "point" for _, _, _, stroke in case.steps())
    asked = brief.specific_ceiling
    if points and asked is not None and asked > allowed["specific"]:
        edit = ChangeBrief(specific_ceiling=allowed["specific"])
        yield Found(
            say("findings.point_ceiling_too_high", ceiling=asked, allowed=allowed["specific"]),
            repairs=(Repair(words=say("repairs.ease_off_at", allowed=allowed["specific"]), edits=(edit,)),),
        )


CHECK = Check(
    code="PRS04",
    name="ceiling too high",
    severity="caution",
    summary="The number at which one eases off is no higher than the house allows.",
    rationale="Above it the body guards itself and nothing is gained. Schools differ: some bear no discomfort at "
    "all, some go to 7 of 10 on a point.",
    bad=lambda c: flow(c, part(c, "back"), ceiling=7),
    good=lambda c: flow(c, part(c, "back"), ceiling=4),
    check=check,
)
