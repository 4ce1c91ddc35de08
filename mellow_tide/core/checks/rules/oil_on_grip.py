"""ORD10: oil where a grip is needed."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ARC, flow, part, step
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Steps that need a grip after the oil has come, neither wiped first nor done with a towel."""
    oiled: set[str] = set()
    for s, i, x, stroke in case.steps():
        if s.medium == "lubricated" and "lubricated" in stroke.medium:
            oiled.add(s.id)
        if not stroke.grip or s.id not in oiled or x.wipe or x.tool == "towel":
            continue
        repair = Repair(
            words=say("repairs.wipe_oil_off_first"), edits=(ChangeStep(part_id=s.id, step=i, wipe=True),)
        )
        yield Found(say("findings.oil_on_grip", stroke=stroke.name, place=case.place(s)), s, i, (repair,))


def _traction(wipe: bool, c: Catalogue) -> Flow:
    arm = part(c, "arm", "right", ARC, position="supine")
    pull = step(c, "traction", "mobilise", 2).model_copy(update={"wipe": wipe})
    return flow(c, arm.model_copy(update={"steps": (*arm.steps[:3], pull, *arm.steps[3:])}))


CHECK = Check(
    code="ORD10",
    name="oil where a grip is needed",
    severity="caution",
    summary="For a pull, or to open the foot, the oil is wiped off first, or a towel gives the grip.",
    rationale="Fingers that slip clench, and a pull that slips ends with a jerk.",
    bad=lambda c: _traction(False, c),
    good=lambda c: _traction(True, c),
    check=check,
)
