"""What working a session uses, with the client's health looked at."""

from mellow_tide.core.checks.check import Case
from mellow_tide.core.supplies.packing import Supplies, count_supplies


def count_case_supplies(case: Case) -> Supplies:
    """Lubricant in ml, linen, supports and hot towels of a case; where the head end is raised, with what raises it."""
    head_raised = bool(case.restrictions.raise_head)
    return count_supplies(case.flow, case.sheet, case.catalogue, case.client, head_raised)
