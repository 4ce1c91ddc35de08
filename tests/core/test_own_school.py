"""A school of one's own: begun from a shipped one, with other weights and another order; plans follow it."""

import pytest
from pydantic import ValidationError

from mellow_tide.core.catalogue.house.house import House, OwnSchool, change_house, value_in
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.designing.school_minutes import measure_school
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.flow.usual_brief import follow_house, make_usual_brief
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import UnknownReference
from tests.settings import CATALOGUE, setting

SHIPPED = load_catalogue()
AGREES = ClientFacts(consents=frozenset(CATALOGUE.consents))
BASE = SHIPPED.schools["back_outwards"]
ROWS = [{"position": block.position, "rows": block.rows} for block in BASE.blocks]


def school(**changes):
    told = {"name": "ours", "base": BASE.id, "weights": dict(BASE.weights), "blocks": ROWS, **changes}
    return OwnSchool.model_validate(told)


def house(own):
    return House(schools={"own-ours": own})


def minutes(own):
    here = setting(AGREES, house=house(own))
    return measure_school(Brief(booked_minutes=75, school="own-ours"), here).minutes


def worked(own):
    made = plan(Brief(booked_minutes=75, school="own-ours"), setting(AGREES, house=house(own))).flow
    return [part.region for part in made.parts if part.role == "work"]


def test_as_it_was_begun_it_plans_what_its_base_plans():
    theirs = measure_school(Brief(booked_minutes=75), setting(AGREES))
    assert minutes(school()) == theirs.minutes
    assert sum(theirs.minutes.values()) < 65


def test_what_weighs_more_gets_more_and_the_rest_less():
    before = minutes(school())
    after = minutes(school(weights={**BASE.weights, "thigh_back": 3.0}))
    assert after["thigh_back"] > before["thigh_back"]
    assert after["back"] < before["back"]


def test_rows_are_worked_in_their_new_order():
    prone, *others = ROWS
    turned = [
        {**prone, "rows": [["hips", "thigh_back", "lower_leg_back"], ["back"], ["shoulders"], ["foot"]]},
        *others,
    ]
    assert worked(school())[0] == "back"
    order = worked(school(blocks=turned))
    assert order.index("thigh_back") < order.index("back")


def test_what_is_in_no_row_is_not_worked():
    supine = ROWS[1]
    without = {**supine, "rows": [row for row in supine["rows"] if row != ("face",)]}
    assert "face" in worked(school())
    assert "face" not in worked(school(blocks=[ROWS[0], without]))


def test_a_usual_one_is_where_sessions_begin_until_it_is_archived():
    usual = in_house(house(school(usual=True)), SHIPPED)
    assert make_usual_brief("full_body", usual).school == "own-ours"
    assert follow_house(Brief(booked_minutes=60), CATALOGUE, usual).school == "own-ours"
    archived = change_house(house(school(usual=True)), "schools.own-ours", None)
    after = in_house(archived, SHIPPED)
    assert make_usual_brief("full_body", after).school == "back_outwards"
    assert not after.schools["own-ours"].offered
    # What was planned by it stands and can be planned again.
    assert plan(Brief(booked_minutes=60, school="own-ours"), setting(AGREES, house=archived)).flow


def test_it_is_told_in_json_and_read_back():
    own = school(usual=True)
    changed = change_house(House(), "schools.own-ours", own.model_dump_json())
    assert changed == house(own)
    told = value_in(changed, "schools.own-ours")
    assert change_house(House(), "schools.own-ours", told) == changed
    # A database keeps names in an order of its own.
    turned = school(usual=True, weights=dict(reversed(BASE.weights.items())))
    assert value_in(house(turned), "schools.own-ours") == told


def test_sessions_begin_with_one_school_of_one_s_own_at_most():
    both = House(schools={"own-a": school(usual=True), "own-b": school(name="others", usual=True)})
    with pytest.raises(UnknownReference) as refused:
        in_house(both, SHIPPED)
    assert [problem.code for problem in refused.value.problems] == ["begun_with_another"]


@pytest.mark.parametrize(
    ("changes", "code"),
    [
        ({"base": "moon"}, "unknown_id"),
        ({"weights": {"wing": 2}}, "unknown_id"),
        ({"blocks": ROWS[:1]}, "other_positions"),
        ({"blocks": [{"position": "prone", "rows": [["face"]]}, ROWS[1]]}, "not_worked_so"),
        ({"blocks": [{"position": "prone", "rows": [["back"], ["back"]]}, ROWS[1]]}, "region_twice"),
        ({"blocks": [{"position": "prone", "rows": [["wing"]]}, ROWS[1]]}, "unknown_id"),
    ],
)
def test_what_cannot_be_worked_is_refused_by_name(changes, code):
    with pytest.raises(UnknownReference) as refused:
        in_house(house(school(**changes)), SHIPPED)
    assert code in [problem.code for problem in refused.value.problems]
    assert all(problem.what and problem.remedy for problem in refused.value.problems)


def test_a_shipped_school_is_not_overwritten():
    with pytest.raises(UnknownReference):
        in_house(House(schools={"back_outwards": school()}), SHIPPED)


@pytest.mark.parametrize(
    "changes", [{"name": " "}, {"name": "x" * 61}, {"weights": {"back": 0}}, {"weights": {"back": 6}}]
)
def test_names_and_weights_have_bounds(changes):
    with pytest.raises(ValidationError):
        school(**changes)
