"""The strokes of a region: the table against trying everything; thumbs; and what plans do not do."""

from collections import Counter
from itertools import pairwise, product
from random import Random

import pytest

from mellow_tide.core.flow.brief import Brief, Wish
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


def dry_seconds(chosen):
    return sum(own.seconds[i] for own, i in chosen if own.dry)


def worth_of(chosen, used, last, needs, seconds, dry=None):
    """What strokes with the places of their passes are worth in about so many seconds; `NOWHERE`: they will not do."""
    if dry and not dry[0] <= dry_seconds(chosen) <= dry[1]:
        return NOWHERE
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
    return max(worth_of(chosen, *asked) for chosen in every_choice(strokes))


def every_choice(strokes):
    """The strokes with the places of their passes, in every way."""
    picks = product(*(range(-1, len(own.passes)) for own in strokes))
    return ([(own, i) for own, i in zip(strokes, pick, strict=True) if i >= 0] for pick in picks)


def dry_bounds(strokes, random):
    """Bounds of dry work that something meets; or none."""
    least = random.randint(0, 60)
    dry = least, least + random.randint(0, 60)
    met = any(dry[0] <= dry_seconds(chosen) <= dry[1] for chosen in every_choice(strokes))
    return dry if met and random.random() < 0.7 else None


@pytest.mark.parametrize("seed", seeds(12))
def test_nothing_that_is_tried_is_worth_more_than_the_table_says(seed):
    random = Random(seed)
    region = random.choice(["back", "thigh_back", "arm", "neck", "foot", "shoulders", "hand"])
    strokes = strokes_of(region, random.randint(2, 4), random, 5)
    ids = [own.placed.option.stroke.id for own in strokes]
    used = {id: random.randint(0, 3) for id in ids}
    last = random.choice(["", *ids])
    seconds = random.randint(20, 200)
    dry = dry_bounds(strokes, random)
    table = find_table(strokes, used, seconds, last, dry)
    for needs in {0, 1, random.randrange(1 << len(NEEDS))}:
        tried = by_trying(strokes, used, last, needs, seconds, dry)
        assert table.worth(needs, seconds) == pytest.approx(tried, abs=0.01) or tried == NOWHERE
        if tried == NOWHERE:
            assert seconds > table.reach or table.worth(needs, seconds) <= NOWHERE / 2
            continue
        # What is picked is that best choice.
        found = table.pick(needs, seconds)
        picked = [(o, o.passes.index(n)) for placed, n in found for o in strokes if o.placed is placed]
        assert worth_of(picked, used, last, needs, seconds, dry) == pytest.approx(tried, abs=0.01)


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


@pytest.mark.parametrize("pressure", ["light", "medium", "firm"])
@pytest.mark.parametrize(
    ("kind", "school"),
    [
        ("full_body", "back_outwards"),
        ("full_body", "feet_upwards"),
        ("full_body", "head_downwards"),
        ("focus", "part_in_depth"),
        ("side_lying", "side_by_side"),
    ],
)
def test_the_back_begins_dry_in_an_hour_and_longer(kind, school, pressure):
    """Common practice: 60 to 180 s of compression, rocking and dry work before the oil."""
    area = "back_and_neck" if kind == "focus" else None
    # No more than an hour of strokes is known for the back and neck.
    for minutes in (60,) if area else (60, 90, 120):
        brief = Brief(booked_minutes=minutes, kind=kind, school=school, pressure=pressure, area=area)
        worked = [e for e in strokes_in(brief) if e.stroke != "resting_hold"]
        backs = dict.fromkeys(e.part_id for e in worked if e.role == "work" and e.region == "back")
        assert backs
        for id in backs:
            begins = next(i for i, e in enumerate(worked) if e.part_id == id)
            opens = begins
            while opens and worked[opens - 1].role == "open" and worked[opens - 1].region == "back":
                opens -= 1
            oiled = next(i for i, e in enumerate(worked) if i >= begins and e.slot != "dry")
            assert 60 <= sum(e.seconds for e in worked[opens:oiled]) <= 180, (brief, id)


def test_a_shorter_session_opens_without_dry_work_or_with_little():
    opening = [e for e in strokes_in(Brief(booked_minutes=45)) if e.role == "open"]
    assert sum(e.seconds for e in opening if e.stroke != "resting_hold") < 60


ON_THE_TABLE = [
    *(("full_body", school) for school in ("back_outwards", "feet_upwards", "head_downwards")),
    ("side_lying", "side_by_side"),
]


@pytest.mark.parametrize("pressure", ["medium", "firm"])
@pytest.mark.parametrize(("kind", "school"), ON_THE_TABLE)
def test_the_last_five_minutes_are_light_and_silent(kind, school, pressure):
    """Common practice: nothing above depth 2, and no question. Half a minute is what a part may miss its place by."""
    for minutes in (60, 75, 90, 120):
        strokes = strokes_in(Brief(booked_minutes=minutes, kind=kind, school=school, pressure=pressure))
        end = strokes[-1].start + strokes[-1].seconds
        firm = [e.address for e in strokes if e.depth > 2 and e.start + e.seconds > end - 270]
        asking = [e.address for e in strokes if e.asks and e.start > end - 300]
        assert (firm, asking) == ([], []), minutes


def test_what_the_client_wishes_for_the_last_region_stands():
    brief = Brief(booked_minutes=60, school="head_downwards")
    wish = Wish(region="foot", depth=3)
    for client, firm in ((CLIENT, False), (CLIENT.model_copy(update={"wishes": (wish,)}), True)):
        feet = [e for e in strokes_in(brief, client) if e.region == "foot"]
        assert any(e.depth >= 3 for e in feet) is firm


@pytest.mark.parametrize("pressure", ["light", "medium", "firm"])
@pytest.mark.parametrize("minutes", [10, 15, 20])
def test_compression_has_a_quarter_of_the_time_in_the_chair(minutes, pressure):
    """Common practice, through clothes."""
    brief = Brief(booked_minutes=minutes, kind="chair", school="chair_downwards", close_with="seated")
    strokes = strokes_in(brief.model_copy(update={"pressure": pressure}))
    pressed = sum(e.seconds for e in strokes if CATALOGUE.strokes[e.stroke].family == "compression")
    assert pressed / sum(e.seconds for e in strokes) >= 0.25
