"""`./tide bench [area] [--json]`: one line a figure. `--plans` is the area that is not among all."""

import sys

from benchmarks import clock, evaluation, planner, plans

AREAS = {"clock": clock.figures, "evaluation": evaluation.figures, "planner": planner.figures}
LONG = {"plans": plans.figures}


def main(words: list[str]) -> int:
    """Measure the areas named, or all; 1 if a promise is missed, 2 for an unknown area."""
    as_json = "--json" in words
    known = AREAS | LONG
    wanted = [word.removeprefix("--") for word in words if word != "--json"] or list(AREAS)
    unknown = [area for area in wanted if area not in known]
    if unknown:
        print(
            f"bench: there is no area called {', '.join(unknown)}; there are: {', '.join(known)}",
            file=sys.stderr,
        )
        return 2
    held = True
    for area in wanted:
        for found in known[area]():
            print(found.as_json() if as_json else found.as_line(), flush=True)
            held = held and found.holds
    return 0 if held else 1


sys.exit(main(sys.argv[1:]))
