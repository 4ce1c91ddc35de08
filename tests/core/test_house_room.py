"""What is in the room and what is offered: what is missing changes plans, tables, checks and packing lists."""

import pytest
from pydantic import ValidationError

from mellow_tide.core.catalogue.house.house import DEFAULTS, Bottle, House, change_house, own_items, value_in
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.flow.usual_brief import follow_house, make_usual_brief
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import DoesNotFit, UnknownReference
from mellow_tide.core.timing.run_sheet import hands_on_seconds
from tests.core.flows import flow, part, step
from tests.settings import CATALOGUE, setting

SHIPPED = load_catalogue()
AGREES = ClientFacts(consents=frozenset(CATALOGUE.consents))
TOWEL = flow(part("back", "mid", "prone", "back", step("hot_towel_press", "settle", "towel", 1, 1)))


def without(*rules):
    return House(rules=dict.fromkeys(rules, "none"))


def found(made, house, client=AGREES):
    return {finding.code: finding for finding in evaluate(made, setting(client, house=house)).findings}


def packed(kind, house, client=AGREES):
    here = setting(client, house=house)
    made = plan(make_usual_brief(kind, here.catalogue), here).flow
    return [line.words for line in evaluate(made, here).supplies.packing]


class TestTheRoom:
    def test_without_a_bolster_a_rolled_blanket_is_packed_and_set_up(self):
        assert "bolster" in packed("full_body", DEFAULTS)
        lines = packed("full_body", without("bolster"))
        assert "rolled blanket" in lines
        assert "bolster" not in lines
        ours = in_house(without("bolster"), SHIPPED)
        assert CATALOGUE.positions["supine"].setup[0] == "Bolster under the knees"
        assert ours.positions["supine"].setup[0] == "Rolled blanket under the knees"

    def test_without_a_wedge_towels_raise_the_head_end(self):
        reflux = ClientFacts(
            consents=AGREES.consents,
            conditions=frozenset(
                id for id, one in CATALOGUE.conditions.items() if one.raise_head and one.level == "adapt"
            ),
        )
        assert reflux.conditions
        assert "wedge" in packed("full_body", DEFAULTS, reflux)
        lines = packed("full_body", without("wedge"), reflux)
        assert "folded towels" in lines
        assert "wedge" not in lines

    def test_without_a_back_rest_nobody_is_planned_half_sitting_and_a_flow_that_does_says_why(self):
        expecting = ClientFacts(consents=AGREES.consents, gestation_days=24 * 7)
        here = setting(expecting, house=without("back_rest"))
        usual = make_usual_brief("prenatal", here.catalogue)
        brief = usual.model_copy(update={"booked_minutes": 75, "focus": ("face",)})
        made = plan(brief, setting(expecting)).flow
        assert "semi_reclined" in {p.position for p in made.parts}
        with pytest.raises(DoesNotFit) as refused:
            plan(brief, here)
        assert [problem.code for problem in refused.value.problems] == ["focus_position_barred"]
        codes = found(made, without("back_rest"), expecting)
        assert codes["PRG01"].what == "Not semi-reclined (there is no back rest here)."

    def test_without_a_warmer_a_hot_towel_is_found_and_hands_are_washed(self):
        assert "no towel warmer here" in found(TOWEL, without("towel_warmer"))["HLT09"].what
        assert "HLT09" not in found(TOWEL, DEFAULTS)
        wipes = House(rules={"clean_after_feet": "wipe", "towel_warmer": "none"})
        assert in_house(wipes, SHIPPED).chosen["clean_after_feet"] == "wash"

    def test_towels_are_packed_where_one_drapes_with_towels(self):
        towels = House(rules={"linen": "towels"})
        assert "2 sheets" in packed("full_body", DEFAULTS)
        assert "3 large towels" in packed("full_body", towels)
        assert "2 sheets" not in packed("full_body", towels)

    @pytest.mark.parametrize("kind", ["full_body", "focus", "side_lying"])
    def test_where_a_mat_serves_for_a_table_one_kneels(self, kind):
        here = setting(AGREES, house=House(rules={"table_height": "mat"}))
        brief = make_usual_brief(kind, here.catalogue)
        assert here.catalogue.kinds[kind].surface == "mat"
        sheet = evaluate(plan(brief, here).flow, here).sheet
        assert not {"stool", "height"} & {entry.kind for entry in sheet.entries}
        assert not any(entry.seated for entry in sheet.entries)

    def test_without_a_table_what_lies_on_one_is_neither_offered_nor_planned(self):
        house = without("table_height")
        ours = in_house(house, SHIPPED)
        offered = {id for id, kind in ours.kinds.items() if kind.offered}
        assert offered == {"chair", "labour_support"}
        with pytest.raises(DoesNotFit) as refused:
            plan(Brief(booked_minutes=60), setting(AGREES, house=house))
        assert [problem.code for problem in refused.value.problems] == ["no_surface"]
        made = plan(Brief(booked_minutes=60), setting(AGREES)).flow
        assert "SUP04" in found(made, house)
        assert plan(Brief(booked_minutes=60, surface="mat"), setting(AGREES, house=house)).flow

    def test_a_kind_that_is_not_offered_is_told_in_a_flow_of_it(self):
        house = House(kinds={"full_body": "not_offered"})
        assert not in_house(house, SHIPPED).kinds["full_body"].offered
        made = plan(Brief(booked_minutes=60), setting(AGREES)).flow
        assert found(made, house)["SUP04"].what == "Full body: not offered here."


