"""An order of parts that was made by hand, kept for another set of regions."""

from collections.abc import Sequence
from dataclasses import replace

from mellow_tide.core.flow.flow import Flow, Visit
from mellow_tide.core.planner.asked import Asked
from mellow_tide.core.planner.chosen import Chosen, rounded
from mellow_tide.core.planner.impossible import why_impossible
from mellow_tide.core.planner.minutes import allot
from mellow_tide.core.planner.order import Order, cheapest_order
from mellow_tide.core.planner.question import Question
from mellow_tide.core.planner.walk import between


def in_own_order(flow: Flow, chosen: Chosen, asked: Asked) -> tuple[Order, Chosen]:
    """The present order without what has left, and with what is new where it costs the fewest seconds; and its choice.

    Regions that no longer fit beside its transitions leave, the least worth first; raises `DoesNotFit` if even the
    focus does not fit.
    """
    regions = list(chosen.choice.regions)
    while True:
        order = _ordered(flow, frozenset(regions), chosen.question, asked)
        found = _minutes(regions, order, chosen)
        if found:
            return order, found
        optional = [id for id in regions if id not in chosen.question.must]
        if not optional or len(regions) == 1:
            raise why_impossible(asked, chosen.question, chosen.chooser)
        regions.remove(min(optional, key=lambda id: _worth(id, chosen.question)))


def _worth(id: str, question: Question) -> float:
    share = question.shares[id]
    return share.value(share.least) / (share.count * share.least)


def _minutes(regions: Sequence[str], order: Order, chosen: Chosen) -> Chosen | None:
    """The choice of exactly these regions with the minutes that the order leaves; None if they do not fit."""
    question = chosen.question
    shares = [*(question.shares[id] for id in regions), question.close]
    seconds = allot(shares, question.hands_on - order.seconds)
    if seconds is None:
        return None
    value = sum(share.value(t) for share, t in zip(shares, seconds, strict=True))
    choice = replace(
        chosen.choice,
        regions=tuple(regions),
        seconds=seconds[:-1],
        close_seconds=seconds[-1],
        transition_seconds=order.seconds,
        value=value,
        next_bound=max(chosen.choice.value, chosen.choice.next_bound),
    )
    return replace(chosen, choice=choice, minutes=rounded(question, choice))


def _ordered(flow: Flow, regions: frozenset[str], question: Question, asked: Asked) -> Order:
    usual = cheapest_order(regions, question.way, asked.catalogue)
    opening, *_, closing = usual.visits
    stays = [visit for visit in _worked(flow) if visit.region in regions and _reached(visit, asked)]
    # What was split by hand is one part again, where the first of it was.
    here = {(visit.region, visit.side): visit for visit in reversed(stays)}
    kept = [visit for visit in stays if here[(visit.region, visit.side)] is visit]
    for visit in usual.visits:
        if visit.role == "work" and (visit.region, visit.side) not in here:
            places = range(len(kept) + 1)
            tried = [[*kept[:at], visit, *kept[at:]] for at in places]
            kept = min(tried, key=lambda order: _seconds([opening, *order, closing], question, asked))
    first = replace(opening, position=kept[0].position, region=_opened(kept[0], asked))
    last = replace(closing, position=kept[-1].position)
    visits = (first, *kept, last)
    return Order(_seconds(visits, question, asked), visits)


def _opened(visit: Visit, asked: Asked) -> str:
    return asked.catalogue.openings[visit.position].region


def _reached(visit: Visit, asked: Asked) -> bool:
    """Whether a part may stay as it is: in a position that is allowed, on a side that is not left alone."""
    barred = {barred.id for barred in asked.restrictions.positions}
    only = asked.catalogue.regions[visit.region].only
    return visit.position not in barred and only in (None, visit.side)


def _seconds(visits: Sequence[Visit], question: Question, asked: Asked) -> int:
    """Whole seconds of the opening and of all transitions, as an `Order` counts them."""
    blocks = [block.position for block in question.way.blocks(asked.catalogue)]
    first = visits[0].position
    opening = question.way.opening(blocks.index(first) if first in blocks else 0)
    return opening + between(visits, asked.catalogue)


def _worked(flow: Flow) -> list[Visit]:
    return [part.visit for part in flow.parts if part.role == "work"]
