"""What a change of a flow would break, found by making it and asking the checks."""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cached_property
from typing import Self

from mellow_tide.core.checks.check import Case, Finding, make_case
from mellow_tide.core.checks.engine import run_checks_untried
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.checks.rules import minutes_missed
from mellow_tide.core.flow.edits import Edit, apply
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.strokes.rituals import meet_the_minutes
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import RunSheet

SERIOUS = tuple(check for check in CHECKS if check.severity != "advice" and check is not minutes_missed.CHECK)
"""What counts against a change. Advice does not, nor missed minutes: whatever is added takes time."""


@dataclass(frozen=True)
class Tried:
    """A changed flow, its closing hold meeting the minutes, and the serious findings that it has and the first had not.

    `seconds` is how much longer (negative: shorter) everything between the strokes of its parts has become.
    """

    flow: Flow
    broken: tuple[Finding, ...]
    seconds: int

    @property
    def why_not(self) -> str:
        """What forbids the change, or nothing."""
        return next((finding.what for finding in self.broken if finding.severity == "refuse"), "")

    @property
    def warns(self) -> str:
        """What it should not be done without knowing, or nothing."""
        return next((finding.what for finding in self.broken if finding.severity == "caution"), "")


@dataclass(frozen=True)
class Trial:
    """A flow for a client, in which changes can be tried."""

    case: Case

    @classmethod
    def of(
        cls,
        flow: Flow,
        setting: Setting,
    ) -> Self:
        """The trial of a flow that `check_flow` has passed."""
        return cls(make_case(flow, setting))

    def of_edits(self, edits: Iterable[Edit]) -> Tried:
        """What becomes of the flow by `edits`. Raises `BadFlow` where one finds nothing to work on."""
        return self.of_flow(apply(self.case.flow, edits))

    def of_flow(self, flow: Flow) -> Tried:
        """What sets `flow` apart from the first one, in findings and in seconds between strokes."""
        after = self.case.of_flow(meet_the_minutes(flow, self.case.setting))
        broken, known = [], self._known.copy()
        for finding in run_checks_untried(after, SERIOUS):
            known[_key(finding)] -= 1
            if known[_key(finding)] < 0:
                broken.append(finding)
        return Tried(after.flow, tuple(broken), _between(after.sheet) - _between(self.case.sheet))

    @cached_property
    def _known(self) -> Counter[tuple[str, str | None]]:
        return Counter(_key(finding) for finding in run_checks_untried(self.case, SERIOUS))


def _key(finding: Finding) -> tuple[str, str | None]:
    return finding.code, finding.part_id


def _between(sheet: RunSheet) -> int:
    return sum(entry.seconds for entry in sheet.entries if not entry.working)
