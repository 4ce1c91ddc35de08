"""BAL01: the other side is missing."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.edits import InsertPart
from mellow_tide.core.flow.flow import Flow, Part
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """One side of a pair worked without the other, and neither a reason nor an excluded place that explains it."""
    sides = {(s.region, s.side) for s in case.worked()}
    taken = {s.id for s in case.flow.parts}
    for s in case.flow.parts:
        if s.role != "work" or s.side not in ("left", "right"):
            continue
        other: Side = "left" if s.side == "right" else "right"
        if (s.region, other) in sides or s.reason or case.restrictions.kept_off(s.region, other):
            continue
        sides.add((s.region, other))
        name = f"{s.region}-{other}"
        mirrored = s.model_copy(
            update=_mirrored(case, s, other, name if name not in taken else f"{s.id}-{other}")
        )
        repair = Repair(
            words=say("repairs.work_other_side", other=other),
            edits=(InsertPart(at=_beside(case.flow, s, other), part=mirrored),),
        )
        yield Found(say("findings.other_side", place=case.place(s), other=other), s, None, (repair,))


def _mirrored(case: Case, s: Part, other: Side, id: str) -> dict[str, object]:
    """What is different on the other side; where the client lies on it, they turn."""
    if case.catalogue.positions[s.position].reaches(other):
        return {"side": other, "id": id}
    position = {"side_left": "side_right", "side_right": "side_left"}[s.position]
    return {"side": other, "id": id, "position": position}


def _beside(flow: Flow, s: Part, other: Side) -> int:
    """Where the other side of `s` belongs: among the parts of that side in the same window, in the same order."""
    alike = [i for i, x in enumerate(flow.parts) if (x.position, x.window) == (s.position, s.window)]
    mates = {flow.parts[i].region: i for i in alike if flow.parts[i].side == other}
    following = [
        flow.parts[i].region for i in alike if flow.parts[i].side == s.side and i > flow.parts.index(s)
    ]
    for region in following:
        if region in mates:
            return mates[region]
    return max(mates.values(), default=flow.parts.index(s)) + 1


CHECK = Check(
    code="BAL01",
    name="other side missing",
    severity="caution",
    summary="What is done to one side is done to the other.",
    rationale="A client worked on one side only leaves feeling lopsided.",
    bad=lambda c: flow(c, part(c, "back"), part(c, "thigh_back", "right")),
    good=lambda c: flow(c, part(c, "back"), *both(c, "thigh_back")),
    check=check,
)
