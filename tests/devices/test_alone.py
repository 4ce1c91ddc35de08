"""The lift table and the towel warmer by a clock of the test's own."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_tide.devices.lift_table import HIGHEST, LOWEST, SPEED, LiftTable
from mellow_tide.devices.machine import SimulatedMachine
from mellow_tide.devices.protocol import HOLD_SECONDS, ButtonHeld
from mellow_tide.devices.towel_warmer import TowelWarmer


class Clock:
    """Seconds that pass when the test says so."""

    def __init__(self):
        self.now = 1000.0

    def __call__(self):
        return self.now


@pytest.fixture
def clock():
    return Clock()


def held(table, clock, towards, seconds, press="press-01"):
    """Hold the button as a screen does: five times a second, with what was answered last."""
    state = table.read()
    for _ in range(round(seconds * 5)):
        state = table.hold(ButtonHeld(press=press, beat=state.beat, towards_cm=towards))
        clock.now += 0.2
    return table.read()


def test_it_moves_while_the_button_is_held_and_not_past_what_is_wanted(clock):
    table = LiftTable(clock)
    begins = table.read().height_cm
    assert held(table, clock, begins + 4, 2).height_cm == pytest.approx(begins + 2 * SPEED, abs=0.2)
    state = held(table, clock, begins + 4, 5)
    assert (state.height_cm, state.moving) == (begins + 4, 0)


def test_told_nothing_it_stops_within_half_a_second(clock):
    table = LiftTable(clock)
    begins = table.read()
    assert table.hold(ButtonHeld(press="press-01", beat=begins.beat, towards_cm=80)).moving == 1
    clock.now += 60
    state = table.read()
    assert state.moving == 0
    assert state.height_cm - begins.height_cm <= SPEED * HOLD_SECONDS + 0.1


def test_let_go_it_stops_at_once_and_what_arrives_late_moves_nothing(clock):
    table = LiftTable(clock)
    state = held(table, clock, 90, 1)
    stopped = table.let_go("press-01")
    late = table.hold(ButtonHeld(press="press-01", beat=stopped.beat, towards_cm=90))
    clock.now += 1
    assert (late.moving, table.read().height_cm) == (0, pytest.approx(state.height_cm, abs=0.1))


def test_a_hold_that_was_long_on_its_way_moves_nothing(clock):
    table = LiftTable(clock)
    begins = table.read()
    clock.now += HOLD_SECONDS + 0.1
    assert table.hold(ButtonHeld(press="press-01", beat=begins.beat, towards_cm=90)).moving == 0
    clock.now += 1
    assert table.read().height_cm == begins.height_cm
    assert table.hold(ButtonHeld(press="press-02", beat=12345, towards_cm=90)).moving == 0, (
        "a beat it never gave"
    )


@given(
    st.lists(
        st.tuples(st.sampled_from(["hold", "stale", "let go", "wait"]), st.floats(40, 110), st.floats(0, 3))
    )
)
def test_whatever_happens_it_stays_in_its_bounds_and_moves_only_while_it_is_held(acts):
    clock = Clock()
    table = LiftTable(clock)
    state = old = table.read()
    bears = 0.0
    for number, (act, towards, seconds) in enumerate(acts):
        before = table.read()
        if act == "hold":
            state = table.hold(ButtonHeld(press=f"press-{number:03}", beat=before.beat, towards_cm=towards))
            bears = HOLD_SECONDS
        elif act == "stale":
            table.hold(ButtonHeld(press="press-old", beat=old.beat + 10**6, towards_cm=towards))
        elif act == "let go":
            table.let_go(f"press-{number - 1:03}")
            bears = 0.0
        clock.now += seconds
        state = table.read()
        assert LOWEST <= state.height_cm <= HIGHEST
        assert abs(state.height_cm - before.height_cm) <= SPEED * min(bears, seconds) + 0.11
        bears = max(0.0, bears - seconds)


def test_the_warmer_is_ready_when_it_said_it_would_be(clock):
    warmer = TowelWarmer(clock)
    said = warmer.switch(True)
    assert 10 * 60 < said.ready_in_s < 16 * 60
    clock.now += said.ready_in_s - 60
    assert warmer.read().ready_in_s == pytest.approx(60, abs=1)
    clock.now += 61
    ready = warmer.read()
    assert ready.ready_in_s == 0
    assert ready.temperature_c >= ready.ready_at_c - 0.1


def test_switched_off_it_cools_and_promises_nothing(clock):
    warmer = TowelWarmer(clock)
    warmer.switch(True)
    clock.now += 3600
    warm = warmer.switch(False)
    clock.now += 600
    cooler = warmer.read()
    assert cooler.ready_in_s is None
    assert 20 < cooler.temperature_c < warm.temperature_c


def test_a_memory_that_cannot_be_read_is_begun_anew(tmp_path):
    memory = tmp_path / "memory.json"
    machine = SimulatedMachine("lift_table", "Lift table", memory)
    token = machine.pair(machine.code)
    again = SimulatedMachine("lift_table", "Lift table", memory)
    assert again.knows(token)
    assert again.about.serial == machine.about.serial
    memory.write_text("{half of i")
    assert not SimulatedMachine("lift_table", "Lift table", memory).knows(token)
