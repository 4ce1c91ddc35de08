"""Planning, first and again, beside laying the plan out on the clock."""

from collections.abc import Iterator

from benchmarks.figure import Figure, figure, milliseconds
from benchmarks.long_flow import CLIENT
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner import order, order_table
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.timing.run_sheet import lay_out

BRIEFS = [
    Brief(booked_minutes=minutes, focus=focus, pressure=pressure)
    for minutes in (60, 75, 90)
    for focus in ((), ("neck",), ("hips", "foot"))
    for pressure in ("light", "firm")
]


def figures() -> Iterator[Figure]:
    """Measure this area; all times in ms."""
    catalogue = load_catalogue()
    flow = plan(BRIEFS[0], CLIENT, catalogue).flow
    layout = milliseconds(lambda: lay_out(flow, catalogue), 50)
    first, again = [], []
    for brief in BRIEFS:
        order.cheapest_order.cache_clear()
        order_table.order_table.cache_clear()
        first += milliseconds(lambda brief=brief: plan(brief, CLIENT, catalogue), 1)
        again += milliseconds(lambda brief=brief: plan(brief, CLIENT, catalogue), 1)
    yield figure("planner: full body, first plan", first, "laying it out", layout, target=None)
    yield figure("planner: full body, again", again, "laying it out", layout, target=None)
