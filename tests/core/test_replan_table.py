"""What is left, shared out: against trying every set, and as the vectors that the browser is held to as well."""

from itertools import combinations
from random import Random

import pytest

from mellow_tide.core.catalogue.house.house import DEFAULTS
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.minutes.minutes import Share, allot
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import pose_question
from mellow_tide.core.planner.table.replan_table import make_replan_table
from mellow_tide.core.planner.table.share_out import share_out
from mellow_tide.core.timing.scene import opening_scene
from mellow_tide.core.timing.timed import part_seconds
from mellow_tide.core.timing.transitions import approach
from mellow_tide.core.timing.worked import part_seconds_in
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

BRIEFS = {
    "chair": Brief(kind="chair", school="chair_downwards", close_with="seated", booked_minutes=20),
    "back and neck": Brief(
        kind="focus", school="part_in_depth", area="back_and_neck", booked_minutes=45, focus=("neck",)
    ),
    "whole": Brief(booked_minutes=60, focus=("back",)),
}


def scene_before(flow, at):
    scene = opening_scene(flow.parts[0].setup, CATALOGUE)
    for part in flow.parts[:at]:
        _, scene = approach(scene, part.setup, CATALOGUE)
    return scene


def best_by_trying(flow, at, left, question, shares_now):
    """Value, set and seconds between of the best set from part `at` on, with `left` seconds of which none are owed."""
    before = {s.region for s in flow.parts[:at] if s.role == "work"}
    ahead = [s for s in flow.parts[at:] if s.role == "work"]
    free = list(dict.fromkeys(s.region for s in ahead if s.region not in before))
    must = [id for id in free if id in flow.brief.focus]
    optional = [id for id in free if id not in must]
    best = None
    for size in range(len(optional) + 1):
        for kept in combinations(optional, size):
            worked = {*kept, *must, *before}
            scene, between = scene_before(flow, at), 0
            for i, part in enumerate(flow.parts[at:], at):
                if part.role == "work" and part.region not in worked:
                    continue
                changes, scene = approach(scene, part.setup, CATALOGUE)
                between += sum(t.seconds for t, _ in changes) if i else 0
                between += part_seconds(part, CATALOGUE) if part.role == "open" else 0
            shares = [
                Share(
                    sum(s.region == id for s in ahead),
                    x.weight,
                    x.saturation,
                    x.least,
                    x.most,
                    bonus=x.bonus,
                )
                for id in (*must, *kept)
                for x in [shares_now[id]]
            ]
            shares.append(question.close)
            most = sum(s.count * s.most for s in shares)
            given = allot(shares, min(left - between, most))
            if given:
                value = sum(s.value(t) for s, t in zip(shares, given, strict=True))
                best = max(best or (-1e9,), (value, {*must, *kept}, between))
    return best


