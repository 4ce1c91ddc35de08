"""`./tide test`: formatter, linters, type checkers, import rules, unit, store and browser tests."""

import os
import subprocess
import time
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path

from launcher.debian import ensure_chromium, ensure_server_packages
from launcher.environment import ensure_built, ensure_front_end_packages, ensure_python, node_path
from launcher.places import ROOT, Places
from launcher.say import say

TWO_AT_A_TIME = ("-n", "2", "--dist", "loadfile", "--no-loadscope-reorder", "-q")
INNER = ("tests/core", "tests/vectors", "tests/test_architecture.py", "tests/test_names.py")
"""What needs neither database nor browser."""

RANDOM = (
    *(f"tests/core/test_{name}.py" for name in ("plan", "order", "adjust", "flow_properties", "designing")),
    "tests/external/test_difficult_clients.py",
)
"""What tries at random, and tries much more in the long run."""

VIEWS = ("tests/browser/test_nothing_falls_off.py", "tests/browser/test_targets.py")
"""What looks at a few views, and in the long run at every view and width."""

HOURS = (
    ("just before midnight", "2026-05-04T23:57:00+00:00", "UTC"),
    ("the last of February", "2028-02-29T12:00:00+00:00", "UTC"),
    ("clocks go forward", "2026-03-29T00:58:00+00:00", "Europe/London"),
    ("clocks go back", "2026-10-25T00:58:00+00:00", "Europe/London"),
)
"""When the whole path is walked as well: name, instant, the browser's time zone."""


@dataclass(frozen=True)
class _Part:
    """One thing that is checked, by a command in a folder."""

    name: str
    command: tuple[str, ...]
    folder: Path = ROOT
    environment: tuple[tuple[str, str], ...] = ()


STATIC = (
    _Part("types", ("mypy",)),
    _Part("front end: types and lint", ("npm", "run", "--silent", "check"), ROOT / "frontend"),
    _Part("front end: tests", ("npm", "run", "--silent", "test"), ROOT / "frontend"),
    _Part("formatting", ("ruff", "format", "--check", "--quiet", ".")),
    _Part("lint", ("ruff", "check", "--quiet", ".")),
    _Part("import rules", ("lint-imports", "--no-logo")),
)
"""What needs no test: two at a time, the longest first."""


def test(places: Places, words: list[str]) -> int:
    """Run everything but what is long; `quick`, `long`, or pytest alone with `words`. The exit code."""
    quick, long = words == ["quick"], words == ["long"]
    ensure_python(places, ("run", "dev"))
    path = node_path(places)
    ensure_front_end_packages(places, path)
    if not quick:
        ensure_server_packages()
        ensure_chromium()
        ensure_built(places)
    env = {
        **os.environ,
        "PATH": f"{places.python.parent}{os.pathsep}{path}",
        "TIDE_WEB": str(places.built),
        "PYTHONPATH": str(ROOT),
    }
    parts: tuple[_Part, ...] = (_Part("tests", ("pytest", *(words or TWO_AT_A_TIME))),)
    if quick:
        parts = (_Part("core and units", ("pytest", *INNER, "-n", "2", "-q")),)
    elif long:
        parts = _long()
    failed: list[str] = []
    if quick or not words:
        with ThreadPoolExecutor(max_workers=2) as both:
            passed = both.map(lambda part: _passes(part, env, quietly=True), STATIC)
            failed += [part.name for part, passes in zip(STATIC, passed, strict=True) if not passes]
    failed += [part.name for part in parts if not _passes(part, env)]
    if failed:
        say(f"failed: {', '.join(failed)}")
    return 1 if failed else 0


def _long() -> tuple[_Part, ...]:
    """Large random runs, every view in both themes and at every width, chaos, and the whole path at odd hours."""
    at = [
        _Part(
            f"the whole path, {name}",
            ("pytest", "tests/browser/test_whole_path.py", *TWO_AT_A_TIME),
            environment=(("TIDE_TEST_NOW", now), ("TIDE_TEST_ZONE", zone)),
        )
        for name, now, zone in HOURS
    ]
    return (
        _Part("long tests", ("pytest", "-m", "long", *TWO_AT_A_TIME)),
        _Part(
            "large random runs", ("pytest", *RANDOM, "-n", "2", "-q"), environment=(("TIDE_TEST_LONG", "1"),)
        ),
        _Part("every view", ("pytest", *VIEWS, *TWO_AT_A_TIME), environment=(("TIDE_TEST_LONG", "1"),)),
        *at,
    )


def _passes(part: _Part, env: dict[str, str], quietly: bool = False) -> bool:
    """Run a part with its output as it comes; `quietly`, beside another: at its end, in one piece, if it failed."""
    if not quietly:
        say(f"· {part.name} …")
    began = time.monotonic()
    ran = subprocess.run(
        part.command,
        cwd=part.folder,
        env={**env, **dict(part.environment)},
        stdin=subprocess.DEVNULL,
        stdout=subprocess.PIPE if quietly else None,
        stderr=subprocess.STDOUT if quietly else None,
        text=True,
    )
    passed = ran.returncode == 0
    output = ran.stdout if quietly and not passed else ""
    say(f"{output}  {part.name}: {'passed' if passed else 'FAILED'} in {time.monotonic() - began:.0f} s")
    return passed
