"""What holds for any flow at all, however senseless: the clock has no holes, and a repair never makes things worse."""

from itertools import pairwise

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts, Excluded
from mellow_tide.core.flow.edits import apply
from mellow_tide.core.flow.flow import Flow, Part, Step
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.timing.exposure import find_exposures
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import tempo_of
from mellow_tide.core.timing.timed import part_seconds
from tests.settings import CATALOGUE, setting
from tests.sizes import often

C = CATALOGUE
SOME = ["back", "shoulders", "hips", "thigh_back", "foot", "arm", "hand", "neck", "face", "abdomen", "scalp"]
SKIPS = ["announce", "cover", "chest_cover", "clean_hands"]


@st.composite
def steps(draw, region):
    stroke = draw(st.sampled_from([s for s in C.strokes.values() if region in s.regions]))
    zones = C.regions[region].zones
    return Step(
        stroke=stroke.id,
        slot=draw(st.sampled_from(sorted(stroke.slots))),
        tool=draw(st.sampled_from(stroke.tools)),
        zone=draw(st.none() | st.sampled_from(zones)),
        depth=draw(st.integers(*stroke.depth)),
        passes=draw(st.integers(1, 8)),
        seconds=draw(st.none() | st.integers(1, 200)),
        wipe=draw(st.booleans()),
        check_in=draw(st.booleans()),
    )


@st.composite
def parts(draw, number):
    region = C.regions[draw(st.sampled_from(SOME))]
    position = draw(st.sampled_from(["prone", "supine", "side_left", "side_right"]))
    return Part(
        id=f"s{number}",
        region=region.id,
        side="mid" if region.sides == "mid" else draw(st.sampled_from(["left", "right"])),
        position=position,
        window=draw(st.sampled_from([region.window_in(position), "none", "back"])),
        medium=draw(st.sampled_from(["dry", "lubricated", "clothed"])),
        skips=tuple(draw(st.lists(st.sampled_from(SKIPS), unique=True, max_size=2))),
        steps=tuple(draw(st.lists(steps(region.id), min_size=1, max_size=4))),
    )


@st.composite
def flows(draw):
    count = draw(st.integers(1, 6))
    return Flow(
        brief=Brief(booked_minutes=60, lubricant=draw(st.sampled_from(sorted(C.lubricants)))),
        parts=tuple(draw(parts(number)) for number in range(count)),
    )


excluded = st.builds(
    Excluded,
    region=st.sampled_from(["back", "foot", "neck"]),
    side=st.sampled_from(["left", "right", "both"]),
    zone=st.none(),
)
clients = st.builds(
    ClientFacts,
    height_cm=st.integers(140, 210),
    breaths_per_minute=st.integers(4, 40),
    conditions=st.frozensets(st.sampled_from(sorted(C.conditions)), max_size=3),
    consents=st.frozensets(st.sampled_from(sorted(C.consents)), max_size=4),
    gestation_days=st.none() | st.integers(0, 300),
    excluded=st.lists(excluded, max_size=2).map(tuple),
)
houses = st.builds(
    House,
    rules=st.fixed_dictionaries(
        {}, optional={id: st.sampled_from([c.id for c in rule.choices]) for id, rule in C.house_rules.items()}
    ),
)
EASY = settings(max_examples=often(40), derandomize=True, suppress_health_check=list(HealthCheck))
FEW = settings(EASY, max_examples=often(15))


@EASY
@given(flows(), clients)
def test_the_clock_has_no_gap_and_no_overlap_and_ends_where_its_parts_say(flow, client):
    tempo = tempo_of(client)
    sheet = lay_out(flow, C, tempo)
    assert sheet.entries[0].start == 0
    assert all(a.start + a.seconds == b.start for a, b in pairwise(sheet.entries))
    assert sheet.seconds == sum(e.seconds for e in sheet.entries)
    assert [sheet.find(e.address) for e in sheet.entries] == list(range(len(sheet.entries)))
    for part in flow.parts:
        worked = [e for e in sheet.entries if e.part_id == part.id and e.kind == "stroke"]
        assert [e.step for e in worked] == list(range(len(part.steps)))
        assert part_seconds(part, C, tempo) >= sum(e.seconds for e in worked)
    assert lay_out(flow, C, tempo) == sheet
    bare = find_exposures(sheet, C)
    assert all(a.start + a.seconds <= b.start for a, b in pairwise(bare))


def refusals(evaluation):
    return sum(f.severity == "refuse" for f in evaluation.findings)


@FEW
@given(flows(), clients, houses)
def test_a_repair_never_makes_another_refusal_and_no_check_fails_itself(flow, client, house):
    check_flow(flow, C)
    before = evaluate(flow, setting(client, C, house))
    assert "SYS01" not in {f.code for f in before.findings}
    for finding in before.findings:
        for repair in finding.repairs:
            try:
                repaired = apply(flow, repair.edits)
                check_flow(repaired, C)
            except ValueError:
                # The only part of a flow cannot be taken away.
                assert len(flow.parts) == 1
                continue
            after = evaluate(repaired, setting(client, C, house))
            assert refusals(after) <= refusals(before), (finding.code, repair.words)
