"""The proof of choice against trying every set of regions."""

from itertools import combinations
from random import Random

import pytest

from mellow_tide.core.catalogue.house.house import DEFAULTS
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.choice.choice import Chooser
from mellow_tide.core.planner.minutes.minutes import allot
from mellow_tide.core.planner.order.order import find_cheapest_order
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import pose_question
from tests.core.flows import CLIENT
from tests.settings import setting


def best_by_trying(question, catalogue, also=None):
    best = None
    ids = sorted(question.shares)
    for size in range(1, len(ids) + 1):
        for chosen in combinations(ids, size):
            if not question.must.issubset(chosen) or (also and also not in chosen):
                continue
            seconds = find_cheapest_order(frozenset(chosen), question.way, catalogue).seconds
            shares = [*(question.shares[id] for id in chosen), question.close]
            given = allot(shares, question.hands_on - seconds)
            if given:
                value = sum(s.value(t) for s, t in zip(shares, given, strict=True))
                best = value if best is None else max(best, value)
    return best


@pytest.mark.parametrize("seed", range(24))
def test_no_set_of_regions_does_more_good(catalogue, seed):
    random = Random(seed)
    regions = sorted(catalogue.regions)
    random.shuffle(regions)
    kept, left_out = regions[:8], tuple(regions[8:])
    brief = Brief(
        booked_minutes=random.choice([30, 45, 60, 75]),
        focus=tuple(r for r in kept[: random.randint(0, 2)] if r != "abdomen"),
        leave_out=left_out,
        close_with=random.choice(["head", "feet"]),
        pressure=random.choice(["light", "medium", "firm"]),
    )
    client = CLIENT.model_copy(update={"height_cm": random.randint(150, 200)})
    question = pose_question(Asked.of(brief, setting(client, catalogue, DEFAULTS, None)))
    also = random.choice(sorted(question.shares))
    for asked in (question, question.at_usual(), question.without_others()):
        chooser = Chooser(asked, catalogue)
        for forced in (None, also):
            found = chooser.best(forced)
            tried = best_by_trying(asked, catalogue, forced)
            if tried is None:
                assert found is None
            else:
                assert found.value == pytest.approx(tried, rel=1e-12)
                assert found.next_bound <= found.value


@pytest.mark.parametrize("minutes", range(45, 121, 15))
@pytest.mark.parametrize("focus", [(), ("hips",), ("neck", "foot")])
def test_at_a_deadline_the_best_so_far_comes_with_an_honest_gap(catalogue, minutes, focus):
    question = pose_question(
        Asked.of(Brief(booked_minutes=minutes, focus=focus), setting(CLIENT, catalogue, DEFAULTS, None))
    )
    proven = Chooser(question, catalogue).best()
    hurried = Chooser(question, catalogue).best(deadline=lambda: True)
    assert hurried.value <= proven.value <= max(hurried.value, hurried.next_bound) + 1e-9
    assert hurried.value >= 0.99 * proven.value
    assert hurried.sets_priced <= 1


def test_a_plan_made_in_a_hurry_still_fits_and_breaks_no_rule(catalogue):
    brief = Brief(booked_minutes=90, focus=("neck", "foot"))
    hurried = plan(brief, setting(CLIENT, catalogue), deadline=lambda: True)
    assert hurried.proof.sets_priced <= 1
    evaluation = evaluate(hurried.flow, setting(CLIENT, catalogue))
    assert abs(evaluation.sheet.over) <= 15
    assert [f.code for f in evaluation.findings if f.severity == "refuse"] == []
