"""The benchmarks are not run here, but they can be: each finds what it measures, and says whether it keeps its word."""

from importlib import import_module
from pathlib import Path

import pytest

import benchmarks
from benchmarks import yardstick
from benchmarks.figure import Taken, figure, milliseconds


def test_every_benchmark_finds_what_it_measures():
    for file in Path(benchmarks.__path__[0]).glob("[a-z]*.py"):
        import_module(f"benchmarks.{file.stem}")


@pytest.mark.parametrize(
    ("slowness", "holds", "verdict"),
    [
        (1.0, False, "MISSES 15.0 ms"),
        (1.5, False, "MISSES 15.0 ms: 20.0 by the yardstick"),
        (2.5, True, "holds 15.0 ms: 12.0 by the yardstick"),
    ],
)
def test_a_promise_in_ms_is_for_the_machine_that_it_was_made_for(slowness, holds, verdict):
    found = figure("plan", [Taken(30, slowness)] * 20, "layout", [10.0], target=15)

    assert found.holds is holds
    assert found.as_line() == f"plan: median 30.00, p95 30.00 ms (3.00 x layout), {verdict}"


def test_each_time_is_divided_by_how_slow_the_machine_was_then():
    found = figure("plan", [Taken(10, 1), Taken(40, 4), Taken(20, 2)] * 10, "layout", [10.0], target=11)

    assert found.there == pytest.approx(10)
    assert found.p95 == pytest.approx(40)


def test_what_is_not_a_time_is_held_to_what_was_measured():
    found = figure("script", [260.0], "a kilobyte", [1.0], target=250, unit="kB")

    assert not found.holds
    assert found.as_row() == "| script | 260.0 | 260.0 | 260.0 x a kilobyte | MISSES 250.0 kB |"


def test_a_faster_machine_is_held_to_the_times_themselves(monkeypatch):
    monkeypatch.setattr(yardstick, "THERE", 1e9)

    assert {taken.slowness for taken in milliseconds(lambda: None, 3)} == {1.0}


def test_a_slower_machine_is_told_by_the_yardstick(monkeypatch):
    monkeypatch.setattr(yardstick, "THERE", 1e-9)

    assert all(taken.slowness > 1000 for taken in milliseconds(lambda: None, 3))
