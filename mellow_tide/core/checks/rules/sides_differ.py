"""BAL02: the sides differ by more than 30 s."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.flow.edits import CopySteps
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say

TOLERATED = 30


def check(case: Case) -> Iterator[Found]:
    """Pairs whose sides get times more than 30 s apart, without a reason."""
    first: dict[str, Part] = {}
    for s in case.worked():
        if s.side not in ("left", "right"):
            continue
        mate = first.setdefault(s.region, s)
        apart = abs(_even_seconds(case, s) - _even_seconds(case, mate))
        if apart > TOLERATED and not (s.reason or mate.reason or _explained(case, s.region)):
            repair = Repair(
                words=say("repairs.give_the_same", side=s.side, other=mate.side),
                edits=(CopySteps(part_id=s.id, like=mate.id),),
            )
            whole = case.region(s).whole
            yield Found(say("findings.sides_differ", region=whole, seconds=apart), s, None, (repair,))


def _even_seconds(case: Case, part: Part) -> int:
    """Whole seconds of a part without its sore points: they come on top of one side."""
    return case.seconds(part) - sum(
        entry.seconds for entry in case.sheet.entries if entry.part_id == part.id and case.is_for_point(entry)
    )


def _explained(case: Case, region: str) -> bool:
    """Whether a place to keep away from takes steps from one side."""
    return any(x.region == region for x in case.restrictions.excluded)


CHECK = Check(
    code="BAL02",
    name="sides differ",
    severity="caution",
    summary="Left and right of a region get the same time, to within 30 s.",
    rationale="The shorter side is felt, even by a client who dozed.",
    bad=lambda c: flow(c, part(c, "thigh_back", "right"), part(c, "thigh_back", "left", times=1)),
    good=lambda c: flow(c, *both(c, "thigh_back")),
    check=check,
)
