import pytest

from mellow_tide.core.catalogue.house.house import DEFAULTS, House
from mellow_tide.core.catalogue.house.in_house import _made, in_house, in_session
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import UnknownReference
from mellow_tide.core.timing.run_sheet import lay_out
from tests.core.flows import AGREED, CLIENT, CLOSE, FACE, FEET, HAND, OPEN, flow
from tests.settings import setting


def test_no_choices_are_the_defaults_and_the_same_house_is_the_same_value(catalogue):
    assert in_house(DEFAULTS, load_catalogue()) == catalogue
    circles = House(rules={"behind_knee": "circles", "stool": "stand"})
    again = House(rules={"stool": "stand", "behind_knee": "circles"})
    known = in_house(circles, load_catalogue())
    assert known is in_house(again, load_catalogue())
    _made.cache_clear()
    made_anew = in_house(circles, load_catalogue())
    assert (made_anew, hash(made_anew)) == (known, hash(known))
    assert made_anew is not known
    assert made_anew != catalogue


def test_a_choice_changes_what_it_says_and_nothing_else(catalogue):
    circles = in_house(House(rules={"behind_knee": "circles"}), load_catalogue())
    assert (catalogue.places["back_of_knee"].most_depth, circles.places["back_of_knee"].most_depth) == (1, 2)
    assert circles.places["shin"] == catalogue.places["shin"]
    longer = in_house(House(rules={"point_hold": "count_of_ten"}), load_catalogue())
    assert longer.strokes["point_hold"].passing.seconds == 10
    assert longer.strokes["kneading"] == catalogue.strokes["kneading"]


def test_a_practice_may_have_its_own_transition_seconds(catalogue):
    slow = in_house(House(seconds={"turn": 180}), load_catalogue())
    assert (slow.clock.turn, slow.clock.walk) == (180, catalogue.clock.walk)


@pytest.mark.parametrize(
    ("house", "field"),
    [
        (House(rules={"behind_elbow": "avoid"}), "rules"),
        (House(rules={"behind_knee": "press"}), "rules.behind_knee"),
        (House(seconds={"nap": 60}), "seconds.nap"),
    ],
)
def test_an_unknown_choice_is_refused_by_name(catalogue, house, field):
    with pytest.raises(UnknownReference) as refused:
        in_house(house, load_catalogue())
    (problem,) = refused.value.problems
    assert problem.field == field
    assert "use one of" in problem.remedy


@pytest.mark.parametrize(("choice", "kinds"), [("wash", ["wash"]), ("wipe", ["towel", "wipe"]), ("none", [])])
def test_hands_are_cleaned_after_the_feet_as_the_house_does(catalogue, choice, kinds):
    ours = in_house(House(rules={"clean_after_feet": choice}), load_catalogue())
    sheet = lay_out(flow(OPEN, *FEET, HAND, CLOSE), ours)
    found = [e.kind for e in sheet.entries if e.kind in ("wash", "towel", "wipe")]
    assert found == kinds


def test_with_no_pause_after_the_feet_the_face_is_still_owed_clean_hands(catalogue):
    ours = in_house(House(rules={"clean_after_feet": "none"}), load_catalogue())
    kinds = [e.kind for e in lay_out(flow(OPEN, *FEET, FACE, CLOSE), ours).entries]
    assert "wipe" in kinds
    assert "wash" not in kinds


def test_a_table_that_lifts_and_a_house_that_stands(catalogue):
    lifts = House(rules={"table_height": "lifts"})
    planned = plan(Brief(booked_minutes=75), setting(CLIENT, catalogue, lifts)).flow
    kinds = [e.kind for e in evaluate(planned, setting(CLIENT, catalogue, lifts)).sheet.entries]
    assert "height" in kinds
    stands = [
        e.kind
        for e in evaluate(planned, setting(CLIENT, catalogue, House(rules={"stool": "stand"}))).sheet.entries
    ]
    assert "height" not in stands
    assert "stool" in kinds
    assert "stool" not in stands


def test_on_a_mat_nothing_is_raised_and_one_kneels(catalogue):
    lifts = in_house(House(rules={"table_height": "lifts"}), load_catalogue())
    on_mat = in_session("full_body", "mat", lifts)
    assert (on_mat.chosen["table_height"], on_mat.chosen["stool"]) == ("mat", "stand")
    assert in_session("full_body", "table", lifts) is lifts
    brief = Brief(booked_minutes=60, surface="mat")
    sheet = evaluate(plan(brief, setting(CLIENT, catalogue)).flow, setting(CLIENT, catalogue)).sheet
    assert not {"height", "stool"} & {e.kind for e in sheet.entries}
    assert abs(sheet.over) <= 15


def test_what_schools_disagree_on_is_held_to_the_house(catalogue):
    consenting = ClientFacts(consents=AGREED | {"abdomen"})
    planned = plan(Brief(booked_minutes=90, focus=("abdomen",)), setting(consenting, catalogue)).flow

    def codes(house):
        return {
            f.code
            for f in evaluate(planned, setting(CLIENT, catalogue, house)).findings
            if f.severity == "refuse"
        }

    assert codes(DEFAULTS) == {"CNS01"}
    assert codes(House(rules={"abdomen": "for_all"})) == set()
