"""One measured figure, and how it is told."""

import json
from collections.abc import Callable, Sequence
from dataclasses import asdict, dataclass
from statistics import median, quantiles
from time import perf_counter


@dataclass(frozen=True)
class Figure:
    """`median` and `p95` in `unit`; `ratio` is median over the reference's median; `target` bounds p95."""

    name: str
    median: float
    p95: float
    unit: str
    reference: str
    ratio: float
    target: float | None
    holds: bool

    def as_json(self) -> str:
        """One JSON object on one line."""
        return json.dumps(asdict(self))

    def as_line(self) -> str:
        """One line for a person."""
        promise = "" if self.target is None else f" {self.target:g} {self.unit}"
        verdict = f", {'holds' if self.holds else 'MISSES'}{promise}"
        return (
            f"{self.name}: median {self.median:.2f}, p95 {self.p95:.2f} {self.unit}"
            f" ({self.ratio:.2f} x {self.reference}){verdict}"
        )


def milliseconds(work: Callable[[], object], times: int) -> list[float]:
    """How long `work` takes, `times` over, in ms."""
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
) -> Figure:
    """The figure of `taken` ms beside a reference measured in the same run.

    `target` bounds the 95th percentile, `most_ratio` the medians' ratio; it holds if both do.
    """
    p95 = quantiles(taken, n=20)[-1]
    ratio = median(taken) / median(reference_taken)
    return Figure(
        name=name,
        median=median(taken),
        p95=p95,
        unit="ms",
        reference=reference,
        ratio=ratio,
        target=target,
        holds=(target is None or p95 <= target) and (most_ratio is None or ratio <= most_ratio),
    )
