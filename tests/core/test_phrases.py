"""The book of phrases: every sentence is said, every saying is in the book, and nothing is worded twice."""

import ast
import re
from collections import Counter
from collections.abc import Iterator
from pathlib import Path
from string import Formatter

import pytest

from mellow_tide.core.phrases.book import read_book, say

ROOT = Path(__file__).parents[2] / "mellow_tide"
OUTSIDE = ("catalogue", "phrases", "store", "demo", "library")
"""Folders with words of their own: the catalogue's errors for its authors, logs, the demo's notes."""


def _calls() -> Iterator[tuple[str, str, set[str] | None]]:
    """Where something is said, the name (a dynamic part as `*`), and the data; None where these come as `**data`."""
    for path in sorted(ROOT.rglob("*.py")):
        for node in ast.walk(ast.parse(path.read_text("utf-8"))):
            if not isinstance(node, ast.Call) or not isinstance(node.func, ast.Name):
                continue
            at = {"say": 0, "FieldProblem": 1, "tell": 1}.get(node.func.id)
            if at is None or len(node.args) <= at:
                continue
            area = {"say": "", "FieldProblem": "problems.", "tell": "refusals."}[node.func.id]
            given = {keyword.arg for keyword in node.keywords}
            data = None if None in given else {arg for arg in given if arg}
            for name in _names(node.args[at]):
                yield f"{path.name}:{node.lineno}", area + name, data


def _names(node: ast.expr) -> list[str]:
    match node:
        case ast.Constant(value=str(name)):
            return [name]
        case ast.IfExp(body=body, orelse=orelse):
            return [*_names(body), *_names(orelse)]
        case ast.JoinedStr(values=values):
            return ["".join(v.value if isinstance(v, ast.Constant) else "*" for v in values)]  # type: ignore[misc]
    return []


def _holes(entry: str) -> set[str]:
    return {name for _, name, _, _ in Formatter().parse(entry) if name}


def _said(name: str) -> list[str]:
    """The entries that a name, with its dynamic part, may mean."""
    pattern = re.compile(re.escape(name).replace(r"\*", r"[\w-]+") + r"(\.what|\.remedy|\.title|\.detail)?")
    return [entry for entry in read_book() if pattern.fullmatch(entry)]


@pytest.mark.parametrize(("where", "name", "data"), list(_calls()))
def test_what_is_said_is_in_the_book_with_all_it_needs(where: str, name: str, data: set[str] | None) -> None:
    entries = _said(name)
    assert entries, f"{where} says {name!r}, which is not in the book"
    if data is None or "*" in name:
        return
    words = [w for e in entries for w in _forms(e)]
    wanted = set().union(*map(_holes, words))
    assert wanted <= data, f"{where}: {name} has no data for {wanted - data}"
    assert data <= wanted | {"many", "count"}, f"{where}: {name} says nothing of {data - wanted}"


def _forms(entry: str) -> list[str]:
    words = read_book()[entry]
    return [words] if isinstance(words, str) else list(words.values())


def test_every_phrase_of_the_book_is_said_somewhere() -> None:
    source = "\n".join(path.read_text("utf-8") for path in ROOT.rglob("*.py"))
    dynamic = {name.split("*")[0] for _, name, _ in _calls() if "*" in name}

    def said(entry: str) -> bool:
        area, name, *_ = entry.split(".")
        full = f"{area}.{name}"
        # Problems and refusals are named by their code alone.
        alone = area in ("problems", "refusals") and f'"{name}"' in source
        return f'"{full}"' in source or alone or any(full.startswith(known) for known in dynamic if known)

    assert [entry for entry in read_book() if not said(entry)] == []


def test_nothing_is_worded_twice() -> None:
    """One thing can be wrong in two ways that are mended differently: a problem is compared with its remedy."""
    whole: dict[str, tuple[str, ...]] = {}
    for entry in read_book():
        area, name, *part = entry.split(".")
        known = whole.get(f"{area}.{name}", ())
        whole[f"{area}.{name}"] = (*known, *_forms(entry)) if part else tuple(_forms(entry))
    twice = Counter(whole.values())
    assert {words: n for words, n in twice.items() if n > 1 and any(" " in w for w in words)} == {}


def test_no_sentence_stands_outside_the_book() -> None:
    """A sentence is what ends in a full stop, or joins words to what the program fills in."""
    found = []
    for path in sorted(ROOT.rglob("*.py")):
        if any(part in OUTSIDE for part in path.parts):
            continue
        for node in _told(ast.parse(path.read_text("utf-8"))):
            words = _text(node)
            if re.search(r"[a-z]{2,}[^.]* [a-z]{2,}[^.]*\.$", words):
                found.append(f"{path.relative_to(ROOT)}:{node.lineno}: {words}")
    assert found == []


QUIET_CALLS = {"Check", "ValueError", "TypeError", "Field", "FieldRule", "RuntimeError", "print"}
"""Where words stand with what they describe: a check's reason, a field's question, a fault for programmers."""


def _told(node: ast.AST) -> Iterator[ast.expr]:
    """The strings of a tree that are no docstrings and do not stand with what they describe."""
    for child in ast.iter_child_nodes(node):
        match child:
            case ast.Expr(value=ast.Constant()):
                continue
            case ast.Call(func=ast.Name(id=name)) if name in QUIET_CALLS:
                continue
            case ast.Call(func=ast.Attribute(value=ast.Name(id="log" | "parser" | "router" | "argparse"))):
                continue
            case ast.Constant(value=str()) | ast.JoinedStr():
                yield child
            case _:
                yield from _told(child)


def _text(node: ast.expr) -> str:
    if isinstance(node, ast.JoinedStr):
        return "".join(str(v.value) if isinstance(v, ast.Constant) else "…" for v in node.values)
    assert isinstance(node, ast.Constant)
    return str(node.value)


@pytest.mark.parametrize(
    ("count", "words"), [(0, "no turn is needed"), (1, "one turn would do"), (2, "2 turns would do")]
)
def test_a_number_chooses_its_form(count: int, words: str) -> None:
    assert words in say("findings.turns", turns=3, count=count)


def test_a_region_that_is_many_gets_the_plural() -> None:
    one = say("problems.focus_declined.what", many=False, region="abdomen")
    many = say("problems.focus_declined.what", many=True, region="feet")
    assert (one, many) == ("abdomen has been declined", "feet have been declined")


def test_lists_times_and_reasons_are_filled_in_as_one_says_them() -> None:
    assert say("problems.focus_needs_minutes.what", regions=("back", "neck", "feet"), needed=50) == (
        "back, neck and feet cannot be worked in less than 50 booked minutes"
    )
    assert "3 min 15 s" in say("findings.too_short", seconds=195, least=240, place="back")
    assert say("findings.excluded_part", place="back", why="") == "The back is to be left alone."
    assert say("findings.excluded_part", place="back", why="a plaster").endswith("alone (a plaster).")
