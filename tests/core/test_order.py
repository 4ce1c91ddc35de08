"""The order engine against brute force: every order of legs that the school's rows allow."""

from itertools import permutations, product
from random import Random

import pytest

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.flow.flow import Setup
from mellow_tide.core.planner.order.order import find_cheapest_order
from mellow_tide.core.planner.order.order_table import make_order_table
from mellow_tide.core.planner.order.way import SchoolWay, homes
from mellow_tide.core.timing.scene import opening_scene
from mellow_tide.core.timing.transitions import approach
from tests.sizes import seeds

SCHOOL = "back_outwards"
# Written out by hand: which parts travel together, in each row of each block.
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


def setup(name, position, c):
    region, _, side = name.partition(":")
    medium = "dry" if region in ("face", "scalp") else "lubricated"
    return Setup("work", region, side or "mid", position, c.regions[region].window_in(position), medium)


def brute_force(chosen, closing, c):
    best = None
    for foot_in in ("prone", "supine") if "foot" in chosen else ("",):
        rows = []
        for position, block in LEGS.items():
            for row in block:
                legs = [
                    [
                        setup(n, position, c)
                        for n in leg
                        if n.split(":")[0] in chosen and (n.split(":")[0] != "foot" or position == foot_in)
                    ]
                    for leg in row
                ]
                rows.append([leg for leg in legs if leg])
        for orders in product(*(list(permutations(row)) for row in rows)):
            setups = [v for row in orders for leg in row for v in leg]
            first, last = setups[0].position, setups[-1].position
            opening = c.openings[first].region
            side = "both" if opening == "shoulders" else "mid"
            scene = opening_scene(Setup("open", opening, side, first, "none", "clothed"), c)
            end = c.closings[closing].region
            close = Setup("close", end, "both" if end == "foot" else "mid", last, "none", "clothed")
            seconds = 0
            for v in [*setups, close]:
                changes, scene = approach(scene, v, c)
                seconds += sum(t.seconds for t, _ in changes)
            turns = len({v.position for v in setups}) - 1
            best = min(best or (9, 0), (turns, seconds))
    return best[1]


@pytest.mark.parametrize("seed", seeds(20))
def test_no_allowed_order_is_cheaper(catalogue, seed):
    random = Random(seed)
    chosen = frozenset(random.sample(sorted(catalogue.regions), random.randint(1, 10)))
    closing = random.choice(["head", "feet"])
    found = find_cheapest_order(chosen, SchoolWay(SCHOOL, closing), catalogue)
    assert found.seconds == brute_force(chosen, closing, catalogue)
    assert make_order_table(SchoolWay(SCHOOL, closing), catalogue).of(chosen) == found.seconds
    assert {v.region for v in found.setups if v.role == "work"} == chosen


def test_legs_then_feet_then_washed_hands(catalogue):
    order = find_cheapest_order(
        frozenset({"thigh_back", "lower_leg_back", "foot", "hand"}), SchoolWay(SCHOOL, "head"), catalogue
    )
    assert [f"{v.region}-{v.side}" for v in order.setups] == [
        "back-mid",
        *(f"{r}-{s}" for s in ("right", "left") for r in ("thigh_back", "lower_leg_back")),
        *("foot-right", "foot-left", "hand-right", "hand-left", "scalp-mid"),
    ]


def test_the_head_comes_last_where_it_costs_no_more(catalogue):
    """On the side, face and scalp lie in either half. Last, they leave the end without an uncovering."""
    chosen = frozenset({"back", "arm", "hand", "face", "scalp"})
    order = find_cheapest_order(chosen, SchoolWay("side_by_side", "head"), catalogue)
    assert [v.region for v in order.setups][-4:-1] == ["hand", "face", "scalp"]


HOUSES = [
    House(),
    House(rules={"table_height": "lifts"}),
    House(rules={"clean_after_feet": "wipe", "stool": "stand"}),
    House(rules={"legs_and_feet": "leg_foot_leg_foot", "calf_and_shin": "both_supine"}),
    House(rules={"legs_and_feet": "feet_last"}),
]


@pytest.mark.parametrize("seed", seeds(30))
def test_the_table_of_all_sets_agrees_with_each_order_worked_out_alone(seed):
    """Every shipped school, barred positions, beginnings, openings and houses."""
    random = Random(seed)
    catalogue = in_house(random.choice(HOUSES), load_catalogue())
    school = random.choice(sorted(catalogue.schools.values(), key=lambda s: s.id))
    positions = [b.position for b in school.blocks]
    way = SchoolWay(
        school.id,
        random.choice(["head", "feet", "whole", "seated"]),
        frozenset(random.sample(positions, random.choice([0, 0, 1]))) if len(positions) > 1 else frozenset(),
        random.choice([None, *positions]),
        tuple(random.choice([0, 15, 35]) for _ in positions),
    )
    known = sorted(homes(way, catalogue))
    if not known:
        return
    always = tuple(random.sample(known, random.randint(0, min(2, len(known)))))
    optional = tuple(
        random.sample([id for id in known if id not in always], min(6, len(known) - len(always)))
    )
    table = make_order_table(way, catalogue)
    seconds = table.of_all(always, optional)
    for index in random.sample(range(1 << len(optional)), min(8, 1 << len(optional))):
        chosen = frozenset((*always, *(id for i, id in enumerate(optional) if index >> i & 1)))
        if chosen:
            assert seconds[index] == table.of(chosen) == find_cheapest_order(chosen, way, catalogue).seconds
