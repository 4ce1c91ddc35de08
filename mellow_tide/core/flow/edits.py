"""Edits to a flow as data. Applying them gives a new flow; nothing is changed in place."""

from collections.abc import Iterable
from typing import Annotated, Any, Literal

from pydantic import Field

from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.flow.flow import Amount, Flow, Skip, Step, StepCue, StepDirection, Stop, StopMedium
from mellow_tide.core.refusal import BadFlow, FieldProblem

Index = Annotated[int, Field(ge=0)]


Clearable = Literal["zone", "seconds", "direction", "cue"]


class ChangeStep(Record):
    """Give a step another depth, tool, number of passes or other trait; what is left out stays, `clear` takes away."""

    kind: Literal["change_step"] = "change_step"
    stop_id: str
    step: Index
    depth: Depth | None = None
    passes: Annotated[int, Field(ge=1, le=60)] | None = None
    check_in: bool | None = None
    tool: str | None = None
    seconds: Annotated[int, Field(ge=1, le=1800)] | None = None
    direction: StepDirection | None = None
    cue: StepCue | None = None
    wipe: bool | None = None
    zone: str | None = None
    note: Annotated[str, Field(max_length=400)] | None = None
    clear: tuple[Clearable, ...] = ()


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


class ChangeStop(Record):
    """Give a stop another position, window, medium, amount of oil, or way there; what is left out stays."""

    kind: Literal["change_stop"] = "change_stop"
    stop_id: str
    position: str | None = None
    window: str | None = None
    medium: StopMedium | None = None
    skips: tuple[Skip, ...] | None = None
    oil: Amount | None = None
    reason: Annotated[str, Field(max_length=200)] | None = None


class SplitStop(Record):
    """Make two stops of one: its steps from `at` on become a stop of their own, with `id`, right after it."""

    kind: Literal["split_stop"] = "split_stop"
    stop_id: str
    at: Annotated[int, Field(ge=1)]
    id: Annotated[str, Field(min_length=1, max_length=80)]


class ChangeBrief(Record):
    """Give the brief another lubricant or other ceilings; what is left out stays."""

    kind: Literal["change_brief"] = "change_brief"
    lubricant: str | None = None
    ceiling: Annotated[int, Field(ge=0, le=10)] | None = None
    specific_ceiling: Annotated[int, Field(ge=0, le=10)] | None = None


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
    ChangeStep
    | MoveStep
    | InsertStep
    | RemoveStep
    | CopySteps
    | ChangeStop
    | ChangeBrief
    | InsertStop
    | SplitStop
    | MoveStop
    | RemoveStop,
    Field(discriminator="kind"),
]


def apply(flow: Flow, edits: Iterable[Edit]) -> Flow:
    """The flow after `edits`, one after the other. Raises `BadFlow` where one finds nothing to work on."""
    for edit in edits:
        if isinstance(edit, ChangeBrief):
            flow = Flow(brief=flow.brief.model_copy(update=_named(edit)), stops=flow.stops)
        else:
            flow = Flow(brief=flow.brief, stops=_edited_stops(flow, edit))
    return flow


StopEdit = (
    ChangeStep
    | MoveStep
    | InsertStep
    | RemoveStep
    | CopySteps
    | ChangeStop
    | InsertStop
    | SplitStop
    | MoveStop
    | RemoveStop
)


def _edited_stops(flow: Flow, edit: StopEdit) -> tuple[Stop, ...]:
    if isinstance(edit, InsertStop):
        return (*flow.stops[: edit.at], edit.stop, *flow.stops[edit.at :])
    stop = stop_named(flow, edit.stop_id)
    if isinstance(edit, MoveStop):
        rest = tuple(s for s in flow.stops if s is not stop)
        return (*rest[: edit.to], stop, *rest[edit.to :])
    parts = _parts(flow, stop, edit)
    return tuple(part for s in flow.stops for part in (parts if s is stop else (s,)))


def _parts(
    flow: Flow,
    stop: Stop,
    edit: ChangeStep | MoveStep | InsertStep | RemoveStep | CopySteps | ChangeStop | SplitStop | RemoveStop,
) -> tuple[Stop, ...]:
    """What becomes of one stop: nothing, itself changed, or two."""
    match edit:
        case RemoveStop():
            return ()
        case SplitStop():
            return _split(stop, edit)
        case CopySteps():
            return (_with(stop, {"steps": stop_named(flow, edit.like).steps}),)
        case ChangeStop():
            return (_with(stop, _named(edit)),)
        case _:
            return (_with(stop, {"steps": _edited(stop.steps, edit)}),)


def _named(edit: ChangeStep | ChangeStop | ChangeBrief) -> dict[str, Any]:
    """What the edit gives anew, by field."""
    named = {name: value for name, value in edit if value is not None and name not in AIMS}
    return {**named, **dict.fromkeys(edit.clear)} if isinstance(edit, ChangeStep) else named


AIMS = ("kind", "stop_id", "step", "clear")
"""The fields of an edit that say what it is and where, not what is given anew."""


def _split(whole: Stop, edit: SplitStop) -> tuple[Stop, ...]:
    if edit.at >= len(whole.steps):
        what = f"there is no step {edit.at + 1} to begin the second part with"
        raise BadFlow(FieldProblem("at", what, "choose another"))
    second = {"id": edit.id, "steps": whole.steps[edit.at :]}
    return _with(whole, {"steps": whole.steps[: edit.at]}), _with(whole, second)


def stop_named(flow: Flow, stop_id: str) -> Stop:
    """The stop with this id; raises `BadFlow`."""
    for stop in flow.stops:
        if stop.id == stop_id:
            return stop
    raise BadFlow(FieldProblem("stop_id", f"there is no stop “{stop_id}”", "load the flow anew"))


Steps = tuple[Step, ...]


def _with(stop: Stop, fields: dict[str, Any]) -> Stop:
    return Stop(**{**dict(stop), **fields})


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
            return (*steps[:at], steps[at].model_copy(update=_named(edit)), *steps[at + 1 :])
