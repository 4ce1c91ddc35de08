"""One flow, one client: run sheet, restrictions, findings, balance, hands and supplies."""

from typing import Literal

from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import Case, Finding, make_case
from mellow_tide.core.checks.engine import run_checks
from mellow_tide.core.checks.rules.sides_differ import TOLERATED as EVEN
from mellow_tide.core.evaluation.case_supplies import count_case_supplies
from mellow_tide.core.evaluation.worked_passages import WorkedPassage, find_passages
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.hands.load import THUMB_BUDGET, HandLoad
from mellow_tide.core.setting import Setting
from mellow_tide.core.supplies.packing import Supplies
from mellow_tide.core.timing.exposure import Exposure, find_exposures
from mellow_tide.core.timing.run_sheet import TOLERATED, RunSheet
from mellow_tide.core.timing.scene import TransitionKind


class Balance(Record):
    """Whole seconds of strokes by the client's side, and of all that lies between strokes.

    What is for a sore point comes on top of one side, and counts to the middle.
    """

    left: int
    right: int
    middle: int
    between: int


class BetweenStrokes(Record):
    """Where the seconds between strokes go; whole seconds.

    `moving` is walking, the stool, the table's height and resting the hands; `cleaning` washing, wiping and towels.
    """

    covering: int
    turning: int
    oiling: int
    cleaning: int
    moving: int


class VerdictLimits(Record):
    """What verdicts are held against: seconds missed, seconds by which sides differ, the thumbs' share (0 to 1)."""

    minutes_missed: int = TOLERATED
    sides_differ: int = EVEN
    thumb_share: float = THUMB_BUDGET


class Verdicts(Record):
    """Whether it fits, is balanced, is safe and spares the hands, each as a code with its number.

    `over`: whole seconds over (negative: under) the hands-on minutes; `apart`: how much longer one side is worked.
    """

    fit: Literal["fits", "over", "under", "open_ended"]
    over: int
    balance: Literal["even", "uneven"]
    apart: int
    safety: Literal["clear", "advice", "caution", "refuse"]
    hands: Literal["easy", "strained"]
    thumbs: Literal["within", "over"]


class Evaluation(Record):
    """What a flow is, in full. Screens read this and compute no rules of their own.

    `first_touch_seconds`: from the hour that is booked to the first touch.
    """

    sheet: RunSheet
    restrictions: Restrictions
    findings: tuple[Finding, ...]
    balance: Balance
    between: BetweenStrokes
    hands: HandLoad
    supplies: Supplies
    exposures: tuple[Exposure, ...]
    passages: tuple[WorkedPassage, ...]
    verdicts: Verdicts
    limits: VerdictLimits
    first_touch_seconds: int


def evaluate(
    flow: Flow,
    setting: Setting,
) -> Evaluation:
    """Evaluate a flow that `check_flow` has passed, as a practice works it at the therapist's pace.

    Pure: the same flow gives the same evaluation. Raises `UnknownReference` for ids the catalogue does not know.
    """
    case = make_case(flow, setting)
    sheet, found = case.sheet, run_checks(case)
    balance = _balance(case)
    return Evaluation(
        sheet=sheet,
        restrictions=case.restrictions,
        findings=found,
        balance=balance,
        between=_between(sheet),
        hands=case.load,
        supplies=count_case_supplies(case),
        exposures=find_exposures(sheet, case.catalogue),
        passages=find_passages(case),
        verdicts=_judge(sheet, balance, found, case.load),
        limits=VerdictLimits(),
        first_touch_seconds=60 * case.kind.minutes_before(flow.brief.first_visit),
    )


def _judge(sheet: RunSheet, balance: Balance, found: tuple[Finding, ...], hands: HandLoad) -> Verdicts:
    apart = abs(balance.left - balance.right)
    missed = "over" if sheet.over > 0 else "under"
    return Verdicts(
        fit="open_ended" if sheet.open_ended else "fits" if abs(sheet.over) <= TOLERATED else missed,
        over=sheet.over,
        balance="even" if apart <= EVEN else "uneven",
        apart=apart,
        # The most severe comes first.
        safety=found[0].severity if found else "clear",
        hands="strained" if hands.hazardous else "easy",
        thumbs="over" if hands.thumb_share > THUMB_BUDGET else "within",
    )


def _balance(case: Case) -> Balance:
    seconds = {"left": 0, "right": 0, "middle": 0, "between": 0}
    for entry in case.sheet.entries:
        side = entry.side if entry.side in ("left", "right") and not case.is_for_point(entry) else "middle"
        seconds[side if entry.kind == "stroke" else "between"] += entry.seconds
    return Balance(**seconds)


SPENT: dict[str, tuple[TransitionKind, ...]] = {
    "covering": ("close_window", "open_window"),
    "turning": ("turn", "sit_back", "bolster"),
    "oiling": ("oil",),
    "cleaning": ("wash", "wipe", "towel"),
}
"""What the transitions are for; all others are moving."""


def _between(sheet: RunSheet) -> BetweenStrokes:
    purpose = {kind: name for name, kinds in SPENT.items() for kind in kinds}
    seconds = dict.fromkeys((*SPENT, "moving"), 0)
    for entry in sheet.entries:
        if entry.kind != "stroke":
            seconds[purpose.get(entry.kind, "moving")] += entry.seconds
    return BetweenStrokes(**seconds)
