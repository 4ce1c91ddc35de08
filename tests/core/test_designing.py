"""Changing a flow by hand: what may go where, what a change would break, what a few letters mean."""

from collections import Counter
from dataclasses import replace
from random import Random

import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from mellow_tide.core.checks.check import make_case
from mellow_tide.core.checks.engine import run_checks
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.designing.adaptation import adapt_flow
from mellow_tide.core.designing.landing import find_landings
from mellow_tide.core.designing.mending import mend
from mellow_tide.core.designing.other_side import find_other_side, find_passage_other_side
from mellow_tide.core.designing.picker import pick_strokes
from mellow_tide.core.designing.quick_add import suggest_edits
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.designing.typed import read_typed
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts, Excluded
from mellow_tide.core.flow.edits import ChangeStep, RemovePart, SplitPart, apply, worked_alike
from mellow_tide.core.library.shipped import for_anybody, shipped_flows
from mellow_tide.core.planner.difference import compare_flows
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import BadFlow, DoesNotFit
from tests.core.askings import asking
from tests.settings import CATALOGUE, setting
from tests.sizes import often

ANYBODY = for_anybody(CATALOGUE)
FLOW = plan(Brief(booked_minutes=75), setting(ANYBODY, CATALOGUE)).flow
TRIAL = Trial.of(FLOW, setting(ANYBODY, CATALOGUE))
CALF = "lower_leg_back-right"


def parts(flow):
    return {part.id: part for part in flow.parts}


def graver(flow, client, before=()):
    found = [f.code for f in evaluate(flow, setting(client, CATALOGUE)).findings if f.severity == "refuse"]
    return [code for code in found if code not in before]


def test_a_part_may_go_where_it_is_reached_and_the_reason_shows_where_it_may_not():
    found = find_landings(TRIAL, "back")
    assert [landing.at for landing in found] == list(range(len(FLOW.parts)))
    assert [landing.at for landing in found if landing.here] == [1]
    assert found[0].why_not == "the first contact comes first"
    assert found[-1].why_not == "the close comes last"
    supine = next(i for i, part in enumerate(FLOW.parts) if part.position == "supine")
    assert all(
        landing.why_not == "the back cannot be worked with the client supine" for landing in found[supine:-1]
    )
    assert not any(landing.why_not for landing in found[1 : supine - 1])


@pytest.mark.parametrize("part_id", ["back", CALF, "neck", "foot-left"])
def test_wherever_a_part_may_go_it_does_no_graver_harm(part_id):
    for landing in find_landings(TRIAL, part_id):
        if landing.why_not or landing.here:
            assert not landing.edits
            continue
        moved = apply(FLOW, landing.edits)
        assert moved.parts[landing.at].id == part_id
        assert moved.parts[landing.at].position == landing.position
        assert graver(moved, ANYBODY) == []


def test_neither_the_first_contact_nor_the_close_goes_anywhere():
    assert not any(landing.edits for id in ("open", "close") for landing in find_landings(TRIAL, id))


def test_what_needs_another_position_is_worked_through_the_window_it_has_there():
    # A calf can be reached from the front too.
    there = next(x for x in find_landings(TRIAL, CALF) if x.position == "supine" and not x.why_not)
    moved = parts(apply(FLOW, there.edits))[CALF]
    assert (moved.position, moved.window) == ("supine", "leg_front")


@settings(max_examples=often(12), derandomize=True)
@given(seed=st.integers(0, 10_000))
def test_a_stroke_offered_for_any_client_breaks_nothing_and_any_other_says_why(seed):
    random = Random(seed)
    brief, client, house = asking(random)
    flow = _planned(brief, client, house)
    if flow is None:
        return
    trial = Trial.of(flow, setting(client, CATALOGUE, house))
    part = random.choice([s for s in flow.parts if s.role == "work"])
    offered = pick_strokes(trial, part.id)
    assert {pick.stroke for pick in offered} == set(CATALOGUE.strokes)
    assert all(bool(pick.why_not) or pick.edits for pick in offered)
    fitting = [pick for pick in offered if not pick.why_not]
    for pick in random.sample(fitting, min(2, len(fitting))):
        before = [f.code for f in evaluate(flow, setting(client, CATALOGUE, house)).findings]
        after = evaluate(apply(flow, pick.edits), setting(client, CATALOGUE, house)).findings
        assert [f.code for f in after if f.severity == "refuse" and f.code not in before] == []


