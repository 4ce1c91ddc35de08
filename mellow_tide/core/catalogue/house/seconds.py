"""The seconds between strokes as a house has them: of transitions, and of covering and uncovering."""

from collections.abc import Iterator, Mapping

from mellow_tide.core.catalogue.catalogue import Catalogue, Entries
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.records import Window
from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import FieldProblem

COVERS = {"open": "open_seconds", "close": "close_seconds"}
"""How a house calls the seconds of a window: `open_back`, `close_back`."""


def list_seconds(c: Entries) -> dict[str, int]:
    """All seconds that a house may set, by name: those of transitions, then those of covers."""
    return {**list_clock_seconds(c), **list_cover_seconds(c)}


def list_clock_seconds(c: Entries) -> dict[str, int]:
    """The seconds of transitions, by name."""
    return c.clock.model_dump(exclude={"glide_cm_per_second"})


def list_cover_seconds(c: Entries) -> dict[str, int]:
    """The seconds of uncovering and covering, window by window, by name."""
    return {name: getattr(window, field) for name, window, field in _covers(c)}


def name_seconds(name: str, c: Catalogue) -> str:
    """What some seconds are for, as one says it."""
    covers = {known: (verb, window) for verb in COVERS for known, window, _ in _covers(c, verb)}
    if name not in covers:
        return say(f"house.{name}")
    verb, window = covers[name]
    return say(f"house.{verb}", window=window.name)


def windows_in(house: House, windows: Mapping[str, Window]) -> dict[str, Window]:
    """The windows with the house's own seconds."""
    return {id: window.model_copy(update=_own(house, window)) for id, window in windows.items()}


def second_problems(house: House, c: Entries) -> Iterator[FieldProblem]:
    """What the house names of seconds that do not exist."""
    known = tuple(list_seconds(c))
    for name in house.seconds:
        if name not in known:
            yield FieldProblem(f"seconds.{name}", "unknown_id", noun="transition", id=name, known=known)


def _covers(c: Entries, *verbs: str) -> Iterator[tuple[str, Window, str]]:
    """By name, the windows that take any seconds, and the field that has them."""
    for window in c.windows.values():
        for verb in verbs or COVERS:
            if window.open_seconds:
                yield f"{verb}_{window.id}", window, COVERS[verb]


def _own(house: House, window: Window) -> dict[str, int]:
    named = {field: house.seconds.get(f"{verb}_{window.id}") for verb, field in COVERS.items()}
    return {field: seconds for field, seconds in named.items() if seconds is not None}
