"""HLT09: a region or a kind of stroke that health forbids."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.checks.repairs import leave_out, leave_part_out
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Parts on a forbidden region and steps of a forbidden family; consents and pregnancy have checks of their own."""
    regions = {x.id: x.because for x in case.restrictions.regions if not (x.in_pregnancy or x.declined)}
    regions |= {x.id: x.because for x in case.restrictions.unless_asked if x.id not in case.flow.brief.focus}
    if not regions and not case.restrictions.strokes:
        return
    for s in case.flow.parts:
        if s.region in regions:
            what = say("findings.left_alone", place=case.place(s), because=regions[s.region])
            yield Found(what, s, None, leave_part_out(case, s))
            continue
        for i, x in enumerate(s.steps):
            stroke = case.stroke(x)
            because = case.restrictions.why_no_stroke(stroke, s.region, case.direction(x))
            if because:
                what = say("findings.stroke_barred", stroke=stroke.name, place=case.place(s), because=because)
                yield Found(what, s, i, leave_out(case, s, i))


CHECK = Check(
    code="HLT09",
    name="left alone for health",
    severity="refuse",
    summary="Regions and kinds of strokes that a condition rules out are left out.",
    rationale="Brittle bones and percussion, hair extensions and fingers in the hair do not go together.",
    bad=lambda c: flow(c, part(c, "back", strokes=(*ARC[:2], ("clapping", "rouse", 2), *ARC[3:]))),
    good=lambda c: flow(c, part(c, "back", strokes=(*ARC[:2], *ARC[3:]))),
    client=ClientFacts(conditions=frozenset({"osteoporosis_severe"})),
    check=check,
)
