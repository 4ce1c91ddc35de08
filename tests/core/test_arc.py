import pytest

from mellow_tide.core.catalogue.records import SLOTS
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.planner.order.legs import set_up as visit_at
from mellow_tide.core.planner.strokes.arc import capacity, fit_arc
from mellow_tide.core.planner.strokes.repertoire import Touch
from mellow_tide.core.planner.strokes.site import find_site
from mellow_tide.core.timing.tempo import Tempo
from mellow_tide.core.timing.timed import part_seconds
from tests.settings import CATALOGUE


def targets(region, wished, height):
    low, high = capacity(region.id, Touch(wished), CATALOGUE, Tempo(height))
    least = max(region.seconds.least, -(-low // 15) * 15)
    return range(least, min(region.seconds.most, high // 15 * 15) + 1, 15)


@pytest.mark.parametrize("wished", [2, 4])
@pytest.mark.parametrize("height", [150, 170, 198])
@pytest.mark.parametrize("region", CATALOGUE.regions.values(), ids=lambda r: r.id)
def test_strokes_meet_the_seconds_and_keep_the_arc(region, wished, height):
    tried = list(targets(region, wished, height))
    assert tried, f"{region.id} has too few strokes for its least time"
    side = "mid" if region.sides == "mid" else "right"
    for seconds in tried[:: max(1, len(tried) // 12)]:
        place = find_site(region.id, region.positions[0], Touch(wished), CATALOGUE, Tempo(height))
        arc = fit_arc(place, seconds)
        visit = visit_at(region.id, side, place.position, False, CATALOGUE)
        part = Part.at(visit, region.id, arc.steps)
        assert arc.seconds == part_seconds(part, CATALOGUE, Tempo(height))
        assert abs(part_seconds(part, CATALOGUE, Tempo(height)) - seconds) <= 10
        places = [SLOTS.index(step.slot) for step in part.steps]
        assert places == sorted(places)
        slots = {step.slot for step in part.steps}
        assert "settle" in slots
        assert part.steps[-1].depth == min(step.depth for step in part.steps)
        if part.medium == "lubricated":
            assert "spread" in slots
        for step in part.steps:
            low, _, high = CATALOGUE.strokes[step.stroke].slots[step.slot]
            assert low <= step.passes <= high


@pytest.mark.parametrize("height", [145, 205])
@pytest.mark.parametrize("region", CATALOGUE.regions.values(), ids=lambda r: r.id)
def test_a_region_can_be_worked_for_its_most_sensible_time(region, height):
    for wished, clothed in ((2, False), (4, False), (3, True)):
        chair = CATALOGUE.kinds["chair"].seconds
        if clothed and region.id not in chair:
            continue
        seconds = chair[region.id] if clothed else region.seconds
        _, most = capacity(region.id, Touch(wished, clothed=clothed), CATALOGUE, Tempo(height))
        assert most >= seconds.most
