import pytest

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.flow.edits import ChangeStep, InsertStep, RemovePart, RemoveStep, apply
from mellow_tide.core.flow.flow import Step
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.strokes.rituals import meet_the_minutes
from tests.core import handmade
from tests.core.flows import AGREED, CLIENT
from tests.settings import CATALOGUE, setting

C = CATALOGUE
FLOW = plan(Brief(booked_minutes=75), setting(CLIENT, C)).flow


def at(part_id, slot, last=False):
    places = [i for i, x in enumerate(next(s for s in FLOW.parts if s.id == part_id).steps) if x.slot == slot]
    return places[-1 if last else 0]


def of(flow, client=CLIENT):
    return evaluate(flow, setting(client, C))


def test_a_planned_flow_has_nothing_to_mend():
    assert of(FLOW).findings == ()


def test_the_parts_add_up():
    e = of(FLOW)
    assert e.balance.left == e.balance.right
    total = e.balance.left + e.balance.right + e.balance.middle + e.balance.between
    assert total == e.sheet.seconds
    assert e.supplies.millilitres == pytest.approx(sum(r.millilitres for r in e.supplies.by_region), abs=0.6)
    assert "chest-cover towel" not in {one.name for one in e.supplies.linen}


def test_a_whole_body_takes_the_usual_amount_of_oil_and_a_back_its_own():
    whole = plan(Brief(booked_minutes=120), setting(CLIENT, C)).flow
    supplies = of(whole).supplies
    assert 20 <= round(supplies.millilitres) <= 30  # common practice
    amounts = {r.region: r.millilitres for r in supplies.by_region}
    assert 1.5 <= amounts["arm"] / 2 <= 2.5  # an arm takes 2
    assert 6.5 <= amounts["back"] <= 10  # a back about 8
    taller = evaluate(whole, setting(CLIENT.model_copy(update={"height_cm": 195}), C)).supplies
    assert taller.millilitres > supplies.millilitres


def thumbs(part_id):
    """Thumbs for whatever is firm on a part, for a little longer."""
    part = next(s for s in FLOW.parts if s.id == part_id)
    taken = {e.step: e.seconds for e in of(FLOW).sheet.entries if e.part_id == part_id and e.kind == "stroke"}
    for i, x in enumerate(part.steps):
        if x.depth == 3:
            made = Step(
                stroke="circular_friction",
                slot="specific",
                tool="thumb",
                depth=3,
                passes=2,
                seconds=round(1.32 * taken[i]),
                check_in=x.check_in,
            )
            yield from (RemoveStep(part_id=part_id, step=i), InsertStep(part_id=part_id, at=i, step=made))


ROLLING = Step(stroke="skin_rolling", slot="dry", tool="fingertips", depth=2, passes=1)
BROKEN = {
    "ORD01": [InsertStep(part_id="back", at=at("back", "knead"), step=ROLLING)],
    "ORD02": [RemoveStep(part_id="neck", step=at("neck", "spread"))],
    "ORD05": [
        RemoveStep(part_id="face", step=at("face", "settle")),
        ChangeStep(part_id="face", step=0, passes=8),
    ],
    "ORD07": [RemoveStep(part_id="open", step=0)],
    "BAL01": [RemovePart(part_id="foot-left")],
    "BAL02": [ChangeStep(part_id="foot-left", step=at("foot-left", "warm"), passes=16)],
    "HND01": [edit for s in FLOW.parts if s.region in ("back", "neck") for edit in thumbs(s.id)],
}


@pytest.mark.parametrize("code", BROKEN)
def test_breaking_one_rule_shows_exactly_that(code):
    broken = meet_the_minutes(apply(FLOW, BROKEN[code]), setting(CLIENT, C))
    # Taking much away or adding it also costs the minutes; that is a second rule, and rightly found.
    found = [f.code for f in of(broken).findings if f.code != "TIM01"]
    assert set(found) == {code}


def test_consent_withdrawn_parts_the_flow():
    consenting = ClientFacts(consents=AGREED | {"abdomen"})
    with_abdomen = plan(Brief(booked_minutes=90, focus=("abdomen",)), setting(consenting, C)).flow
    assert of(with_abdomen, consenting).findings == ()
    stopped = [f for f in of(with_abdomen, CLIENT).findings if f.severity == "refuse"]
    assert [f.code for f in stopped] == ["CNS01"]
    repaired = apply(with_abdomen, stopped[0].repairs[0].edits)
    assert "CNS01" not in [f.code for f in of(repaired, CLIENT).findings]


def test_every_check_has_run():
    assert len(CHECKS) >= 20


@pytest.mark.parametrize("kind", ["chair", "focus", "side_lying", "labour_support"])
def test_a_session_of_any_kind_is_evaluated_in_a_practice_whose_table_lifts(kind):
    found = evaluate(getattr(handmade, kind)(), setting(CLIENT, house=House(rules={"table_height": "lifts"})))
    assert [one.code for one in found.findings if one.severity == "refuse"] == []
    assert (kind == "side_lying") == ("height" in {entry.kind for entry in found.sheet.entries})
    assert (kind in ("focus", "side_lying")) == bool(found.exposures)