@pytest.mark.parametrize("name", BRIEFS)
def test_no_kept_set_does_more_good(name):
    flow = plan(BRIEFS[name], setting(CLIENT, CATALOGUE)).flow
    question = pose_question(Asked.of(flow.brief, setting(CLIENT, CATALOGUE, DEFAULTS, None)))
    table = make_replan_table(flow, (), setting(CLIENT, CATALOGUE))
    # By the clock a part that opens its passage has more than counts for its region.
    shares_now = {share.region: share for share in table.parts[0].shares}
    random = Random(7)
    for _ in range(25):
        at = random.randrange(len(flow.parts) // 2, len(flow.parts)) if name == "whole" else 0
        at = at or random.randrange(len(flow.parts))
        left = random.randrange(60, 2400)
        tried = best_by_trying(flow, at, left, question, shares_now)
        found = share_out(table.parts[at], left)
        if tried is None:
            assert found.short_by > 0
            continue
        shares = {s.region: s for s in table.parts[at].shares}
        value = sum(
            Share(s.count, s.weight, s.saturation, s.least, s.most, bonus=s.bonus).value(found.seconds[id])
            for id, s in shares.items()
            if id in found.seconds
        )
        assert value == pytest.approx(tried[0], rel=1e-5, abs=1e-3)


@pytest.mark.parametrize("name", BRIEFS)
def test_what_is_shared_out_adds_up_and_keeps_its_bounds(name):
    flow = plan(BRIEFS[name], setting(CLIENT, CATALOGUE)).flow
    for part in make_replan_table(flow, (), setting(CLIENT, CATALOGUE)).parts:
        rows = {s.region: s for s in part.shares}
        for left in range(0, 3600, 97):
            found = share_out(part, left)
            if found.short_by:
                assert left < part.pieces[0].start
                continue
            used = sum(rows[id].count * t for id, t in found.seconds.items())
            assert used + found.between + found.spare == pytest.approx(left, abs=0.01)
            for id, seconds in found.seconds.items():
                assert rows[id].least - 1e-6 <= seconds <= rows[id].most + 1e-6
            assert set(flow.brief.focus) & rows.keys() <= found.seconds.keys()


def test_on_time_the_table_says_what_the_plan_says():
    flow = plan(BRIEFS["whole"], setting(CLIENT, CATALOGUE)).flow
    table = make_replan_table(flow, (), setting(CLIENT, CATALOGUE))
    found = share_out(table.parts[0], 50 * 60)
    taken = part_seconds_in(setting(CLIENT, CATALOGUE).lay_out(flow))
    for part in flow.parts:
        if part.role == "work":
            assert found.seconds[part.region] == pytest.approx(taken[part.id], abs=25)


def test_what_was_set_by_hand_keeps_its_minutes():
    flow = plan(BRIEFS["whole"], setting(CLIENT, CATALOGUE)).flow
    neck = next(s for s in flow.parts if s.region == "neck")
    longer = neck.model_copy(
        update={"steps": tuple(s.model_copy(update={"passes": s.passes + 2}) for s in neck.steps)}
    )
    changed = flow.model_copy(update={"parts": tuple(longer if s is neck else s for s in flow.parts)})
    left = 50 * 60 + part_seconds(longer, CATALOGUE) - part_seconds(neck, CATALOGUE)
    by_hand, planned = (
        share_out(make_replan_table(changed, held, setting(CLIENT, CATALOGUE)).parts[0], left).seconds["neck"]
        for held in (("neck",), ())
    )
    assert by_hand == pytest.approx(part_seconds(longer, CATALOGUE), abs=40)
    assert planned < by_hand - 40


@pytest.mark.parametrize("name", BRIEFS)
def test_what_is_held_keeps_its_seconds_and_the_others_give(name):
    flow = plan(BRIEFS[name], setting(CLIENT, CATALOGUE)).flow
    for part in make_replan_table(flow, (), setting(CLIENT, CATALOGUE)).parts:
        rows = {s.region: s for s in part.shares}
        for left in range(part.pieces[0].start + 1, 3600, 197):
            free = share_out(part, left)
            for id, seconds in free.seconds.items():
                # Held at what it would get anyhow, nothing else moves.
                same = share_out(part, left, {id: seconds})
                assert same.seconds == pytest.approx(free.seconds, abs=0.02)
                more = min(rows[id].most, seconds + 45)
                found = share_out(part, left, {id: more})
                if found.short_by:
                    continue
                assert found.seconds[id] == pytest.approx(more, abs=0.001)
                used = sum(rows[other].count * t for other, t in found.seconds.items())
                assert used + found.between + found.spare == pytest.approx(left, abs=0.02)


def test_holding_what_does_not_fit_says_how_much_is_missing():
    flow = plan(BRIEFS["chair"], setting(CLIENT, CATALOGUE)).flow
    part = make_replan_table(flow, (), setting(CLIENT, CATALOGUE)).parts[0]
    found = share_out(part, 300, {part.shares[0].region: 900.0})
    assert found.short_by >= 600
    assert found.seconds == {}


def vectors():
    """Tables with answers, as both sides are held to them."""
    found = []
    for name, brief in BRIEFS.items():
        flow = plan(brief, setting(CLIENT, CATALOGUE)).flow
        table = make_replan_table(flow, (), setting(CLIENT, CATALOGUE))
        for at in range(0, len(table.parts), 4):
            part = table.parts[at]
            answers = [
                {"left": left, **share_out(part, left).model_dump(mode="json")}
                for left in range(part.pieces[0].start - 40, part.pieces[0].start + 2400, 173)
            ]
            for id in [s.region for s in part.shares][:: max(1, len(part.shares) // 3)]:
                row = next(s for s in part.shares if s.region == id)
                held = {id: (row.least + row.most) / 2}
                answers += [
                    {"left": left, "held": held, **share_out(part, left, held).model_dump(mode="json")}
                    for left in range(part.pieces[0].start, part.pieces[0].start + 2400, 811)
                ]
            found.append(
                {"name": f"{name}, part {at}", "table": part.model_dump(mode="json"), "answers": answers}
            )
    return found
