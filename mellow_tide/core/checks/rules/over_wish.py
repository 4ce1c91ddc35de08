"""PRS01: depth over the wished pressure by two."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.checks.repairs import work_at
from mellow_tide.core.flow.brief import wished_depth
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Steps two or more levels deeper than the depth that the client or the brief wishes there."""
    for s in case.worked():
        wished = wished_depth(case.region(s), case.flow.brief, case.client)
        for i, x in enumerate(s.steps):
            if x.depth < wished + 2:
                continue
            stroke = case.stroke(x)
            what = say(
                "findings.over_wish", stroke=stroke.name, depth=x.depth, place=case.place(s), wished=wished
            )
            softer = max(wished, stroke.depth[0])
            yield Found(what, s, i, work_at(case, s, i, softer) if softer < wished + 2 else ())


CHECK = Check(
    code="PRS01",
    name="deeper than wished",
    severity="caution",
    summary="No stroke is two levels or more deeper than the pressure wished.",
    rationale="“Was it too hard?” is asked too late when the plan had already decided it.",
    bad=lambda c: flow(
        c, part(c, "back", strokes=(*ARC[:2], ("kneading", "knead", 4), *ARC[3:])), pressure="light"
    ),
    good=lambda c: flow(c, part(c, "back"), pressure="light"),
    check=check,
)
