"""One flow, one client: run sheet, restrictions, findings, balance, hands and supplies."""

from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import Finding, make_case
from mellow_tide.core.checks.engine import run_checks
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.hands.load import HandLoad
from mellow_tide.core.setting import Setting
from mellow_tide.core.supplies.packing import Supplies, count_supplies
from mellow_tide.core.timing.exposure import Exposure, find_exposures
from mellow_tide.core.timing.run_sheet import RunSheet


class Balance(Record):
    """Whole seconds of strokes on the client's left, right and middle, and of everything between strokes."""

    left: int
    right: int
    middle: int
    between: int


class Evaluation(Record):
    """What a flow is, in full. Screens read this and compute no rules of their own."""

    sheet: RunSheet
    restrictions: Restrictions
    findings: tuple[Finding, ...]
    balance: Balance
    hands: HandLoad
    supplies: Supplies
    exposures: tuple[Exposure, ...]


def evaluate(
    flow: Flow,
    setting: Setting,
) -> Evaluation:
    """Evaluate a flow that `check_flow` has passed, as a practice works it at the therapist's pace.

    Pure: the same flow gives the same evaluation. Raises `UnknownReference` for ids the catalogue does not know.
    """
    case = make_case(flow, setting)
    sheet = case.sheet
    return Evaluation(
        sheet=sheet,
        restrictions=case.restrictions,
        findings=run_checks(case),
        balance=_balance(sheet),
        hands=case.load,
        supplies=count_supplies(flow, sheet, case.catalogue, case.client),
        exposures=find_exposures(sheet, case.catalogue),
    )


def _balance(sheet: RunSheet) -> Balance:
    seconds = {"left": 0, "right": 0, "middle": 0, "between": 0}
    for entry in sheet.entries:
        side = entry.side if entry.side in ("left", "right") else "middle"
        seconds[side if entry.kind == "stroke" else "between"] += entry.seconds
    return Balance(**seconds)
