"""An order of parts that was made by hand, kept for another set of regions."""

from collections.abc import Sequence
from dataclasses import replace

from mellow_tide.core.flow.flow import Flow, Setup
from mellow_tide.core.planner.choice.chosen import Chosen, round_minutes
from mellow_tide.core.planner.minutes.minutes import allot
from mellow_tide.core.planner.order.order import Order, find_cheapest_order
from mellow_tide.core.planner.order.walk import between
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.impossible import explain_impossible
from mellow_tide.core.planner.question.question import PlanQuestion


def keep_own_order(flow: Flow, chosen: Chosen, asked: Asked) -> tuple[Order, Chosen]:
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
            raise explain_impossible(asked, chosen.question, chosen.chooser)
        regions.remove(min(optional, key=lambda id: _worth(id, chosen.question)))


def _worth(id: str, question: PlanQuestion) -> float:
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
    return replace(chosen, choice=choice, minutes=round_minutes(question, choice))


def _ordered(flow: Flow, regions: frozenset[str], question: PlanQuestion, asked: Asked) -> Order:
    usual = find_cheapest_order(regions, question.way, asked.catalogue)
    opening, *_, closing = usual.setups
    stays = [setup for setup in _worked(flow) if setup.region in regions and _reached(setup, asked)]
    # What was split by hand is one part again, where the first of it was.
    here = {(setup.region, setup.side): setup for setup in reversed(stays)}
    kept = [setup for setup in stays if here[(setup.region, setup.side)] is setup]
    for setup in usual.setups:
        if setup.role == "work" and (setup.region, setup.side) not in here:
            places = range(len(kept) + 1)
            tried = [[*kept[:at], setup, *kept[at:]] for at in places]
            kept = min(tried, key=lambda order: _seconds([opening, *order, closing], question, asked))
    first = replace(opening, position=kept[0].position, region=_opened(kept[0], asked))
    last = replace(closing, position=kept[-1].position)
    setups = (first, *kept, last)
    return Order(_seconds(setups, question, asked), setups)


def _opened(setup: Setup, asked: Asked) -> str:
    return asked.catalogue.openings[setup.position].region


def _reached(setup: Setup, asked: Asked) -> bool:
    """Whether a part may stay as it is: in a position that is allowed, on a side that is not left alone."""
    barred = {barred.id for barred in asked.restrictions.positions}
    only = asked.catalogue.regions[setup.region].only
    return setup.position not in barred and only in (None, setup.side)


def _seconds(setups: Sequence[Setup], question: PlanQuestion, asked: Asked) -> int:
    """Whole seconds of the opening and of all transitions, as an `Order` counts them."""
    blocks = [block.position for block in question.way.blocks(asked.catalogue)]
    first = setups[0].position
    opening = question.way.opening(blocks.index(first) if first in blocks else 0)
    return opening + between(setups, asked.catalogue)


def _worked(flow: Flow) -> list[Setup]:
    return [part.setup for part in flow.parts if part.role == "work"]
