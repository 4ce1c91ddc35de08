"""The machines of the room."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Path
from pydantic import Field

from mellow_tide.devices.protocol import PORTS, ButtonHeld, ButtonLetGo, MachineKind, WarmerSwitch
from mellow_tide.services.running import machines
from mellow_tide.services.running.machines import FoundMachine, Machines, MachineState, TableHeights
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk

router = APIRouter(prefix="/machines", tags=["machines"])

MachineInPath = Annotated[MachineKind, Path()]


class MachineToPair(Body):
    """A machine that was found, and the code that it shows."""

    port: Annotated[int, Field(ge=PORTS[0], le=PORTS[-1])]
    code: Annotated[str, Field(min_length=6, max_length=6, pattern=r"^[0-9]+$")]


@router.get("")
def read_machines(desk: AtDesk) -> Machines:
    """What is paired; no machine is asked."""
    return machines.read_machines(desk)


@router.post("/search")
def find_machines(desk: AtDesk) -> list[FoundMachine]:
    """The machines that answer on loopback."""
    return list(machines.find_machines(desk))


@router.post("", status_code=201)
def pair_machine(wanted: MachineToPair, desk: AtDesk) -> Machines:
    """Pair a machine by the code that it shows."""
    return machines.pair_machine(desk, wanted.port, wanted.code)


@router.put("/heights")
def keep_table_heights(heights: TableHeights, desk: AtDesk) -> Machines:
    """Keep the heights at which one works."""
    return machines.keep_table_heights(desk, heights)


@router.post("/lift_table/hold")
def hold_table(hold: ButtonHeld, desk: AtDesk) -> MachineState:
    """The button is held: the table moves for half a second at most."""
    return machines.hold_table(desk, hold)


@router.post("/lift_table/let-go")
def let_table_go(press: ButtonLetGo, desk: AtDesk) -> MachineState:
    """The button was let go: the table stops."""
    return machines.let_table_go(desk, press)


@router.put("/towel_warmer")
def switch_warmer(wanted: WarmerSwitch, desk: AtDesk, session_id: UUID | None = None) -> MachineState:
    """Turn the towel warmer on or off."""
    return machines.switch_warmer(desk, wanted.on, session_id)


@router.get("/{kind}")
def read_machine(kind: MachineInPath, desk: AtDesk, session_id: UUID | None = None) -> MachineState:
    """What a machine says just now, or why it cannot be used."""
    return machines.read_machine(desk, kind, session_id)


@router.delete("/{kind}")
def end_pairing(kind: MachineInPath, desk: AtDesk) -> Machines:
    """Forget a machine."""
    return machines.end_pairing(desk, kind)
