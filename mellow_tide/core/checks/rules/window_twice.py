"""TIM03: a window opened twice."""

from collections import Counter
from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Windows that are opened again in the same position after they were closed."""
    opened: Counter[tuple[str, str, str]] = Counter()
    for e in case.sheet.entries:
        if e.kind != "open_window":
            continue
        key = (e.position, e.about, e.about_side)
        opened[key] += 1
        if opened[key] == 2:
            name = case.catalogue.windows[e.about].name
            window = name if e.about_side == "mid" else f"{e.about_side} {name}"
            yield Found(say("findings.window_twice", window=window), case.flow.parts[e.part])


CHECK = Check(
    code="TIM03",
    name="uncovered twice",
    severity="advice",
    summary="Each window is opened once in a position.",
    rationale="Every opening and closing takes most of a minute and lets the warmth out.",
    bad=lambda c: flow(c, part(c, "back"), part(c, "thigh_back", "right"), *both(c, "shoulders")),
    good=lambda c: flow(c, part(c, "back"), *both(c, "shoulders"), part(c, "thigh_back", "right")),
    check=check,
)
