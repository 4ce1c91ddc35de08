"""The closest plan to a present one: for other minutes, another wish, a new restriction.

What is there is held where it is: moving a second of it costs a part of what a second is worth in the present plan,
more for what was set by hand; a region that leaves or comes in costs what two minutes are worth. The choice among all
sets and minutes is then proven as that of any plan.
"""

from collections.abc import Collection
from dataclasses import dataclass, replace
from typing import Literal

from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.edits import worked_alike
from mellow_tide.core.flow.flow import Flow, Part, Step
from mellow_tide.core.planner.choice.choice import Deadline, no_deadline
from mellow_tide.core.planner.choice.chosen import choose
from mellow_tide.core.planner.light_end import is_light_at_end
from mellow_tide.core.planner.minutes.minutes import Share, weight_at
from mellow_tide.core.planner.order.order import find_cheapest_order
from mellow_tide.core.planner.order.own_order import keep_own_order
from mellow_tide.core.planner.plan import Plan, make_plan, plan
from mellow_tide.core.planner.points import drop_points
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import CLOSE, LEAVES, PlanQuestion
from mellow_tide.core.planner.rests import drop_rests, keep_rests
from mellow_tide.core.planner.strokes.fill import fill_flow
from mellow_tide.core.planner.strokes.present import find_joined
from mellow_tide.core.planner.strokes.refit import NEAR, stretch
from mellow_tide.core.planner.strokes.repertoire import medium_of
from mellow_tide.core.planner.strokes.rituals import stretch_close
from mellow_tide.core.planner.strokes.site import find_site
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import TOLERATED, lay_out
from mellow_tide.core.timing.timed import part_seconds
from mellow_tide.core.timing.worked import region_seconds_in

Hold = Literal["all", "by_hand"]
"""What is held where it is: all of the present plan, or only what was set by hand."""

HELD, HELD_BY_HAND = 0.3, 4.0
"""What moving a second costs, in seconds' worth."""

LEAVES_BY_HAND = 50_000
"""What it costs that a region leaves that was set by hand, in seconds' worth: more than moving all the seconds of a
session costs, so it leaves only where it cannot stay."""


def adjust(
    present: Plan,
    brief: Brief,
    setting: Setting,
    hold: Hold = "all",
    deadline: Deadline = no_deadline,
) -> Plan:
    """The plan for `brief` that is closest to `present`; raises as `plan` does.

    A region whose minutes stay keeps its strokes to the pass; an order made by hand is kept, as long as the same school
    is asked for, and what comes in is put where it costs least. Another kind of session is planned anew.
    """
    before = present.flow.brief
    asked = Asked.of(brief, setting)
    if asked.kind.open_ended or brief.kind != before.kind:
        return plan(brief, setting, deadline)
    bare = drop_points(present.flow)
    flow = drop_rests(bare)
    there = _present(flow, asked)
    asked = replace(asked, present=frozenset(there), by_hand=frozenset(present.by_hand))
    closing = part_seconds(flow.parts[-1], asked.catalogue, asked.tempo)
    resting = _seconds(bare, asked) - _seconds(flow, asked)

    missed = MISSED if brief == before else NEAR

    def held(question: PlanQuestion) -> PlanQuestion:
        return _hold(question, _Held(there, present.by_hand, closing, resting, missed), hold)

    chosen = choose(asked, deadline, held)
    same_way = (brief.school, brief.first_position) == (before.school, before.first_position)
    own = present.order_by_hand and same_way
    if own:
        order, chosen = keep_own_order(flow, chosen, asked)
    else:
        order = find_cheapest_order(frozenset(chosen.choice.regions), chosen.question.way, asked.catalogue)
    steps = {id: steps for id, (_, steps) in there.items()}
    if hold == "by_hand":
        joined = find_joined(steps, present.by_hand)
        steps = {id: here for id, here in steps.items() if id in joined}
    made = fill_flow(asked, chosen.question, order, chosen.minutes, steps)
    if resting:
        made = keep_rests(made, present.flow)
        made = stretch_close(
            made, -lay_out(made, asked.catalogue, asked.tempo).over, asked.catalogue, asked.tempo
        )
    made = _make_good(made, present.by_hand, asked)
    now = _present(drop_points(made), asked)
    shares = chosen.question.shares
    by_hand = tuple(
        id
        for id in present.by_hand
        if id in now and abs(now[id][0] - min(max(there[id][0], shares[id].least), shares[id].most)) <= MISSED
    )
    return make_plan(asked, chosen, made).model_copy(update={"by_hand": by_hand, "order_by_hand": own})


