"""What the model of pressure spares simulated clients, beside starting as last time; and what an estimate costs."""

from collections.abc import Iterator

import numpy as np
from pydantic import TypeAdapter

from benchmarks.figure import Figure, figure, milliseconds
from benchmarks.simulated import POLICIES, REGIONS, Outcome, simulate
from mellow_tide.core.learning.evidence import Answer
from mellow_tide.core.learning.pressure import PressureModel
from mellow_tide.core.run.events import Word

CLIENTS = 600
VISITS = 4
SEED = 5
LESS = 0.7
"""Clearly wrong starts over visits 2 to 4, at most so many times those of "same as last time"."""

COVERED = (0.77, 0.83)
ESTIMATE = 100
"""Milliseconds for a client with 200 visits."""

MANY = 200


def figures() -> Iterator[Figure]:
    """Measure this area: shares in percent, times in ms."""
    outcomes = {name: simulate(policy, CLIENTS, VISITS, SEED) for name, policy in POLICIES.items()}
    for name in outcomes:
        if name != "model":
            yield _wrong(outcomes, name)
    yield _covered(outcomes["model"])
    yield from _levels(outcomes["model"], outcomes["same as last time"])
    answers = _answers()
    stored = TypeAdapter(list[Answer]).dump_json(answers)
    yield figure(
        f"learning: estimate after {MANY} visits",
        milliseconds(lambda: PressureModel(answers), 40),
        "reading the answers from JSON",
        milliseconds(lambda: TypeAdapter(list[Answer]).validate_json(stored), 40),
        target=ESTIMATE,
    )


def _wrong(outcomes: dict[str, Outcome], reference: str) -> Figure:
    """Clearly wrong starts of the model over visits 2 to 4 beside another way to start."""
    model, other = (
        [100 * outcomes[name].wrong[visit] for visit in range(2, VISITS + 1)] for name in ("model", reference)
    )
    ratio = sum(model) / sum(other)
    promised = LESS if reference == "same as last time" else None
    return Figure(
        name=f"learning: starts clearly wrong, visits 2 to {VISITS}, beside {reference}",
        median=sum(model) / len(model),
        p95=max(model),
        unit="%",
        reference=reference,
        ratio=ratio,
        target=None,
        promised=promised,
        holds=promised is None or ratio <= promised,
    )


def _covered(outcome: Outcome) -> Figure:
    """How many wishes lie inside the 80 % interval."""
    return Figure(
        name="learning: wishes inside the 80 % interval",
        median=100 * outcome.covered,
        p95=100 * outcome.covered,
        unit="%",
        reference="the 80 % asked for",
        ratio=outcome.covered / 0.8,
        target=None,
        promised=1.0,
        holds=COVERED[0] <= outcome.covered <= COVERED[1],
    )


LEVELS = (
    ("too_light", "starts more than a level too light", 5.0),
    ("too_deep", "starts more than a level too deep", 6.0),
    ("moved", "moved after just right", 1.0),
)
"""What is counted of the level that a plan works, in words, and the most of it in percent."""


def _levels(model: Outcome, other: Outcome) -> Iterator[Figure]:
    """How often the level that a plan works is more than one off, or moves though it was just right."""
    for field, words, most in LEVELS:
        found, beside = 100 * getattr(model, field), 100 * getattr(other, field)
        yield Figure(
            name=f"learning: {words}",
            median=found,
            p95=found,
            unit="%",
            reference="same as last time",
            ratio=found / beside if beside else 1.0,
            target=most,
            promised=None,
            holds=found <= most,
        )


def _answers() -> list[Answer]:
    """Two answers on four regions at each of many visits."""
    rng = np.random.default_rng(SEED)
    words: tuple[Word, ...] = ("lighter", "just_right", "deeper")
    return [
        Answer(visit=visit, region=REGIONS[i], depth=float(rng.integers(2, 5)), word=words[rng.integers(3)])
        for visit in range(1, MANY + 1)
        for i in rng.choice(len(REGIONS), 4, replace=False)
        for _ in range(2)
    ]
