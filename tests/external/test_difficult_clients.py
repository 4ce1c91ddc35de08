"""Clients whom a careful teacher would plan by hand, each by its difficulty, and what is expected of the plan.

Every plan is walked independently (`tests.walking`): nothing of it may be what the teacher would not do. The rows add
what is expected beyond that. Source of every row: common practice.
"""

import os
from collections.abc import Callable, Mapping
from random import Random

import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts, ConditionPlaces, Excluded, Place, Side, Wish
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import NoSession, PlaceMissing, Refused
from tests.core.askings import asking
from tests.settings import CATALOGUE, setting
from tests.walking import CONDITIONS, find_forbidden

Expectation = Callable[[Flow], bool]
FIRM = Brief(booked_minutes=75, pressure="firm")
ALL = frozenset(CATALOGUE.consents)


def touched(flow: Flow) -> set[str]:
    return {part.region for part in flow.parts}


def strokes(flow: Flow) -> set[str]:
    return {step.stroke for part in flow.parts for step in part.steps}


def without(*regions: str) -> Expectation:
    return lambda flow: not touched(flow) & set(regions)


def lying(*positions: str) -> Expectation:
    return lambda flow: {part.position for part in flow.parts} <= set(positions)


def closes_away_from(*regions: str) -> Expectation:
    return lambda flow: flow.parts[-1].role == "close" and flow.parts[-1].region not in regions


def opens_away_from(*regions: str) -> Expectation:
    return lambda flow: flow.parts[0].role == "open" and flow.parts[0].region not in regions


def never(*ids: str) -> Expectation:
    return lambda flow: not strokes(flow) & set(ids)


def works(*regions: str) -> Expectation:
    return lambda flow: set(regions) <= {part.region for part in flow.parts if part.role == "work"}


def no_deeper(region: str, depth: int) -> Expectation:
    return lambda flow: all(s.depth <= depth for p in flow.parts if p.region == region for s in p.steps)


def all_through_the_sheet(region: str) -> Expectation:
    """It is worked, covered, without oil, with compression, rocking and the forearm, and a still hold, alone."""

    def expects(flow: Flow) -> bool:
        parts = [part for part in flow.parts if part.region == region and part.role == "work"]
        strokes = {step.stroke for part in parts for step in part.steps}
        covered = all(part.medium == "clothed" and part.window == "none" for part in parts)
        pressed = {"palm_compression", "forearm_compression", "rocking", "hip_squeeze"}
        return bool(strokes & pressed) and covered and strokes <= pressed | {"resting_hold"}

    return expects


def as_always(flow: Flow) -> bool:
    return True


def off(region: str, side: Side = "both", zone: str | None = None) -> Excluded:
    return Excluded(region=region, side=side, zone=zone)


def has(*conditions: str) -> ClientFacts:
    """Whoever has them, at the left calf where they need a place."""
    calf = Place(region="lower_leg_back", side="left")
    return located({id: (calf,) for id in conditions if CATALOGUE.conditions[id].needs_place}, *conditions)


def located(places: Mapping[str, tuple[Place, ...]], *conditions: str) -> ClientFacts:
    """Whoever has these at these places; no place is nowhere that is worked."""
    told = tuple(ConditionPlaces(condition=id, places=where) for id, where in places.items())
    return ClientFacts(conditions=frozenset((*conditions, *places)), condition_places=told, consents=ALL)


def at(region: str, side: Side = "both", zone: str | None = None) -> tuple[Place, ...]:
    return (Place(region=region, side=side, zone=zone),)


def no_to(*consents: str) -> ClientFacts:
    return ClientFacts(consents=ALL - set(consents), declined=frozenset(consents))


def pregnant(weeks: int, **more: object) -> ClientFacts:
    return ClientFacts(gestation_days=7 * weeks, consents=ALL, **more)


