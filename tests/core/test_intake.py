"""The intake: what is asked, what cannot be right, what an answer means, and what accepting it changes."""

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.flow.brief import Excluded, Wish
from mellow_tide.core.meeting.answers import Answers, find_problems
from mellow_tide.core.meeting.changes import compare_records
from mellow_tide.core.meeting.questions import read_sections
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.meeting.review import accept_answers, review_answers
from mellow_tide.core.phrases.manner import manner_of
from tests.settings import CATALOGUE

C = CATALOGUE
DAY = date(2026, 5, 21)
JORY = ClientRecord(name="Jory")
MANY = Answers(
    conditions={"usual": ("varicose_veins",), "today": ()},
    medicines="aspirin",
    pregnant="yes",
    last_period=date(2026, 1, 1),
    excluded=(Excluded(region="foot", side="left", because="a plaster"),),
    wishes=(Wish(region="lower_leg_back", depth=4),),
    consents={"foot": "no", "face": "yes", "hips": "ask"},
    talk="quiet",
)


def by_id(answers, record=JORY, day=DAY):
    return {item.id: item for item in review_answers(answers, record, day, C, manner_of("GB"))}


def test_every_question_says_why_and_every_condition_is_asked_under_one_heading():
    questions = [question for section in read_sections() for question in section.questions]
    assert all(question.why and question.asks for question in questions)
    assert {q.heading for q in questions if q.kind == "conditions"} == {
        c.asked for c in C.conditions.values()
    }
    fields = [(q.field, q.heading) for q in questions]
    assert len(set(fields)) == len(fields)


def test_each_answer_says_what_it_means_for_the_session():
    found = by_id(MANY)
    assert found["conditions varicose_veins"].means == C.conditions["varicose_veins"].says
    assert found["pregnant"].answer == "due 2026-10-08, 20 weeks"
    assert "Not flat on the back from 20 weeks" in found["pregnant"].means
    assert found["wishes lower_leg_back"].means == "Held to depth 2: varicose veins."
    assert found["consents foot"].means == "Left out."
    assert found["excluded foot left"].about == "left foot"
    assert found["medicines"].level == "ask"


def test_the_gravest_comes_first():
    grave = Answers(
        conditions={"today": ("fever",), "usual": ("eczema",), "clinician": ("heart_failure",)}, talk="some"
    )
    assert [item.level for item in review_answers(grave, JORY, DAY, C, manner_of("GB"))] == [
        "refer",
        "ask",
        "adapt",
        "note",
    ]


def test_what_was_on_record_and_is_not_named_again_stays_and_is_to_be_asked_about():
    record = ClientRecord(name="Jory", conditions={"eczema", "fever"})
    found = by_id(Answers(conditions={"usual": ()}), record)
    assert (found["unnamed eczema"].level, found["unnamed eczema"].before) == ("ask", "on record")
    # Under a heading that was not answered nothing is asked for.
    assert "unnamed fever" not in found
    assert accept_answers(record, Answers(conditions={"usual": ()}), {"unnamed eczema"}) == record


def test_accepting_changes_what_was_answered_and_nothing_else():
    record = ClientRecord(
        name="Jory",
        consents={"foot"},
        declined={"hips"},
        wishes=(Wish(region="back", depth=3),),
        conditions={"eczema"},
    )
    made = accept_answers(record, MANY, by_id(MANY, record).keys())
    assert made.conditions == {"eczema", "varicose_veins"}
    assert (made.consents, made.declined) == ({"face"}, {"foot"})
    assert made.due_date == date(2026, 10, 8)
    assert {w.region: w.depth for w in made.wishes} == {"back": 3, "lower_leg_back": 4}
    assert (made.talk, made.medicines, made.music) == ("quiet", "aspirin", "")
    assert accept_answers(record, MANY, ()) == record


@given(st.sets(st.sampled_from(sorted(by_id(MANY)))))
def test_only_what_is_accepted_changes(taken):
    changed = {
        f"{c.field} {c.item}".strip() for c in compare_records(JORY, accept_answers(JORY, MANY, taken))
    }
    renamed = {"pregnant": "due_date"}
    # "Ask me then" of what was never answered changes nothing.
    assert changed == {renamed.get(id, id) for id in taken - {"consents hips"}}


@pytest.mark.parametrize(
    ("answers", "field"),
    [
        ({"pregnant": "yes"}, "due_date"),
        ({"pregnant": "yes", "due_date": DAY + timedelta(days=281)}, "due_date"),
        ({"pregnant": "yes", "due_date": DAY - timedelta(days=29)}, "due_date"),
        ({"pregnant": "yes", "last_period": DAY + timedelta(days=1)}, "last_period"),
        ({"conditions": {"today": ("hernia",)}}, "conditions.today"),
        ({"consents": {"tail": "yes"}}, "consents"),
        ({"excluded": (Excluded(region="tail"),)}, "excluded"),
    ],
)
def test_what_cannot_be_right_is_named(answers, field):
    (problem,) = find_problems(Answers(**answers), DAY, C)
    assert problem.field == field
    assert problem.what
    assert problem.remedy


def test_a_date_counts_only_where_there_is_a_pregnancy():
    said_no = Answers(
        pregnant="no", due_date=date(1999, 1, 1), conditions={"pregnancy": ("pregnancy_high_risk",)}
    )
    assert find_problems(said_no, DAY, C) == ()
    assert said_no.due() is None
    assert said_no.ticked() == frozenset()


def test_a_height_is_read_as_the_practice_measures():
    answers = Answers(height_cm=178)
    record = JORY.model_copy(update={"height_cm": 175})
    for country, told in (("GB", ("178 cm", "175 cm")), ("US", ("5 ft 10 in", "5 ft 9 in"))):
        (item,) = review_answers(answers, record, DAY, C, manner_of(country))
        assert (item.answer, item.before) == told
