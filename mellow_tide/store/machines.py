"""The machines that a practice has paired, one of a kind, and the heights at which a therapist works."""

from dataclasses import dataclass, field
from datetime import datetime

from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere


@dataclass(frozen=True)
class MachineRow:
    """A machine that is paired: where it is on loopback, and the token that it gave."""

    kind: str
    name: str
    serial: str
    port: int
    token: str = field(repr=False)
    paired_at: datetime


@dataclass(frozen=True)
class HeightsRow:
    """The table's height for leaning work and for small work, in cm."""

    low_cm: int
    high_cm: int


def list_machines(t: Transaction) -> list[MachineRow]:
    """The machines that are paired."""
    return t.all(MachineRow, "machines")


def find_machine(t: Transaction, kind: str) -> MachineRow:
    """The machine of a kind. Raises `NotThere` if none is paired."""
    for row in list_machines(t):
        if row.kind == kind:
            return row
    raise NotThere("machine")


def replace_machine(t: Transaction, row: MachineRow) -> None:
    """Keep a machine; the one of its kind before it is forgotten."""
    t.run("delete_machine", kind=row.kind)
    t.run("insert_machine", **vars(row))


def delete_machine(t: Transaction, kind: str) -> None:
    """Forget the machine of a kind. Raises `NotThere` if none is paired."""
    if not t.run("delete_machine", kind=kind):
        raise NotThere("machine")


def find_heights(t: Transaction) -> HeightsRow | None:
    """The heights of whoever asks, if they were ever said."""
    return t.one(HeightsRow, "table_heights_of_person")


def set_heights(t: Transaction, heights: HeightsRow) -> None:
    """Keep the heights of whoever asks."""
    t.run("set_table_heights", **vars(heights))
