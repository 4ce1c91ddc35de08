"""The closest plan to a present one."""

from random import Random

import pytest

from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, Excluded
from mellow_tide.core.flow.edits import ChangeStep, InsertPart, MovePart, apply
from mellow_tide.core.flow.flow import Part, Step
from mellow_tide.core.planner.adjust import HELD, adjust
from mellow_tide.core.planner.difference import compare_flows
from mellow_tide.core.planner.plan import mark_by_hand, plan
from mellow_tide.core.planner.question.question import LEAVES
from mellow_tide.core.planner.strokes.present import find_joined
from mellow_tide.core.planner.strokes.rituals import meet_the_minutes
from mellow_tide.core.refusal import DoesNotFit
from tests.core.askings import CATALOGUE as ASKED_OF
from tests.core.askings import asking
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting
from tests.sizes import seeds

HOUR = Brief(booked_minutes=75, focus=("back",))


def changed(brief, **fields):
    return brief.model_copy(update=fields)


def faults(flow, client=CLIENT):
    evaluation = evaluate(flow, setting(client, CATALOGUE))
    assert abs(evaluation.sheet.over) <= 15
    return [f.code for f in evaluation.findings if f.severity != "advice"]


def apart(present, flow, by_hand=()):
    return compare_flows(present.flow, flow, by_hand, setting(CLIENT, CATALOGUE))


def by_hand(present, *edits):
    """The plan with some edits, its close made to fit again."""
    return mark_by_hand(present, meet_the_minutes(apply(present.flow, edits), setting(CLIENT, CATALOGUE)))


def test_nothing_changes_where_nothing_is_asked():
    present = plan(HOUR, setting(CLIENT, CATALOGUE))
    assert adjust(present, HOUR, setting(CLIENT, CATALOGUE)).flow == present.flow


@pytest.mark.parametrize("minutes", [35, 45, 60, 70, 90])
def test_other_minutes_change_less_than_a_plan_made_anew(minutes):
    present, brief = plan(HOUR, setting(CLIENT, CATALOGUE)), changed(HOUR, booked_minutes=minutes)
    adjusted, anew = (
        adjust(present, brief, setting(CLIENT, CATALOGUE)).flow,
        plan(brief, setting(CLIENT, CATALOGUE)).flow,
    )
    assert faults(adjusted) == []

    def upheaval(flow):
        changes = apart(present, flow).changes
        moved = sum(abs(c.after - c.before) for c in changes)
        return HELD * moved + LEAVES * sum(0 in (c.before, c.after) for c in changes)

    # Passes divide each part no finer than some seconds.
    assert upheaval(adjusted) <= upheaval(anew) + HELD * 2 * len(adjusted.parts)
    # What stays keeps its strokes: none are other ones, but where a region of the same passage came or went.
    before, after = (joined(flow) for flow in (present.flow, adjusted))
    other = [c.region for c in apart(present, adjusted).changes if c.after and c.strokes == "other"]
    assert [id for id in other if before.get(id) == after[id]] == []


def joined(flow):
    """By region, those that long strokes join with it."""
    steps = {part.region: part.steps for part in flow.parts if part.role == "work"}
    return {id: find_joined(steps, (id,)) for id in steps}


def test_one_region_less_gives_its_time_to_the_others_and_one_more_takes_it():
    present = plan(HOUR, setting(CLIENT, CATALOGUE))
    without = adjust(present, changed(HOUR, leave_out=("foot",)), setting(CLIENT, CATALOGUE))
    changes = {c.region: c.after - c.before for c in apart(present, without.flow).changes}
    assert changes.pop("foot") < 0
    assert all(change > 0 for change in changes.values())
    assert {left.region: left.reason for left in without.left_out}["foot"] == "wish"
    back = adjust(without, changed(HOUR, focus=("back", "foot")), setting(CLIENT, CATALOGUE))
    assert "foot" in {part.region for part in back.flow.parts}
    assert faults(back.flow) == []


def test_a_new_restriction_changes_only_what_it_must():
    present = plan(HOUR, setting(CLIENT, CATALOGUE))
    sore = CLIENT.model_copy(update={"excluded": (Excluded(region="neck", because="a rash"),)})
    made = adjust(present, HOUR, setting(sore, CATALOGUE))
    assert "neck" not in {part.region for part in made.flow.parts if part.role == "work"}
    assert faults(made.flow, sore) == []
    kept = {c.region for c in apart(present, made.flow).changes}
    assert len({s.region for s in present.flow.parts} - kept) >= 5


