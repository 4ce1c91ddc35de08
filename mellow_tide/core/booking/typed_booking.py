"""A booking typed in one line: “ott 75 thu 10”, “new client Mara Quill, 60, tomorrow 14:30”, “chair 15 now”."""

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date, time

from mellow_tide.core.booking.hours import Hours
from mellow_tide.core.booking.typed_day import read_day
from mellow_tide.core.catalogue.records import LONGEST_BOOKING, SHORTEST_BOOKING, Record
from mellow_tide.core.catalogue.rules import Kind

_MINUTES = ("m", "min", "mins", "minute", "minutes")
_SMALL = ("at", "for", "with", "on", "a", "an", "the", "client", "session")
_NEW = ("new", "walk-in", "walkin")
_TIME = re.compile(r"(\d{1,2})(?:[:.h](\d{2}))?(am|pm|h)?")
_LEAST_BARE = 15
"""A bare number from here on is minutes; below, an hour."""


class TypedBooking(Record):
    """What a line says of a booking; what it does not say is None. `name` is what is left over, as it was typed."""

    name: str = ""
    new: bool = False
    now: bool = False
    kind: str | None = None
    minutes: int | None = None
    day: date | None = None
    at: time | None = None


@dataclass
class _Reader:
    """The words of a line, read from the left."""

    words: list[str]
    typed: list[str]
    hours: Hours
    today: date
    kinds: Mapping[str, Kind]
    found: dict[str, object] = field(default_factory=dict)
    name: list[str] = field(default_factory=list)
    after_day: bool = False

    def read(self) -> TypedBooking:
        place = 0
        while place < len(self.words):
            place += self._take(place)
        return TypedBooking.model_validate({**self.found, "name": " ".join(self.name)})

    def _take(self, place: int) -> int:
        """Read what begins at a word; how many words that were."""
        rest = self.words[place:]
        after_day, self.after_day = self.after_day, False
        taken = self._small(rest[0], after_day) or self._day(rest) or self._number(rest, after_day)
        taken = taken or self._kind(rest)
        if not taken and rest[0] not in _SMALL:
            self.name.append(self.typed[place])
        return taken or 1

    def _small(self, word: str, after_day: bool) -> int:
        if word in ("at", "on"):
            self.after_day = after_day or word == "at"
            return 1
        if word == "now":
            return self._keep("now", True)
        return self._keep("new", True) if word in _NEW else 0

    def _day(self, words: list[str]) -> int:
        found = None if "day" in self.found else read_day(words, self.today)
        if found is None:
            return 0
        self.found["day"], taken = found
        self.after_day = True
        return taken

    def _kind(self, words: list[str]) -> int:
        found = None if "kind" in self.found else _read_kind(words, self.kinds)
        if found is None:
            return 0
        self.found["kind"], taken = found
        return taken

    def _number(self, words: list[str], after_day: bool) -> int:
        word, following = words[0], words[1] if len(words) > 1 else ""
        if minutes := re.fullmatch(rf"(\d{{1,4}})({'|'.join(_MINUTES)})", word):
            return self._keep("minutes", int(minutes[1]))
        if word.isdecimal() and following in _MINUTES:
            self._keep("minutes", int(word))
            return 2
        told = _TIME.fullmatch(word)
        if told is None:
            return int(word.isdecimal()) and self._keep("minutes", int(word[:6]))
        half = following if following in ("am", "pm") else told[3]
        bare = told[2] is None and half is None
        if bare and not after_day and not self._is_hour(int(told[1])):
            return self._keep("minutes", int(told[1]))
        at = self._time(int(told[1]), int(told[2] or 0), half)
        if at is None:
            return 0
        self._keep("at", at)
        return 2 if following in ("am", "pm") else 1

    def _is_hour(self, number: int) -> bool:
        """Whether a bare number is meant as an hour: a short one, or one when the minutes have been said."""
        known = self.kinds.get(str(self.found.get("kind")))
        usual = known is not None and number in known.usual_minutes
        if "minutes" in self.found:
            return number < 24
        return number < _LEAST_BARE and not usual and "at" not in self.found

    def _time(self, hour: int, minute: int, half: str | None) -> time | None:
        if half == "pm" and hour < 12:
            hour += 12
        elif half == "am" and hour == 12:
            hour = 0
        elif half is None and hour < self.hours.first_start.hour and hour + 12 <= self.hours.last_start.hour:
            # Three is in the afternoon for who begins at nine.
            hour += 12
        return time(hour, minute) if hour < 24 and minute < 60 else None

    def _keep(self, what: str, value: object) -> int:
        self.found.setdefault(what, value)
        return 1


def read_booking(line: str, hours: Hours, today: date, kinds: Mapping[str, Kind]) -> TypedBooking:
    """What a typed line says. Minutes that no booking lasts are read as they are, so that they can be refused."""
    typed = [word for word in re.split(r"[,\s]+", line.strip()) if word]
    return _Reader([word.lower() for word in typed], typed, hours, today, kinds).read()


def is_bookable(minutes: int) -> bool:
    """Whether a booking may last so many minutes."""
    return SHORTEST_BOOKING <= minutes <= LONGEST_BOOKING


def _read_kind(words: list[str], kinds: Mapping[str, Kind]) -> tuple[str, int] | None:
    """The kind that `words` begin with, by its whole name or its first word, and how many words that are."""
    for kind in kinds.values():
        names = re.split(r"[\s-]+", kind.name.lower())
        said = re.split(r"[\s-]+", " ".join(words[: len(names)]))
        if said[: len(names)] == names:
            joined = "-".join(names) == words[0]
            return kind.id, 1 if joined else len(names)
    first = next(
        (kind for kind in kinds.values() if re.split(r"[\s-]+", kind.name.lower())[0] == words[0]), None
    )
    return (first.id, 1) if first else None
