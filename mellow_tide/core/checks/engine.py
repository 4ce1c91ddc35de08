"""Runs every registered check over a flow. A check that fails itself becomes a finding, and takes nothing down."""

import logging
from collections.abc import Iterable

from pydantic import ValidationError

from mellow_tide.core.checks.check import Case, Check, Finding, Found, Repair, Severity
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.flow.edits import ChangeBrief, ChangeStep, MoveStep, RemoveStep, apply
from mellow_tide.core.phrases.book import say

log = logging.getLogger(__name__)

BROKEN = "SYS01"


def run_checks(case: Case, checks: Iterable[Check] = CHECKS) -> tuple[Finding, ...]:
    """All findings, as `found` has them; only repairs that leave no more `refuse` findings than there are."""
    checks = tuple(checks)
    return _with_safe_repairs(case, run_checks_untried(case, checks), checks)


def run_checks_untried(case: Case, checks: Iterable[Check] = CHECKS) -> tuple[Finding, ...]:
    """All findings, the most severe first, then in the order of the flow; what their repairs would do is not tried."""
    found = [finding for check in checks for finding in _run(check, case)]
    severity = {"refuse": 0, "caution": 1, "advice": 2}
    place = {part.id: i for i, part in enumerate(case.flow.parts)}
    found.sort(key=lambda f: (severity[f.severity], place.get(f.part_id or "", -1), f.step or 0, f.code))
    return tuple(found)


HARMLESS = (ChangeStep, ChangeBrief, RemoveStep, MoveStep)
"""Edits as repairs make them can do no harm: they lighten, take away, or put in order within a part."""


def _with_safe_repairs(
    case: Case, unsafe: tuple[Finding, ...], checks: tuple[Check, ...]
) -> tuple[Finding, ...]:
    now = sum(finding.severity == "refuse" for finding in unsafe)
    refusing = tuple(check for check in checks if check.severity == "refuse")

    def safe(repair: Repair) -> bool:
        if all(isinstance(edit, HARMLESS) for edit in repair.edits):
            return True
        try:
            repaired = apply(case.flow, repair.edits)
        except ValidationError:  # a flow keeps at least one part
            return False
        after = case.of_flow(repaired)
        return sum(1 for check in refusing for _ in _run(check, after)) <= now

    return tuple(
        finding.model_copy(update={"repairs": tuple(r for r in finding.repairs if safe(r))})
        if finding.repairs
        else finding
        for finding in unsafe
    )


def _run(check: Check, case: Case) -> list[Finding]:
    try:
        return [_finding(check.code, check.name, check.severity, found) for found in check.check(case)]
    except Exception:
        log.exception("the check %s failed", check.code)
        failed = Found(say("findings.check_failed", check=check.name))
        return [_finding(BROKEN, "check not made", "advice", failed)]


def _finding(code: str, name: str, severity: Severity, found: Found) -> Finding:
    return Finding(
        code=code,
        name=name,
        severity=severity,
        what=str(found.what),
        phrase=found.what.phrase,
        data=found.what.data,
        part_id=found.part.id if found.part else None,
        step=found.step,
        repairs=found.repairs,
    )
