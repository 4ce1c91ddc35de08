"""Taking many repairs at once, as far as they do no harm to one another."""

from collections.abc import Iterator

from pydantic import ValidationError

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import Finding, Severity
from mellow_tide.core.checks.engine import run_checks_untried
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.edits import Edit, apply
from mellow_tide.core.flow.flow import Flow

MOST = 40
"""Repairs that are taken at once at most: each could bring about the next."""

WEIGHT: dict[Severity, int] = {"refuse": 10_000, "caution": 100, "advice": 1}


class Mending(Record):
    """The repairs taken together: what each one mends, the edits in order, and what could not be mended so."""

    mended: tuple[str, ...]
    edits: tuple[Edit, ...]
    left: tuple[str, ...]


def mend(trial: Trial, severity: Severity = "advice") -> Mending:
    """All repairs of findings of one severity that make the whole better, one after the other.

    A repair is taken only if the findings then weigh less than before it, so none is bought with a graver one.
    """
    flow, edits, mended = trial.case.flow, list[Edit](), list[str]()
    while len(mended) < MOST:
        better = _next(trial, flow, severity)
        if better is None:
            break
        finding, taken, flow = better
        mended.append(finding.what)
        edits += taken
    left = tuple(f.what for f in _found(trial, flow) if f.severity == severity)
    return Mending(mended=tuple(mended), edits=tuple(edits), left=left)


def _next(trial: Trial, flow: Flow, severity: Severity) -> tuple[Finding, tuple[Edit, ...], Flow] | None:
    now = _found(trial, flow)
    for finding in now:
        if finding.severity == severity:
            for repair in finding.repairs:
                for after in _applied(trial, flow, repair.edits):
                    if _weight(_found(trial, after)) < _weight(now):
                        return finding, repair.edits, after
    return None


def _applied(trial: Trial, flow: Flow, edits: tuple[Edit, ...]) -> Iterator[Flow]:
    try:
        yield trial.of_flow(apply(flow, edits)).flow
    except ValidationError:  # a flow keeps at least one part
        return


def _found(trial: Trial, flow: Flow) -> tuple[Finding, ...]:
    return run_checks_untried(trial.case.of_flow(flow))


def _weight(all: tuple[Finding, ...]) -> int:
    return sum(WEIGHT[finding.severity] for finding in all)
