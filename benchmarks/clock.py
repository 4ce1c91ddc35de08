"""Laying a long flow on the clock, beside reading the same flow from its stored form."""

from collections.abc import Iterator

from benchmarks.figure import Figure, figure, milliseconds
from benchmarks.long_flow import long_flow
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.timing.run_sheet import lay_out
from tests.settings import CATALOGUE

TARGET = 5


def figures() -> Iterator[Figure]:
    """Measure this area; all times in ms."""
    catalogue = CATALOGUE
    flow = long_flow(catalogue)
    stored = flow.model_dump_json()
    yield figure(
        "clock: lay out 120 minutes",
        milliseconds(lambda: lay_out(flow, catalogue), 200),
        "reading the flow from JSON",
        milliseconds(lambda: Flow.model_validate_json(stored), 200),
        target=TARGET,
    )
