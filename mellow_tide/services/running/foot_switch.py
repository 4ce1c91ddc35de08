"""The simulated foot switch: pressed on one page, fetched by the table's screen of the same person."""

from mellow_tide.core.catalogue.records import Record
from mellow_tide.devices.foot_switch import Pedal, Sends, key_of
from mellow_tide.services.desk import Desk
from mellow_tide.store.devices import add_press, find_last_press, list_presses


class Press(Record):
    """A key that was sent, named as browsers name it."""

    number: int
    key: str


class Presses(Record):
    """The presses that were asked for, in order, and the number to ask after the next time."""

    presses: tuple[Press, ...]
    last: int


def press(desk: Desk, pedal: Pedal, sends: Sends) -> Press:
    """Press a pedal of a switch that `sends` these codes."""
    key = key_of(pedal, sends)
    with desk.writing() as t:
        number = add_press(t, key)
    return Press(number=number, key=key)


def read_presses(desk: Desk, after: int | None) -> Presses:
    """What was pressed after press number `after`; None only tells where one is, so that nothing old is felt."""
    with desk.writing() as t:
        if after is None:
            return Presses(presses=(), last=find_last_press(t))
        found = list_presses(t, after)
    return Presses(
        presses=tuple(Press(number=one.number, key=one.key) for one in found),
        last=max((one.number for one in found), default=after),
    )
