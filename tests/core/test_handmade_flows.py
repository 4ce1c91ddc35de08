"""Flows for five kinds of session that break nothing, and what is found once each breaks exactly one rule."""

import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.edits import ChangePart, ChangeStep, InsertStep, RemovePart, RemoveStep, apply
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.planner.strokes.rituals import meet_the_minutes
from tests.core import handmade as made
from tests.settings import setting

C = made.C
KINDS = {
    "chair": (made.chair(), made.CLIENT),
    "focus": (made.focus(), made.CLIENT),
    "side_lying": (made.side_lying(), made.CLIENT),
    "prenatal": (made.prenatal(), made.TWENTY_SEVEN_WEEKS),
    "labour_support": (made.labour_support(), made.IN_LABOUR),
}


def codes(flow, client):
    check_flow(flow, C)
    return {finding.code for finding in evaluate(flow, setting(client, C)).findings}


def stroke(name, slot, depth, passes, **fields):
    return made.step(C, name, slot, depth, passes).model_copy(update=fields)


@pytest.mark.parametrize("kind", KINDS)
def test_a_flow_that_breaks_nothing_has_no_findings(kind):
    assert codes(*KINDS[kind]) == set()


BROKEN = [
    ("chair", "COM01", [ChangeStep(part_id="back", step=1, check_in=False)]),
    ("chair", "ORD05", [RemoveStep(part_id="neck", step=2)]),
    (
        "chair",
        "TIM07",
        [
            RemoveStep(part_id="back", step=3),
            InsertStep(part_id="back", at=3, step=stroke("clapping", "rouse", 2, 2)),
        ],
    ),
    ("focus", "ORD01", [InsertStep(part_id="back", at=2, step=stroke("skin_rolling", "dry", 2, 1))]),
    ("focus", "PRS03", [ChangeStep(part_id="back", step=2, seconds=20)]),
    ("focus", "SUP01", [ChangePart(part_id="back", oil="much")]),
    ("chair", "BAL01", [RemovePart(part_id="arm-left")]),
    ("side_lying", "DRP05", [ChangePart(part_id="arm-right", skips=("cover",))]),
    ("side_lying", "ORD12", [ChangePart(part_id="arm-left", skips=("announce",))]),
    ("prenatal", "PRG02", [ChangeStep(part_id="thigh_back-right", step=2, depth=3)]),
    (
        "prenatal",
        "PRG04",
        [
            InsertStep(
                part_id="shoulders-right",
                at=3,
                step=stroke("circular_friction", "specific", 2, 1, zone="upper_trapezius"),
            )
        ],
    ),
    ("labour_support", "PRG10", [ChangeStep(part_id="back", step=3, check_in=False)]),
]


@pytest.mark.parametrize(("kind", "code", "edits"), BROKEN, ids=[code for _, code, _ in BROKEN])
def test_breaking_one_rule_shows_exactly_that(kind, code, edits):
    flow, client = KINDS[kind]
    assert codes(meet_the_minutes(apply(flow, edits), setting(client, C)), client) == {code}
