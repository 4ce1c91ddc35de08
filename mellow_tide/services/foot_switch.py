"""The simulated foot switch: pressed on one page, fetched by the table's screen of the same person."""

from mellow_tide.core.catalogue.records import Record
from mellow_tide.devices.foot_switch import Pedal, Sends, key_of
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.devices import add_press, last_press, presses_after
from mellow_tide.store.people import SignedIn


class Press(Record):
    """A key that was sent, named as browsers name it."""

    number: int
    key: str


class Presses(Record):
    """The presses that were asked for, in order, and the number to ask after the next time."""

    presses: tuple[Press, ...]
    last: int


def press(db: Database, who: SignedIn, pedal: Pedal, sends: Sends) -> Press:
    """Press a pedal of a switch that `sends` these codes."""
    key = key_of(pedal, sends)
    with db.transaction(Sight(who.practice_id)) as c:
        number = add_press(c, who.practice_id, who.person_id, key)
    return Press(number=number, key=key)


def presses(db: Database, who: SignedIn, after: int | None) -> Presses:
    """What was pressed after press number `after`; None only tells where one is, so that nothing old is felt."""
    with db.transaction(Sight(who.practice_id)) as c:
        if after is None:
            return Presses(presses=(), last=last_press(c, who.practice_id, who.person_id))
        found = presses_after(c, who.practice_id, who.person_id, after)
    return Presses(
        presses=tuple(Press(number=number, key=key) for number, key in found),
        last=max((number for number, _ in found), default=after),
    )
