"""Every house rule acts: another answer gives another plan, another table or another check."""

from itertools import chain

import pytest

from mellow_tide.core.catalogue.house.house import DEFAULTS, House
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts, specific_ceiling_in
from mellow_tide.core.flow.usual_brief import make_usual_brief
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import DoesNotFit, Refused, UnknownReference
from tests.core.flows import flow, part, step
from tests.settings import CATALOGUE, setting

SHIPPED = load_catalogue()
ALL = frozenset(CATALOGUE.consents)
AGREES = ClientFacts(consents=ALL)
SAYS_NOTHING = ClientFacts()
EXPECTING = ClientFacts(consents=ALL, gestation_days=24 * 7)
EARLY = ClientFacts(consents=ALL, gestation_days=8 * 7)
LIES_FACE_UP = ClientFacts(consents=ALL, gestation_days=14 * 7)

IN_PLANS = {
    "first_position": ("full_body", AGREES),
    "body_order": ("full_body", AGREES),
    "legs_and_feet": ("full_body", AGREES),
    "clean_after_feet": ("full_body", AGREES),
    "behind_knee": ("full_body", AGREES),
    "light_end": ("full_body", AGREES),
    "breaking_contact": ("full_body", AGREES),
    "calf_and_shin": ("full_body", AGREES),
    "dry_work": ("full_body", SAYS_NOTHING),
    "abdomen": ("full_body", SAYS_NOTHING),
    "prenatal_limbs": ("prenatal", EXPECTING),
    "first_trimester": ("full_body", EARLY),
    "prone_in_pregnancy": ("full_body", EARLY),
    "end": ("full_body", AGREES),
    "chair_scalp": ("chair", SAYS_NOTHING),
    "hips": ("full_body", SAYS_NOTHING),
    "face": ("full_body", SAYS_NOTHING),
    "scalp": ("full_body", SAYS_NOTHING),
    "feet": ("full_body", SAYS_NOTHING),
    "table_height": ("full_body", AGREES),
    "chair": ("chair", AGREES),
    "stool": ("full_body", AGREES),
}
"""Rules that show in a plan or on its clock: of which kind, for whom."""

ELSEWHERE = {
    *("strength", "point_hold", "prenatal_points", "chest"),
    *("bolster", "wedge", "back_rest", "towel_warmer", "linen"),
}
"""Rules that show at the table, in a check or in what is packed; each has a test of its own, here or of the room."""

OTHER_ANSWERS = [
    (rule.id, choice.id)
    for rule in SHIPPED.house_rules.values()
    for choice in rule.choices
    if choice.id != rule.default
]


def told(kind, client, house):
    """A plan as the house makes it, second by second; or what was refused."""
    here = setting(client, house=house)
    minutes = 30 if kind == "chair" else 75
    brief = make_usual_brief(kind, here.catalogue).model_copy(update={"booked_minutes": minutes})
    try:
        made = plan(brief, here).flow
    except Refused as refused:
        return str(refused)
    return made, here.lay_out(made).seconds


def test_every_rule_is_tried():
    assert IN_PLANS.keys() | ELSEWHERE == SHIPPED.house_rules.keys()


@pytest.mark.parametrize(
    ("rule", "choice"),
    [
        answer
        for answer in OTHER_ANSWERS
        if answer[0] not in ELSEWHERE and answer != ("legs_and_feet", "feet_prone")
    ],
)
def test_another_answer_gives_another_plan(rule, choice):
    kind, client = IN_PLANS[rule]
    assert told(kind, client, House(rules={rule: choice})) != told(kind, client, DEFAULTS)


def test_where_feet_are_worked_face_down_alone_whoever_lies_face_up_has_none():
    def feet(house):
        here = setting(LIES_FACE_UP, house=house)
        brief = make_usual_brief("full_body", here.catalogue).model_copy(update={"booked_minutes": 75})
        return [p for p in plan(brief, here).flow.parts if p.region == "foot" and p.role == "work"]

    assert feet(DEFAULTS)
    assert not feet(House(rules={"legs_and_feet": "feet_prone"}))


