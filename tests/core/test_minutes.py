import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.core.planner.minutes.minutes import Share, allot, round_down_and_share


@st.composite
def shares(draw):
    least = 15 * draw(st.integers(1, 20))
    most = least + 15 * draw(st.integers(0, 40))
    return Share(
        draw(st.sampled_from([1, 2])), draw(st.floats(0.2, 20)), draw(st.floats(10, 600)), least, most
    )


@st.composite
def questions(draw):
    claims = draw(st.lists(shares(), min_size=1, max_size=12))
    low = sum(s.count * s.least for s in claims)
    high = sum(s.count * s.most for s in claims)
    return claims, draw(st.floats(low, high))


@given(questions())
def test_the_minutes_are_all_given_within_bounds(question):
    claims, total = question
    given_out = allot(claims, total)
    assert sum(s.count * t for s, t in zip(claims, given_out, strict=True)) == pytest.approx(total, rel=1e-9)
    assert all(s.least - 1e-9 <= t <= s.most + 1e-9 for s, t in zip(claims, given_out, strict=True))


@given(questions())
def test_between_bounds_every_second_is_worth_the_same(question):
    claims, total = question
    given_out = allot(claims, total)
    inner = [
        s.marginal(t) for s, t in zip(claims, given_out, strict=True) if s.least + 1e-6 < t < s.most - 1e-6
    ]
    assert all(price == pytest.approx(inner[0], rel=1e-6) for price in inner)


@given(questions())
def test_rounding_keeps_bounds_and_leaves_less_than_two_grains(question):
    claims, total = question
    rounded = round_down_and_share(claims, allot(claims, total), total, 15)
    spent = sum(s.count * t for s, t in zip(claims, rounded, strict=True))
    assert spent <= total + 1e-6
    assert all(t % 15 == 0 and s.least <= t <= s.most for s, t in zip(claims, rounded, strict=True))
    if any(t + 15 <= s.most and s.count == 1 for s, t in zip(claims, rounded, strict=True)):
        assert total - spent < 15 + 1e-6


def test_too_little_and_too_much_time_have_no_answer():
    claims = [Share(2, 1, 60, 120, 240)]
    assert allot(claims, 239) is None
    assert allot(claims, 481) is None
    assert allot(claims, 300) == (150,)


@pytest.mark.parametrize(
    "bad", [(0, 1, 1, 0, 1), (1, 0, 1, 0, 1), (1, 1, 0, 0, 1), (1, 1, 1, 2, 1), (1, 1, 1, -1, 1)]
)
def test_a_share_names_its_bounds(bad):
    with pytest.raises(ValueError, match="share:"):
        Share(*bad)
