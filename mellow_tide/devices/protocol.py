"""What machines and those who use them say to one another, in JSON over HTTP (see docs/devices.md)."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, model_validator

PORTS = range(8431, 8440)
"""Where machines listen on loopback; nowhere else is looked."""

MachineKind = Literal["lift_table", "towel_warmer"]

LOWEST_CM, HIGHEST_CM = 40, 110
"""What a massage table can be set to at all (common practice)."""

COLDEST_C, HOTTEST_C = -20, 95
"""A towel warmer below or above that is broken, or its sensor is."""

HOLD_SECONDS = 0.5
"""So long a table moves after it was last told that the button is held, and so old may what it answers be."""

PressId = Annotated[str, Field(min_length=8, max_length=40, pattern=r"^[0-9a-zA-Z-]+$")]
"""One press of a button, by a name of its own: what arrives late, after it was let go, moves nothing."""


class _Said(BaseModel):
    model_config = ConfigDict(extra="ignore", frozen=True)


class About(_Said):
    """Which machine it is; told to everybody. `serial` stays the same for as long as the machine lives."""

    kind: MachineKind
    name: Annotated[str, Field(min_length=1, max_length=60)]
    serial: Annotated[str, Field(pattern=r"^[0-9a-zA-Z-]{4,40}$")]
    protocol: Literal[1] = 1


class PairingCode(_Said):
    """The code that the machine shows."""

    code: Annotated[str, Field(pattern=r"^[0-9]{6}$")]


class PairingToken(_Said):
    """What whoever is paired sends with everything, as `Authorization: Bearer`."""

    token: Annotated[str, Field(min_length=20, max_length=200)]


MachineBeat = Annotated[int, Field(ge=0, le=2**53)]


class TableState(_Said):
    """Where a lift table stands, in cm, and between what; `moving`: up 1, down -1.

    `beat` is new with every answer: the next hold sends it back, as proof that it was sent just now.
    """

    beat: MachineBeat

    height_cm: Annotated[float, Field(ge=LOWEST_CM, le=HIGHEST_CM)]
    lowest_cm: Annotated[float, Field(ge=LOWEST_CM, le=HIGHEST_CM)]
    highest_cm: Annotated[float, Field(ge=LOWEST_CM, le=HIGHEST_CM)]
    moving: Literal[-1, 0, 1] = 0

    @model_validator(mode="after")
    def _between(self) -> "TableState":
        if not self.lowest_cm <= self.height_cm <= self.highest_cm:
            raise ValueError("the height is not between the lowest and the highest")
        return self


class ButtonHeld(_Said):
    """The button is held: move towards a height, for half a second at most.

    It moves nothing if its `beat` is older than that, or `press` was let go: a hold that was long on its way is none.
    """

    press: PressId
    beat: MachineBeat
    towards_cm: Annotated[float, Field(ge=LOWEST_CM, le=HIGHEST_CM)]


class ButtonLetGo(_Said):
    """The button was let go: stop, and move no more for this press."""

    press: PressId


class WarmerState(_Said):
    """How warm a towel warmer is, in °C, and when it is ready, in seconds; None while it is off."""

    on: bool
    temperature_c: Annotated[float, Field(ge=COLDEST_C, le=HOTTEST_C)]
    ready_at_c: Annotated[float, Field(ge=30, le=HOTTEST_C)]
    ready_in_s: Annotated[float, Field(ge=0, le=4 * 3600)] | None

    @model_validator(mode="after")
    def _possible(self) -> "WarmerState":
        if self.on and self.ready_in_s is None:
            raise ValueError("it is on and does not say when it is ready")
        if self.on and self.ready_in_s == 0 and self.temperature_c < self.ready_at_c - 1:
            raise ValueError("it says that it is ready, and is cold")
        return self


class WarmerSwitch(_Said):
    """Turn a warmer on or off."""

    on: bool
