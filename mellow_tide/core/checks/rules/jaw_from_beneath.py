"""CAU05: the jaw worked from beneath."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.flow.edits import ChangeStep
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Steps at the jaw, or anywhere on the face, that press up from beneath."""
    for s, i, x, stroke in case.all_steps():
        if s.region == "face" and x.direction == "from_beneath":
            edits = (ChangeStep(part_id=s.id, step=i, direction=stroke.direction),)
            repair = Repair(words=say("repairs.come_from_side"), edits=edits)
            yield Found(say("findings.jaw_from_beneath", stroke=stroke.name), s, i, (repair,))


FACE: ExampleStrokes = (
    ("face_sweep", "warm", 2),
    ("jaw_release", "specific", 2),
    ("face_sweep", "settle", 1),
)


def _jaw(c: Catalogue, beneath: bool) -> Flow:
    face = part(c, "face", position="supine", strokes=FACE, medium="dry")
    if not beneath:
        return flow(c, face)
    jaw = face.steps[1].model_copy(update={"direction": "from_beneath"})
    return flow(c, face.model_copy(update={"steps": (face.steps[0], jaw, face.steps[2])}))


CHECK = Check(
    code="CAU05",
    name="jaw from beneath",
    severity="refuse",
    summary="The jaw is worked from the side, never up from beneath.",
    rationale="Glands, vessels and nerves lie under the jaw, and the throat behind them.",
    bad=lambda c: _jaw(c, beneath=True),
    good=lambda c: _jaw(c, beneath=False),
    check=check,
)
