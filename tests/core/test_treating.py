"""Which sore points there is time for: against trying every choice, and as the browser's vectors."""

from itertools import combinations
from random import Random
from uuid import UUID

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.run.points import SorePoint, order_points
from mellow_tide.core.run.treating import choose_points, next_hold_seconds, point_seconds

CEILING = 7
HOLD = 8


def point(n, *numbers, named=False, holds=0, left=False):
    return SorePoint(
        id=UUID(int=n),
        region="back",
        side="mid",
        zone=None,
        named=named,
        numbers=numbers,
        holds=holds,
        left=left,
    )


points_strategy = st.lists(
    st.tuples(st.lists(st.integers(0, 10), max_size=1), st.booleans(), st.integers(0, 3), st.integers(0, 5)),
    max_size=8,
)


def made(drawn):
    points = [
        point(n, *numbers, named=named, holds=holds) for n, (numbers, named, holds, _) in enumerate(drawn, 1)
    ]
    return points, {UUID(int=n): fall for n, (*_, fall) in enumerate(drawn, 1)}


def worth(chosen, falls):
    numbers = [p.numbers[-1] if p.numbers else CEILING for p in chosen]
    under = sum(n for n in numbers if n <= CEILING)
    return (sum(p.named for p in chosen), under, sum(falls[p.id] for p in chosen), len(chosen))


@given(points_strategy, st.integers(0, 300))
def test_no_other_choice_does_more_good(drawn, seconds):
    points, falls = made(drawn)
    wanted = order_points(points, CEILING)
    found = choose_points(points, seconds, CEILING, HOLD, falls)
    by_id = {p.id: p for p in points}
    now = [by_id[id] for id in found.now]
    assert found.seconds == sum(point_seconds(p, HOLD) for p in now) <= seconds
    assert {*found.now, *found.left} == {p.id for p in wanted}
    assert [p for p in wanted if p in now] == now
    every = (c for size in range(len(wanted) + 1) for c in combinations(wanted, size))
    assert worth(now, falls) == max(
        worth(c, falls) for c in every if sum(point_seconds(p, HOLD) for p in c) <= seconds
    )


def test_one_that_was_named_goes_before_two_that_hurt_more():
    points = [point(1, 7, holds=2), point(2, 7, holds=2), point(3, 2, named=True)]
    assert choose_points(points, 45, CEILING, HOLD).now == (UUID(int=3),)


def test_a_whole_point_takes_about_45_seconds():
    # Common practice: three holds of 8 s, a number after each, and the clearing.
    assert point_seconds(point(1, 5), HOLD) == 45
    assert choose_points([point(n, 5) for n in range(1, 6)], 60, CEILING, HOLD).left == tuple(
        UUID(int=n) for n in range(2, 6)
    )


def test_a_number_that_stays_is_held_half_as_long_again():
    # Common practice: no fall, hold a little longer once.
    assert next_hold_seconds(point(1, 5), HOLD) == next_hold_seconds(point(1, 6, 5), HOLD) == 8
    assert next_hold_seconds(point(1, 5, 5), HOLD) == 12
    assert next_hold_seconds(point(1, 5, 5), 11) == 17
    assert point_seconds(point(1, 5, 5, holds=1), HOLD) == 12 + 4 + 8 + 4 + 9
    assert point_seconds(point(1, 5, 5, holds=3), HOLD) == 9


@pytest.mark.parametrize("closed", [point(1, 3, holds=3), point(1, 3, 5), point(1, 3, left=True)])
def test_what_is_done_with_is_neither_treated_nor_left(closed):
    assert (
        choose_points([closed], 600, CEILING, HOLD).now
        == choose_points([closed], 600, CEILING, HOLD).left
        == ()
    )


def cases():
    random = Random(11)
    for n in range(24):
        points = [
            point(
                k,
                *([random.randint(1, 9)] * random.choice((1, 1, 2)) if random.random() < 0.9 else []),
                named=random.random() < 0.3,
                holds=random.choice((0, 0, 0, 1, 2, 3)),
                left=random.random() < 0.1,
            )
            for k in range(1, random.randint(2, 9))
        ]
        falls = {p.id: random.randint(1, 5) for p in points if random.random() < 0.4}
        yield f"random {n}", points, random.randint(0, 260), falls


def vectors():
    """What holds the browser's own choice to this one."""
    return [
        {
            "name": name,
            "points": [p.model_dump(mode="json") for p in points],
            "seconds": seconds,
            "ceiling": CEILING,
            "hold": hold,
            "falls": {str(id): fall for id, fall in falls.items()},
            "treating": choose_points(points, seconds, CEILING, hold, falls).model_dump(mode="json"),
        }
        for number, (name, points, seconds, falls) in enumerate(cases())
        for hold in ((HOLD, 10, 20)[number % 3],)
    ]
