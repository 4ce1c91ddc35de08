"""A day as one types it: “thu”, “tomorrow”, “3 dec”, “in 2 weeks”, “2026-12-03”."""

import re
from collections.abc import Sequence
from datetime import date, timedelta

WEEKDAYS = ("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday")
MONTHS = (
    "january",
    "february",
    "march",
    "april",
    "may",
    "june",
    "july",
    "august",
    "september",
    "october",
    "november",
    "december",
)
_NEAR = {"yesterday": -1, "today": 0, "tomorrow": 1}
_UNITS = {"day": 1, "days": 1, "week": 7, "weeks": 7}
_SHORTEST = 3
"""Letters by which a weekday or a month is known."""


def read_day(words: Sequence[str], today: date) -> tuple[date, int] | None:
    """The day that `words` begin with, and how many of them name it; None where they begin with no day.

    A weekday is the next one, today's among them; “next” before it is a week later, and a date after it counts more
    than it does. A date without a year is the next one that is to come, or one of the last seven days.
    """
    for read in (_near, _iso, _ahead, _weekday, _dated):
        if found := read(words, today):
            return found
    return None


DayFound = tuple[date, int] | None


def _near(words: Sequence[str], today: date) -> DayFound:
    """`today`, `tomorrow`."""
    near = _NEAR.get(words[0]) if words else None
    return None if near is None else (today + timedelta(days=near), 1)


def _iso(words: Sequence[str], today: date) -> DayFound:
    """`2026-12-03`."""
    told = re.fullmatch(r"(\d{4})-(\d{1,2})-(\d{1,2})", words[0]) if words else None
    found = _date(int(told[1]), int(told[2]), int(told[3])) if told else None
    return (found, 1) if found else None


def _ahead(words: Sequence[str], today: date) -> DayFound:
    """`in 2 weeks`, `in 3 days`."""
    if len(words) < 3 or words[0] != "in" or words[2] not in _UNITS or not re.fullmatch(r"\d{1,3}", words[1]):
        return None
    return today + timedelta(days=int(words[1]) * _UNITS[words[2]]), 3


def _weekday(words: Sequence[str], today: date) -> DayFound:
    """`thu`, `next thu`, `thu 3 dec`."""
    later = bool(words) and words[0] == "next"
    rest = words[later:]
    weekday = _which(rest[0], WEEKDAYS) if rest else None
    if weekday is None:
        return None
    dated = _dated(rest[1:], today)
    if dated:
        return dated[0], dated[1] + 1 + later
    return today + timedelta(days=(weekday - today.weekday()) % 7 + 7 * later), 1 + later


def _dated(words: Sequence[str], today: date) -> DayFound:
    """`3 dec`, `3rd of december 2026`, `dec 3`."""
    said = [(n, word) for n, word in enumerate(words[:4]) if word != "of"]
    if len(said) < 2:
        return None
    (_, one), (last, two) = said[:2]
    number, month = (one, two) if one[:1].isdecimal() else (two, one)
    day, which = re.fullmatch(r"(\d{1,2})(st|nd|rd|th)?", number), _which(month, MONTHS)
    if day is None or which is None:
        return None
    year = said[2] if len(said) > 2 and re.fullmatch(r"2\d{3}", said[2][1]) else None
    if year:
        found = _date(int(year[1]), which + 1, int(day[1]))
        return (found, year[0] + 1) if found else None
    for later in (-1, 0, 1):
        found = _date(today.year + later, which + 1, int(day[1]))
        if found and found >= today - timedelta(days=7):
            return found, last + 1
    return None


def _which(word: str, names: Sequence[str]) -> int | None:
    if len(word) < _SHORTEST:
        return None
    return next((n for n, name in enumerate(names) if name.startswith(word) or word == f"{name}s"), None)


def _date(year: int, month: int, day: int) -> date | None:
    try:
        return date(year, month, day)
    except ValueError:
        return None
