"""COM03: an active cue without its release."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow, StepCue
from mellow_tide.core.phrases.book import say

LET_GO = say("cues.let_go")


def check(case: Case) -> Iterator[Found]:
    """Steps with a command of the therapist's own that never says to let go."""
    for s in case.flow.parts:
        for i, x in enumerate(s.steps):
            if x.cue is None or x.cue.release.strip():
                continue
            usual = case.stroke(x).cue
            whole = StepCue(command=x.cue.command, release=usual.release if usual else LET_GO)
            edits = (ChangeStep(part_id=s.id, step=i, cue=whole),)
            what = say("findings.cue_without_release", command=x.cue.command)
            yield Found(
                what, s, i, (Repair(words=say("repairs.add_release", release=whole.release), edits=edits),)
            )


def _lifting(c: Catalogue, release: str) -> Flow:
    cue = StepCue(command="Lift into my hand", release=release)
    return back_with(c, step(c, "engage_release", "specific", 3).model_copy(update={"cue": cue}))


CHECK = Check(
    code="COM03",
    name="cue without release",
    severity="caution",
    summary="What the client is asked to do has two halves: a command and a release.",
    rationale="A client who was told to press goes on pressing until told to stop.",
    bad=lambda c: _lifting(c, ""),
    good=lambda c: _lifting(c, "and let go"),
    check=check,
)