def _planned(brief, client, house):
    try:
        return plan(brief, setting(client, CATALOGUE, house)).flow
    except Exception as refused:
        if not hasattr(refused, "problems"):
            raise
        return None


def test_a_stroke_is_offered_for_both_sides_where_they_are_worked_alike():
    stripping = next(pick for pick in pick_strokes(TRIAL, CALF) if pick.stroke == "stripping")
    assert {edit.part_id for edit in stripping.edits} == {CALF, "lower_leg_back-left"}


def test_a_stroke_that_the_health_rules_out_says_so():
    client = ANYBODY.model_copy(update={"conditions": frozenset({"varicose_veins"})})
    offered = {
        pick.stroke: pick.why_not for pick in pick_strokes(Trial.of(FLOW, setting(client, CATALOGUE)), CALF)
    }
    assert offered["stripping"]
    assert offered["toe_work"] == "not for the calf"


def test_the_other_side_comes_back_beside_the_first():
    one = apply(FLOW, [RemovePart(part_id="foot-left")])
    found = find_other_side(Trial.of(one, setting(ANYBODY, CATALOGUE)), "foot-right")
    again = apply(one, found.edits)
    left, right = parts(again)["foot-left"], parts(again)["foot-right"]
    assert (left.side, left.steps) == ("left", right.steps)
    assert abs(again.parts.index(left) - again.parts.index(right)) == 1
    assert find_other_side(TRIAL, "foot-right") is None
    assert find_other_side(TRIAL, "back") is None


def test_lying_on_the_side_the_other_side_waits_for_the_turn():
    flow = plan(
        Brief(kind="side_lying", school="side_by_side", booked_minutes=60), setting(ANYBODY, CATALOGUE)
    ).flow
    first = next(s for s in flow.parts if s.region == "hips")
    mate = next(s for s in flow.parts if s.region == "hips" and s.side != first.side)
    one = apply(flow, [RemovePart(part_id=mate.id)])
    found = find_other_side(Trial.of(one, setting(ANYBODY, CATALOGUE)), first.id)
    again = next(s for s in apply(one, found.edits).parts if s.region == "hips" and s.side == mate.side)
    assert again.position == mate.position != first.position


def test_a_part_is_split_and_keeps_all_its_strokes():
    whole = parts(FLOW)["back"]
    halves = apply(FLOW, [SplitPart(part_id="back", at=2)])
    first, second = parts(halves)["back"], parts(halves)["back-2"]
    assert first.steps + second.steps == whole.steps
    assert halves.parts.index(second) == halves.parts.index(first) + 1
    with pytest.raises(BadFlow, match="begin the second part"):
        apply(FLOW, [SplitPart(part_id="back", at=len(whole.steps))])


def test_a_trait_of_a_step_is_given_and_taken_away():
    given_one = apply(FLOW, [ChangeStep(part_id="back", step=1, zone="erectors", note="slow", seconds=90)])
    step = parts(given_one)["back"].steps[1]
    assert (step.zone, step.note, step.seconds) == ("erectors", "slow", 90)
    taken = apply(given_one, [ChangeStep(part_id="back", step=1, clear=("zone", "seconds"), note="")])
    step = parts(taken)["back"].steps[1]
    assert (step.zone, step.note, step.seconds) == (None, "", None)


@pytest.mark.parametrize(
    ("line", "wanted"),
    [
        ("calf knead 3", {"words": ("calf", "knead"), "number": 3}),
        ("Both feet hold 30s", {"words": ("feet", "hold"), "side": "both", "seconds": 30}),
        ("left calf 4 min", {"words": ("calf",), "side": "left", "seconds": 240}),
        ("knead 2 x depth 4", {"words": ("knead",), "number": 2, "depth": 4}),
        ("no feet", {"words": ("feet",), "wish": "out"}),
        ("no knuckling", {"words": ("knuckling",), "wish": "out"}),
        ("turn", {"words": (), "wish": "turn"}),
        ("", {"words": ()}),
    ],
)
def test_a_line_is_read(line, wanted):
    typed = read_typed(line)
    assert {name: getattr(typed, name) for name in wanted} == wanted


def first_of(line, selected=CALF):
    return suggest_edits(TRIAL, line, selected)[0]


