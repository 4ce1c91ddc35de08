"""Region shares against the burn chart.

Source: Lund & Browder 1944, adult column, percent of body surface (from memory): head 7, neck 2, front trunk 13,
back trunk 13, buttock 2.5 each, genitals 1, upper arm 4 each, forearm 3 each, hand 2.5 each, thigh 9.5 each, leg 7
each, foot 3.5 each; together 100.
"""

import pytest

CHART = {
    "head": 7,
    "neck": 2,
    "front trunk": 13,
    "back trunk": 13,
    "buttock": 2.5,
    "arm": 4 + 3,
    "hand": 2.5,
    "thigh": 9.5,
    "leg": 7,
    "foot": 3.5,
}
EACH_SIDE = {"buttock", "arm", "hand", "thigh", "leg", "foot"}

# Which regions make up a part of the chart, and the percent of it that no session works.
PARTS = {
    "head": (["scalp", "face"], 0),
    "neck": (["neck"], 0),
    "front trunk": (["chest", "abdomen", "hip_front"], 0.5),
    "back trunk": (["back", "shoulders", "side_body"], 0.5),
    "buttock": (["hips"], 0),
    "arm": (["arm"], 0),
    "hand": (["hand"], 0),
    "thigh": (["thigh_back", "thigh_front"], 0),
    "leg": (["lower_leg_back", "lower_leg_front"], 0),
    "foot": (["foot"], 0),
}


def test_the_chart_sums_to_the_whole_body():
    genitals = 1
    assert sum(share * (2 if part in EACH_SIDE else 1) for part, share in CHART.items()) + genitals == 100


@pytest.mark.parametrize("part", CHART)
def test_regions_make_up_their_part(catalogue, part):
    ids, unworked = PARTS[part]
    per_side = part in EACH_SIDE
    total = sum(
        catalogue.regions[id].share * (1 if per_side else catalogue.regions[id].side_count) for id in ids
    )
    assert total <= CHART[part]
    assert total == pytest.approx(CHART[part] - unworked)


def test_every_region_belongs_to_one_part(catalogue):
    assert sorted(id for ids, _ in PARTS.values() for id in ids) == sorted(catalogue.regions)


# Wallace 1951, rule of nines (from memory): coarser than the chart, so only near to it.
NINES = {
    9: [["scalp", "face", "neck"], ["arm", "hand"]],
    18: [
        ["thigh_back", "thigh_front", "lower_leg_back", "lower_leg_front", "foot"],
        ["chest", "chest", "abdomen", "hip_front", "hip_front"],
        ["back", "shoulders", "shoulders", "side_body", "side_body", "hips", "hips"],
    ],
}


@pytest.mark.parametrize(("nine", "ids"), [(nine, ids) for nine, parts in NINES.items() for ids in parts])
def test_the_rule_of_nines_is_near(catalogue, nine, ids):
    front = 6 if "abdomen" in ids else 0  # what lies between chest, belly and hip is not worked
    assert sum(catalogue.regions[id].share for id in ids) + front == pytest.approx(nine, abs=2.1)
