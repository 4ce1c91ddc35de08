"""The strokes of a region: the table against trying everything; thumbs; and what plans do not do."""

from collections import Counter
from itertools import pairwise, product
from random import Random

import pytest

from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.hands.load import THUMBS
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.strokes.region_table import (
    AROUND,
    NEW,
    NOWHERE,
    OFF,
    ONCE_MORE,
    TWICE_RUNNING,
    find_table,
)
from mellow_tide.core.planner.strokes.repertoire import Touch
from mellow_tide.core.planner.strokes.site import find_site
from mellow_tide.core.planner.strokes.worth import NEEDS, own_strokes
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import USUAL
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting
from tests.sizes import seeds


def strokes_of(region, wished, random, count):
    site = find_site(region, CATALOGUE.regions[region].positions[0], Touch(wished), CATALOGUE, USUAL)
    known = own_strokes(site, frozenset(), True, 3)
    return tuple(random.sample(known, min(count, len(known))))


def worth_of(chosen, used, last, needs, seconds):
    """What strokes with the places of their passes are worth in about so many seconds; `NOWHERE`: they will not do."""
    off = abs(sum(own.seconds[i] for own, i in chosen) - seconds)
    met = {own.bit for own, _ in chosen}
    if off > AROUND or any(needs >> i & 1 and 1 << i not in met for i in range(len(NEEDS))):
        return NOWHERE
    worth = -OFF * off
    for own, i in chosen:
        stroke, first = own.placed.option.stroke.id, own.placed.option.rank < 100
        had = used.get(stroke, 0)
        novelty = NEW if not had else -ONCE_MORE * max(0, had - 1)
        worth += own.worths[i] + novelty * first - TWICE_RUNNING * (stroke == last)
    return worth


def by_trying(strokes, *asked):
    """The most that any passes of any of the strokes are worth."""
    picks = product(*(range(-1, len(own.passes)) for own in strokes))
    every = ([(own, i) for own, i in zip(strokes, pick, strict=True) if i >= 0] for pick in picks)
    return max(worth_of(chosen, *asked) for chosen in every)


@pytest.mark.parametrize("seed", seeds(12))
def test_nothing_that_is_tried_is_worth_more_than_the_table_says(seed):
    random = Random(seed)
    region = random.choice(["back", "thigh_back", "arm", "neck", "foot", "shoulders", "hand"])
    strokes = strokes_of(region, random.randint(2, 4), random, 5)
    ids = [own.placed.option.stroke.id for own in strokes]
    used = {id: random.randint(0, 3) for id in ids}
    last = random.choice(["", *ids])
    seconds = random.randint(20, 200)
    table = find_table(strokes, used, seconds, last)
    for needs in {0, 1, random.randrange(1 << len(NEEDS))}:
        tried = by_trying(strokes, used, last, needs, seconds)
        assert table.worth(needs, seconds) == pytest.approx(tried, abs=0.01) or tried == NOWHERE
        if tried == NOWHERE:
            assert seconds > table.reach or table.worth(needs, seconds) <= NOWHERE / 2
            continue
        # What is picked is that best choice.
        found = table.pick(needs, seconds)
        picked = [(o, o.passes.index(n)) for placed, n in found for o in strokes if o.placed is placed]
        assert worth_of(picked, used, last, needs, seconds) == pytest.approx(tried, abs=0.01)


BRIEFS = [
    Brief(booked_minutes=60),
    Brief(booked_minutes=60, pressure="firm"),
    Brief(booked_minutes=90, pressure="firm", school="feet_upwards"),
    Brief(booked_minutes=120, pressure="firm", school="head_downwards"),
]


def strokes_in(brief, client=CLIENT):
    sheet = lay_out(plan(brief, setting(client)).flow, CATALOGUE)
    return [entry for entry in sheet.entries if entry.kind == "stroke"]


@pytest.mark.parametrize("brief", BRIEFS)
def test_thumbs_have_a_few_minutes_where_nothing_feels_as_they_do(brief):
    strokes = strokes_in(brief)
    thumbs = [entry for entry in strokes if entry.tool in THUMBS]
    share = sum(e.seconds for e in thumbs) / sum(e.seconds for e in strokes)
    # Common practice: 4 to 10 % of the strokes, those that open and close the session aside.
    assert 0.035 <= share <= 0.1
    assert all(entry.depth <= 3 or entry.tool == "reinforced_thumb" for entry in thumbs)
    sore = CLIENT.model_copy(update={"dislikes": frozenset(THUMBS)})
    assert not any(entry.tool in THUMBS for entry in strokes_in(brief, sore))


@pytest.mark.parametrize("brief", BRIEFS)
def test_deep_work_breathes(brief):
    """Common practice: not more than three minutes at depth 4 and up without a lighter stroke."""
    strong = longest = 0
    for entry in strokes_in(brief):
        strong = strong + entry.seconds if entry.depth >= 4 else 0
        longest = max(longest, strong)
    assert longest <= 180 + 30


@pytest.mark.parametrize("brief", BRIEFS)
def test_no_crumbs_and_nothing_twice_running(brief):
    strokes = [entry for entry in strokes_in(brief) if entry.role == "work"]
    crumbs = [e.address for e in strokes if e.seconds < 10 and e.slot not in ("spread", "warm", "settle")]
    assert crumbs == []
    twice = [
        now.address
        for before, now in pairwise(strokes)
        if before.part_id == now.part_id
        and (before.stroke, before.tool, before.depth, before.zone)
        == (now.stroke, now.tool, now.depth, now.zone)
    ]
    assert twice == []


@pytest.mark.parametrize("brief", BRIEFS)
def test_every_limb_that_has_a_minute_is_kneaded(brief):
    slots = Counter()
    seconds = Counter()
    for entry in strokes_in(brief):
        if entry.region in ("thigh_back", "thigh_front", "lower_leg_back", "arm"):
            seconds[entry.part_id] += entry.seconds
            slots[entry.part_id] += entry.slot == "knead"
    assert [id for id, taken in seconds.items() if taken >= 60 and not slots[id]] == []


def test_an_hour_and_longer_begins_through_the_sheet():
    """Common practice: 60 to 180 s of compression, rocking and dry work before the oil."""
    for minutes, least in ((60, 60), (45, 0)):
        opening = [e for e in strokes_in(Brief(booked_minutes=minutes)) if e.role == "open"]
        dry = sum(e.seconds for e in opening if e.stroke != "resting_hold")
        assert least <= dry <= 180