def test_typing_a_region_and_a_stroke_adds_it_on_both_sides_where_it_belongs():
    meant = first_of("calf knead 3")
    assert meant.says.startswith("Kneading on the calves, 3 passes")
    added = parts(apply(FLOW, meant.edits))
    for side in ("left", "right"):
        steps = added[f"lower_leg_back-{side}"].steps
        assert [s.passes for s in steps if s.stroke == "kneading"][-1] == 3
        assert [s.slot for s in steps][-1] == "settle"


def test_typing_seconds_a_side_or_a_zone_means_just_that():
    hold = first_of("both feet hold 30s")
    assert {(e.part_id, e.step.seconds) for e in hold.edits} == {("foot-left", 30), ("foot-right", 30)}
    one = first_of("left foot hold 30s")
    assert {e.part_id for e in one.edits} == {"foot-left"}
    zoned = first_of("heel knuckling 2")
    assert {e.step.zone for e in zoned.edits} == {"heel"}


def test_typing_a_stroke_alone_means_the_selected_part():
    assert first_of("stripping").edits[0].part_id == CALF
    assert suggest_edits(TRIAL, "stripping", None) == ()


def test_typing_can_change_the_brief_the_minutes_and_a_length():
    assert first_of("no feet").brief.leave_out == ("foot",)
    assert first_of("45 min").brief.booked_minutes == 45
    calf = first_of("calf 4 min")
    assert (calf.reshape.part_id, calf.reshape.seconds) == (CALF, 240)
    assert first_of("more neck").brief.focus == ("neck",)


def test_typing_can_leave_a_stroke_out_of_the_session_or_want_it_throughout():
    out = first_of("no knuckling", None)
    assert out.says == "No knuckling in this session"
    assert (out.brief.without_strokes, out.brief.with_strokes) == (("knuckling",), ())
    wanted = first_of("more stripping")
    assert wanted.says == "Stripping wherever it can be done"
    assert (wanted.brief.with_strokes, wanted.brief.without_strokes) == (("stripping",), ())
    brief = FLOW.brief.model_copy(update={"without_strokes": ("knuckling", "stripping")})
    there = Trial.of(FLOW.model_copy(update={"brief": brief}), setting(ANYBODY, CATALOGUE))
    again = {one.says: one.why_not for one in suggest_edits(there, "no knuckling", None)}
    assert again["No knuckling in this session"] == "asked for already"
    back = suggest_edits(there, "more stripping", None)[0].brief
    assert (back.with_strokes, back.without_strokes) == (("stripping",), ("knuckling",))
    assert suggest_edits(TRIAL, "no knuckling back", None) == ()


def test_nobody_stands_at_the_foot_of_a_chair():
    brief = Brief(kind="chair", school="chair_downwards", close_with="seated", booked_minutes=20)
    chair = Trial.of(plan(brief, setting(ANYBODY, CATALOGUE)).flow, setting(ANYBODY, CATALOGUE))
    there = suggest_edits(chair, "back compression from the foot", None)
    assert [one.why_not for one in there if not one.why_not] == []
    assert there[0].why_not == "with the client seated, leaning forward, nobody stands at the foot"
    assert not suggest_edits(chair, "back compression from the head", None)[0].why_not


def test_typing_turn_offers_the_other_position_only_if_what_follows_is_reached_there():
    meant = first_of("turn", "hips-left")
    assert meant.why_not == "the left back of the thigh cannot be worked with the client supine"
    meant = first_of("turn", "foot-right")
    assert meant.says == "Turn after the right foot: supine"
    assert parts(apply(FLOW, meant.edits))["foot-left"].position == "supine"


def test_what_cannot_be_done_is_there_with_its_reason_and_nonsense_is_not():
    assert first_of("calf knead 99").why_not
    assert first_of("calf scalp circles").why_not == "not for the calf"
    assert first_of("calf picking depth 1").why_not == "picking up goes from depth 2 to 3"
    assert first_of("back spine walk").why_not == "wants dry skin"
    assert suggest_edits(TRIAL, "xyzzy", CALF) == ()
    assert suggest_edits(TRIAL, "5", CALF) == ()


@settings(max_examples=often(40))
@given(line=st.text(max_size=40))
def test_any_line_is_borne(line):
    for meant in suggest_edits(TRIAL, line, CALF):
        ways = [bool(meant.edits), meant.reshape is not None, meant.brief is not None, bool(meant.why_not)]
        assert any(ways)
        apply(FLOW, meant.edits)


