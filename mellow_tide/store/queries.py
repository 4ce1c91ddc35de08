"""Named queries, kept in files: `-- name: <name>` begins one; names are unique over all files."""

import re
from collections.abc import Iterable
from functools import cache
from importlib import resources
from typing import LiteralString

_HEAD = re.compile(r"^-- name: (\w+)$", re.MULTILINE)


@cache
def _shipped() -> dict[str, str]:
    folder = resources.files("mellow_tide.store") / "sql"
    files = sorted((f for f in folder.iterdir() if f.name.endswith(".sql")), key=lambda f: f.name)
    return read_queries(f.read_text(encoding="utf-8") for f in files)


def read_queries(texts: Iterable[str]) -> dict[str, str]:
    """The queries of all `texts` by name; raises ValueError where a name comes twice."""
    queries: dict[str, str] = {}
    for text in texts:
        parts = _HEAD.split(text)
        for name, body in zip(parts[1::2], parts[2::2], strict=True):
            if name in queries:
                raise ValueError(f"the query “{name}” is there twice")
            queries[name] = body.strip()
    return queries


def query(name: str) -> LiteralString:
    """The text of the named query; raises KeyError for an unknown name."""
    return _shipped()[name]
