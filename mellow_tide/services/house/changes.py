"""A change of how the practice works, as a screen reads it."""

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.items import name_item, name_value
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.phrases.book import say
from mellow_tide.store.house import HouseChangeRow


class HouseChange(Record):
    """A change of how the practice works. `before` and `after` are what the item was and is; None: as usual.

    `item` is a rule (`rules.end`), a transition (`seconds.turn`) or another; `says` is what it changed, in a sentence.
    """

    at: AwareDatetime
    person_name: str
    item: str
    before: str | None
    after: str | None
    says: str


def tell_change(row: HouseChangeRow, known: Catalogue, usual: Catalogue) -> HouseChange:
    """A stored change in words: names as the practice knows them, what is `usual` as it ships."""
    return HouseChange(
        at=row.changed_at,
        person_name=row.person_name,
        item=row.item,
        before=row.before,
        after=row.after,
        says=say(
            "house.changed", about=name_item(row.item, known), after=name_value(row.item, row.after, usual)
        ),
    )
