"""The order engine against brute force: every order of legs that the school's rows allow."""

from itertools import permutations, product
from random import Random

import pytest

from mellow_tide.core.flow.flow import Visit
from mellow_tide.core.planner.order import Way, cheapest_order, order_seconds
from mellow_tide.core.timing.scene import opening_scene
from mellow_tide.core.timing.transitions import approach

SCHOOL = "back_outwards"
# Written out by hand: which stops travel together, in each row of each block.
LEGS = {
    "prone": [
        [["back"]],
        [["shoulders:right", "shoulders:left"], ["side_body:right"], ["side_body:left"]],
        [[f"{r}:{side}" for r in ("hips", "thigh_back", "lower_leg_back")] for side in ("right", "left")],
        [["foot:right", "foot:left"]],
    ],
    "supine": [
        [
            [f"{r}:{side}" for r in ("hip_front", "thigh_front", "lower_leg_front")]
            for side in ("right", "left")
        ],
        [["foot:right", "foot:left"]],
        [["abdomen"]],
        [[f"{r}:{side}" for r in ("arm", "hand")] for side in ("right", "left")],
        [["chest:right", "chest:left"]],
        [["neck"]],
        [["face"]],
        [["scalp"]],
    ],
}


def visit(name, position, c):
    region, _, side = name.partition(":")
    medium = "dry" if region in ("face", "scalp") else "lubricated"
    return Visit("work", region, side or "mid", position, c.regions[region].window_in(position), medium)


def brute_force(chosen, closing, c):
    best = None
    for foot_in in ("prone", "supine") if "foot" in chosen else ("",):
        rows = []
        for position, block in LEGS.items():
            for row in block:
                legs = [
                    [
                        visit(n, position, c)
                        for n in leg
                        if n.split(":")[0] in chosen and (n.split(":")[0] != "foot" or position == foot_in)
                    ]
                    for leg in row
                ]
                rows.append([leg for leg in legs if leg])
        for orders in product(*(list(permutations(row)) for row in rows)):
            visits = [v for row in orders for leg in row for v in leg]
            first, last = visits[0].position, visits[-1].position
            opening = c.openings[first].region
            side = "both" if opening == "shoulders" else "mid"
            scene = opening_scene(Visit("open", opening, side, first, "none", "clothed"), c)
            end = c.closings[closing].region
            close = Visit("close", end, "both" if end == "foot" else "mid", last, "none", "clothed")
            seconds = 0
            for v in [*visits, close]:
                changes, scene = approach(scene, v, c)
                seconds += sum(t.seconds for t, _ in changes)
            best = seconds if best is None else min(best, seconds)
    return best


@pytest.mark.parametrize("seed", range(60))
def test_no_allowed_order_is_cheaper(catalogue, seed):
    random = Random(seed)
    chosen = frozenset(random.sample(sorted(catalogue.regions), random.randint(1, 10)))
    closing = random.choice(["head", "feet"])
    found = cheapest_order(chosen, Way(SCHOOL, closing), catalogue)
    assert found.seconds == brute_force(chosen, closing, catalogue)
    assert order_seconds(chosen, Way(SCHOOL, closing), catalogue) == found.seconds
    assert {v.region for v in found.visits if v.role == "work"} == chosen


def test_legs_then_feet_then_washed_hands(catalogue):
    order = cheapest_order(
        frozenset({"thigh_back", "lower_leg_back", "foot", "hand"}), Way(SCHOOL, "head"), catalogue
    )
    assert [f"{v.region}-{v.side}" for v in order.visits] == [
        "back-mid",
        *(f"{r}-{s}" for s in ("right", "left") for r in ("thigh_back", "lower_leg_back")),
        *("foot-right", "foot-left", "hand-right", "hand-left", "scalp-mid"),
    ]