PRENATAL = Brief(kind="prenatal", school="left_side_first", booked_minutes=60, pressure="firm")
CHAIR = Brief(kind="chair", school="chair_downwards", booked_minutes=20, close_with="seated", pressure="firm")
SIDE = Brief(kind="side_lying", school="side_by_side", booked_minutes=60, pressure="firm")
FEET = Brief(booked_minutes=75, pressure="firm", close_with="feet")
WHOLE = Brief(booked_minutes=75, pressure="firm", close_with="whole")
LABOUR = Brief(kind="labour_support", school="between_and_during", booked_minutes=60)
HIPS = Brief(booked_minutes=75, focus=("hips",))
SHEETED = ClientFacts(consents=ALL - {"hips"}, through_cloth=frozenset({"hips"}))
BELLY = Brief(booked_minutes=75, focus=("abdomen",))
SHORT = Brief(kind="side_lying", school="side_by_side", booked_minutes=50, pressure="firm")
BRIGHT = Brief(
    kind="chair", school="chair_downwards", booked_minutes=20, close_with="seated", finish="bright"
)

TABLE: tuple[tuple[str, Brief, ClientFacts, Expectation], ...] = (
    ("nothing the matter, firm", FIRM, ClientFacts(consents=ALL), works("back", "neck")),
    ("nobody asked anything", FIRM, ClientFacts(), without("abdomen")),
    *(
        (f"{id}, full body, firm", FIRM, has(id), as_always)
        for id in sorted(CONDITIONS)
        if id not in ("heart_failure", "cannot_lie_flat", "flat_for_short")
    ),
    ("heart failure, on the side, 50 min", SHORT, has("heart_failure"), lying("side_left", "side_right")),
    ("heart failure, in the chair", CHAIR, has("heart_failure"), as_always),
    (
        "blood thinners, in the chair, bright",
        BRIGHT,
        has("anticoagulants"),
        never("hacking", "cupping_hands"),
    ),
    (
        "brittle bones, in the chair, bright",
        BRIGHT,
        has("osteoporosis_severe"),
        never("hacking", "palm_compression"),
    ),
    ("brittle bones, on the side", SIDE, has("osteoporosis_severe"), never("rocking", "range_of_motion")),
    ("unstable neck, in the chair, bright", BRIGHT, has("neck_unstable"), never("hacking")),
    (
        "old neck injury, neck asked for",
        Brief(booked_minutes=60, focus=("neck",)),
        has("neck_injury_old"),
        works("neck"),
    ),
    ("varicose veins and diabetes", FIRM, has("varicose_veins", "diabetes_numb"), no_deeper("foot", 2)),
    (
        "an operation at the right shoulder",
        FIRM,
        located({"recent_surgery": (*at("shoulders", "right"), *at("arm", "right"))}),
        works("back", "shoulders"),
    ),
    (
        "an operation at both feet, closes at the feet",
        FEET,
        located({"recent_surgery": at("foot")}),
        without("foot"),
    ),
    (
        "an operation at the ear, nowhere that is worked",
        FIRM,
        located({"recent_surgery": ()}),
        works("back", "neck"),
    ),
    (
        "a broken left wrist",
        FIRM,
        located({"recent_fracture": at("hand", "left")}),
        as_always,
    ),
    (
        "a port below the right collarbone, chest asked for",
        Brief(booked_minutes=60, focus=("chest",)),
        located({"implanted_device": at("chest", "right")}),
        works("chest"),
    ),
    (
        "a pacemaker: the whole chest left alone, in the chair",
        CHAIR,
        located({"implanted_device": at("chest")}),
        without("chest"),
    ),
    ("eczema in both elbows", FIRM, located({"eczema": at("arm", zone="elbow_crease")}), as_always),
    ("eczema on the scalp", FIRM, located({"eczema": at("scalp")}), closes_away_from("scalp")),
    (
        "a sunburnt back, on the side",
        SIDE,
        located({"broken_skin": at("back")}),
        without("back"),
    ),
    (
        "numb feet, firm wish there",
        FIRM,
        located({"numb_area": at("foot")}).model_copy(update={"wishes": (Wish(region="foot", depth=5),)}),
        no_deeper("foot", 2),
    ),
    ("a sprained ankle yesterday", FIRM, located({"acute_injury": at("foot", "right")}), as_always),
    ("thin skin, oil warmth wished", FIRM, has("thin_skin"), no_deeper("back", 2)),
    (
        "thin skin and blood thinners",
        FIRM,
        has("thin_skin", "anticoagulants"),
        never("skin_rolling", "wringing"),
    ),
    (
        "a clot last year, focus on the back",
        Brief(booked_minutes=60, focus=("back",)),
        has("recent_clot_treated"),
        without("thigh_back", "foot"),
    ),
    (
        "a clot last year, closes at the feet",
        FEET,
        has("recent_clot_treated"),
        closes_away_from("foot", "thigh_front"),
    ),
    (
        "a clot last year, closes over the whole",
        WHOLE,
        has("recent_clot_treated"),
        closes_away_from("thigh_front"),
    ),
    (
        "nodes removed, left arm kept off",
        FIRM,
        ClientFacts(
            conditions=frozenset({"lymph_nodes_removed"}), excluded=(off("arm", "left"), off("hand", "left"))
        ),
        no_deeper("arm", 2),
    ),
    ("hernia, belly asked for nothing", FIRM, has("hernia"), without("abdomen", "hip_front")),
    (
        "a birth four weeks ago, on the side",
        SIDE,
        has("birth_within_six_weeks"),
        no_deeper("lower_leg_back", 1),
    ),
    ("a birth four weeks ago, face up and down", FIRM, has("birth_within_six_weeks"), without("abdomen")),
    ("a period, nothing said of the belly", FIRM, has("menstruation"), without("abdomen")),
    ("a period, the belly asked for", BELLY, has("menstruation"), works("abdomen")),
    ("reflux, nothing said of the belly", FIRM, has("asthma_reflux"), without("abdomen")),
    ("a replaced hip", FIRM, has("joint_replaced"), never("range_of_motion", "held_stretch", "traction")),
    ("very mobile joints", FIRM, has("very_mobile_joints"), never("held_stretch", "traction")),
    ("hair extensions, closes at the head", FIRM, has("hair_extensions"), closes_away_from("scalp")),
    ("hair extensions, on the side", SIDE, has("hair_extensions"), closes_away_from("scalp")),
    ("make-up to keep", FIRM, has("make_up"), without("face")),
    ("jaw operation", FIRM, has("jaw_operation"), no_deeper("face", 1)),
    ("the usual headache, in the chair", CHAIR, has("headache_usual"), no_deeper("neck", 3)),
    ("cannot lie flat for long, on the side", SIDE, has("flat_for_short"), lying("side_left", "side_right")),
    ("cannot lie flat, on the side", SIDE, has("cannot_lie_flat"), lying("side_left", "side_right")),
    ("cancer under treatment, on the side", SIDE, has("cancer_treatment"), no_deeper("back", 2)),
    *((f"no to {id}, full body", FIRM, no_to(id), as_always) for id in sorted(ALL)),
    ("no to feet, closes at the feet", FEET, no_to("foot"), closes_away_from("foot")),
    ("no to scalp, closes at the head", FIRM, no_to("scalp"), closes_away_from("scalp")),
    (
        "no to scalp and feet and face",
        FEET,
        no_to("scalp", "foot", "face"),
        closes_away_from("foot", "scalp", "face"),
    ),
    ("no to hips, through cloth neither", CHAIR, no_to("hips"), without("hips")),
    ("no to hips, on the side", SIDE, no_to("hips"), without("hips")),
    ("hips not asked about, on the side", SIDE, ClientFacts(consents=ALL - {"hips"}), without("hips")),
    ("hips not asked about, in the chair", CHAIR, ClientFacts(consents=ALL - {"hips"}), without("hips")),
    ("hips not asked about, in labour", LABOUR, ClientFacts(consents=ALL - {"hips"}), without("hips")),
    ("hips through the sheet, hips asked for", HIPS, SHEETED, all_through_the_sheet("hips")),
    (
        "hips through the sheet, hips asked for, firm",
        HIPS.model_copy(update={"pressure": "firm"}),
        SHEETED,
        all_through_the_sheet("hips"),
    ),
    ("hips through the sheet, on the side", SIDE, SHEETED, all_through_the_sheet("hips")),
    (
        "scalp declined, back and shoulders burnt, in labour: it ends with a word",
        LABOUR,
        ClientFacts(
            through_cloth=frozenset({"hips"}),
            declined=frozenset({"scalp"}),
            conditions=frozenset({"broken_skin"}),
            condition_places=(
                ConditionPlaces(condition="broken_skin", places=(*at("back"), *at("shoulders"))),
            ),
        ),
        lambda flow: touched(flow) == {"hips"},
    ),
    ("hips through the sheet, in labour", LABOUR, SHEETED, works("hips")),
    ("no to scalp, in the chair", CHAIR, no_to("scalp"), without("scalp")),
    ("the back kept off: sunburn", FIRM, ClientFacts(excluded=(off("back"),)), opens_away_from("back")),
    (
        "a plaster in the middle of the back",
        FIRM,
        ClientFacts(excluded=(off("back", zone="mid_back"),)),
        opens_away_from("back"),
    ),
    (
        "the left foot kept off, closes at the feet",
        FEET,
        ClientFacts(excluded=(off("foot", "left"),)),
        closes_away_from("foot"),
    ),
    (
        "a plaster on the left toes, closes at the feet",
        FEET,
        ClientFacts(excluded=(off("foot", "left", "toes"),)),
        closes_away_from("foot"),
    ),
    ("the scalp kept off", FIRM, ClientFacts(excluded=(off("scalp"),)), closes_away_from("scalp")),
    ("the right calf kept off", FIRM, ClientFacts(excluded=(off("lower_leg_back", "right"),)), as_always),
    ("both arms kept off", FIRM, ClientFacts(excluded=(off("arm"),)), without("arm")),
    (
        "shoulders kept off, on the side",
        SIDE,
        ClientFacts(excluded=(off("shoulders"),)),
        opens_away_from("shoulders"),
    ),
    (
        "shoulders kept off, in the chair",
        CHAIR,
        ClientFacts(excluded=(off("shoulders"),)),
        opens_away_from("shoulders"),
    ),
    ("side of the neck, firm wish", FIRM, ClientFacts(wishes=(Wish(region="neck", depth=5),)), as_always),
    ("kidneys, firm wish", FIRM, ClientFacts(wishes=(Wish(region="back", depth=5),)), as_always),
    ("pregnant, 10 weeks, no belly", PRENATAL, pregnant(10), without("abdomen")),
    (
        "pregnant, 13 weeks",
        PRENATAL,
        pregnant(13),
        lying("side_left", "side_right", "semi_reclined", "supine"),
    ),
    ("pregnant, 19 weeks", PRENATAL, pregnant(19), no_deeper("shoulders", 3)),
    ("pregnant, 21 weeks", PRENATAL, pregnant(21), lying("side_left", "side_right", "semi_reclined")),
    ("pregnant, 30 weeks, firm on the hips", PRENATAL, pregnant(30), no_deeper("hips", 3)),
    (
        "pregnant, 36 weeks, varicose veins",
        PRENATAL,
        pregnant(36, conditions=frozenset({"varicose_veins"})),
        no_deeper("foot", 2),
    ),
    ("pregnant, 38 weeks, no to feet", PRENATAL, pregnant(38, declined=frozenset({"foot"})), as_always),
    (
        "pregnant, 16 weeks, a yes to the belly on record",
        PRENATAL,
        pregnant(16),
        without("abdomen"),
    ),
    ("pregnant, 24 weeks, in the chair", CHAIR, pregnant(24), never("hacking", "held_stretch")),
)


