"""A headache: three answers lead to the routine, every other one to no session."""

from itertools import product
from typing import get_args

import pytest

from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.meeting.day import DayAnswer, add_day_answer
from mellow_tide.core.meeting.headache import BY_GRAVITY, Headache, judge_headache, read_headache_questions
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import NoSession
from tests.settings import CATALOGUE as C
from tests.settings import setting

ROUTINE = Headache(where="back", since="known", how="dull")
ANYBODY = ClientFacts()
EVERY = [
    Headache(**dict(zip(("where", "since", "how"), values, strict=True)))
    for values in product(
        *(get_args(Headache.model_fields[id].annotation) for id in ("where", "since", "how"))
    )
]


def test_the_questions_offer_every_answer_and_mean_conditions_of_the_catalogue():
    for question in read_headache_questions():
        values = tuple(option.value for option in question.options)
        assert values == get_args(Headache.model_fields[question.id].annotation)
        assert {option.means for option in question.options} <= set(BY_GRAVITY) <= set(C.conditions)


def test_of_all_answers_one_leads_to_the_routine_and_the_rest_to_no_session():
    usual = [one for one in EVERY if judge_headache(one, ANYBODY) == "headache_usual"]
    assert usual == [ROUTINE]
    for one in EVERY:
        refer = restrict(add_day_answer(ANYBODY, DayAnswer(headache=one)), C).refer
        assert bool(refer) == (one != ROUTINE)
        assert all(reason.says for reason in refer)


@pytest.mark.parametrize(
    ("answers", "means"),
    [
        ({"since": "sudden"}, "sudden_headache"),
        ({"how": "speech"}, "sudden_headache"),
        ({"since": "sudden", "where": "front"}, "sudden_headache"),
        ({"since": "blow"}, "head_injury"),
        ({"since": "blow", "how": "speech"}, "sudden_headache"),
        ({"since": "new"}, "headache_warning"),
        ({"where": "one_side"}, "headache_warning"),
        ({"how": "fever"}, "headache_warning"),
        ({"how": "neck"}, "headache_warning"),
    ],
)
def test_the_gravest_answer_counts(answers, means):
    """Common practice."""
    assert judge_headache(ROUTINE.model_copy(update=answers), ANYBODY) == means


@pytest.mark.parametrize(
    "client",
    [ClientFacts(gestation_days=200), ClientFacts(conditions=frozenset({"birth_within_six_weeks"}))],
    ids=["pregnant", "after a birth"],
)
def test_in_a_pregnancy_and_after_a_birth_none_is_the_usual_one(client):
    assert judge_headache(ROUTINE, client) == "headache_warning"


def test_the_usual_one_is_worked_around_and_another_is_not_planned():
    chair = Brief(
        kind="chair", school="chair_downwards", booked_minutes=20, close_with="seated", pressure="firm"
    )
    today = add_day_answer(ANYBODY, DayAnswer(headache=ROUTINE))
    flow = plan(chair, setting(today, C)).flow
    assert all(step.depth <= 3 for part in flow.parts if part.region == "neck" for step in part.steps)
    front = add_day_answer(ANYBODY, DayAnswer(headache=ROUTINE.model_copy(update={"where": "front"})))
    with pytest.raises(NoSession):
        plan(chair, setting(front, C))
