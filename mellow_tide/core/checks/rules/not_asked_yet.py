"""CNS05: chest, face, scalp or feet, and nobody has asked yet."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Regions about which the client should be asked, with neither a yes nor a no on record; one finding for all."""
    kind = case.flow.brief.kind
    worked = {s.region: s for s in reversed(tuple(case.worked()))}
    open_ones = [c for c in case.unanswered if c.region in worked and not (c.strokes or c.needs_yes(kind))]
    if open_ones:
        names = ", ".join(c.name for c in open_ones)
        yield Found(say("findings.not_asked_yet", names=names), worked[open_ones[0].region])


CHECK = Check(
    code="CNS05",
    name="not asked yet",
    severity="advice",
    summary="Chest, face, scalp and feet are worked once the client has been asked about them.",
    rationale="Most say yes; the few who would say no seldom do so unasked.",
    bad=lambda c: flow(c, *both(c, "foot", position="supine")),
    good=lambda c: flow(c, *both(c, "thigh_front", position="supine")),
    client=ClientFacts(),
    check=check,
)
