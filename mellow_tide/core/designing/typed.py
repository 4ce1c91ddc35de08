"""What was typed into the quick line, read word by word: numbers with their units, sides, small words, and the rest."""

import re
from dataclasses import dataclass, field, replace
from typing import Literal

from mellow_tide.core.catalogue.records import Stand
from mellow_tide.core.flow.brief import Side

SECONDS = ("s", "sec", "second", "seconds")
MINUTES = ("m", "min", "mins", "minute", "minutes")
SIDES: dict[str, Side] = {"left": "left", "l": "left", "right": "right", "r": "right", "both": "both"}
WISHES: dict[str, Literal["out", "more", "turn"]] = {
    "no": "out",
    "without": "out",
    "leave": "out",
    "skip": "out",
    "more": "more",
    "turn": "turn",
}
STANDS: dict[str, Stand] = {"head": "head", "foot": "foot"}
FROM = re.compile(rf"\bfrom (?:the )?({'|'.join(STANDS)})\b")
EMPTY = (
    "depth",
    "the",
    "a",
    "of",
    "and",
    "to",
    "on",
    "for",
    "out",
    "x",
    "times",
    "pass",
    "passes",
    "side",
    "sides",
)


@dataclass(frozen=True)
class Typed:
    """A line as read. `number` is a bare number, `seconds` one with its unit of time, `depth` one after that word.

    `stand`: the end of the table from which it is done, after “from”.
    """

    words: tuple[str, ...] = ()
    side: Side | None = None
    wish: Literal["out", "more", "turn"] | None = None
    number: int | None = None
    seconds: int | None = None
    depth: int | None = None
    stand: Stand | None = None
    _before: str = field(default="", repr=False)


def read_typed(line: str) -> Typed:
    """Read a line; whatever is not a number, a unit, a side or a small word is a word that names something."""
    line = line.lower().replace("’", "")
    stands = FROM.search(line)
    found = Typed(stand=STANDS[stands[1]] if stands else None)
    for word in re.findall(r"\d+|[a-z]+", FROM.sub(" ", line)):
        found = replace(_with(found, word), _before=word)
    return found


def _with(found: Typed, word: str) -> Typed:
    if word.isdigit():
        number = int(word)
        return replace(found, depth=number) if found._before == "depth" else replace(found, number=number)
    if found._before.isdigit() and found.number is not None and word in (*SECONDS, *MINUTES):
        unit = 1 if word in SECONDS else 60
        return replace(found, seconds=found.number * unit, number=None)
    if word in SIDES:
        return replace(found, side=SIDES[word])
    if word in WISHES:
        return replace(found, wish=WISHES[word])
    return found if word in EMPTY else replace(found, words=(*found.words, word))
