"""DRP03: a zone outside the limit of its window."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, part
from mellow_tide.core.flow.edits import ChangePart
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """The first step of a part on bare skin at a zone that its window leaves covered."""
    for s in case.worked():
        beyond = case.catalogue.windows[s.window].beyond.get(s.region, ())
        outside = next((i for i, x in enumerate(s.steps) if x.zone in beyond), None)
        if outside is None or s.medium == "clothed":
            continue
        window, wanted = case.catalogue.windows[s.window], case.region(s).window_in(s.position)
        name = case.catalogue.windows[wanted].name
        edits = (ChangePart(part_id=s.id, window=wanted),)
        zone = case.region(s).name_zone(s.steps[outside].zone or "")
        what = say(
            "findings.beyond_window", zone=zone, place=case.place(s), window=window.name, limit=window.limit
        )
        yield Found(what, s, outside, (Repair(words=say("repairs.use_window", window=name), edits=edits),))


def _hip(zone: str, c: Catalogue) -> Flow:
    hip = part(c, "hips", "right", ARC)
    kneading = hip.steps[2].model_copy(update={"zone": zone})
    steps = (*hip.steps[:2], kneading, *hip.steps[3:])
    return flow(c, hip.model_copy(update={"window": "back", "steps": steps}))


CHECK = Check(
    code="DRP03",
    name="beyond the window",
    severity="refuse",
    summary="Work stays inside the limit of the window that is open.",
    rationale="A sheet that creeps further than was said is felt as more than a sheet.",
    bad=lambda c: _hip("gluteal", c),
    good=lambda c: _hip("iliac_crest", c),
    check=check,
)
