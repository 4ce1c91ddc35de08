"""What sets two states of a client's record apart, item by item: the evidence that is kept, dated, for ever."""

from collections.abc import Iterable, Iterator, Mapping

from pydantic import JsonValue

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Place
from mellow_tide.core.meeting.field_rules import read_field_rules
from mellow_tide.core.meeting.record import CONSENT_FIELDS, ClientRecord

BEARS_ON_A_PLAN = frozenset(field for field, how in read_field_rules(ClientRecord) if how.bears_on_plan)
"""The fields whose change may change what a plan should be."""

ANSWER_OF = {field: answer for answer, field in CONSENT_FIELDS.items()}

_ONE_BY_ONE = ("conditions", "likes", "dislikes")


class ItemChange(Record):
    """One item that changed. `field` is the record's, `item` what of it: an id of the catalogue, a place, or nothing.

    `before` and `after` are None where there was, or is, nothing. Consents read `yes`, `through_cloth` and `no`; a
    place to keep off reads why; a condition's places read as a list of keys.
    """

    field: str
    item: str = ""
    before: JsonValue = None
    after: JsonValue = None


def place_key(place: Place) -> str:
    """A place as one word: `foot left toes`."""
    return " ".join(filter(None, (place.region, place.side, place.zone)))


def compare_records(before: ClientRecord, after: ClientRecord) -> tuple[ItemChange, ...]:
    """All items in which the records differ, in the record's order."""
    old, new = _items(before), _items(after)
    return tuple(
        ItemChange(field=field, item=item, before=old.get((field, item)), after=new.get((field, item)))
        for field, item in {**old, **new}
        if old.get((field, item)) != new.get((field, item))
    )


def net_changes(changes: Iterable[ItemChange]) -> tuple[ItemChange, ...]:
    """What is left of changes, the oldest first, once what was taken back is left out: each item once."""
    first: dict[tuple[str, str], JsonValue] = {}
    last: dict[tuple[str, str], ItemChange] = {}
    for change in changes:
        key = (change.field, change.item)
        first.setdefault(key, change.before)
        last.pop(key, None)
        last[key] = change
    return tuple(
        change.model_copy(update={"before": first[key]})
        for key, change in last.items()
        if first[key] != change.after
    )


def _items(record: ClientRecord) -> Mapping[tuple[str, str], JsonValue]:
    return {(field, item): value for field, item, value in _listed(record)}


def _listed(record: ClientRecord) -> Iterator[tuple[str, str, JsonValue]]:
    for field, value in record.model_dump(mode="json").items():
        if field in _ONE_BY_ONE:
            yield from ((field, id, "yes") for id in sorted(value))
        elif field in ANSWER_OF:
            yield from (("consents", id, ANSWER_OF[field]) for id in sorted(value))
        elif field == "wishes":
            yield from ((field, wish.region, wish.depth) for wish in record.wishes)
        elif field == "excluded":
            yield from ((field, place_key(place), place.because or "keep off") for place in record.excluded)
        elif field == "condition_places":
            for one in record.condition_places:
                keys: list[JsonValue] = [place_key(place) for place in one.places]
                yield field, one.condition, keys
        elif field == "tension":
            yield from ((field, place_key(place), "yes") for place in record.tension)
        else:
            yield field, "", value if value != "" else None
