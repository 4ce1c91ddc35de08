"""What the product is made of: every locked package with its licence, held against advisories if a file is given.

Advisories are read as the OSV schema has them (a list, one object, or one object a line), for PyPI and npm.
"""

import json
import re
import sys
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from importlib import metadata
from pathlib import Path
from typing import Any, Literal

from packaging.version import InvalidVersion, Version

from launcher.places import ROOT
from launcher.say import say

Ecosystem = Literal["PyPI", "npm"]


@dataclass(frozen=True, order=True)
class Package:
    """A locked package. `shipped`: it runs in the product, and not only where that is built or tested."""

    ecosystem: Ecosystem
    name: str
    version: str
    licence: str
    shipped: bool


def list_packages(root: Path = ROOT) -> list[Package]:
    """Every package of the lock files, in order."""
    return sorted({*_of_python(root / "requirements"), *_of_node(root / "frontend" / "package-lock.json")})


def find_advised(
    packages: Iterable[Package], advisories: Iterable[dict[str, Any]]
) -> Iterator[tuple[Package, str]]:
    """Each package that an advisory is about, with the advisory's id."""
    by_name: dict[tuple[str, str], list[Package]] = {}
    for package in packages:
        by_name.setdefault((package.ecosystem, _plain(package.name)), []).append(package)
    for advisory in advisories:
        if advisory.get("withdrawn"):
            continue
        for affected in advisory.get("affected", []):
            about = affected.get("package", {})
            for package in by_name.get((about.get("ecosystem", ""), _plain(about.get("name", ""))), []):
                if _is_affected(package.version, affected):
                    yield package, str(advisory.get("id", "unnamed"))


def read_advisories(text: str) -> list[dict[str, Any]]:
    """The advisories in a text. Raises ValueError where it is none."""
    try:
        read = json.loads(text)
    except ValueError:
        read = [json.loads(line) for line in text.splitlines() if line.strip()]
    found = read if isinstance(read, list) else [read]
    if not found or not all(isinstance(one, dict) and "affected" in one for one in found):
        raise ValueError("no advisories as the OSV schema has them")
    return found


def _of_python(folder: Path) -> Iterator[Package]:
    shipped: set[str] = set()
    for lock in ("run", "node", "dev"):
        for line in (folder / f"{lock}.lock").read_text(encoding="utf-8").splitlines():
            pinned = re.match(r"([A-Za-z0-9._-]+)==([^ ;\\]+)", line)
            if pinned and _plain(pinned[1]) not in shipped:
                if lock == "run":
                    shipped.add(_plain(pinned[1]))
                yield Package("PyPI", pinned[1], pinned[2], _licence(pinned[1]), lock == "run")


def _licence(name: str) -> str:
    try:
        told = metadata.metadata(name)
    except metadata.PackageNotFoundError:
        return "not installed here"
    kinds = [
        one.rsplit(" :: ", 1)[-1] for one in told.get_all("Classifier") or () if one.startswith("License")
    ]
    lines = (*(told.get_all("License-Expression") or ()), ", ".join(kinds), *(told.get_all("License") or ()))
    return next((line.splitlines()[0][:60] for line in lines if line), "not said")


def _of_node(lock: Path) -> Iterator[Package]:
    for path, entry in json.loads(lock.read_text(encoding="utf-8"))["packages"].items():
        name = path.rpartition("node_modules/")[2]
        if name and "version" in entry:
            licence = str(entry.get("license", "not said"))
            yield Package("npm", name, entry["version"], licence, not entry.get("dev", False))


def _plain(name: str) -> str:
    return re.sub(r"[-_.]+", "-", name).lower()


def _is_affected(version: str, affected: dict[str, Any]) -> bool:
    if version in affected.get("versions", []):
        return True
    return any(
        _is_within(version, one.get("events", []))
        for one in affected.get("ranges", [])
        if one.get("type") != "GIT"
    )


def _is_within(version: str, events: list[dict[str, str]]) -> bool:
    """Whether a version lies in a range: after what introduced it, before what fixed it."""
    try:
        here, within = Version(version), False
        for event in events:
            if "introduced" in event:
                within = within or event["introduced"] == "0" or here >= Version(event["introduced"])
            elif "fixed" in event:
                within = within and here < Version(event["fixed"])
            elif "last_affected" in event:
                within = within and here <= Version(event["last_affected"])
    except InvalidVersion:
        # What cannot be compared is looked at by somebody.
        return True
    return within


def main(words: list[str]) -> int:
    """Print the packages; 1 if an advisory is about any, 2 if the advisories cannot be read."""
    packages = list_packages()
    for one in packages:
        where = "" if one.shipped else "  (to build and test)"
        say(f"{one.ecosystem:5} {one.name} {one.version}  {one.licence}{where}")
    say(f"{len(packages)} packages, {sum(one.shipped for one in packages)} of them shipped")
    if not words:
        return 0
    try:
        advisories = read_advisories(Path(words[0]).read_text(encoding="utf-8"))
    except (OSError, ValueError) as error:
        say(f"tide: {words[0]}: {error}\n  What to do: give a file of advisories in the OSV schema")
        return 2
    found = list(find_advised(packages, advisories))
    for package, advisory in found:
        say(f"{advisory} is about {package.name} {package.version}")
    say(f"{len(advisories)} advisories, {len(found)} of them about what is locked here")
    return 1 if found else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
