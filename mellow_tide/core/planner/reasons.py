"""Why a flow is as it is: what one more minute would take from whom, and what the order saves."""

from collections.abc import Collection
from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.flow import Flow, Setup
from mellow_tide.core.planner.choice.left_out import Give
from mellow_tide.core.planner.minutes.minutes import Share, allot
from mellow_tide.core.planner.order.legs import set_up as visit_at
from mellow_tide.core.planner.order.walk import between
from mellow_tide.core.planner.order.way import homes, sides_in
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import CLOSE, PlanQuestion, pose_question
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.timed import part_seconds
from mellow_tide.core.timing.worked import region_seconds_in

MINUTE = 60

FELT = 8
"""Seconds from a bound at which a region has reached it: passes do not divide any finer."""


class RegionReason(Record):
    """Why a region has its minutes: `seconds` per side, on so many `sides`.

    `share` is its part of the body's surface in percent of all that the plan could work, `school` and `focus` how much
    more the school and the wish make of it. `bound` is the bound it has reached, if any. `gives` is who would give for
    one more minute here and how much (negative seconds, all sides); nobody where none can.
    """

    region: str
    seconds: int
    sides: int
    share: float
    school: float
    focus: Annotated[float, Field(ge=1)]
    bound: Literal["least", "usual", "most"] | None
    gives: tuple[Give, ...]


class OrderReason(Record):
    """Whole seconds of all transitions: as the parts are ordered, and in the school's plain order.

    Plain: row by row as the school names them, each region with both its sides before the next one.
    """

    seconds: int
    plain_seconds: int


class Reasons(Record):
    """Why the parts of a flow have their minutes and their order."""

    regions: tuple[RegionReason, ...]
    order: OrderReason | None


def explain_flow(
    flow: Flow,
    setting: Setting,
) -> Reasons:
    """Why a flow is as it is; nothing for a session that has no minutes to meet. Raises as `plan` does."""
    asked = Asked.of(flow.brief, setting)
    if asked.kind.open_ended:
        return Reasons(regions=(), order=None)
    question = pose_question(asked)
    taken = region_seconds_in(lay_out(flow, asked.catalogue, asked.tempo), flow, asked.catalogue)
    now = {id: round(seconds) for id, seconds in taken.items() if id in question.shares}
    close = part_seconds(flow.parts[-1], asked.catalogue, asked.tempo)
    found = tuple(_region(id, now, close, question, asked) for id in now)
    return Reasons(regions=found, order=_order(flow, frozenset(now), question, asked))


def _region(id: str, now: dict[str, int], close: int, question: PlanQuestion, asked: Asked) -> RegionReason:
    region, share = asked.catalogue.regions[id], question.shares[id]
    school = asked.catalogue.schools[asked.brief.school].weights.get(id, 1.0)
    whole = sum(asked.catalogue.regions[other].share * s.count for other, s in question.shares.items())
    weight = region.share * school * (region.side_count / share.count)
    bound: Literal["least", "usual", "most"] | None = None
    if now[id] > share.most - FELT:
        bound = "most"
    elif now[id] < share.least + FELT:
        bound = "least"
    elif id in question.usual and now[id] < question.usual[id] + FELT:
        bound = "usual"
    return RegionReason(
        region=id,
        seconds=now[id],
        sides=share.count,
        share=round(100 * region.share * region.side_count / whole, 1),
        school=school,
        focus=round(max(1.0, share.weight / weight), 2) if id in asked.brief.focus else 1.0,
        bound=bound,
        gives=() if bound == "most" else _gives(id, now, close, question),
    )


def _gives(id: str, now: dict[str, int], close: int, question: PlanQuestion) -> tuple[Give, ...]:
    """Who gives for one more minute of `id`: the others' best minutes with what they have, and with a minute less.

    At the optimum both lie on the same pieces of the water level m: one that is between its bounds gives
    count * weight * (change of m), and all together the minute.
    """
    others: dict[str, Share] = {other: question.shares[other] for other in now if other != id}
    others[CLOSE] = question.close
    total = sum(others[other].count * seconds for other, seconds in now.items() if other != id) + close
    before = allot(list(others.values()), _reachable(others.values(), total))
    after = allot(list(others.values()), total - MINUTE)
    if before is None or after is None:
        return ()
    gives = [
        Give(region=other, seconds=round(share.count * (then - was)), gone=False)
        for (other, share), was, then in zip(others.items(), before, after, strict=True)
    ]
    return tuple(sorted((g for g in gives if g.seconds < 0), key=lambda g: g.seconds))


def _reachable(shares: Collection[Share], total: float) -> float:
    """The total, or the nearest that the shares can make."""
    low, high = sum(s.count * s.least for s in shares), sum(s.count * s.most for s in shares)
    return min(max(total, low), high)


def _order(flow: Flow, regions: frozenset[str], question: PlanQuestion, asked: Asked) -> OrderReason | None:
    if not regions or not regions <= homes(question.way, asked.catalogue).keys():
        return None
    setups = [part.setup for part in flow.parts]
    plain = [setups[0], *_plain(regions, question, asked), setups[-1]]
    plain[0] = replace(plain[0], position=plain[1].position)
    plain[-1] = replace(plain[-1], position=plain[-2].position)
    return OrderReason(
        seconds=between(setups, asked.catalogue), plain_seconds=between(plain, asked.catalogue)
    )


def _plain(regions: frozenset[str], question: PlanQuestion, asked: Asked) -> list[Setup]:
    """The regions row by row, each in the first place that the school has for it."""
    catalogue, way = asked.catalogue, question.way
    home = {id: homes(way, catalogue)[id][0] for id in regions}
    return [
        visit_at(id, side, block.position, asked.kind.clothed, catalogue)
        for b, block in enumerate(way.blocks(catalogue))
        for row in block.rows
        for id in row
        if id in regions and b in home[id]
        for side in sides_in(id, block.position, catalogue)
    ]
