"""Simulated devices."""

from typing import Annotated

from fastapi import APIRouter, Query

from mellow_tide.devices.foot_switch import Pedal, Sends
from mellow_tide.services.running import foot_switch
from mellow_tide.services.running.foot_switch import Press, Presses
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk

router = APIRouter(prefix="/devices", tags=["devices"])


class PedalPressed(Body):
    """A pedal of a foot switch, and which codes the switch is set to send."""

    pedal: Pedal
    sends: Sends = "page"


@router.post("/foot-switch/presses", status_code=201)
def press_foot_switch(pressed: PedalPressed, desk: AtDesk) -> Press:
    """Press a pedal of the simulated foot switch."""
    return foot_switch.press(desk, pressed.pedal, pressed.sends)


@router.get("/foot-switch/presses")
def read_presses(
    desk: AtDesk, after: Annotated[int | None, Query(ge=0, le=9_000_000_000_000_000)] = None
) -> Presses:
    """What was pressed since; without `after`, only the number to ask after."""
    return foot_switch.read_presses(desk, after)
