"""DRP01: the window for a region is not the one that is open."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.edits import ChangePart
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Work parts on bare skin whose window is not one of the region's own in that position."""
    windows = case.catalogue.windows
    for s in case.worked():
        region = case.region(s)
        if s.position not in region.positions:
            continue
        wanted = region.window_in(s.position)
        if s.window in (wanted, region.also_windows.get(s.position, wanted)) or s.medium == "clothed":
            continue
        edits = (ChangePart(part_id=s.id, window=wanted),)
        repair = Repair(words=say("repairs.use_window", window=windows[wanted].name), edits=edits)
        open_now = windows[s.window].name
        yield Found(say("findings.wrong_window", place=case.place(s), window=open_now), s, None, (repair,))


CHECK = Check(
    code="DRP01",
    name="wrong window",
    severity="refuse",
    summary="Each region is worked through its own draping window, and nothing else is uncovered.",
    rationale="Only what is being worked is uncovered; that is what lets a client let go.",
    bad=lambda c: flow(c, part(c, "back").model_copy(update={"window": "none"})),
    good=lambda c: flow(c, part(c, "back")),
    check=check,
)
