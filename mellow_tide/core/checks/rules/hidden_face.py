"""COM02: a hidden face without prompts."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say
from mellow_tide.core.timing.run_sheet import Entry

LONGEST = 900
"""Seconds without a question to a client whose face cannot be seen (from experience)."""


def check(case: Case) -> Iterator[Found]:
    """Stretches of over 15 min in which a client whose face is hidden is not asked anything."""
    since, in_time = 0, None
    for e in case.sheet.entries:
        end = e.start + e.seconds
        asked = e.kind == "check_in" or e.asks
        if asked or not case.catalogue.positions[e.position].face_hidden:
            since, in_time = end, None
        elif e.step is not None and e.role == "work":
            if end - since > LONGEST:
                what = say("findings.hidden_face", seconds=end - since)
                yield Found(what, case.flow.parts[e.part], e.step, _ask_after(in_time))
                since, in_time = end, None
            else:
                in_time = e


def _ask_after(e: Entry | None) -> tuple[Repair, ...]:
    """Ask after the last step that ends in time, if there is one."""
    if e is None:
        return ()
    edits = (ChangeStep(part_id=e.part_id, step=e.step or 0, check_in=True),)
    return (Repair(words=say("repairs.ask_before"), edits=edits),)


def _light(c: Catalogue, asked: bool) -> Flow:
    back = part(c, "back", strokes=LIGHT, times=12)
    warm = back.steps[1].model_copy(update={"check_in": asked})
    return flow(c, back.model_copy(update={"steps": (back.steps[0], warm, *back.steps[2:])}))


LIGHT: ExampleStrokes = (
    ("oil_spread", "spread", 1),
    ("effleurage", "warm", 2),
    ("kneading", "knead", 2),
    ("effleurage", "flush", 2),
    ("effleurage", "settle", 1),
)

CHECK = Check(
    code="COM02",
    name="silent face down",
    severity="caution",
    summary="A client whose face is hidden is asked something at least every 15 minutes.",
    rationale="Nobody sees a wince in a face cradle, and face-down clients stay silent.",
    bad=lambda c: _light(c, asked=False),
    good=lambda c: _light(c, asked=True),
    check=check,
)
