import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.alternatives import find_alternatives
from mellow_tide.core.planner.plan import plan
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

C = CATALOGUE


def of(client=CLIENT, **brief):
    flow = plan(Brief(**{"booked_minutes": 75, **brief}), setting(client, C)).flow
    return flow, find_alternatives(flow, setting(client, C))


def test_a_full_body_has_two_others_of_other_schools_that_are_true_plans():
    flow, found = of(focus=("neck",))
    assert [other.brief.school for other in found.others] == ["feet_upwards", "head_downwards"]
    for other in found.others:
        again = plan(other.brief, setting(CLIENT, C)).flow
        assert evaluate(again, setting(CLIENT, C)).sheet == other.sheet
        assert other.brief.focus == flow.brief.focus
        assert other.traits != found.present
        assert other.traits.on_focus > 0


def test_where_there_is_one_school_another_way_to_begin_is_offered():
    _, found = of(kind="side_lying", school="side_by_side")
    (other,) = found.others
    assert other.brief.first_position == "side_right"
    assert other.sheet.entries[0].position == "side_right"


def test_traits_are_counted_from_the_run_sheet():
    flow, found = of()
    entries = evaluate(flow, setting(CLIENT, C)).sheet.entries
    assert found.present.turns == 1
    assert found.present.walks == sum(e.kind == "walk" for e in entries)
    assert found.present.between == sum(e.seconds for e in entries if e.kind != "stroke")
    assert found.present.on_focus == 0
    assert sum(found.present.by_region.values()) == sum(
        e.seconds for e in entries if e.kind == "stroke" and e.role == "work"
    )


@pytest.mark.parametrize("days", [120, 150])
def test_what_cannot_be_planned_is_not_offered(days):
    # Only one way up is left, so beginning the other way comes to the same parts.
    client = ClientFacts(consents=CLIENT.consents, gestation_days=days)
    brief = {"kind": "prenatal", "school": "left_side_first", "booked_minutes": 60}
    flow, found = of(client, **brief)
    shapes = [tuple(e.part_id for e in other.sheet.entries if e.kind == "stroke") for other in found.others]
    assert len(set(shapes)) == len(shapes) <= 2
    assert all(other.brief.kind == "prenatal" for other in found.others)
    assert flow.brief.first_position is None
