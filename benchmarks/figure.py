"""One measured figure, and how it is told."""

import gc
import json
from collections.abc import Callable, Sequence
from dataclasses import asdict, dataclass
from statistics import median, quantiles
from time import perf_counter


@dataclass(frozen=True)
class Figure:
    """`median` and `p95` in `unit`; `ratio` is median over the reference's median.

    `target` bounds `p95`, or the median where a few runs are all there is; `promised` the ratio.
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
        return f"{before}{'holds' if self.holds else 'MISSES'} {promise}"


def milliseconds(work: Callable[[], object], times: int) -> list[float]:
    """How long `work` takes, `times` over, in ms.

    What was made before is collected first and then left alone, as in the server once it has started.
    """
    gc.collect()
    gc.freeze()
    taken = []
    for _ in range(times):
        began = perf_counter()
        work()
        taken.append(1000 * (perf_counter() - began))
    return taken


def by_turns(works: Sequence[Callable[[], object]], times: int) -> list[list[float]]:
    """How long each of `works` takes, `times` over, in ms; one of each in turn."""
    taken: list[list[float]] = [[] for _ in works]
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
) -> Figure:
    """The figure of `taken` ms beside a reference measured in the same run.

    `target` bounds the 95th percentile, or the median if so said; `most_ratio` and `least_ratio` the medians' ratio.
    It holds if all do.
    """
    p95 = quantiles(taken, n=20)[-1] if len(taken) > 2 else max(taken)
    ratio = median(taken) / median(reference_taken)
    return Figure(
        name=name,
        median=median(taken),
        p95=p95,
        unit="ms",
        reference=reference,
        ratio=ratio,
        target=target,
        promised=next((r for r in (most_ratio, least_ratio) if r is not None), None),
        holds=(target is None or (median(taken) if at_median else p95) <= target)
        and (most_ratio is None or ratio <= most_ratio)
        and (least_ratio is None or ratio >= least_ratio),
    )
