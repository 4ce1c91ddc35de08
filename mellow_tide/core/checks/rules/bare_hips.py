"""CNS03: work on bare skin where the client wants it through the sheet alone."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import both, flow
from mellow_tide.core.checks.repairs import leave_part_out
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.edits import ChangePart, Edit, RemoveStep
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Parts on bare skin where the answer was "only through the sheet"."""
    for id in sorted(case.client.through_cloth):
        consent = case.catalogue.consents[id]
        for s in case.flow.parts:
            covered = s.medium == "clothed" and s.window in ("none", "clothed")
            if s.region == consent.region and not covered:
                what = say("findings.bare_hips", place=case.place(s))
                yield Found(what, s, None, (*_through_the_drape(case, s), *leave_part_out(case, s)))


def _through_the_drape(case: Case, s: Part) -> tuple[Repair, ...]:
    """The part with the sheet left where it is, without the strokes that cloth stops; nothing if none is left."""
    cloth = [i for i, x in enumerate(s.steps) if not {"any", "clothed"} & set(case.stroke(x).medium)]
    if len(cloth) == len(s.steps):
        return ()
    edits: list[Edit] = [RemoveStep(part_id=s.id, step=i) for i in reversed(cloth)]
    edits.append(ChangePart(part_id=s.id, medium="clothed", window="none"))
    return (Repair(words=say("repairs.work_through_drape"), edits=tuple(edits)),)


CHECK = Check(
    code="CNS03",
    name="hips uncovered",
    severity="refuse",
    summary="The buttock muscles are uncovered only with a yes to that; “only through the sheet” keeps them covered.",
    rationale="Many clients welcome the work and not the uncovering. Schools differ: some never uncover.",
    bad=lambda c: flow(c, *both(c, "hips")),
    good=lambda c: flow(c, *both(c, "hips")),
    client=ClientFacts(through_cloth=frozenset({"hips"})),
    check=check,
)
