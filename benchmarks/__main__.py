"""`./tide bench [area] [--json]`: one line a figure."""

import sys

from benchmarks import clock, evaluation, planner

AREAS = {"clock": clock.figures, "evaluation": evaluation.figures, "planner": planner.figures}


def main(words: list[str]) -> int:
    """Measure the areas named, or all; 1 if a promise is missed, 2 for an unknown area."""
    as_json = "--json" in words
    wanted = [word for word in words if not word.startswith("--")] or list(AREAS)
    unknown = [area for area in wanted if area not in AREAS]
    if unknown:
        print(
            f"bench: there is no area called {', '.join(unknown)}; there are: {', '.join(AREAS)}",
            file=sys.stderr,
        )
        return 2
    held = True
    for area in wanted:
        for found in AREAS[area]():
            print(found.as_json() if as_json else found.as_line(), flush=True)
            held = held and found.holds
    return 0 if held else 1


sys.exit(main(sys.argv[1:]))