class TestNeverAnyDiscomfort:
    HOUSE = House(rules={"strength": "no_discomfort"})

    @pytest.mark.parametrize("kind", list(SHIPPED.kinds))
    def test_the_brief_that_a_session_begins_with_is_planned(self, kind):
        here = setting(EXPECTING if kind in ("prenatal", "labour_support") else AGREES, house=self.HOUSE)
        if kind == "labour_support":
            here = setting(ClientFacts(consents=ALL, gestation_days=39 * 7), house=self.HOUSE)
        made = plan(make_usual_brief(kind, here.catalogue), here).flow
        assert not [f for f in evaluate(made, here).findings if f.severity == "refuse"]

    def test_one_eases_off_earlier_on_a_point(self):
        brief = Brief(booked_minutes=60)
        assert specific_ceiling_in(brief, CATALOGUE) == 7
        assert specific_ceiling_in(brief, in_house(self.HOUSE, SHIPPED)) == 3
        own = Brief(booked_minutes=60, specific_ceiling=2)
        assert specific_ceiling_in(own, in_house(self.HOUSE, SHIPPED)) == 2

    def test_a_brief_that_asks_for_more_is_refused(self):
        with pytest.raises(DoesNotFit) as refused:
            plan(Brief(booked_minutes=60, ceiling=4), setting(AGREES, house=self.HOUSE))
        assert [problem.field for problem in refused.value.problems] == ["ceiling"]


@pytest.mark.parametrize(("choice", "seconds"), [("count_of_ten", 10), ("until_it_lets_go", 20)])
def test_a_point_is_held_as_long_as_the_house_holds_it(choice, seconds):
    hold = step("point_hold", "specific", "thumb", 3, 1)
    made = flow(part("back", "mid", "prone", "back", hold))

    def lasts(house):
        (entry,) = [e for e in setting(AGREES, house=house).lay_out(made).entries if e.stroke == "point_hold"]
        return entry.seconds

    assert lasts(House(rules={"point_hold": choice})) - lasts(DEFAULTS) == seconds - 8


def test_circles_behind_the_knee_can_be_worked_where_the_house_works_them():
    circles = step("circular_friction", "specific", "fingertips", 2, 2).model_copy(
        update={"zone": "back_of_knee"}
    )
    made = flow(part("lower_leg_back", "right", "prone", "leg_back", circles))

    def codes(house):
        return {finding.code for finding in evaluate(made, setting(AGREES, house=house)).findings}

    assert "CAU06" in codes(DEFAULTS)
    assert "CAU06" not in codes(House(rules={"behind_knee": "circles"}))


def test_listed_points_are_kept_off_in_pregnancy_unless_the_house_disregards_them():
    (first, *_) = chain.from_iterable(point.zones.items() for point in SHIPPED.prenatal_points.values())
    region, zones = first
    press = step("point_hold", "specific", "fingertips", 3, 1).model_copy(update={"zone": zones[0]})
    made = flow(part(region, "left", "side_right", CATALOGUE.regions[region].windows["side_right"], press))

    def codes(house):
        return {finding.code for finding in evaluate(made, setting(EXPECTING, house=house)).findings}

    gone = codes(DEFAULTS) - codes(House(rules={"prenatal_points": "disregard"}))
    assert any("PRG" in code or "PRE" in code for code in gone), gone


def test_the_chest_is_worked_for_whoever_says_nothing_unless_the_house_asks_for_a_yes():
    brief = Brief(booked_minutes=75, focus=("chest",))
    assert "chest" in {p.region for p in plan(brief, setting(SAYS_NOTHING)).flow.parts}
    with pytest.raises(DoesNotFit) as refused:
        plan(brief, setting(SAYS_NOTHING, house=House(rules={"chest": "by_consent"})))
    assert [problem.code for problem in refused.value.problems] == ["focus_no_consent"]


class TestTheUsualBrief:
    def test_it_is_the_house_s_school_position_and_end(self):
        rules = {"body_order": "feet_upwards", "first_position": "supine", "end": "feet"}
        brief = make_usual_brief("full_body", in_house(House(rules=rules), SHIPPED))
        assert (brief.school, brief.first_position, brief.close_with) == ("feet_upwards", "supine", "feet")

    def test_a_school_that_begins_face_up_does_so_unless_something_else_is_said(self):
        brief = make_usual_brief(
            "full_body", in_house(House(rules={"body_order": "head_downwards"}), SHIPPED)
        )
        assert brief.first_position is None
        both = {"body_order": "head_downwards", "first_position": "supine"}
        assert make_usual_brief("full_body", in_house(House(rules=both), SHIPPED)).first_position is None

    def test_a_part_of_the_body_ends_where_its_own_hold_is_and_the_chair_seated(self):
        ours = in_house(House(rules={"end": "whole"}), SHIPPED)
        assert make_usual_brief("focus", ours).close_with == "feet"
        assert make_usual_brief("chair", ours).close_with == "seated"
        assert make_usual_brief("side_lying", ours).close_with == "whole"

    def test_a_kind_that_does_not_exist_is_refused_by_name(self):
        with pytest.raises(UnknownReference):
            make_usual_brief("floating", CATALOGUE)