@pytest.mark.parametrize("check", [c for c in CHECKS if c.severity == "advice"], ids=lambda c: c.code)
def test_repairs_taken_together_mend_what_can_be_mended_and_do_no_graver_harm(check):
    case = make_case(
        check.bad(CATALOGUE), setting(check.client or ANYBODY, CATALOGUE, check.house, check.pace)
    )
    trial = Trial(case)
    before = run_checks(case)
    taken = mend(trial, "advice")
    after = run_checks(case.of_flow(trial.of_edits(taken.edits).flow)) if taken.edits else before
    serious = Counter((f.code, f.part_id) for f in before if f.severity != "advice")
    assert not Counter((f.code, f.part_id) for f in after if f.severity != "advice") - serious
    assert {f.what for f in after if f.severity == "advice"} == set(taken.left)
    mendable = [f for f in before if f.code == check.code and f.repairs]
    if mendable:
        assert len(taken.left) < len([f for f in before if f.severity == "advice"])
    assert bool(taken.edits) == bool(taken.mended)


def test_repairing_advice_never_touches_what_must_not_be_worked_so():
    client = ANYBODY.model_copy(update={"excluded": (Excluded(region="foot", side="left"),)})
    trial = Trial.of(FLOW, setting(client, CATALOGUE))
    grave = [f.what for f in evaluate(FLOW, setting(client, CATALOGUE)).findings if f.severity == "refuse"]
    assert grave
    taken = mend(trial, "advice")
    assert not set(taken.mended) & set(grave)


@pytest.mark.parametrize("shipped", shipped_flows(), ids=lambda s: s.id)
def test_every_shipped_flow_is_without_a_part_finding_or_a_caution(shipped):
    client = for_anybody(CATALOGUE, shipped.gestation_days)
    found = evaluate(
        plan(shipped.brief, setting(client, CATALOGUE)).flow, setting(client, CATALOGUE)
    ).findings
    assert [f for f in found if f.severity != "advice"] == []


def test_the_shipped_flows_cover_every_kind_and_all_schools():
    flows = shipped_flows()
    assert len(flows) >= 12
    assert len({flow.name for flow in flows}) == len(flows)
    assert {flow.brief.kind for flow in flows} == set(CATALOGUE.kinds)
    assert {flow.brief.school for flow in flows} == set(CATALOGUE.schools)


def test_a_flow_is_adapted_to_a_client_and_each_change_has_its_reason():
    client = replace_facts(
        consents=frozenset({"chest", "face", "scalp", "foot"}),
        conditions=frozenset({"varicose_veins"}),
        excluded=(Excluded(region="foot", because="a plaster"),),
    )
    made = adapt_flow(FLOW, Brief(booked_minutes=75), setting(client, CATALOGUE))
    assert graver(made.plan.flow, client) == []
    named = {one.region: (one.reason, one.because) for one in made.named}
    assert named["foot"] == ("excluded", "a plaster")
    assert named["hips"][0] == "no_consent"
    changed = {change.region for change in made.difference.changes}
    assert changed <= set(named)


@pytest.mark.parametrize("minutes", [30, 45, 60])
@pytest.mark.parametrize("id", ["bare_feet", "evening_for_two", "row_by_row", "drift_off"])
def test_a_flow_keeps_its_strokes_for_every_client_and_time(id, minutes):
    brief = next(one.brief for one in shipped_flows() if one.id == id)
    assert brief.with_strokes or brief.without_strokes
    flow = plan(brief, setting(ANYBODY, CATALOGUE)).flow
    booked = brief.model_copy(update={"booked_minutes": minutes})
    has, had = (
        {step.stroke for part in one.parts for step in part.steps}
        for one in (adapt_flow(flow, booked, setting(ClientFacts(height_cm=182), CATALOGUE)).plan.flow, flow)
    )
    assert not has & set(brief.without_strokes)
    assert set(brief.with_strokes) & had <= has


def test_what_a_client_dislikes_goes_before_what_a_flow_wants():
    brief = next(one.brief for one in shipped_flows() if one.id == "bare_feet")
    client = replace_facts(dislikes=frozenset({"hot_towel_press"}))
    flow = plan(brief, setting(client, CATALOGUE)).flow
    strokes = {step.stroke for part in flow.parts for step in part.steps}
    assert "hot_towel_press" not in strokes
    assert "metatarsal_spread" in strokes


