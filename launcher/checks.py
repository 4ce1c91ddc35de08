"""`./tide test`: formatter, linters, type checkers, import rules, unit, store and browser tests."""

import os
import subprocess
import time
from pathlib import Path

from launcher.debian import ensure_chromium, ensure_server_packages
from launcher.environment import ensure_built, ensure_front_end_packages, ensure_python, node_path
from launcher.places import ROOT, Places
from launcher.say import say


def test(places: Places, words: list[str]) -> int:
    """Run everything, or pytest alone with `words` if any are given; the exit code."""
    ensure_server_packages()
    ensure_chromium()
    ensure_python(places, ("run", "dev"))
    path = node_path(places)
    ensure_front_end_packages(places, path)
    ensure_built(places)
    bin = places.python.parent
    env = {
        **os.environ,
        "PATH": f"{bin}{os.pathsep}{path}",
        "TIDE_WEB": str(places.built),
        "PYTHONPATH": str(ROOT),
    }
    frontend = ROOT / "frontend"
    parts: list[tuple[str, list[str], Path]] = [
        ("formatting", ["ruff", "format", "--check", "--quiet", "."], ROOT),
        ("lint", ["ruff", "check", "--quiet", "."], ROOT),
        ("types", ["mypy"], ROOT),
        ("import rules", ["lint-imports", "--no-logo"], ROOT),
        ("front end: types and lint", ["npm", "run", "--silent", "check"], frontend),
        ("front end: tests", ["npm", "run", "--silent", "test"], frontend),
    ]
    failed = [name for name, command, cwd in ([] if words else parts) if not _passes(name, command, cwd, env)]
    pytest = ["pytest", *(words or ["-n", "2", "--dist", "loadfile", "--no-loadscope-reorder", "-q"])]
    if not _passes("tests", pytest, ROOT, env):
        failed.append("tests")
    if failed:
        say(f"failed: {', '.join(failed)}")
    return 1 if failed else 0


def _passes(name: str, command: list[str], cwd: Path, env: dict[str, str]) -> bool:
    say(f"· {name} …")
    began = time.monotonic()
    code = subprocess.run(command, cwd=cwd, env=env, stdin=subprocess.DEVNULL).returncode
    say(f"  {'passed' if code == 0 else 'FAILED'} in {time.monotonic() - began:.0f} s")
    return code == 0
