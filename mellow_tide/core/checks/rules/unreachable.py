"""ORD11: a region that cannot be reached in its position."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.edits import ChangePart
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Work parts on a region, or on the lower side of one, that the position does not offer."""
    for s in case.worked():
        if _reached(case, s, s.position):
            yield from _steps_out_of_reach(case, s)
            continue
        lying = case.catalogue.positions[s.position].name
        yield Found(
            say("findings.unreachable", place=case.place(s), position=lying), s, None, _elsewhere(case, s)
        )


def _steps_out_of_reach(case: Case, s: Part) -> Iterator[Found]:
    """Steps at what is not reached of a region that is reached in part."""
    lying = case.catalogue.positions[s.position].name
    for i, x in enumerate(s.steps):
        if not case.region(s).has_in_reach(s.position, x.zone, case.stroke(x)):
            what = say(
                "findings.partly_reached", stroke=case.stroke(x).name, place=case.place(s), position=lying
            )
            yield Found(what, s, i, leave_out(case, s, i))


def _reached(case: Case, s: Part, position: str) -> bool:
    return position in case.region(s).positions and case.catalogue.positions[position].reaches(s.side)


def _elsewhere(case: Case, s: Part) -> tuple[Repair, ...]:
    """The repair that works the part in the first position of the kind that reaches it and is allowed."""
    for position in case.kind.positions:
        if _reached(case, s, position) and case.restrictions.why_not(position) is None:
            edit = ChangePart(part_id=s.id, position=position, window=case.region(s).window_in(position))
            return (
                Repair(
                    words=say("repairs.work_in_position", position=case.catalogue.positions[position].name),
                    edits=(edit,),
                ),
            )
    return ()


CHECK = Check(
    code="ORD11",
    name="out of reach",
    severity="refuse",
    summary="Every region is worked in a position in which it can be reached; on the side only the upper one can.",
    rationale="What the client lies on cannot be worked, and reaching under them strains both of you.",
    bad=lambda c: flow(
        c, part(c, "neck", position="supine"), part(c, "thigh_back", "right", position="supine")
    ),
    good=lambda c: flow(
        c, part(c, "neck", position="supine"), part(c, "thigh_front", "right", position="supine")
    ),
    check=check,
)
