"""Conditions that are somewhere: asked where, limited there, and forgotten with the condition."""

from datetime import date

import pytest
from pydantic import ValidationError

from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.catalogue.rules import Condition
from mellow_tide.core.flow.brief import ClientFacts, ConditionPlaces, Excluded, Place
from mellow_tide.core.meeting.answers import Answers, find_problems
from mellow_tide.core.meeting.changes import compare_records
from mellow_tide.core.meeting.day import DayAnswer, add_day_answer
from mellow_tide.core.meeting.merging import merge_records
from mellow_tide.core.meeting.most_told import USUALLY_TOLD, rank_told
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.meeting.review import accept_answers, review_answers
from mellow_tide.core.phrases.manner import manner_of
from tests.settings import CATALOGUE as C

DAY = date(2026, 5, 4)
LEFT_HAND, BOTH_FEET = Place(region="hand", side="left"), Place(region="foot")


def where(condition: str, *places: Place) -> ConditionPlaces:
    return ConditionPlaces(condition=condition, places=places)


def facts(condition: str, *told: ConditionPlaces) -> ClientFacts:
    return ClientFacts(conditions=frozenset({condition}), condition_places=told)


def test_a_healing_place_is_left_alone_on_its_side_and_says_why():
    found = restrict(facts("recent_fracture", where("recent_fracture", LEFT_HAND)), C)
    assert found.excluded == (Excluded(region="hand", side="left", because="recent fracture or dislocation"),)
    assert found.kept_off("hand", "left")
    assert found.kept_off("hand", "right") is None
    assert found.unplaced == ()


def test_a_numb_place_is_worked_lightly_and_only_there():
    found = restrict(facts("numb_area", where("numb_area", BOTH_FEET)), C)
    assert (found.cap("foot"), found.cap("back")) == (2, 5)
    assert found.capped("foot").because == "a numb area"
    assert found.excluded == ()


def test_nowhere_that_is_worked_limits_nothing_more_and_is_an_answer():
    nowhere = restrict(facts("recent_surgery", where("recent_surgery")), C)
    assert (nowhere.excluded, nowhere.unplaced) == ((), ())
    assert [one.condition for one in restrict(facts("recent_surgery"), C).unplaced] == ["recent_surgery"]
    assert restrict(facts("varicose_veins"), C).unplaced == ()


def test_a_cap_at_the_place_goes_beside_the_caps_that_hold_everywhere():
    both = C.conditions["numb_area"].model_copy(update={"cap": {"there": 2, "back": 3}})
    ours = C.changed(("numb", both), conditions={**C.conditions, "numb_area": both})
    found = restrict(facts("numb_area", where("numb_area", BOTH_FEET)), ours)
    assert (found.cap("foot"), found.cap("back"), found.cap("neck")) == (2, 3, 5)


def test_no_condition_keeps_the_word_there_among_its_limits():
    for condition in C.conditions.values():
        found = restrict(facts(condition.id, where(condition.id, LEFT_HAND)), C)
        assert "there" not in found.model_dump_json(exclude={"reasons"}).replace(condition.name, "")


def test_a_condition_asks_for_a_place_where_and_only_where_it_uses_one():
    given = C.conditions["eczema"].model_dump()
    with pytest.raises(ValidationError, match="eczema: a place is asked for"):
        Condition.model_validate({**given, "needs_place": False})
    with pytest.raises(ValidationError, match="eczema: a place is asked for"):
        Condition.model_validate({**given, "forbid": []})


def test_what_is_told_today_goes_before_what_was_on_record():
    known = facts("eczema", where("eczema", LEFT_HAND))
    answer = DayAnswer(
        conditions=frozenset({"acute_injury"}),
        condition_places=(where("eczema", BOTH_FEET), where("acute_injury")),
    )
    today = add_day_answer(known, answer)
    assert set(today.condition_places) == {where("eczema", BOTH_FEET), where("acute_injury")}


def test_where_a_condition_was_is_forgotten_with_it():
    record = ClientRecord(name="Jory", conditions={"eczema"}, condition_places=(where("eczema", LEFT_HAND),))
    well = record.model_copy(update={"conditions": frozenset()})
    assert record.told_where(()).condition_places == record.condition_places
    assert well.told_where(()).condition_places == ()
    assert well.told_where([where("eczema", BOTH_FEET)]).condition_places == ()


def test_an_intake_asks_where_and_its_answer_is_kept_with_the_condition():
    ticked = Answers(conditions={"usual": ("eczema",)})
    (problem,) = find_problems(ticked, DAY, C)
    assert (problem.field, problem.code) == ("conditions.usual", "where_missing")
    told = ticked.model_copy(update={"condition_places": (where("eczema", LEFT_HAND),)})
    assert find_problems(told, DAY, C) == ()
    said = {
        item.id: item.answer
        for item in review_answers(told, ClientRecord(name="Jory"), DAY, C, manner_of("GB"))
    }
    assert said["conditions eczema"] == "I have eczema or psoriasis: left hand"
    jory = ClientRecord(name="Jory")
    assert accept_answers(jory, told, ["conditions eczema"]).condition_places == told.condition_places
    assert accept_answers(jory, told, []).condition_places == ()


def test_an_older_intake_without_a_place_is_read_and_says_so():
    ticked = Answers(conditions={"usual": ("eczema",)})
    (item,) = review_answers(ticked, ClientRecord(name="Jory"), DAY, C, manner_of("GB"))
    assert item.answer == "I have eczema or psoriasis (where was not said)"


def test_a_place_in_an_intake_is_of_the_catalogue():
    strange = Answers(
        conditions={"usual": ("eczema",)}, condition_places=(where("eczema", Place(region="tail")),)
    )
    assert [problem.field for problem in find_problems(strange, DAY, C)] == ["condition_places"]


def test_two_entries_of_one_person_keep_every_place():
    one = ClientRecord(name="Jory", conditions={"eczema"}, condition_places=(where("eczema", LEFT_HAND),))
    other = one.model_copy(update={"condition_places": (where("eczema", BOTH_FEET), where("numb_area"))})
    assert merge_records(one, other).condition_places == (
        where("eczema", LEFT_HAND, BOTH_FEET),
        where("numb_area"),
    )


def test_a_place_that_is_told_is_evidence():
    before = ClientRecord(name="Jory", conditions={"eczema"})
    after = before.told_where([where("eczema", LEFT_HAND)])
    (change,) = compare_records(before, after)
    assert (change.field, change.item) == ("condition_places", "eczema")
    assert (change.before, change.after) == (None, ["hand left"])


def test_eight_conditions_are_offered_first_the_practice_own_before_the_usual():
    assert rank_told({}, C) == USUALLY_TOLD
    told = rank_told({"hernia": 2, "eczema": 5, "gone_since": 9}, C)
    assert (len(told), told[:3]) == (8, ("eczema", "hernia", USUALLY_TOLD[0]))
    assert len(set(told)) == 8
