"""Repairs that many checks offer, and the one finding that two of them share."""

from collections.abc import Iterator

from mellow_tide.core.care.restrictions import Cap
from mellow_tide.core.checks.check import Case, Found, Repair
from mellow_tide.core.flow.edits import ChangeStep, ChangeStop, RemoveStep, RemoveStop
from mellow_tide.core.flow.flow import Skip, Stop

Repairs = tuple[Repair, ...]


def leave_out(case: Case, stop: Stop, step: int) -> Repairs:
    """Take a step away; nothing where it is the only one of its stop."""
    if len(stop.steps) == 1:
        return ()
    name = case.stroke(stop.steps[step]).name
    return (Repair(words=f"Leave the {name} out", edits=(RemoveStep(stop_id=stop.id, step=step),)),)


def deeper_than(case: Case, stop: Stop, cap: Cap) -> Iterator[Found]:
    """A finding for each step of `stop` that is deeper than `cap` allows."""
    for i, x in enumerate(stop.steps):
        if x.depth > cap.depth:
            where = f"{case.stroke(x).name} at depth {x.depth} on the {case.place(stop)}"
            what = f"{where}: {cap.depth} is the most ({cap.because})."
            yield Found(what, stop, i, work_at(case, stop, i, cap.depth) or leave_out(case, stop, i))


def stop_skipping(words: str, stop: Stop, skip: Skip) -> Repairs:
    """Do again what the way to `stop` leaves out."""
    skips = tuple(x for x in stop.skips if x != skip)
    return (Repair(words=words, edits=(ChangeStop(stop_id=stop.id, skips=skips),)),)


def leave_stop_out(case: Case, stop: Stop) -> Repairs:
    """Take a stop away."""
    words = f"Leave the {case.place(stop)} out"
    return (Repair(words=words, edits=(RemoveStop(stop_id=stop.id),)),)


def work_at(case: Case, stop: Stop, step: int, depth: int) -> Repairs:
    """Work a step at `depth` (1 to 5); nothing where its stroke is never so light."""
    if case.stroke(stop.steps[step]).depth[0] > depth:
        return ()
    return (
        Repair(
            words=f"Work it at depth {depth}", edits=(ChangeStep(stop_id=stop.id, step=step, depth=depth),)
        ),
    )
