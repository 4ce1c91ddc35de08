"""A towel warmer, simulated: it warms and cools by Newton's law, and tells when it will be ready."""

import math
import time
from collections.abc import Callable
from pathlib import Path

from fastapi import FastAPI

from mellow_tide.devices.machine import IsPaired, SimulatedMachine, make_machine
from mellow_tide.devices.protocol import WarmerState, WarmerSwitch

ROOM, FULL = 20.0, 80.0
"""Degrees that it tends to when it is off, and when it is on."""

READY = 60.0
TIME_CONSTANT = 12 * 60.0
"""Seconds in which the difference to where it tends falls to 1/e: from cold it is ready in 13 minutes."""


class TowelWarmer:
    """How warm it is, by a clock in seconds."""

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self._clock = clock
        self._on = False
        self._then, self._was = clock(), ROOM

    def switch(self, on: bool) -> WarmerState:
        """Turn it on or off."""
        self._was, self._then = self._temperature(), self._clock()
        self._on = on
        return self.read()

    def read(self) -> WarmerState:
        """How warm it is now, and when it is ready."""
        temperature = self._temperature()
        left = TIME_CONSTANT * math.log((FULL - min(temperature, READY)) / (FULL - READY))
        return WarmerState(
            on=self._on,
            temperature_c=round(temperature, 1),
            ready_at_c=READY,
            ready_in_s=round(left) if self._on else None,
        )

    def _temperature(self) -> float:
        tends = FULL if self._on else ROOM
        passed = self._clock() - self._then
        return tends + (self._was - tends) * math.exp(-passed / TIME_CONSTANT)


def make_towel_warmer(memory: Path | None = None) -> FastAPI:
    """The warmer as a program that is spoken to over HTTP; `memory`: the file in which it keeps who is paired."""
    warmer = TowelWarmer()
    app = make_machine(SimulatedMachine("towel_warmer", "Towel warmer", memory), warmer.read)

    @app.get("/state")
    def read_state(_: IsPaired) -> WarmerState:
        return warmer.read()

    @app.post("/switch")
    def switch(wanted: WarmerSwitch, _: IsPaired) -> WarmerState:
        return warmer.switch(wanted.on)

    return app
