"""`./tide chaos`: many scripted runs at the table while network, browser, server, database and clock fail."""

import argparse
import sys
import time
from collections import Counter

from playwright.sync_api import sync_playwright

from launcher.say import say
from tests.chaos.script import play
from tests.chaos.world import World


def main() -> int:
    """Run them all, saying how it goes; 0 if nothing was lost, doubled or reordered."""
    words = argparse.ArgumentParser(prog="./tide chaos", description=__doc__)
    words.add_argument("--runs", type=int, default=200, help="how many scripted runs (default 200)")
    words.add_argument("--seed", type=int, default=1, help="the first seed; each run has its own")
    asked = words.parse_args()
    faults: Counter[int] = Counter()
    taps, began = 0, time.monotonic()
    with sync_playwright() as playwright, World(playwright) as world:
        for n in range(asked.runs):
            seed = asked.seed + n
            try:
                taps += play(world, seed)
            except AssertionError as fault:
                faults[seed] += 1
                say(f"run {n + 1}, seed {seed}: {fault}")
            if (n + 1) % 10 == 0:
                minutes = (time.monotonic() - began) / 60
                say(f"· {n + 1} of {asked.runs} runs, {taps} taps, {minutes:.1f} min")
    say(f"{asked.runs} runs, {taps} taps, {len(faults)} runs with a tap lost, doubled or out of order")
    return 1 if faults else 0


if __name__ == "__main__":
    sys.exit(main())
