"""Repairs that many checks offer."""

from mellow_tide.core.checks.check import Case, Repair
from mellow_tide.core.flow.edits import ChangeStep, RemoveStep
from mellow_tide.core.flow.flow import Stop

Repairs = tuple[Repair, ...]


def leave_out(case: Case, stop: Stop, step: int) -> Repairs:
    """Take a step away; nothing where it is the only one of its stop."""
    if len(stop.steps) == 1:
        return ()
    name = case.stroke(stop.steps[step]).name
    return (Repair(words=f"Leave the {name} out", edits=(RemoveStep(stop_id=stop.id, step=step),)),)


def work_at(case: Case, stop: Stop, step: int, depth: int) -> Repairs:
    """Work a step at `depth` (1 to 5); nothing where its stroke is never so light."""
    if case.stroke(stop.steps[step]).depth[0] > depth:
        return ()
    return (
        Repair(
            words=f"Work it at depth {depth}", edits=(ChangeStep(stop_id=stop.id, step=step, depth=depth),)
        ),
    )