def test_what_was_set_by_hand_is_kept_and_said():
    planned = plan(HOUR, setting(CLIENT, CATALOGUE))
    neck = next(part for part in planned.flow.parts if part.id == "neck")
    present = by_hand(planned, ChangeStep(part_id="neck", step=2, passes=neck.steps[2].passes + 1))
    assert present.by_hand == ("neck",)
    made = adjust(present, changed(HOUR, leave_out=("face",)), setting(CLIENT, CATALOGUE), hold="by_hand")
    assert made.by_hand == ("neck",)
    told = apart(present, made.flow, present.by_hand)
    assert (told.kept, told.moved) == (("neck",), ())
    lost = adjust(present, changed(HOUR, leave_out=("neck",)), setting(CLIENT, CATALOGUE), hold="by_hand")
    assert lost.by_hand == ()
    assert apart(present, lost.flow, present.by_hand).moved == ("neck",)


def test_an_order_made_by_hand_is_kept_and_what_is_new_goes_where_it_costs_least():
    present = plan(HOUR, setting(CLIENT, CATALOGUE))
    ids = [part.id for part in present.flow.parts]
    turned = by_hand(present, MovePart(part_id="scalp", to=ids.index("neck")))
    assert turned.order_by_hand
    order = [s.region for s in turned.flow.parts if s.role == "work"]
    assert order.index("scalp") < order.index("neck")
    made = adjust(turned, changed(HOUR, booked_minutes=70), setting(CLIENT, CATALOGUE))
    assert made.order_by_hand
    now = [s.region for s in made.flow.parts if s.role == "work"]
    assert now == [region for region in order if region in now]
    more = adjust(
        turned, changed(HOUR, booked_minutes=90, focus=("back", "chest")), setting(CLIENT, CATALOGUE)
    )
    now = [s.region for s in more.flow.parts if s.role == "work"]
    assert "chest" in now
    assert [r for r in now if r in order] == [r for r in order if r in now]
    assert faults(more.flow) == []


def test_another_school_or_kind_goes_before_an_order_made_by_hand():
    present = plan(HOUR, setting(CLIENT, CATALOGUE))
    ids = [part.id for part in present.flow.parts]
    turned = by_hand(present, MovePart(part_id="scalp", to=ids.index("neck")))
    other = changed(HOUR, school="feet_upwards")
    made = adjust(turned, other, setting(CLIENT, CATALOGUE), hold="by_hand")
    assert not made.order_by_hand
    assert [s.id for s in made.flow.parts] == [
        s.id for s in plan(other, setting(CLIENT, CATALOGUE)).flow.parts
    ]
    side = changed(HOUR, kind="side_lying", school="side_by_side")
    assert adjust(turned, side, setting(CLIENT, CATALOGUE)) == plan(side, setting(CLIENT, CATALOGUE))


def test_a_hold_for_the_whole_stays_after_what_it_followed():
    present = plan(HOUR, setting(CLIENT, CATALOGUE))
    hold = Step(stroke="resting_hold", slot="settle", tool="palms", depth=1, passes=3)
    rest = Part(
        id="rest",
        role="integrate",
        region="foot",
        side="both",
        position="prone",
        window="none",
        medium="clothed",
        steps=(hold,),
    )
    at = next(i for i, s in enumerate(present.flow.parts) if s.id == "back") + 1
    rested = by_hand(present, InsertPart(at=at, part=rest))
    made = adjust(rested, changed(HOUR, booked_minutes=65), setting(CLIENT, CATALOGUE))
    ids = [part.id for part in made.flow.parts]
    assert ids[ids.index("back") + 1] == "rest"
    assert faults(made.flow) == []


def test_strokes_for_skin_are_not_kept_where_the_client_now_wants_the_sheet_between():
    present = plan(HOUR, setting(CLIENT, CATALOGUE))
    hips = {"hips"}
    sheeted = CLIENT.model_copy(update={"consents": CLIENT.consents - hips, "through_cloth": frozenset(hips)})
    made = adjust(present, HOUR, setting(sheeted, CATALOGUE))
    there = [part for part in made.flow.parts if part.region == "hips"]
    assert {part.medium for part in there} == {"clothed"}
    findings = evaluate(made.flow, setting(sheeted, CATALOGUE)).findings
    assert [f.what for f in findings if f.severity != "advice"] == []
    # And back again: skin is oiled before it is kneaded.
    back = adjust(made, HOUR, setting(CLIENT, CATALOGUE))
    assert faults(back.flow) == []


@pytest.mark.parametrize("seed", seeds(20))
def test_any_plan_fitted_to_other_minutes_keeps_what_a_plan_must(seed):
    random = Random(1000 + seed)
    brief, client, house = asking(random)
    other = changed(brief, booked_minutes=max(10, min(120, brief.booked_minutes + random.randint(-20, 15))))
    try:
        present = plan(brief, setting(client, ASKED_OF, house))
        made = adjust(present, other, setting(client, ASKED_OF, house))
    except DoesNotFit:
        return
    evaluation = evaluate(made.flow, setting(client, ASKED_OF, house))
    assert [f.what for f in evaluation.findings if f.severity != "advice"] == []
    assert abs(evaluation.sheet.over) <= 15
