"""Planning, first and again, beside laying the plan out on the clock.

First: nothing is known of the school yet, its table of orders is made anew. Again: other weights and minutes, the
table at hand.
"""

from collections.abc import Iterator
from dataclasses import dataclass

from benchmarks.figure import Figure, figure, milliseconds
from benchmarks.long_flow import CLIENT
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner import order, order_table
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.timing.run_sheet import lay_out

PRESSURES = ("light", "medium", "firm")


@dataclass(frozen=True)
class Kind:
    """A kind of session with the promised 95th percentiles of its first plan and of planning again, in ms."""

    name: str
    first: float
    again: float
    briefs: list[Brief]
    client: ClientFacts = CLIENT


def _briefs(minutes: tuple[int, ...], focuses: tuple[tuple[str, ...], ...], **fields: str) -> list[Brief]:
    return [
        Brief.model_validate({"booked_minutes": m, "focus": focus, "pressure": pressure, **fields})
        for m in minutes
        for focus in focuses
        for pressure in PRESSURES
    ]


KINDS = [
    Kind(
        "chair",
        10,
        10 / 3,
        _briefs(
            (10, 15, 20, 30), ((), ("neck",)), kind="chair", school="chair_downwards", close_with="seated"
        ),
    ),
    Kind(
        "side-lying",
        50,
        50 / 3,
        _briefs((60, 75, 90), ((), ("back",), ("hips",)), kind="side_lying", school="side_by_side"),
    ),
    Kind("full body, 90 min", 200, 200 / 3, _briefs((90,), ((), ("neck",), ("hips", "foot"), ("back",)))),
]


def figures() -> Iterator[Figure]:
    """Measure this area; all times in ms."""
    catalogue = load_catalogue()
    for kind in KINDS:
        flow = plan(kind.briefs[0], kind.client, catalogue).flow
        layout = milliseconds(lambda flow=flow: lay_out(flow, catalogue), 50)
        first, again = [], []
        for brief in kind.briefs:
            order.cheapest_order.cache_clear()
            order_table.order_table.cache_clear()
            first += milliseconds(lambda brief=brief, kind=kind: plan(brief, kind.client, catalogue), 1)
            other = brief.model_copy(update={"booked_minutes": brief.booked_minutes + 1})
            again += milliseconds(lambda other=other, kind=kind: plan(other, kind.client, catalogue), 1)
        yield figure(f"planner: {kind.name}, first plan", first, "laying it out", layout, target=kind.first)
        yield figure(f"planner: {kind.name}, again", again, "laying it out", layout, target=kind.again)
