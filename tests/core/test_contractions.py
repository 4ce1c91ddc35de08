"""Contractions: lengths, spacing and the usual advice, and the vectors that the browser is held to."""

from datetime import UTC, datetime, timedelta
from uuid import UUID

import pytest

from mellow_tide.core.run.contractions import Contraction, add_press_of_contraction, time_contractions
from mellow_tide.core.run.events import ContractionBegan, ContractionEnded

START = datetime(2026, 5, 4, 9, 6, tzinfo=UTC)


def series(*pairs: tuple[int, int | None]) -> tuple[Contraction, ...]:
    """Contractions from second to second; None goes on."""
    return tuple(
        Contraction(
            began_at=START + timedelta(seconds=began),
            ended_at=None if ended is None else START + timedelta(seconds=ended),
        )
        for began, ended in pairs
    )


def regular(count: int, apart: int, lasting: int) -> tuple[Contraction, ...]:
    return series(*((n * apart, n * apart + lasting) for n in range(count)))


CASES = {
    "none": (),
    "one that goes on": series((0, None)),
    "one that has passed": series((0, 47)),
    "two, the second goes on": series((0, 50), (410, None)),
    # Common practice: 5 minutes apart, 1 minute long, for 1 hour.
    "close together for an hour": regular(13, 300, 60),
    "close together for half an hour": regular(7, 300, 60),
    "close but short": regular(13, 300, 40),
    "long but far apart": regular(10, 420, 70),
    "closer and closer": series(
        *((n * 480, n * 480 + 40) for n in range(6)), *((3600 + n * 240, 3670 + n * 240) for n in range(16))
    ),
    "one short among many hides no pattern": (
        *regular(6, 280, 66),
        *series(*((1680 + n * 280, 1680 + n * 280 + (20 if n == 2 else 66)) for n in range(9))),
    ),
}


@pytest.mark.parametrize(
    ("name", "call"),
    [
        ("close together for an hour", True),
        ("closer and closer", True),
        ("one short among many hides no pattern", True),
        ("close together for half an hour", False),
        ("close but short", False),
        ("long but far apart", False),
        ("none", False),
    ],
)
def test_the_usual_advice_is_to_call_after_an_hour_of_long_ones_close_together(name, call):
    assert time_contractions(CASES[name]).call is call


def test_length_and_spacing_are_those_of_the_last():
    told = time_contractions(CASES["two, the second goes on"])
    assert (told.length, told.spacing) == (50, 410)
    assert time_contractions(CASES["one that goes on"]).length is None


def test_a_second_press_of_the_same_kind_changes_nothing():
    def at(second: int) -> dict[str, object]:
        return {"id": UUID(int=second), "at": START + timedelta(seconds=second)}

    once = add_press_of_contraction((), ContractionBegan(**at(1)))
    assert add_press_of_contraction(once, ContractionBegan(**at(5))) == once
    over = add_press_of_contraction(once, ContractionEnded(**at(50)))
    assert add_press_of_contraction(over, ContractionEnded(**at(60))) == over == series((1, 50))


def vectors():
    """What holds the browser's own count to this one."""
    return [
        {
            "name": name,
            "contractions": [one.model_dump(mode="json") for one in contractions],
            "timing": time_contractions(contractions).model_dump(mode="json"),
        }
        for name, contractions in CASES.items()
    ]
