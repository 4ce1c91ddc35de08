"""Runs every registered check over a flow. A check that fails itself becomes a finding, and takes nothing down."""

import logging
from collections.abc import Iterable

from mellow_tide.core.checks.check import Case, Check, Finding
from mellow_tide.core.checks.registry import CHECKS

log = logging.getLogger(__name__)

BROKEN = "SYS01"


def findings(case: Case, checks: Iterable[Check] = CHECKS) -> tuple[Finding, ...]:
    """All findings, the most severe first, then in the order of the flow."""
    found = [finding for check in checks for finding in _run(check, case)]
    severity = {"stop": 0, "caution": 1, "advice": 2}
    place = {stop.id: i for i, stop in enumerate(case.flow.stops)}
    found.sort(key=lambda f: (severity[f.severity], place.get(f.stop_id or "", -1), f.step or 0, f.code))
    return tuple(found)


def _run(check: Check, case: Case) -> list[Finding]:
    try:
        return [
            Finding(
                code=check.code,
                name=check.name,
                severity=check.severity,
                what=found.what,
                stop_id=found.stop.id if found.stop else None,
                step=found.step,
                repairs=found.repairs,
            )
            for found in check.check(case)
        ]
    except Exception:
        log.exception("the check %s failed", check.code)
        what = f"The check “{check.name}” could not be made: look at this yourself."
        return [Finding(code=BROKEN, name="check not made", severity="advice", what=what)]
