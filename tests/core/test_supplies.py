import pytest

from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import ClientFacts
from tests.core import handmade as made
from tests.settings import setting

C = made.C


def of(flow, **facts):
    return evaluate(flow, setting(ClientFacts(**facts), C)).supplies


def words(supplies):
    return [line.words for line in supplies.packing]


def oiled(amount="usual"):
    return flow(C, part(C, "back").model_copy(update={"oil": amount}))


def test_lubricant_follows_body_skin_hair_and_wish():
    usual = of(oiled()).millilitres
    assert of(oiled(), weight_kg=110).millilitres > usual > of(oiled(), weight_kg=45).millilitres
    assert of(oiled(), body_hair="much").millilitres == pytest.approx(usual * 1.3, rel=0.02)
    assert of(oiled(), skin="dry").millilitres == pytest.approx(usual * 1.2, rel=0.02)
    assert of(oiled("little")).millilitres < usual < of(oiled("much")).millilitres


def test_what_is_poured_tells_its_millilitres():
    supplies = of(oiled())
    assert [line.millilitres for line in supplies.packing if line.millilitres] == [
        round(supplies.millilitres)
    ]


def test_friction_wants_little():
    rubbed = (*ARC[:2], *((("circular_friction", "specific", 3),) * 6), *ARC[3:])
    assert of(flow(C, part(C, "back", strokes=rubbed))).millilitres < of(oiled()).millilitres


def test_a_chair_needs_no_oil_and_no_sheets():
    supplies = of(made.chair())
    assert (supplies.lubricant, supplies.millilitres, supplies.by_region) == (None, 0, ())
    assert "2 sheets" not in words(supplies)
    assert "face rest" in words(supplies)


def test_a_prenatal_session_takes_more_pillows():
    packing = words(of(made.prenatal(), gestation_days=190))
    assert {"3 pillowcases", "hugging pillow", "wedge", "bolster"} <= set(packing)
    assert len(packing) == len(set(packing))


def test_hot_towels_go_into_the_warmer_in_time():
    towel = (*ARC[:4], ("hot_towel_press", "settle", 1), ARC[4])
    supplies = of(flow(C, part(C, "back", strokes=towel), part(C, "neck", strokes=towel)))
    assert supplies.hot_towels.count == 2
    assert supplies.hot_towels.into_warmer_minute < 0
    assert any("2 hot towels, into the warmer" in line for line in words(supplies))
    assert of(oiled()).hot_towels is None
