"""CAU01: too deep on a fragile place."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ARC, flow, part, step
from mellow_tide.core.checks.repairs import leave_out, work_at
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Steps at a fragile zone deeper than is allowed there."""
    for s in case.flow.parts:
        # Behind the knee the schools differ; it has a check of its own.
        here = [
            place
            for place in case.catalogue.places.values()
            if s.region in place.zones and place.id != "back_of_knee"
        ]
        for i, x in enumerate(s.steps):
            for place in here:
                if x.zone not in place.zones[s.region] or x.depth <= place.most_depth:
                    continue
                what = say(
                    "findings.fragile_place",
                    stroke=case.stroke(x).name,
                    depth=x.depth,
                    place=place.name,
                    says=place.says,
                )
                yield Found(what, s, i, work_at(case, s, i, place.most_depth) or leave_out(case, s, i))


def _kneading(zone: str, c: Catalogue) -> Flow:
    kneading = step(c, "kneading", "knead", 3).model_copy(update={"zone": zone})
    arm = part(c, "arm", "right", ARC, position="supine")
    return flow(c, arm.model_copy(update={"steps": (*arm.steps[:2], kneading, *arm.steps[3:])}))


CHECK = Check(
    code="CAU01",
    name="fragile place",
    severity="refuse",
    summary="Each fragile place has its own most depth: the front of the neck, the inner elbow, the shin and others.",
    rationale="Vessels, nerves, organs and bone lie unprotected there.",
    bad=lambda c: _kneading("elbow_crease", c),
    good=lambda c: _kneading("biceps", c),
    check=check,
)