def test_a_flow_that_fits_as_it_is_stays_as_it_is():
    made = adapt_flow(FLOW, Brief(booked_minutes=75), setting(ANYBODY, CATALOGUE))
    assert made.named == ()
    assert made.plan.flow.parts == FLOW.parts


def test_time_is_a_reason_only_where_the_session_is_shorter_or_longer():
    shorter = adapt_flow(FLOW, Brief(booked_minutes=45), setting(ANYBODY, CATALOGUE))
    assert {one.reason for one in shorter.named} == {"less_time"}
    longer = adapt_flow(FLOW, Brief(booked_minutes=90), setting(ANYBODY, CATALOGUE))
    assert {one.reason for one in longer.named} == {"more_time"}
    without_feet = replace_facts(excluded=(Excluded(region="foot"),))
    as_long = adapt_flow(FLOW, Brief(booked_minutes=75), setting(without_feet, CATALOGUE))
    assert {one.reason for one in as_long.named if one.region != "foot"} == {"others"}


@settings(max_examples=often(15), deadline=None)
@example("bare_feet", 30)
@given(st.sampled_from([shipped.id for shipped in shipped_flows()]), st.integers(10, 120))
def test_every_flow_that_ships_is_fitted_to_any_minutes_or_plainly_refused(id, minutes):
    shipped = next(one for one in shipped_flows() if one.id == id)
    client = ClientFacts(gestation_days=shipped.gestation_days)
    flow = plan(shipped.brief, setting(for_anybody(CATALOGUE, shipped.gestation_days), CATALOGUE)).flow
    booked = shipped.brief.model_copy(update={"booked_minutes": minutes})
    try:
        made = adapt_flow(flow, booked, setting(client, CATALOGUE))
    except DoesNotFit:
        return
    assert graver(made.plan.flow, client) == []


def test_what_goes_or_comes_does_not_put_the_rest_in_another_order():
    there = setting(ANYBODY, CATALOGUE)

    def reordered(parts):
        return compare_flows(FLOW, FLOW.model_copy(update={"parts": tuple(parts)}), (), there).reordered

    parts = list(FLOW.parts)
    for n in range(1, len(parts) - 1):
        assert not reordered([*parts[:n], *parts[n + 1 :]])
    assert reordered([parts[0], *parts[-2:0:-1], parts[-1]])


def test_the_other_side_gets_a_whole_passage():
    leg = ("hips", "thigh_back", "lower_leg_back")
    sides = {
        side: [part.id for part in FLOW.parts if part.region in leg and part.side == side]
        for side in ("left", "right")
    }
    there = setting(ANYBODY, CATALOGUE)
    assert find_passage_other_side(Trial.of(FLOW, there), sides["right"]) is None
    without = apply(FLOW, [RemovePart(part_id=id) for id in sides["left"]])
    landing = find_passage_other_side(Trial.of(without, there), sides["right"])
    mirrored = apply(without, landing.edits)
    for region in leg:
        left, right = (
            next(p for p in mirrored.parts if (p.region, p.side) == (region, side)) for side in sides
        )
        assert worked_alike(left.steps, right.steps)
    places = [n for n, part in enumerate(mirrored.parts) if part.region in leg and part.side == "left"]
    assert places == list(range(places[0], places[0] + 3))


def replace_facts(**facts):
    return ClientFacts(**{**dict(ANYBODY), **facts})


def test_a_change_that_breaks_nothing_new_is_not_blamed_for_what_was_broken_before():
    client = ANYBODY.model_copy(update={"excluded": (Excluded(region="foot", side="left"),)})
    trial = Trial.of(FLOW, setting(client, CATALOGUE))
    tried = trial.of_flow(FLOW)
    assert tried == replace(tried, broken=(), seconds=0)


def test_taking_time_is_no_fault_of_a_stroke_but_going_against_the_clock_is():
    offered = {(pick.stroke, pick.slot): pick for pick in pick_strokes(TRIAL, CALF)}
    assert not offered["picking_up", "knead"].warns
    with_belly = plan(Brief(booked_minutes=75, focus=("abdomen",)), setting(ANYBODY, CATALOGUE)).flow
    backwards = ChangeStep(part_id="abdomen", step=1, direction="counter_clockwise")
    tried = Trial.of(with_belly, setting(ANYBODY, CATALOGUE)).of_edits([backwards])
    assert "does not follow the clock" in tried.warns
