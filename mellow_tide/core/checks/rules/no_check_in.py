"""COM01: no question after the first firm stroke while the face is hidden."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.asked_before import AskedAt, list_covers
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import FIRM, Flow
from mellow_tide.core.phrases.book import say

FACE_HIDDEN = ("prone", "seated_leaning")


def check(case: Case) -> Iterator[Found]:
    """Parts in which a client whose face is hidden is worked firmly, and not asked there or under that cover."""
    asked: dict[AskedAt, int] = {}
    covers = list_covers(case.flow.parts, case.catalogue)
    for at, s in enumerate(case.flow.parts):
        if s.role != "work":
            continue
        firm = next((i for i, x in enumerate(s.steps) if x.depth >= FIRM), None)
        before = asked.get(covers[at], 0)
        asked[covers[at]] = max(before, *(x.depth for x in s.steps if x.check_in), 0)
        if (
            s.position not in FACE_HIDDEN
            or firm is None
            or any(x.check_in for x in (*s.steps[firm:], *case.later_in_passage(at)))
        ):
            continue
        if s.steps[firm].depth <= before:
            continue
        repair = Repair(
            words=say("repairs.ask_after"), edits=(ChangeStep(part_id=s.id, step=firm, check_in=True),)
        )
        what = say("findings.no_check_in", stroke=case.stroke(s.steps[firm]).name, place=case.place(s))
        yield Found(what, s, firm, (repair,))


def _asking(c: Catalogue, check_in: bool) -> Flow:
    back = part(c, "back")
    steps = tuple(x.model_copy(update={"check_in": check_in and x.slot == "knead"}) for x in back.steps)
    return flow(c, back.model_copy(update={"steps": steps}))


CHECK = Check(
    code="COM01",
    name="not asked",
    severity="caution",
    summary="At the first firm stroke under a cover the pressure is asked about, while the face is hidden.",
    rationale="Face-down clients stay silent, and half asleep they do not complain: ask anyway, in few words.",
    bad=lambda c: _asking(c, check_in=False),
    good=lambda c: _asking(c, check_in=True),
    check=check,
)
