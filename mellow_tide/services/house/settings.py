"""How the practice works: read, and changed one thing at a time."""

from dataclasses import replace

from pydantic import ValidationError

from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.core.catalogue.house.house import (
    DEFAULTS,
    LEAST_AND_MOST,
    House,
    change_house,
    own_items,
    value_in,
)
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.house.items import list_items, name_value
from mellow_tide.core.catalogue.house.seconds import list_clock_seconds, list_cover_seconds, name_seconds
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.desk import Desk
from mellow_tide.services.house.changes import HouseChange, tell_change
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.house import NewHouseChange, list_newest_changes, lock_house, put_house


class HouseChangedElsewhere(Exception):
    """Somebody else has changed the same thing meanwhile: `who`, and to what it is `now`."""

    def __init__(self, who: str, now: str) -> None:
        super().__init__(f"{who}: {now}")
        self.who = who
        self.now = now


class HouseView(Record):
    """What is chosen, by item (`rules.end`, `seconds.turn`, `minutes.chair.before`), and who changed it last.

    `now` is what each item is and `usual` what it is unless changed; `own` has those alone that were changed. An item
    of `bookings` is a list of minutes, one of `kinds` or `lubricants` says whether it is offered or in stock. `seconds`
    are the names of transitions in the order in which they are told, `covers` those of uncovering and covering.
    `bounds`: the least and the most of a number, by the part of its item, or by the item itself where it has bounds of
    its own.
    """

    now: dict[str, str]
    usual: dict[str, str]
    own: dict[str, str]
    seconds: dict[str, str]
    covers: dict[str, str]
    bounds: dict[str, tuple[float, float]]
    changes: dict[str, HouseChange]


def read_house(desk: Desk) -> HouseView:
    """How the practice works."""
    with desk.reading() as t:
        changes = list_newest_changes(t)
    here = desk.catalogue
    usual = in_house(DEFAULTS, desk.shipped)
    return HouseView(
        now=dict(list_items(here)),
        usual=dict(list_items(usual)),
        own=own_items(desk.house),
        seconds={name: name_seconds(name, here) for name in list_clock_seconds(here)},
        covers={name: name_seconds(name, here) for name in list_cover_seconds(here)},
        bounds=dict(LEAST_AND_MOST),
        changes={row.item: tell_change(row, here, usual) for row in changes},
    )


def change_settings(desk: Desk, item: str, after: str | None, seen: str | None) -> HouseView:
    """Change one thing. `seen` is what it was when it was looked at.

    Raises `UnknownReference`, `BadEntry`, and `HouseChangedElsewhere` where it is another by now.
    """
    with desk.writing() as t:
        house = lock_house(t)
        now = value_in(house, item)
        if now != seen:
            newest = next((row for row in list_newest_changes(t) if row.item == item), None)
            told = name_value(item, now, in_house(DEFAULTS, desk.shipped))
            raise HouseChangedElsewhere(newest.person_name if newest else "", told)
        changed = work_otherwise(house, item, after, desk.shipped)
        change = NewHouseChange(desk.name(t), item, now, value_in(changed, item))
        if change.before != change.after:
            put_house(t, changed, change)
    return read_house(replace(desk, house=changed))


def work_otherwise(house: House, item: str, after: str | None, shipped: ShippedCatalogue) -> House:
    """The house with one thing changed. Raises `UnknownReference` for what does not exist, `BadEntry` for a value."""
    try:
        changed = change_house(house, item, after)
    except ValidationError as error:
        part = item.partition(".")[0]
        least, most = LEAST_AND_MOST.get(item, LEAST_AND_MOST.get(part, (0, 0)))
        raise BadEntry(FieldProblem("after", f"{part}_cannot_be", least=least, most=most)) from error
    in_house(changed, shipped)
    return changed
