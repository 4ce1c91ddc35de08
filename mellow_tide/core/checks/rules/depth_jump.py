"""ORD06: a rise of two depth levels from one stroke to the next."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.checks.repairs import work_at
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Steps two or more levels deeper than the one before; easing off may be as sudden as it likes."""
    for s in case.worked():
        for i in range(1, len(s.steps)):
            before, now = s.steps[i - 1].depth, s.steps[i].depth
            if now - before < 2:
                continue
            name = case.stroke(s.steps[i]).name
            what = say("findings.depth_jump", stroke=name, place=case.place(s), before=before, now=now)
            yield Found(what, s, i, work_at(case, s, i, before + 1))


CHECK = Check(
    code="ORD06",
    name="jump in depth",
    severity="caution",
    summary="Depth rises by one level at a time.",
    rationale="A body that has just met light hands braces against a sudden strong one.",
    bad=lambda c: flow(c, part(c, "back", strokes=(*ARC[:2], ("kneading", "knead", 4), *ARC[3:]))),
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
