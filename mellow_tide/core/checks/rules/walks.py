"""HND06: walking round the table all hour."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.edits import MovePart
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say

SIDES = ("left", "right")


def check(case: Case) -> Iterator[Found]:
    """Parts that cross the table to a side that was just left, where the same side could have been finished first."""
    order = [s for s in case.flow.parts if s.role == "work"]
    for a, b, c in zip(order, order[1:], order[2:], strict=False):
        alike = a.position == b.position == c.position and a.window == b.window == c.window
        crosses = a.side == c.side and {a.side, b.side} == set(SIDES) and c.region not in (a.region, b.region)
        own = all("own_side" in case.region(s).stand_at(s.position) for s in (a, b, c))
        if alike and crosses and own:
            what = say("findings.walks", side=b.side, place=case.place(c))
            yield Found(what, c, None, (_finish_first(case, b, c),))


def _finish_first(case: Case, before: Part, s: Part) -> Repair:
    to = case.flow.parts.index(before)
    return Repair(words=say("repairs.finish_side_first", side=s.side), edits=(MovePart(part_id=s.id, to=to),))


CHECK = Check(
    code="HND06",
    name="needless walk",
    severity="advice",
    summary="One side of the table is finished before the therapist walks round to the other.",
    rationale="Steps add up over a day, and each one leaves the client without a hand.",
    bad=lambda c: flow(
        c,
        part(c, "thigh_back", "right"),
        part(c, "thigh_back", "left"),
        part(c, "lower_leg_back", "right"),
        part(c, "lower_leg_back", "left"),
    ),
    good=lambda c: flow(
        c,
        part(c, "thigh_back", "right"),
        part(c, "lower_leg_back", "right"),
        part(c, "thigh_back", "left"),
        part(c, "lower_leg_back", "left"),
    ),
    check=check,
)
