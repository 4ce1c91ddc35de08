"""HLT13: a long stroke over a region that does not bear it."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import both, flow
from mellow_tide.core.flow.brief import ClientFacts, Excluded
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow, Step
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Long strokes over a region that is to be left alone, or on which the stroke, or its depth, is not allowed."""
    for s, i, x, stroke in case.all_steps():
        for id in x.over:
            region = case.catalogue.regions[id]
            side = s.side if region.sides == "pair" or s.side == "mid" else "mid"
            spared = case.restrictions.kept_off(id, side)
            why = spared.because if spared else case.restrictions.why_no_stroke(stroke, id, x.direction)
            cap = case.restrictions.capped(id)
            if why is None and cap is not None and x.depth > cap.depth:
                why = cap.because
            if why is None:
                continue
            edits = (ChangeStep(part_id=s.id, step=i, clear=("over",)),)
            words = say("repairs.keep_to_region", region=case.region(s).name)
            what = say("findings.over_spared", stroke=stroke.name, region=region.name, because=why)
            yield Found(what, s, i, (Repair(words=words, edits=edits),))


def _leg(c: Catalogue, over: tuple[str, ...]) -> Flow:
    spread = Step(stroke="oil_spread", slot="spread", tool="palms", depth=1, passes=2, over=over)
    thighs = both(c, "thigh_back")
    return flow(c, *(thigh.model_copy(update={"steps": (spread, *thigh.steps[1:])}) for thigh in thighs))


CHECK = Check(
    code="HLT13",
    name="long stroke over a place to spare",
    severity="refuse",
    summary="A long stroke keeps off every region that is left alone, or that bears less.",
    rationale="A hand that runs over a limb in one go does not stop by itself where it should.",
    bad=lambda c: _leg(c, ("lower_leg_back",)),
    good=lambda c: _leg(c, ()),
    client=ClientFacts(excluded=(Excluded(region="lower_leg_back", because="a graze"),)),
    check=check,
)
