"""One measured figure, and how it is told."""

import gc
import json
from collections.abc import Callable, Sequence
from dataclasses import asdict, dataclass
from statistics import median, quantiles
from time import perf_counter

from benchmarks.yardstick import measure_slowness

YARDSTICK_EVERY = 0.2
"""Seconds after which the yardstick is laid on anew: a machine's speed changes within a run."""


class Taken(float):
    """Ms that a piece of work took, and how many times slower the machine was then (`yardstick`)."""

    slowness: float

    def __new__(cls, ms: float, slowness: float) -> "Taken":
        """A number of ms that knows the machine's slowness."""
        self = super().__new__(cls, ms)
        self.slowness = slowness
        return self


@dataclass(frozen=True)
class Figure:
    """`median` and `p95` in `unit`; `ratio` is median over the reference's median.

    `target` bounds `p95`, or the median where a few runs are all there is; `promised` the ratio. A target in ms is for
    the machine that it was set for: `there` is what it bounds, each time divided by the machine's `slowness` then.
    """

    name: str
    median: float
    p95: float
    unit: str
    reference: str
    ratio: float
    target: float | None
    promised: float | None
    holds: bool
    slowness: float = 1.0
    there: float | None = None

    def as_json(self) -> str:
        """One JSON object on one line."""
        return json.dumps(asdict(self))

    def as_line(self) -> str:
        """One line for a person."""
        return (
            f"{self.name}: median {self.median:.2f}, p95 {self.p95:.2f} {self.unit}"
            f" ({self.ratio:.2f} x {self.reference}){self._verdict(', ')}"
        )

    def as_row(self) -> str:
        """One row of a table: name, median, 95th percentile, ratio and verdict."""
        return (
            f"| {self.name} | {self.median:.1f} | {self.p95:.1f} | {self.ratio:.1f} x {self.reference}"
            f" |{self._verdict(' ')} |"
        )

    def _verdict(self, before: str) -> str:
        if self.target is None and self.promised is None:
            return ""
        promise = f"{self.target:.1f} {self.unit}" if self.target is not None else f"{self.promised:g} times"
        there = f": {self.there:.1f} by the yardstick" if self.there is not None and self.slowness > 1 else ""
        return f"{before}{'holds' if self.holds else 'MISSES'} {promise}{there}"


def milliseconds(work: Callable[[], object], times: int) -> list[Taken]:
    """How long `work` takes, `times` over, in ms.

    What was made before is collected first and then left alone, as in the server once it has started.
    """
    gc.collect()
    gc.freeze()
    taken = []
    slowness, measured = measure_slowness(), perf_counter()
    for _ in range(times):
        if perf_counter() - measured > YARDSTICK_EVERY:
            slowness, measured = measure_slowness(), perf_counter()
        began = perf_counter()
        work()
        taken.append(Taken(1000 * (perf_counter() - began), slowness))
    return taken


def by_turns(works: Sequence[Callable[[], object]], times: int) -> list[list[Taken]]:
    """How long each of `works` takes, `times` over, in ms; one of each in turn."""
    taken: list[list[Taken]] = [[] for _ in works]
    for _ in range(times):
        for work, found in zip(works, taken, strict=True):
            found.extend(milliseconds(work, 1))
    return taken


def figure(
    name: str,
    taken: Sequence[float],
    reference: str,
    reference_taken: Sequence[float],
    target: float | None = None,
    most_ratio: float | None = None,
    least_ratio: float | None = None,
    at_median: bool = False,
    unit: str = "ms",
) -> Figure:
    """The figure of `taken` (in `unit`) beside a reference measured in the same run.

    `target` bounds the 95th percentile, or the median if so said; `most_ratio` and `least_ratio` the medians' ratio.
    It holds if all do.
    """
    ratio = median(taken) / median(reference_taken)
    slowness = [one.slowness if isinstance(one, Taken) else 1.0 for one in taken]
    there = [one / slow for one, slow in zip(taken, slowness, strict=True)]
    bounded = median(there) if at_median else _p95(there)
    return Figure(
        name=name,
        median=median(taken),
        p95=_p95(taken),
        unit=unit,
        reference=reference,
        ratio=ratio,
        target=target,
        promised=next((r for r in (most_ratio, least_ratio) if r is not None), None),
        holds=(target is None or bounded <= target)
        and (most_ratio is None or ratio <= most_ratio)
        and (least_ratio is None or ratio >= least_ratio),
        slowness=median(slowness),
        there=None if target is None else bounded,
    )


def _p95(taken: Sequence[float]) -> float:
    return quantiles(taken, n=20)[-1] if len(taken) > 2 else max(taken)
