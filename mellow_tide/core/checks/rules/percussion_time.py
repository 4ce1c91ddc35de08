"""TIM07: percussion too short or too long for the effect that is wanted."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import back_with, step
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.run_sheet import Entry

TURNS_AT = 30
"""Seconds up to which percussion rouses, and beyond which it calms (common practice)."""


def check(case: Case) -> Iterator[Found]:
    """Percussion over 30 s on a region of a session that is to end bright, or up to 30 s of one that is to end calm."""
    rouse = case.flow.brief.finish == "bright"
    seconds: dict[str, int] = {}
    last: dict[str, Entry] = {}
    for e in case.sheet.entries:
        if e.step is not None and e.stroke and case.catalogue.strokes[e.stroke].family == "percussion":
            seconds[e.part_id] = seconds.get(e.part_id, 0) + e.seconds
            last[e.part_id] = e
    for s in case.worked():
        taken = seconds.get(s.id, 0)
        if not taken or (taken <= TURNS_AT) == rouse:
            continue
        phrase = "findings.percussion_calms" if rouse else "findings.percussion_rouses"
        e = last[s.id]
        aim = TURNS_AT if rouse else TURNS_AT + 1
        edits = (ChangeStep(part_id=s.id, step=e.step or 0, seconds=max(1, e.seconds + aim - taken)),)
        repair = Repair(
            words=say("repairs.shorten" if rouse else "repairs.go_on_until_it_calms"), edits=edits
        )
        yield Found(say(phrase, seconds=taken, place=case.place(s), turns_at=TURNS_AT), s, e.step, (repair,))


def _clapping(passes: int, c: Catalogue) -> Flow:
    made = back_with(c, step(c, "clapping", "rouse", 2, passes))
    return made.model_copy(update={"brief": made.brief.model_copy(update={"finish": "bright"})})


CHECK = Check(
    code="TIM07",
    name="percussion against its effect",
    severity="advice",
    summary="Percussion up to 30 s rouses, longer percussion calms: it lasts as the session is to end.",
    rationale="The body soon stops answering a steady beat, and then sinks under it.",
    bad=lambda c: _clapping(5, c),
    good=lambda c: _clapping(3, c),
    check=check,
)