class TestTheTimesOfAKind:
    def test_minutes_before_and_after_change_what_is_left_for_the_hands(self):
        brief, first = Brief(booked_minutes=60), Brief(booked_minutes=60, first_visit=True)
        ours = in_house(
            House(minutes={"full_body.before": 10, "full_body.after": 5, "full_body.first_visit": 15}),
            SHIPPED,
        )
        assert (hands_on_seconds(brief, CATALOGUE), hands_on_seconds(first, CATALOGUE)) == (3000, 2700)
        assert (hands_on_seconds(brief, ours), hands_on_seconds(first, ours)) == (2700, 2400)

    def test_a_session_is_begun_with_the_shortest_usual_booking(self):
        ours = in_house(House(bookings={"full_body": (75, 50)}), SHIPPED)
        assert ours.kinds["full_body"].usual_minutes == (50, 75)
        assert make_usual_brief("full_body", ours).booked_minutes == 50

    @pytest.mark.parametrize(
        ("house", "field"),
        [
            (House(minutes={"moon.before": 5}), "minutes.moon.before"),
            (House(minutes={"chair.between": 5}), "minutes.chair.between"),
            (House(bookings={"moon": (60,)}), "bookings.moon"),
            (House(bookings={"labour_support": (60,)}), "bookings.labour_support"),
            (House(kinds={"moon": "not_offered"}), "kinds.moon"),
        ],
    )
    def test_what_cannot_be_is_refused_by_name(self, house, field):
        with pytest.raises(UnknownReference) as refused:
            in_house(house, SHIPPED)
        assert field in [problem.field for problem in refused.value.problems]


class TestLubricants:
    def test_a_session_begins_with_the_first_that_is_in_stock(self):
        house = House(lubricants={"grapeseed_oil": "none"})
        before, after = CATALOGUE, in_house(house, SHIPPED)
        assert make_usual_brief("full_body", after).lubricant == "sweet_almond_oil"
        assert follow_house(Brief(booked_minutes=60), before, after).lubricant == "sweet_almond_oil"
        asked = Brief(booked_minutes=60, lubricant="jojoba_wax")
        assert follow_house(asked, before, after).lubricant == "jojoba_wax"

    def test_what_is_not_in_stock_is_found_and_something_else_offered(self):
        made = plan(Brief(booked_minutes=60), setting(AGREES)).flow
        finding = found(made, House(lubricants={"grapeseed_oil": "none"}))["SUP05"]
        assert finding.repairs[0].words == "Take sweet almond oil"
        assert "SUP05" not in found(made, DEFAULTS)

    def test_of_a_bottle_of_one_s_own_an_allergy_is_known(self):
        house = House(lubricants={"own-hazel": Bottle(name="hazel balm", contains=("nut",))})
        brief = Brief(booked_minutes=60, lubricant="own-hazel")
        allergic = ClientFacts(consents=AGREES.consents, conditions=frozenset({"nut_allergy"}))
        assert plan(brief, setting(AGREES, house=house)).flow.brief.lubricant == "own-hazel"
        with pytest.raises(DoesNotFit) as refused:
            plan(brief, setting(allergic, house=house))
        assert [problem.field for problem in refused.value.problems] == ["lubricant"]

    @pytest.mark.parametrize(
        ("bottles", "code"),
        [
            ({"sweet_almond_oil": Bottle(name="sweet almond oil")}, "lubricant_taken"),
            ({"own-x": Bottle(name="x", contains=("moonlight",))}, "unknown_id"),
            ({"moon_oil": "none"}, "unknown_id"),
        ],
    )
    def test_what_ships_keeps_its_contents_and_what_nobody_asks_about_is_refused(self, bottles, code):
        with pytest.raises(UnknownReference) as refused:
            in_house(House(lubricants=bottles), SHIPPED)
        assert [problem.code for problem in refused.value.problems] == [code]


class TestOneThingAtATime:
    @pytest.mark.parametrize(
        ("item", "after", "told"),
        [
            ("rules.end", "feet", "feet"),
            ("seconds.turn", "90", "90"),
            ("minutes.chair.before", "2", "2"),
            ("bookings.chair", "20,15, 20", "15, 20"),
            ("kinds.chair", "not_offered", "not_offered"),
            ("lubricants.jojoba_wax", "none", "none"),
            (
                "lubricants.own-balm",
                '{"name": " balm ", "contains": ["scent"]}',
                '{"contains": ["scent"], "in_stock": true, "name": "balm"}',
            ),
        ],
    )
    def test_what_is_kept_is_told_as_it_is_read_and_taken_back(self, item, after, told):
        changed = change_house(DEFAULTS, item, after)
        assert value_in(changed, item) == told
        assert own_items(changed) == {item: told}
        assert change_house(DEFAULTS, item, told) == changed
        gone = change_house(changed, item, None)
        if item == "lubricants.own-balm":
            # Plans may name it: it stays, out of stock.
            assert not in_house(gone, SHIPPED).lubricants["own-balm"].in_stock
        else:
            assert gone == DEFAULTS

    @pytest.mark.parametrize(
        ("item", "after"),
        [
            ("seconds.turn", "0"),
            ("minutes.chair.before", "61"),
            ("minutes.chair.before", "-1"),
            ("bookings.chair", ""),
            ("bookings.chair", "5"),
            ("bookings.chair", "soon"),
            ("kinds.chair", "sometimes"),
            ("lubricants.jojoba_wax", "a little"),
            ("lubricants.own-x", '{"name": ""}'),
            ("lubricants.own-x", "{"),
        ],
    )
    def test_what_an_entry_cannot_be_is_refused(self, item, after):
        with pytest.raises(ValidationError):
            change_house(DEFAULTS, item, after)
