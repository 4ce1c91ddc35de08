"""What a house can change, item by item, as it stands in a catalogue."""

from collections.abc import Mapping
from functools import lru_cache

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.house import read_entry
from mellow_tide.core.catalogue.house.kinds import MINUTES
from mellow_tide.core.catalogue.house.seconds import list_seconds, name_seconds
from mellow_tide.core.catalogue.records import Named
from mellow_tide.core.catalogue.rules import Kind
from mellow_tide.core.phrases.book import say


@lru_cache(maxsize=64)
def list_items(c: Catalogue) -> Mapping[str, str]:
    """What each item is: a choice, a number, a list of minutes, or whether something is there.

    A kind for which there is no surface is `no_surface`, whatever is said of it.
    """
    return {
        **{f"rules.{rule}": choice for rule, choice in c.chosen.items()},
        **{f"seconds.{name}": str(seconds) for name, seconds in list_seconds(c).items()},
        **{
            f"minutes.{kind.id}.{name}": str(getattr(kind, field))
            for kind in c.kinds.values()
            for name, field in MINUTES.items()
        },
        **{
            f"bookings.{kind.id}": ", ".join(map(str, kind.usual_minutes))
            for kind in c.kinds.values()
            if not kind.open_ended
        },
        **{f"kinds.{kind.id}": _offer(kind, c) for kind in c.kinds.values()},
        **{f"lubricants.{one.id}": "in_stock" if one.in_stock else "none" for one in c.lubricants.values()},
        **{
            f"schools.{one.id}": "offered" if one.offered else "archived"
            for one in c.schools.values()
            if one.base is not None
        },
    }


def _offer(kind: Kind, c: Catalogue) -> str:
    if kind.surface in c.lacks:
        return "no_surface"
    return "offered" if kind.offered else "not_offered"


def name_item(item: str, c: Catalogue) -> str:
    """What an item is about, as one says it."""
    part, _, name = item.partition(".")
    if part == "rules":
        return c.house_rules[name].name
    if part == "seconds":
        return name_seconds(name, c)
    if part == "minutes":
        kind, _, which = name.rpartition(".")
        return say(f"house.minutes_{which}", kind=c.kinds[kind].name)
    entries: dict[str, Mapping[str, Named]] = {
        "bookings": c.kinds,
        "kinds": c.kinds,
        "lubricants": c.lubricants,
        "schools": c.schools,
    }
    known = entries[part].get(name)
    return say(f"house.about_{part}", name=known.name if known else name)


def name_value(item: str, value: str | None, usual: Catalogue) -> str:
    """What an item is, with its unit; None is the usual."""
    part, _, name = item.partition(".")
    told = list_items(usual).get(item, "none") if value is None else value
    match part:
        case "rules":
            choice = usual.house_rules[name].choice(told)
            return choice.name if choice else told
        case "seconds":
            return f"{told} s"
        case "minutes" | "bookings":
            return f"{told} min"
        case "kinds":
            return say(f"house.kind_{told}")
        case "schools":
            school = read_entry(told)
            offered = isinstance(school, dict) and not school.get("archived", False)
            return say("house.school_changed" if offered else "house.school_archived")
    bottle = read_entry(told)
    there = bottle.get("in_stock", True) if isinstance(bottle, dict) else told == "in_stock"
    return say("house.in_stock" if there else "house.not_in_stock")
