"""Edits to a flow as data. Applying them gives a new flow; nothing is changed in place."""

from collections.abc import Iterable
from typing import Annotated, Literal

from pydantic import Field

from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.flow.flow import Flow, Step, Stop
from mellow_tide.core.refusal import BadFlow, FieldProblem

Index = Annotated[int, Field(ge=0)]


class ChangeStep(Record):
    """Give a step another depth, another number of passes, or a question after it; what is left out stays."""

    kind: Literal["change_step"] = "change_step"
    stop_id: str
    step: Index
    depth: Depth | None = None
    passes: Annotated[int, Field(ge=1, le=60)] | None = None
    check_in: bool | None = None


class MoveStep(Record):
    """Take a step out and put it back before place `to` of what is left (its end, if `to` is their number)."""

    kind: Literal["move_step"] = "move_step"
    stop_id: str
    step: Index
    to: Index


class InsertStep(Record):
    """Put a new step before place `at` (at the end, if `at` is the number of steps)."""

    kind: Literal["insert_step"] = "insert_step"
    stop_id: str
    at: Index
    step: Step


class RemoveStep(Record):
    """Take a step away; the last one of a stop cannot be."""

    kind: Literal["remove_step"] = "remove_step"
    stop_id: str
    step: Index


class CopySteps(Record):
    """Give `stop_id` the very steps of `like`: the other side, usually."""

    kind: Literal["copy_steps"] = "copy_steps"
    stop_id: str
    like: str


class InsertStop(Record):
    """Put a new stop before place `at` of the flow."""

    kind: Literal["insert_stop"] = "insert_stop"
    at: Index
    stop: Stop


class MoveStop(Record):
    """Take a stop out and put it back before place `to` of what is left."""

    kind: Literal["move_stop"] = "move_stop"
    stop_id: str
    to: Index


class RemoveStop(Record):
    """Take a stop away."""

    kind: Literal["remove_stop"] = "remove_stop"
    stop_id: str


Edit = Annotated[
    ChangeStep | MoveStep | InsertStep | RemoveStep | CopySteps | InsertStop | MoveStop | RemoveStop,
    Field(discriminator="kind"),
]


def apply(flow: Flow, edits: Iterable[Edit]) -> Flow:
    """The flow after `edits`, one after the other. Raises `BadFlow` where one finds nothing to work on."""
    for edit in edits:
        match edit:
            case InsertStop():
                stops = (*flow.stops[: edit.at], edit.stop, *flow.stops[edit.at :])
            case MoveStop():
                moved = stop_named(flow, edit.stop_id)
                rest = tuple(s for s in flow.stops if s is not moved)
                stops = (*rest[: edit.to], moved, *rest[edit.to :])
            case RemoveStop():
                gone = stop_named(flow, edit.stop_id)
                stops = tuple(s for s in flow.stops if s is not gone)
            case CopySteps():
                stops = _with_steps(flow, edit.stop_id, stop_named(flow, edit.like).steps)
            case _:
                stops = _with_steps(flow, edit.stop_id, _edited(stop_named(flow, edit.stop_id).steps, edit))
        flow = Flow(brief=flow.brief, stops=stops)
    return flow


def stop_named(flow: Flow, stop_id: str) -> Stop:
    """The stop with this id; raises `BadFlow`."""
    for stop in flow.stops:
        if stop.id == stop_id:
            return stop
    raise BadFlow(FieldProblem("stop_id", f"there is no stop “{stop_id}”", "load the flow anew"))


Steps = tuple[Step, ...]


def _with_steps(flow: Flow, stop_id: str, steps: Steps) -> tuple[Stop, ...]:
    wanted = stop_named(flow, stop_id)
    changed = Stop(**{**dict(wanted), "steps": steps})
    return tuple(changed if stop is wanted else stop for stop in flow.stops)


def _edited(steps: Steps, edit: ChangeStep | MoveStep | InsertStep | RemoveStep) -> Steps:
    at = edit.at if isinstance(edit, InsertStep) else edit.step
    if at > len(steps) - (0 if isinstance(edit, InsertStep) else 1):
        raise BadFlow(FieldProblem("step", f"there is no step {at + 1}", "load the flow anew"))
    match edit:
        case InsertStep():
            return (*steps[:at], edit.step, *steps[at:])
        case RemoveStep():
            return (*steps[:at], *steps[at + 1 :])
        case MoveStep():
            rest = (*steps[:at], *steps[at + 1 :])
            return (*rest[: edit.to], steps[at], *rest[edit.to :])
        case ChangeStep():
            changes = {"depth": edit.depth, "passes": edit.passes, "check_in": edit.check_in}
            new = {name: value for name, value in changes.items() if value is not None}
            return (*steps[:at], steps[at].model_copy(update=new), *steps[at + 1 :])
