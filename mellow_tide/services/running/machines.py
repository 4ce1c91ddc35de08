"""The machines of the room: found and paired, asked and told. None of them ever holds anything up."""

from collections.abc import Callable
from datetime import timedelta
from typing import Annotated, Self
from uuid import UUID

from pydantic import AwareDatetime, Field, model_validator

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.devices.asking import MachineLine, MachineTrouble, TroubleKind, WrongCode, search
from mellow_tide.devices.protocol import (
    HIGHEST_CM,
    LOWEST_CM,
    About,
    ButtonHeld,
    ButtonLetGo,
    MachineKind,
    TableState,
    WarmerState,
)
from mellow_tide.services.desk import Desk
from mellow_tide.services.preparing import read_preparation
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.machines import (
    HeightsRow,
    MachineRow,
    delete_machine,
    find_heights,
    find_machine,
    list_machines,
    replace_machine,
    set_heights,
)

Centimetres = Annotated[int, Field(ge=LOWEST_CM, le=HIGHEST_CM)]


class TableHeights(Record):
    """The table's height in cm for leaning and forearms, and for small work (common practice: knuckles, wrists)."""

    low_cm: Centimetres = 62
    high_cm: Centimetres = 72

    @model_validator(mode="after")
    def _in_order(self) -> Self:
        if self.low_cm > self.high_cm:
            raise ValueError("the low height is not above the high one")
        return self


class PairedMachine(Record):
    """A machine that is paired."""

    kind: MachineKind
    name: str
    paired_at: AwareDatetime


class Machines(Record):
    """What is paired. `heights` are one's own; None in a house whose tables keep one height."""

    machines: tuple[PairedMachine, ...]
    heights: TableHeights | None


class FoundMachine(Record):
    """A machine that answers on loopback; `paired`: with this practice."""

    port: int
    kind: MachineKind
    name: str
    paired: bool


class MachineState(Record):
    """What a machine says just now, or in words why it cannot be used.

    `warm_at`: when a warmer is ready; `late`: that is after its towels are due.
    """

    trouble: TroubleKind | None = None
    says: str = ""
    table: TableState | None = None
    warmer: WarmerState | None = None
    warm_at: AwareDatetime | None = None
    late: bool = False


def read_machines(desk: Desk) -> Machines:
    """What is paired; no machine is asked."""
    with desk.writing() as t:
        rows, heights = list_machines(t), find_heights(t)
    return Machines(
        machines=tuple(
            PairedMachine(kind=_kind(row), name=row.name, paired_at=row.paired_at) for row in rows
        ),
        heights=_heights(heights) if desk.catalogue.chosen["table_height"] == "lifts" else None,
    )


def find_machines(desk: Desk) -> tuple[FoundMachine, ...]:
    """The machines that answer on loopback."""
    with desk.reading() as t:
        paired = {row.serial for row in list_machines(t)}
    return tuple(
        FoundMachine(port=port, kind=about.kind, name=about.name, paired=about.serial in paired)
        for port, about in search()
    )


def pair_machine(desk: Desk, port: int, code: str) -> Machines:
    """Pair the machine at a port by the code that it shows; one of its kind before it is forgotten.

    Raises `BadEntry` where the code is another, or nothing answers.
    """
    about = dict(search()).get(port)
    if about is None:
        raise BadEntry(FieldProblem("port", "no_machine"))
    try:
        token = MachineLine(port).pair(code)
    except WrongCode as cause:
        raise BadEntry(FieldProblem("code", "wrong_machine_code")) from cause
    except MachineTrouble as cause:
        raise BadEntry(FieldProblem("port", "no_machine")) from cause
    with desk.writing() as t:
        replace_machine(t, _row(about, port, token, desk))
    return read_machines(desk)


def end_pairing(desk: Desk, kind: MachineKind) -> Machines:
    """Forget the machine of a kind. Raises `NotThere`."""
    with desk.writing() as t:
        delete_machine(t, kind)
    return read_machines(desk)


def keep_table_heights(desk: Desk, heights: TableHeights) -> Machines:
    """Keep one's own heights."""
    with desk.writing() as t:
        set_heights(t, HeightsRow(heights.low_cm, heights.high_cm))
    return read_machines(desk)


def read_machine(desk: Desk, kind: MachineKind, session_id: UUID | None = None) -> MachineState:
    """What the machine of a kind says; for a session also whether a warmer is in time. Raises `NotThere`."""
    if kind == "lift_table":
        return _ask_table(desk, MachineLine.read_table)
    return _ask_warmer(desk, MachineLine.read_warmer, session_id)


def hold_table(desk: Desk, hold: ButtonHeld) -> MachineState:
    """The button is held on a screen: the table moves for a moment. Raises `NotThere`."""
    return _ask_table(desk, lambda line: line.hold_table(hold))


def let_table_go(desk: Desk, press: ButtonLetGo) -> MachineState:
    """The button was let go: the table stops. Raises `NotThere`."""
    return _ask_table(desk, lambda line: line.let_table_go(press))


def switch_warmer(desk: Desk, on: bool, session_id: UUID | None = None) -> MachineState:
    """Turn the towel warmer on or off. Raises `NotThere`."""
    return _ask_warmer(desk, lambda line: line.switch_warmer(on), session_id)


def _ask_table(desk: Desk, ask: Callable[[MachineLine], TableState]) -> MachineState:
    try:
        return MachineState(table=ask(_line(desk, "lift_table")))
    except MachineTrouble as error:
        return _trouble(error, "lift_table")


def _ask_warmer(
    desk: Desk, ask: Callable[[MachineLine], WarmerState], session_id: UUID | None
) -> MachineState:
    try:
        warmer = ask(_line(desk, "towel_warmer"))
    except MachineTrouble as error:
        return _trouble(error, "towel_warmer")
    if warmer.ready_in_s is None:
        return MachineState(warmer=warmer)
    warm_at = desk.db.now() + timedelta(seconds=warmer.ready_in_s)
    due = _towels_due(desk, session_id) if session_id else None
    return MachineState(warmer=warmer, warm_at=warm_at, late=due is not None and due < warm_at)


def _towels_due(desk: Desk, session_id: UUID) -> AwareDatetime | None:
    items = read_preparation(desk, session_id).items
    return next((item.due_at for item in items if item.thing.group == "towels"), None)


def _line(desk: Desk, kind: MachineKind) -> MachineLine:
    with desk.reading() as t:
        row = find_machine(t, kind)
    return MachineLine(row.port, row.token)


def _trouble(error: MachineTrouble, kind: MachineKind) -> MachineState:
    return MachineState(trouble=error.trouble, says=say(f"machines.{error.trouble}_{kind}"))


def _row(about: About, port: int, token: str, desk: Desk) -> MachineRow:
    return MachineRow(about.kind, about.name, about.serial, port, token, desk.db.now())


def _kind(row: MachineRow) -> MachineKind:
    return "lift_table" if row.kind == "lift_table" else "towel_warmer"


def _heights(row: HeightsRow | None) -> TableHeights:
    return TableHeights(low_cm=row.low_cm, high_cm=row.high_cm) if row else TableHeights()
