"""What simulated devices have sent."""

from dataclasses import dataclass

from mellow_tide.store.database import Transaction


@dataclass(frozen=True)
class PressRow:
    """A press of the foot switch, numbered in the order they came."""

    number: int
    key: str


def add_press(t: Transaction, key: str) -> int:
    """Keep a press of the foot switch for a minute; its number."""
    return int(t.value("add_press", key=key))


def list_presses(t: Transaction, after: int) -> list[PressRow]:
    """Every press with a number above `after`, in order."""
    return t.all(PressRow, "presses_after", after=after)


def find_last_press(t: Transaction) -> int:
    """The number of the last press that is kept, 0 if there is none."""
    return int(t.value("last_press"))
