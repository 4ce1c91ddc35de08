"""Which briefs cannot be met for whom, word for word, and what of a client the planner is asked with."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts, Excluded
from mellow_tide.core.library.shipped import shipped_flows
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.refusal import DoesNotFit, NoSession
from tests.settings import CATALOGUE as C
from tests.settings import setting
from tests.sizes import often

AGREED = frozenset(C.consents)
HOUR = Brief(booked_minutes=60)
SIDE = Brief(kind="side_lying", school="side_by_side", booked_minutes=55)
PART = Brief(kind="focus", school="part_in_depth", area="feet", booked_minutes=30)


def has(*conditions: str, **more: object) -> ClientFacts:
    return ClientFacts(conditions=frozenset(conditions), consents=AGREED, **more)


def changed(brief: Brief, **fields: object) -> Brief:
    return brief.model_copy(update=fields)


def asked(brief: Brief, client: ClientFacts, house: House | None = None) -> Asked:
    return Asked.of(brief, setting(client, C, house or House()))


@pytest.mark.parametrize(
    ("brief", "client", "field", "what", "remedy"),
    [
        (
            changed(HOUR, lubricant="sweet_almond_oil"),
            has("nut_allergy"),
            "lubricant",
            "sweet almond oil contains nut (nut allergy)",
            "choose another lubricant",
        ),
        (
            changed(HOUR, ceiling=6),
            has(),
            "ceiling",
            "easing off only at 6 of 10 is more than this house allows",
            "use 4 or less",
        ),
        (
            changed(SIDE, booked_minutes=56),
            has("heart_failure"),
            "booked_minutes",
            "so long a session is too much (heart failure or other serious heart disease)",
            "book at most 55 minutes",
        ),
        (
            changed(PART, focus=("back",)),
            has(),
            "focus",
            "back does not belong to the part that was chosen",
            "take it out of the focus, or choose another part",
        ),
        (
            changed(PART, area="legs", focus=("hand",)),
            has(),
            "focus",
            "hands do not belong to the part that was chosen",
            "take them out of the focus, or choose another part",
        ),
        (
            changed(PART, area=None),
            has(),
            "area",
            "which part of the body is not said",
            "use one of: back_and_neck, legs, feet, head_and_neck, arms_and_hands",
        ),
        (
            changed(HOUR, first_position="side_left"),
            has(),
            "first_position",
            "a full body session does not begin there",
            "use one of: prone, supine",
        ),
        (
            changed(HOUR, finish="bright"),
            has(),
            "finish",
            "only a chair session ends bright",
            "let it end calm",
        ),
        (
            changed(HOUR, focus=("foot",)),
            ClientFacts(declined=frozenset({"foot"})),
            "focus",
            "feet have been declined",
            "take them out of the focus",
        ),
        (
            HOUR,
            has("cannot_lie_flat"),
            "kind",
            "no position of this session is allowed (cannot lie flat)",
            "work lying on the side",
        ),
    ],
    ids=lambda value: value if isinstance(value, str) and " " not in value else "",
)
def test_what_cannot_be_met_is_named_with_its_remedy(brief, client, field, what, remedy):
    with pytest.raises(DoesNotFit) as refused:
        plan(brief, setting(client, C))
    assert [(x.field, x.what, x.remedy) for x in refused.value.problems] == [(field, what, remedy)]


@pytest.mark.parametrize(
    ("brief", "client"),
    [
        (SIDE, has("heart_failure")),
        (changed(HOUR, ceiling=4), has()),
        (changed(HOUR, lubricant="sweet_almond_oil"), has("scent_sensitivity")),
        (changed(PART, area="legs", focus=("thigh_back",)), has()),
        (changed(HOUR, first_position="supine"), has()),
    ],
    ids=["45 minutes", "ceiling", "oil", "in the part", "supine"],
)
def test_what_is_just_within_is_planned(brief, client):
    assert plan(brief, setting(client, C)).flow.parts


def test_a_stop_sign_is_refused_with_what_to_do():
    with pytest.raises(NoSession) as refused:
        plan(HOUR, setting(has("fever"), C))
    assert [(x.field, x.what, x.remedy) for x in refused.value.problems] == [
        ("conditions", "fever or acute infection", "No session today. Rest, and the clinician if it lasts.")
    ]


def test_points_of_tradition_are_left_alone_in_pregnancy_unless_the_house_disregards_them():
    pregnant = ClientFacts(gestation_days=150)
    brief = Brief(kind="prenatal", school="left_side_first", booked_minutes=60)
    assert "ankle" in asked(brief, pregnant).touch("foot").zones
    disregards = House(rules={"prenatal_points": "disregard"})
    assert asked(brief, pregnant, disregards).touch("foot").zones == frozenset()
    assert asked(HOUR, ClientFacts()).touch("foot").zones == frozenset()


def test_the_touch_has_what_the_client_and_the_kind_say():
    client = ClientFacts(likes=frozenset({"kneading"}), dislikes=frozenset({"wringing"}))
    touch = asked(HOUR, client).touch("back")
    assert (touch.likes, touch.dislikes, touch.clothed) == ({"kneading"}, {"wringing"}, False)
    chair = Brief(kind="chair", school="chair_downwards", booked_minutes=20, close_with="seated")
    assert asked(chair, client).touch("back").clothed


def test_what_the_session_does_without_is_disliked_and_what_it_wants_is_liked_unless_the_client_dislikes_it():
    client = ClientFacts(likes=frozenset({"kneading", "shaking"}), dislikes=frozenset({"wringing"}))
    brief = changed(HOUR, with_strokes=("stripping", "wringing"), without_strokes=("kneading",))
    touch = asked(brief, client).touch("back")
    assert touch.likes == {"stripping", "shaking"}
    assert touch.dislikes == {"wringing", "kneading"}


def test_a_region_that_long_strokes_alone_could_fill_has_strokes_of_its_own():
    client = ClientFacts(breaths_per_minute=20, consents=frozenset({"hips"}), dislikes=frozenset({"palms"}))
    brief = Brief(
        school="feet_upwards", booked_minutes=96, focus=("back",), pressure="light",
        without_strokes=("kneading",),
    )  # fmt: skip
    assert all(part.steps for part in plan(brief, setting(client, C)).flow.parts)


WHICH = st.lists(st.sampled_from(sorted((*C.strokes, *C.tools))), max_size=12).map(frozenset)


@settings(max_examples=often(25), deadline=None)
@given(
    st.sampled_from([shipped.brief for shipped in shipped_flows() if shipped.gestation_days is None]),
    WHICH,
    WHICH,
    st.integers(10, 120),
)
def test_whatever_is_liked_and_disliked_a_session_is_planned_safely_or_refused(
    brief, likes, dislikes, minutes
):
    client = has(likes=likes, dislikes=dislikes)
    try:
        flow = plan(changed(brief, booked_minutes=minutes), setting(client, C)).flow
    except DoesNotFit:
        return
    assert [f.what for f in evaluate(flow, setting(client, C)).findings if f.severity == "refuse"] == []
    # Only what a part cannot do without stays, and what is held still.
    kept = {
        step.stroke
        for part in flow.parts
        for step in part.steps
        if step.stroke in dislikes and step.slot not in ("spread", "warm", "settle", "knead")
    }
    assert all(C.strokes[stroke].family == "hold" for stroke in kept)


def test_labour_support_leaves_out_what_is_disliked():
    brief = next(one.brief for one in shipped_flows() if one.id == "between_waves")
    client = has(gestation_days=280, dislikes=frozenset({"hip_squeeze", "resting_hold"}))
    parts = [part for part in plan(brief, setting(client, C)).flow.parts if part.role == "work"]
    strokes = {step.stroke for part in parts for step in part.steps}
    assert "hip_squeeze" not in strokes
    assert "sacral_press" in strokes
    assert {part.steps[-1].slot for part in parts} == {"settle"}


@pytest.mark.parametrize(("off", "worked"), [("left", "right"), ("right", "left"), ("both", None)])
def test_where_one_side_is_left_alone_the_other_is_worked(off, worked):
    client = ClientFacts(excluded=(Excluded(region="arm", side=off),))
    assert asked(HOUR, client).catalogue.regions["arm"].only == worked


def test_a_stroke_with_a_consent_of_its_own_wants_its_yes():
    def lifts(client):
        return "hair_root_lift" not in asked(HOUR, client).barred["scalp"]

    assert not lifts(ClientFacts())
    assert lifts(ClientFacts(consents=frozenset({"hair"})))
    assert not lifts(ClientFacts(consents=frozenset({"scalp"}), declined=frozenset({"hair"})))
    assert "scalp_circles" not in asked(HOUR, ClientFacts()).barred["scalp"]


def test_the_head_is_lifted_only_where_the_client_always_lies_face_up():
    assert "traction" in asked(SIDE, ClientFacts()).barred["neck"]
    assert "traction" not in asked(SIDE, ClientFacts()).barred["arm"]
    assert "traction" not in asked(HOUR, ClientFacts()).barred["neck"]


def test_a_limit_of_pregnancy_says_that_it_is_one_and_whether_the_house_set_it():
    declines = setting(ClientFacts(), C, House(rules={"first_trimester": "decline"})).catalogue
    last, next_day = (restrict(ClientFacts(gestation_days=days), declines) for days in (97, 98))
    assert [(x.level, x.in_pregnancy, x.by_house) for x in last.refer] == [("refer", True, True)]
    assert next_day.refer == ()
    signs = restrict(has("pregnancy_danger_signs"), C)
    assert [(x.in_pregnancy, x.by_house) for x in signs.reasons] == [(True, False)]
    assert {x.in_pregnancy for x in restrict(ClientFacts(gestation_days=150), C).positions} == {True}
    assert {x.in_pregnancy for x in restrict(ClientFacts(gestation_days=150), C).caps} == {True}
    assert {x.in_pregnancy for x in restrict(has("thin_skin"), C).caps} == {False}


def test_a_no_says_to_what():
    (barred,) = restrict(ClientFacts(declined=frozenset({"foot"})), C).regions
    assert (barred.id, barred.because, barred.declined) == ("foot", "the feet: declined", True)


def test_a_stroke_that_cannot_be_light_enough_is_not_allowed_where_the_cap_is():
    numb = restrict(has("diabetes_numb"), C)
    strong = C.strokes["deep_effleurage"]
    assert strong.depth[0] > numb.cap("lower_leg_back")
    assert not numb.allows(strong, "lower_leg_back")
    assert numb.allows(strong, "back")
    assert numb.allows(C.strokes["effleurage"], "lower_leg_back")


def test_a_mat_has_no_height():
    other = next(choice.id for choice in C.house_rules["table_height"].choices if choice.id != "mat")
    house = House(rules={"table_height": other})
    on_a_mat = asked(changed(HOUR, surface="mat"), has(), house).catalogue.chosen
    assert (on_a_mat["table_height"], on_a_mat["stool"]) == ("mat", "stand")
    assert asked(HOUR, has(), house).catalogue.chosen["table_height"] == other


def test_silence_about_the_scalp_is_a_no_in_the_chair_alone():
    chair = Brief(
        kind="chair", school="chair_downwards", booked_minutes=20, close_with="seated", focus=("scalp",)
    )
    with pytest.raises(DoesNotFit, match="scalp"):
        plan(chair, setting(ClientFacts(), C))
    assert plan(changed(HOUR, focus=("scalp",)), setting(ClientFacts(), C)).flow.parts


def test_the_fewest_minutes_that_a_condition_names_are_the_most():
    heart = C.conditions["heart_failure"]
    shorter = C.conditions["thin_skin"].model_copy(update={"most_minutes": 30})
    ours = C.changed(("thin", shorter), conditions={**C.conditions, "thin_skin": shorter})
    most = restrict(has("heart_failure", "thin_skin"), ours).most_minutes
    assert (most.minutes, most.because, heart.most_minutes) == (30, "very thin skin", 45)
