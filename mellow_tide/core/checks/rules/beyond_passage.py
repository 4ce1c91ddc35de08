"""ORD13: a long stroke that runs over what is not worked with it."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Part, Step
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Long strokes over regions that are no stretch of one glide, or not all worked under the same cover."""
    for at, s in enumerate(case.flow.parts):
        for i, x in enumerate(s.steps):
            if not x.over or _runs_on(case, at, s, x):
                continue
            edits = (ChangeStep(part_id=s.id, step=i, clear=("over",)),)
            words = say("repairs.keep_to_region", region=case.region(s).name)
            what = say("findings.beyond_passage", stroke=case.stroke(x).name, place=case.place(s))
            yield Found(what, s, i, (Repair(words=words, edits=edits),))


def _runs_on(case: Case, at: int, s: Part, x: Step) -> bool:
    regions = {s.region, *x.over}
    worked = {case.flow.parts[place].region for place in case.passage_of(at)}
    glides = (glide for passage in case.catalogue.passages.values() for glide in passage.glides)
    stretches = any(
        set(glide[start : start + len(regions)]) == regions for glide in glides for start in range(len(glide))
    )
    return stretches and regions <= worked and case.stroke(x).passing.kind == "glide"


def _long(over: tuple[str, ...]) -> tuple[Step, ...]:
    spread = Step(stroke="oil_spread", slot="spread", tool="palms", depth=1, passes=2, over=over)
    return (spread,)


CHECK = Check(
    code="ORD13",
    name="long stroke beyond its passage",
    severity="caution",
    summary="A stroke runs over several regions only where they lie along one limb and are worked under one cover.",
    rationale="Where a region between is covered, or left out, the hands must stop there.",
    bad=lambda c: flow(
        c,
        part(c, "hips", "right").model_copy(
            update={"steps": (*_long(("lower_leg_back",)), *part(c, "hips", "right").steps[1:])}
        ),
        part(c, "lower_leg_back", "right"),
        part(c, "hips", "left"),
        part(c, "lower_leg_back", "left"),
    ),
    good=lambda c: flow(
        c,
        part(c, "thigh_back", "right").model_copy(
            update={"steps": (*_long(("lower_leg_back",)), *part(c, "thigh_back", "right").steps[1:])}
        ),
        part(c, "lower_leg_back", "right", ARC[1:]),
        part(c, "thigh_back", "left"),
        part(c, "lower_leg_back", "left"),
    ),
    check=check,
)
