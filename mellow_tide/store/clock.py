"""What time it is: passed in wherever it matters, so that any hour of any day can be tried."""

from collections.abc import Callable, Mapping
from datetime import UTC, datetime, timedelta

Clock = Callable[[], datetime]
"""The present instant, with its zone."""

OFFSET = "TIDE_CLOCK_OFFSET"
"""Seconds by which the server's clock is set ahead (or, negative, back) of the machine's; nothing in daily use."""


def read_machine_clock() -> datetime:
    """Now, by the machine."""
    return datetime.now(UTC)


def make_clock(environment: Mapping[str, str]) -> Clock:
    """The machine's clock, or one set ahead of it where the environment says so."""
    offset = timedelta(seconds=float(environment.get(OFFSET, "0")))
    return (lambda: datetime.now(UTC) + offset) if offset else read_machine_clock
