"""What to prepare for a session and for a day, and what aching hands take from it."""

import pytest

from mellow_tide.core.checks.check import make_case
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.checks.rules.towel_lead import TOWEL
from mellow_tide.core.evaluation.case_supplies import count_case_supplies
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.hands.load import THUMB_SECONDS_A_DAY, measure_day_load
from mellow_tide.core.hands.self_check import SelfCheck
from mellow_tide.core.library.shipped import for_anybody, shipped_flows
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.preparing.day import add_up_supplies
from mellow_tide.core.preparing.session import list_to_prepare
from tests.core import handmade as made
from tests.settings import CATALOGUE, setting

C = made.C


def listed(case, set_up=""):
    return list_to_prepare(case, count_case_supplies(case), set_up)


def things(flow_, set_up="", **facts):
    found = listed(make_case(flow_, setting(ClientFacts(**facts), C)), set_up)
    assert len({thing.id for thing in found}) == len(found)
    return {thing.id: thing for thing in found}


def test_supports_stand_in_the_order_in_which_they_are_used():
    turned = flow(C, part(C, "back"), part(C, "thigh_front", side="right", position="supine"))
    found = [thing for thing in things(turned).values() if thing.group == "supports"]
    assert found[0].uses[0].startswith("prone: ")
    bolster = next(thing for thing in found if thing.id == "supports:bolster")
    assert [use.split(":")[0] for use in bolster.uses] == ["prone", "supine"]
    first = [thing.uses[0].split(":")[0] for thing in found]
    assert first == sorted(first)
    assert first[-1] == "supine"


def test_a_pillow_is_not_taken_for_the_one_that_is_hugged():
    side = plan(
        Brief(kind="side_lying", school="side_by_side", booked_minutes=60), setting(ClientFacts())
    ).flow
    found = things(side)
    assert all("hugging" not in use for use in found["supports:pillow"].uses)
    assert found["supports:hugging_pillow"].uses


def test_a_hot_towel_goes_in_so_that_it_is_hot_when_it_is_wanted():
    case = make_case(flow(C, part(C, "back", strokes=TOWEL)), setting(ClientFacts(), C))
    wanted = next(entry.start for entry in case.sheet.entries if entry.kind == "towel") // 60
    towels = next(thing for thing in listed(case) if thing.group == "towels")
    assert towels.minute == case.kind.minutes_before(first_visit=False) + wanted - 20
    assert "towels:warmer" not in things(flow(C, part(C, "back")))


def test_the_lubricant_says_what_speaks_for_it_and_what_against():
    on_almond = flow(C, part(C, "back"), lubricant="sweet_almond_oil")
    against = things(on_almond, conditions=frozenset({"nut_allergy"}))["lubricant:sweet_almond_oil"]
    assert against.wrong
    assert "nut" in against.because
    on_jojoba = flow(C, part(C, "back"), lubricant="jojoba_wax")
    suits = things(on_jojoba, conditions=frozenset({"nut_allergy"}))["lubricant:jojoba_wax"]
    assert not suits.wrong
    assert suits.because.startswith("no nut")
    assert suits.millilitres == round(
        count_case_supplies(make_case(on_jojoba, setting(ClientFacts(), C))).millilitres
    )
    assert things(on_almond)["lubricant:sweet_almond_oil"].because == ""


def test_what_suited_the_client_last_is_said_where_it_is_set():
    found = things(flow(C, part(C, "back")), "No face cradle, folded towel.")
    assert found["table:set"].because == "As last time: No face cradle, folded towel."


@pytest.mark.parametrize(("kind", "school"), [("chair", "chair_downwards"), ("side_lying", "side_by_side")])
def test_every_kind_has_its_own_things(kind, school):
    brief = Brief(
        kind=kind,
        school=school,
        booked_minutes=20 if kind == "chair" else 60,
        close_with="seated" if kind == "chair" else "head",
    )
    case = make_case(plan(brief, setting(ClientFacts())).flow, setting(ClientFacts()))
    found = {thing.id for thing in listed(case)}
    assert ("supports:face_rest" in found) == (kind == "chair")
    assert any(id.startswith("lubricant:") for id in found) == (kind != "chair")


@pytest.mark.parametrize("shipped", shipped_flows(), ids=lambda shipped: shipped.id)
def test_every_shipped_flow_has_its_things_each_once_and_in_groups(shipped):
    within = setting(for_anybody(CATALOGUE, shipped.gestation_days))
    case = make_case(plan(shipped.brief, within).flow, within)
    found = listed(case)
    assert len({thing.id for thing in found}) == len(found)
    groups = [thing.group for thing in found]
    assert groups == sorted(groups, key=list(dict.fromkeys(groups)).index)
    assert {"room", "table", "linen", "supports", "yourself"} <= set(groups)


def test_a_day_takes_what_its_sessions_take():
    each = [count_case_supplies(make_case(made.focus(), setting(made.CLIENT, C))) for _ in range(3)]
    day = add_up_supplies(each, CATALOGUE)
    assert [one.words for one in day.linen] == [
        "6 sheets",
        "blanket",
        "3 face-cradle covers",
        "3 hand towels",
    ]
    assert [one.millilitres for one in day.lubricants] == [round(3 * each[0].millilitres)]
    assert len(day.supports) == len(each[0].supports)
    assert add_up_supplies([], CATALOGUE).linen == ()


@pytest.mark.parametrize(("thumbs", "wrists", "left"), [(0, 0, 1.0), (4, 0, 0.6), (2, 7, 0.3), (10, 0, 0.0)])
def test_aching_thumbs_or_wrists_leave_the_day_less_thumb_work(thumbs, wrists, left):
    check = SelfCheck(wrists=wrists, thumbs=thumbs, back=0)
    assert measure_day_load((), check).thumb_budget_seconds == pytest.approx(left * THUMB_SECONDS_A_DAY)
    assert measure_day_load(()).thumb_budget_seconds == THUMB_SECONDS_A_DAY


def test_what_aches_much_is_to_be_seen_by_somebody_licensed():
    assert SelfCheck(wrists=7, thumbs=6, back=9).have_seen == ("wrists", "back")
