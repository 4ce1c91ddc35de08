"""A lift table, simulated: it moves only while the button is held, and stops by itself when it is told nothing."""

import secrets
import time
from collections import deque
from collections.abc import Callable
from pathlib import Path

from fastapi import FastAPI

from mellow_tide.devices.machine import IsPaired, SimulatedMachine, make_machine
from mellow_tide.devices.protocol import HOLD_SECONDS, ButtonHeld, ButtonLetGo, TableState

LOWEST, HIGHEST = 50.0, 92.0
SPEED = 1.6
"""Centimetres a second: quiet motors are slow (common practice)."""


class LiftTable:
    """Where the table stands and whether it moves, by a clock in seconds."""

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self._clock = clock
        self._height = 66.0
        self._towards = self._height
        self._until = self._seen = clock()
        self._let_go: deque[str] = deque(maxlen=50)
        self._beats: deque[tuple[int, float]] = deque(maxlen=50)

    def read(self) -> TableState:
        """Where it stands now."""
        self._go_on()
        return self._state()

    def hold(self, wanted: ButtonHeld) -> TableState:
        """Move towards a height for half a second from now; what was long on its way or was let go moves nothing."""
        self._go_on()
        fresh = any(b == wanted.beat and self._clock() - at <= HOLD_SECONDS for b, at in self._beats)
        if fresh and wanted.press not in self._let_go:
            self._towards = min(max(wanted.towards_cm, LOWEST), HIGHEST)
            self._until = self._clock() + HOLD_SECONDS
        return self._state()

    def let_go(self, press: str) -> TableState:
        """Stop at once, and for this press for good."""
        self._go_on()
        self._let_go.append(press)
        self._until = self._clock()
        return self._state()

    def _go_on(self) -> None:
        now = self._clock()
        moved = SPEED * max(0.0, min(now, self._until) - self._seen)
        way = self._towards - self._height
        self._height += max(-moved, min(moved, way))
        self._seen = now

    def _state(self) -> TableState:
        beat = 1 + (self._beats[-1][0] if self._beats else secrets.randbelow(2**40))
        self._beats.append((beat, self._clock()))
        way = self._towards - self._height
        moves = self._clock() < self._until and abs(way) > 0.01
        return TableState(
            beat=beat,
            height_cm=round(self._height, 1),
            lowest_cm=LOWEST,
            highest_cm=HIGHEST,
            moving=(1 if way > 0 else -1) if moves else 0,
        )


def make_lift_table(memory: Path | None = None) -> FastAPI:
    """The table as a program that is spoken to over HTTP; `memory`: the file in which it keeps who is paired."""
    table = LiftTable()
    app = make_machine(SimulatedMachine("lift_table", "Lift table", memory), table.read)

    @app.get("/state")
    def read_state(_: IsPaired) -> TableState:
        return table.read()

    @app.post("/hold")
    def hold(wanted: ButtonHeld, _: IsPaired) -> TableState:
        return table.hold(wanted)

    @app.post("/let-go")
    def let_go(ended: ButtonLetGo, _: IsPaired) -> TableState:
        return table.let_go(ended.press)

    return app
