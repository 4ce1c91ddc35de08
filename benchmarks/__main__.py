"""`./tide bench [area] [--json] [--write]`: one line a figure. `--plans` is the area that is not among all.

`--write` puts what was measured into docs/benchmarks.md, with the machine.
"""

import os
import platform
import sys
from datetime import UTC, datetime
from pathlib import Path
from statistics import median

from benchmarks import clients, clock, craft, day, evaluation, learning, numbers, planner, plans, screen
from benchmarks.figure import Figure
from benchmarks.yardstick import THERE

PAGE = Path(__file__).parents[1] / "docs" / "benchmarks.md"
CPUINFO = Path("/proc/cpuinfo")

AREAS = {
    "clock": clock.figures,
    "evaluation": evaluation.figures,
    "planner": planner.figures,
    "screen": screen.figures,
    "clients": clients.figures,
    "day": day.figures,
    "numbers": numbers.figures,
    "learning": learning.figures,
}
LONG = {"plans": plans.figures, "craft": craft.figures}


def main(words: list[str]) -> int:
    """Measure the areas named, or all; 1 if a promise is missed, 2 for an unknown area."""
    as_json = "--json" in words
    known = AREAS | LONG
    wanted = [word.removeprefix("--") for word in words if word not in ("--json", "--write")] or list(AREAS)
    unknown = [area for area in wanted if area not in known]
    if unknown:
        print(
            f"bench: there is no area called {', '.join(unknown)}; there are: {', '.join(known)}",
            file=sys.stderr,
        )
        return 2
    measured = []
    for area in wanted:
        for found in known[area]():
            print(found.as_json() if as_json else found.as_line(), flush=True)
            measured.append(found)
    if "--write" in words:
        PAGE.write_text(page(measured))
    return 0 if all(found.holds for found in measured) else 1


def page(measured: list[Figure]) -> str:
    """The page of the last run."""
    rows = "\n".join(found.as_row() for found in measured)
    return (
        "# What was measured last\n\n"
        f"By `./tide bench --write` on {datetime.now(UTC):%Y-%m-%d}: {machine()}. Times in ms; a ratio is of medians\n"
        "in the same run. A second machine, or a busy one, gives other times and much the same ratios.\n\n"
        f"{_by_yardstick(measured)}"
        "| what | median | 95th percentile | beside | promised |\n|---|---|---|---|---|\n"
        f"{rows}\n"
    )


def _by_yardstick(measured: list[Figure]) -> str:
    """How the promises in ms are held on a machine that is slower than the one that they are made for."""
    slow = [found.slowness for found in measured if found.slowness > 1]
    if not slow:
        return ""
    return (
        f"Promises in ms are made for a machine that needs {THERE} ms for a fixed piece of work\n"
        f"(`benchmarks/yardstick.py`). This one needed {median(slow):.1f} times as long. So each time is divided by\n"
        "how much slower the machine was right before it, and the promise is held against what comes out, *by the\n"
        "yardstick*. The columns show the times as measured.\n\n"
    )


def machine() -> str:
    """Processor, number of its cores, and the versions that matter, in a few words."""
    cpu = next(
        (line.split(":")[1].strip() for line in CPUINFO.read_text().splitlines() if "model name" in line), ""
    )
    return f"{cpu or platform.machine()}, {os.cpu_count()} cores, Python {platform.python_version()}"


sys.exit(main(sys.argv[1:]))