@pytest.mark.parametrize(
    ("brief", "client", "expects"), [row[1:] for row in TABLE], ids=[row[0] for row in TABLE]
)
def test_a_difficult_client_is_planned_as_a_careful_teacher_would(
    brief: Brief, client: ClientFacts, expects: Expectation
) -> None:
    if client.declined:
        client = client.model_copy(update={"consents": client.consents - client.declined})
    here = setting(client, CATALOGUE)
    flow = plan(brief, here).flow
    evaluation = evaluate(flow, here)
    assert [f"{f.code} {f.what}" for f in evaluation.findings if f.severity == "refuse"] == []
    assert find_forbidden(evaluation.sheet, client, brief.focus) == []
    assert expects(flow)


def test_the_table_holds_at_least_eighty_clients() -> None:
    assert len({row[0] for row in TABLE}) >= 80


@pytest.mark.parametrize(
    "sign",
    [
        "fever",
        "clot_signs",
        "chest_pain",
        "sudden_headache",
        "headache_warning",
        "signs_after_birth",
        "minor_without_guardian",
        "head_injury",
        "intoxication",
        "contagious_skin",
        "high_blood_pressure_uncontrolled",
        "pregnancy_danger_signs",
    ],
)
@pytest.mark.parametrize("brief", [FIRM, CHAIR, SIDE], ids=["full body", "chair", "side"])
def test_with_a_stop_sign_there_is_no_plan(sign: str, brief: Brief) -> None:
    with pytest.raises(NoSession):
        plan(brief, setting(has(sign), CATALOGUE))


