"""PRG10: pressure during a contraction that does not wait for her word."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import PRESS, flow, part
from mellow_tide.core.checks.repairs import leave_out
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Steps during a contraction that travel, and those after which she is not asked."""
    for s, i, x, stroke in case.steps():
        if x.slot != "contraction":
            continue
        if stroke.family != "labour":
            what = say("findings.labour_unasked", stroke=stroke.name)
            yield Found(what, s, i, leave_out(case, s, i))
        elif not x.check_in:
            edits = (ChangeStep(part_id=s.id, step=i, check_in=True),)
            what = say("findings.nobody_asks_after_press", stroke=stroke.name)
            yield Found(what, s, i, (Repair(words=say("repairs.ask_after"), edits=edits),))


def _pressing(c: Catalogue, asked: bool) -> Flow:
    back = part(c, "back", position="forward_leaning", strokes=PRESS, medium="clothed")
    steps = tuple(x.model_copy(update={"check_in": asked and x.slot == "contraction"}) for x in back.steps)
    return flow(
        c, back.model_copy(update={"steps": steps}), kind="labour_support", school="between_and_during"
    )


CHECK = Check(
    code="PRG10",
    name="not on her word",
    severity="caution",
    summary="During a contraction only still pressure, circles or a hip squeeze, and after each one she is asked.",
    rationale="What helped one contraction may be unbearable in the next; it stops at once when unwanted.",
    bad=lambda c: _pressing(c, asked=False),
    good=lambda c: _pressing(c, asked=True),
    check=check,
)
