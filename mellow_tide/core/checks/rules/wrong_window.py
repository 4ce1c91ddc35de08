"""DRP01: the window for a region is not the one that is open."""

from collections.abc import Iterator

from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, stop
from mellow_tide.core.flow.edits import InsertStop, RemoveStop


def check(case: Case) -> Iterator[Found]:
    """Work stops whose window is not the region's own in that position."""
    windows = case.catalogue.windows
    for i, s in enumerate(case.flow.stops):
        wanted = case.region(s).window_in(s.position)
        if s.role != "work" or s.window == wanted:
            continue
        mended = s.model_copy(update={"window": wanted})
        repair = Repair(
            words=f"Use the window: {windows[wanted].name}",
            edits=(RemoveStop(stop_id=s.id), InsertStop(at=i, stop=mended)),
        )
        open_now = windows[s.window].name
        yield Found(f"The {case.place(s)} is worked with this open: {open_now}.", s, None, (repair,))


CHECK = Check(
    code="DRP01",
    name="wrong window",
    severity="stop",
    summary="Each region is worked through its own draping window, and nothing else is uncovered.",
    rationale="Only what is being worked is uncovered; that is what lets a client let go.",
    bad=lambda c: flow(c, stop(c, "back").model_copy(update={"window": "none"})),
    good=lambda c: flow(c, stop(c, "back")),
    check=check,
)
