"""The book of phrases: sentences by area and name, as data. The core names one and gives what it is about."""

import tomllib
from collections.abc import Mapping
from functools import cache
from importlib import resources
from string import Formatter

from mellow_tide.core.phrases.times import say_span, say_weeks

Wording = str | Mapping[str, str]
"""A sentence with {holes}, or one each for `one` and `many`, and for `none` where that is said otherwise."""


class Sentence(str):
    """A sentence of the book, filled in. It knows its name there (`area.name`) and what it was filled in with."""

    phrase: str
    data: Mapping[str, object]


def say(phrase: str, **data: object) -> Sentence:
    """The sentence called `area.name`, filled in with `data`; what it has no hole for is not said.

    Where the sentence has a form for one and for many, `count` (an int) or `many` (a bool) chooses. A hole may say how
    it is filled: `:span` for seconds, `:weeks` for days of a pregnancy, `:and`, `:or` for lists (plain lists have
    commas), `:cap` for a capital first, `:because` for a reason in brackets or nothing, or any format of Python's.
    Raises `KeyError` for a name that is not in the book and for a hole without data.
    """
    entry = read_book()[phrase]
    words = entry if isinstance(entry, str) else entry[_number(entry, data)]
    said = Sentence(_FORMATTER.vformat(words, (), data))
    said.phrase, said.data = phrase, data
    return said


@cache
def read_book() -> Mapping[str, Wording]:
    """Every entry by `area.name`; problems and refusals by `area.name.part`."""
    book: dict[str, Wording] = {}
    for file in (resources.files("mellow_tide.core.phrases") / "areas").iterdir():
        area = file.name.removesuffix(".toml")
        for name, entry in tomllib.loads(file.read_text("utf-8")).items():
            if isinstance(entry, dict) and not FORMS.issuperset(entry):
                book |= {f"{area}.{name}.{part}": words for part, words in entry.items()}
            else:
                book[f"{area}.{name}"] = entry
    return book


FORMS = frozenset({"none", "one", "many"})


def _number(entry: Mapping[str, str], data: Mapping[str, object]) -> str:
    if "count" in data:
        count = data["count"]
        return "none" if count == 0 and "none" in entry else "one" if count == 1 else "many"
    return "many" if data["many"] else "one"


class _Filler(Formatter):
    """Python's own formatter, with the few formats that sentences want."""

    def format_field(self, value: object, format_spec: str) -> str:
        match format_spec, value:
            case "span", int() | float():
                return say_span(round(value))
            case "weeks", int():
                return say_weeks(value)
            case "cap", str():
                return value[:1].upper() + value[1:]
            case "because", str():
                return f" ({value})" if value else ""
            case (("" | "and" | "or"), (tuple() | list())):
                return _listed([str(one) for one in value], format_spec)
        return str(super().format_field(value, format_spec))


def _listed(words: list[str], last: str) -> str:
    """`a, b, c`, or with a word before the last: `a, b and c`."""
    if not last or len(words) < 2:
        return ", ".join(words)
    return f"{', '.join(words[:-1])} {last} {words[-1]}"


_FORMATTER = _Filler()
