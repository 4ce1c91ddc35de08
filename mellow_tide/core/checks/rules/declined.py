"""CNS02: work on a place the client has declined."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import ExampleStrokes, flow, part
from mellow_tide.core.checks.repairs import leave_out, leave_part_out
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say

FACE: ExampleStrokes = (("face_sweep", "warm", 2), ("brow_press", "specific", 2), ("face_sweep", "settle", 1))


def check(case: Case) -> Iterator[Found]:
    """Parts, or single strokes, to which the client has said no."""
    for id in sorted(case.client.declined):
        consent = case.catalogue.consents[id]
        for s in case.flow.parts:
            if s.region != consent.region:
                continue
            if not consent.strokes:
                what = say("findings.declined", consent=consent.name)
                yield Found(what, s, None, leave_part_out(case, s))
            for i, x in enumerate(s.steps):
                if x.stroke in consent.strokes:
                    yield Found(say("findings.declined", consent=consent.name), s, i, leave_out(case, s, i))


CHECK = Check(
    code="CNS02",
    name="declined",
    severity="refuse",
    summary="What the client has declined is not touched, nor worked through cloth.",
    rationale="A no stands until the client takes it back, and needs no reason.",
    bad=lambda c: flow(c, part(c, "face", position="supine", strokes=FACE, medium="dry")),
    good=lambda c: flow(c, part(c, "neck", position="supine")),
    client=ClientFacts(declined=frozenset({"face"})),
    check=check,
)