def _make_good(flow: Flow, by_hand: Collection[str], asked: Asked) -> Flow:
    """The flow within what is tolerated of its minutes, where strokes of one region can give what is missed.

    What is kept to the pass cannot make good what others miss, and the close gives only what it has. Set by hand stays.
    A mid-line region gives first; of others all sides give alike.
    """

    def mid_then_longest(part: Part) -> tuple[bool, int]:
        return part.side != "mid", -part_seconds(part, asked.catalogue, asked.tempo)

    worked = [part for part in flow.parts if part.role == "work"]
    for part in sorted(worked, key=mid_then_longest):
        over = lay_out(flow, asked.catalogue, asked.tempo).over
        if asked.kind.open_ended or abs(over) <= TOLERATED:
            return flow
        sides = {x.id: x.steps for x in flow.parts if x.role == "work" and x.region == part.region}
        alike = all(worked_alike(steps, part.steps) for steps in sides.values())
        pointed = any(step.point for steps in sides.values() for step in steps)
        if part.region in by_hand or not alike or pointed:
            continue
        touch = asked.touch(part.region)
        if is_light_at_end(flow, part.region, asked):
            touch = touch.calm
        site = find_site(part.region, part.position, touch, asked.catalogue, asked.tempo)
        given = stretch(site, part.steps, -round(over / len(sides)))
        parts = (x.model_copy(update={"steps": given}) if x.id in sides else x for x in flow.parts)
        tried = flow.model_copy(update={"parts": tuple(parts)})
        if abs(lay_out(tried, asked.catalogue, asked.tempo).over) < abs(over):
            flow = tried
    return flow


def _seconds(flow: Flow, asked: Asked) -> int:
    return lay_out(flow, asked.catalogue, asked.tempo).seconds


MISSED = 25
"""Seconds by which what a region counts may lie beyond its bounds where nothing else is asked: passes, and its share of
long strokes, miss them."""

PresentRegions = dict[str, tuple[int, tuple[Step, ...]]]
"""By region, the whole seconds of one side and its steps.

No steps where they are for skin and it is now worked through cloth, or the other way round.
"""


def _present(flow: Flow, asked: Asked) -> PresentRegions:
    found: PresentRegions = {}
    taken = region_seconds_in(lay_out(flow, asked.catalogue, asked.tempo), flow, asked.catalogue)
    for part in flow.parts:
        if part.role == "work" and part.region not in found:
            now = medium_of(part.region, asked.kind.clothed, asked.catalogue)
            same = (part.medium == "clothed") == (now == "clothed")
            found[part.region] = round(taken[part.region]), part.steps if same else ()
        elif part.role == "work" and worked_alike(found[part.region][1], part.steps):
            # What is asked on either side may be asked; where it is settled anew.
            seconds, steps = found[part.region]
            both = (a if a.check_in else b for a, b in zip(steps, part.steps, strict=True))
            found[part.region] = seconds, tuple(both)
    return found


def _around(seconds: int, share: Share, missed: int) -> tuple[float, float]:
    """The share's bounds, the one that passes have missed by a little put where the region is."""
    least = seconds if share.least - missed <= seconds < share.least else share.least
    most = seconds if share.most < seconds <= share.most + missed else share.most
    return least, most


@dataclass(frozen=True)
class _Held:
    """What is held where it is: regions, those set by hand, seconds of the close, and of rests that are no region's.

    `missed` are the seconds by which a region may lie beyond its bounds and stay.
    """

    there: PresentRegions
    by_hand: tuple[str, ...]
    closing: int
    resting: int
    missed: int


def _hold(question: PlanQuestion, held: _Held, hold: Hold) -> PlanQuestion:
    """The question with what is there held at its seconds."""
    there, by_hand = held.there, held.by_hand
    level = question.find_level({id: seconds for id, (seconds, _) in there.items()} | {CLOSE: held.closing})
    worth = 1 / level
    shares = {}
    for id, share in question.shares.items():
        pull = HELD_BY_HAND if id in by_hand else HELD if hold == "all" else 0.0
        leaves = LEAVES_BY_HAND if id in by_hand else LEAVES
        if id in there and pull:
            least, most = _around(there[id][0], share, held.missed)
            at = min(max(there[id][0], least), most)
            pulled = replace(share, anchor=at, pull=pull * worth, bonus=share.bonus + leaves * worth)
            # What has its usual seconds was not given them by its weight.
            if hold == "all" and there[id][0] <= question.usual.get(id, 0) + MISSED:
                pulled = replace(pulled, weight=weight_at(level, share, there[id][0]))
            shares[id] = replace(pulled, least=least, most=most)
        elif id not in there and hold == "all":
            shares[id] = replace(share, bonus=-LEAVES * worth)
        else:
            shares[id] = share
    close = question.close
    if hold == "all":
        # What passes missed went to the close, so it may lie beyond its own bounds.
        least, most = min(close.least, held.closing), max(close.most, held.closing)
        close = replace(close, anchor=float(held.closing), pull=HELD * worth, least=least, most=most)
    # What is there may stay below what is usual.
    usual = {} if hold == "all" else {id: s for id, s in question.usual.items() if id not in by_hand}
    return replace(
        question, shares=shares, close=close, hands_on=question.hands_on - held.resting, usual=usual
    )