@pytest.mark.parametrize("condition", sorted(id for id, x in CATALOGUE.conditions.items() if x.needs_place))
@pytest.mark.parametrize("brief", [FIRM, CHAIR, SIDE, LABOUR], ids=["full body", "chair", "side", "labour"])
def test_nothing_is_planned_before_somebody_says_where_it_is(condition: str, brief: Brief) -> None:
    facts = ClientFacts(conditions=frozenset({condition}), consents=ALL)
    with pytest.raises(PlaceMissing) as refused:
        plan(brief, setting(facts, CATALOGUE))
    assert [problem.field for problem in refused.value.problems] == [f"condition_places.{condition}"]


@pytest.mark.parametrize(
    ("client", "says"),
    [
        (has("hernia"), "hip_front is touched"),
        (has("anticoagulants"), "anticoagulants: kneading at"),
        (has("heart_failure"), "lying prone"),
        (no_to("foot"), "declined: foot"),
        (ClientFacts(consents=ALL, excluded=(off("back"),)), "kept off: back"),
        (located({"eczema": at("arm")}), "eczema: arm"),
        (located({"numb_area": at("back")}), "2 is the most"),
        (SHEETED, "the hips uncovered"),
        (ClientFacts(consents=ALL - {"hips"}), "the hips without a yes"),
        (pregnant(30), "pregnancy after 12 weeks: lying prone"),
    ],
    ids=lambda value: value if isinstance(value, str) else "client",
)
def test_the_walk_finds_what_a_plan_for_somebody_else_does_wrong(client: ClientFacts, says: str) -> None:
    brief = Brief(booked_minutes=120, pressure="firm", focus=("hip_front", "hips"))
    here = setting(ClientFacts(consents=ALL), CATALOGUE)
    sheet = evaluate(plan(brief, here).flow, here).sheet
    assert any(says in found for found in find_forbidden(sheet, client, brief.focus))


HOW_MANY = 10_000 if os.environ.get("TIDE_TEST_LONG") else 60
LOTS = 10


@pytest.mark.parametrize("lot", range(LOTS))
def test_no_random_client_is_touched_where_they_must_not_be(
    lot: int,
) -> None:
    """Any condition but a stop sign, any school and wish: no plan breaks a rule that refuses, no check fails."""
    bearable = sorted(id for id, one in CATALOGUE.conditions.items() if one.level != "refer")
    random = Random(7_000 + lot)
    wrong = []
    for _ in range(HOW_MANY // LOTS):
        brief, client, house = asking(random, bearable)
        here = setting(client, CATALOGUE, house)
        try:
            flow = plan(brief, here).flow
        except Refused:
            continue
        evaluation = evaluate(flow, here)
        found = [f.what for f in evaluation.findings if f.severity == "refuse" or f.code == "SYS01"]
        found += find_forbidden(evaluation.sheet, client, brief.focus)
        wrong += [(brief, client, found)] if found else []
    assert wrong == []
