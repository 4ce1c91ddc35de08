"""Edits to a flow as data. Applying them gives a new flow; nothing is changed in place."""

from collections.abc import Iterable
from typing import Annotated, Any, Literal

from pydantic import Field

from mellow_tide.core.catalogue.records import Depth, Id, Record, Stand
from mellow_tide.core.flow.flow import Amount, Flow, Part, PartMedium, Step, StepCue, StepDirection, WaySkip
from mellow_tide.core.flow.long_strokes import hand_on, take_back
from mellow_tide.core.refusal import BadFlow, FieldProblem

Index = Annotated[int, Field(ge=0, le=1000)]


Clearable = Literal["zone", "over", "seconds", "direction", "cue", "stand"]


class ChangeStep(Record):
    """Give a step another depth, tool, number of passes or other trait; what is left out stays, `clear` takes away.

    `mirrored`: the other side of the region is changed alike, where it has the very same strokes.
    """

    kind: Literal["change_step"] = "change_step"
    part_id: Id
    step: Index
    depth: Depth | None = None
    passes: Annotated[int, Field(ge=1, le=60)] | None = None
    check_in: bool | None = None
    tool: Id | None = None
    seconds: Annotated[int, Field(ge=1, le=1800)] | None = None
    direction: StepDirection | None = None
    cue: StepCue | None = None
    wipe: bool | None = None
    support: bool | None = None
    with_breath: bool | None = None
    stand: Stand | None = None
    zone: Id | None = None
    note: Annotated[str, Field(max_length=400)] | None = None
    clear: tuple[Clearable, ...] = ()
    mirrored: bool = False


class MoveStep(Record):
    """Take a step out and put it back before place `to` of what is left (its end, if `to` is their number).

    `mirrored` as in `ChangeStep`.
    """

    kind: Literal["move_step"] = "move_step"
    part_id: Id
    step: Index
    to: Index
    mirrored: bool = False


class InsertStep(Record):
    """Put a new step before place `at` (at the end, if `at` is the number of steps)."""

    kind: Literal["insert_step"] = "insert_step"
    part_id: Id
    at: Index
    step: Step


class RemoveStep(Record):
    """Take a step away; the last one of a part cannot be. `mirrored` as in `ChangeStep`."""

    kind: Literal["remove_step"] = "remove_step"
    part_id: Id
    step: Index
    mirrored: bool = False


class CopySteps(Record):
    """Give `part_id` the very steps of `like`: the other side, usually."""

    kind: Literal["copy_steps"] = "copy_steps"
    part_id: Id
    like: Id


class InsertPart(Record):
    """Put a new part before place `at` of the flow."""

    kind: Literal["insert_part"] = "insert_part"
    at: Index
    part: Part


class ChangePart(Record):
    """Give a part another position, window, medium, amount of oil, or way there; what is left out stays."""

    kind: Literal["change_part"] = "change_part"
    part_id: Id
    position: Id | None = None
    window: Id | None = None
    medium: PartMedium | None = None
    skips: tuple[WaySkip, ...] | None = None
    oil: Amount | None = None
    reason: Annotated[str, Field(max_length=200)] | None = None


class SplitPart(Record):
    """Make two parts of one: its steps from `at` on, or its second half, become a part of their own right after it."""

    kind: Literal["split_part"] = "split_part"
    part_id: Id
    at: Annotated[int, Field(ge=1, le=1000)] | None = None


class ChangeBrief(Record):
    """Give the brief another lubricant or other ceilings; what is left out stays."""

    kind: Literal["change_brief"] = "change_brief"
    lubricant: Id | None = None
    ceiling: Annotated[int, Field(ge=0, le=10)] | None = None
    specific_ceiling: Annotated[int, Field(ge=0, le=10)] | None = None


class MovePart(Record):
    """Take a part out and put it back before place `to` of what is left."""

    kind: Literal["move_part"] = "move_part"
    part_id: Id
    to: Index


class RemovePart(Record):
    """Take a part away."""

    kind: Literal["remove_part"] = "remove_part"
    part_id: Id


Edit = Annotated[
    ChangeStep
    | MoveStep
    | InsertStep
    | RemoveStep
    | CopySteps
    | ChangePart
    | ChangeBrief
    | InsertPart
    | SplitPart
    | MovePart
    | RemovePart,
    Field(discriminator="kind"),
]


def apply(flow: Flow, edits: Iterable[Edit]) -> Flow:
    """The flow after `edits`, one after the other. Raises `BadFlow` where one finds nothing to work on."""
    for edit in edits:
        if isinstance(edit, ChangeBrief):
            flow = Flow(brief=flow.brief.model_copy(update=_named(edit)), parts=flow.parts)
        else:
            flow = Flow(brief=flow.brief, parts=_edited_parts(flow, edit))
    return flow


PartEdit = (
    ChangeStep
    | MoveStep
    | InsertStep
    | RemoveStep
    | CopySteps
    | ChangePart
    | InsertPart
    | SplitPart
    | MovePart
    | RemovePart
)


def _edited_parts(flow: Flow, edit: PartEdit) -> tuple[Part, ...]:
    if isinstance(edit, InsertPart):
        return take_back((*flow.parts[: edit.at], edit.part, *flow.parts[edit.at :]), edit.part)
    part = part_named(flow, edit.part_id)
    if isinstance(edit, ChangeStep | MoveStep | RemoveStep) and edit.mirrored:
        both = find_alike(flow, part)
        return tuple(_with(p, {"steps": _edited(p.steps, edit)}) if p in both else p for p in flow.parts)
    if isinstance(edit, MovePart):
        rest = tuple(s for s in flow.parts if s is not part)
        return (*rest[: edit.to], part, *rest[edit.to :])
    if isinstance(edit, RemovePart):
        return hand_on(tuple(s for s in flow.parts if s is not part), part)
    pieces = _pieces(flow, part, edit)
    return tuple(piece for s in flow.parts for piece in (pieces if s is part else (s,)))


def _pieces(
    flow: Flow,
    part: Part,
    edit: ChangeStep | MoveStep | InsertStep | RemoveStep | CopySteps | ChangePart | SplitPart,
) -> tuple[Part, ...]:
    """What becomes of one part: itself changed, or two."""
    match edit:
        case SplitPart():
            return _split(flow, part, edit)
        case CopySteps():
            return (_with(part, {"steps": part_named(flow, edit.like).steps}),)
        case ChangePart():
            return (_with(part, _named(edit)),)
        case _:
            return (_with(part, {"steps": _edited(part.steps, edit)}),)


def _named(edit: ChangeStep | ChangePart | ChangeBrief) -> dict[str, Any]:
    """What the edit gives anew, by field."""
    named = {name: value for name, value in edit if value is not None and name not in AIMS}
    if not isinstance(edit, ChangeStep):
        return named
    return {**named, **{name: () if name == "over" else None for name in edit.clear}}


AIMS = ("kind", "part_id", "step", "clear", "mirrored")
"""The fields of an edit that say what it is and where, not what is given anew."""


def _split(flow: Flow, whole: Part, edit: SplitPart) -> tuple[Part, ...]:
    at = len(whole.steps) // 2 if edit.at is None else edit.at
    if not 0 < at < len(whole.steps):
        raise BadFlow(FieldProblem("at", "cannot_split_there", number=at + 1))
    second = {"id": find_free_id(flow, whole.id), "steps": whole.steps[at:]}
    return _with(whole, {"steps": whole.steps[:at]}), _with(whole, second)


def find_free_id(flow: Flow, like: str) -> str:
    """`like`, or what it becomes with a number, so that no part of the flow has it."""
    taken = {part.id for part in flow.parts}
    return next(id for id in (like, *(f"{like}-{n}" for n in range(2, len(taken) + 3))) if id not in taken)


def find_alike(flow: Flow, part: Part) -> tuple[Part, ...]:
    """The part itself, and the other side of its region where that has the very same strokes."""
    return tuple(
        other
        for other in flow.parts
        if other is part
        or (
            part.role == "work"
            and (other.role, other.region) == (part.role, part.region)
            and worked_alike(other.steps, part.steps)
        )
    )


def worked_alike(one: tuple[Step, ...], other: tuple[Step, ...]) -> bool:
    """Whether steps are the very same strokes; a question about the pressure need not be asked twice."""
    return one == other or [_silent(step) for step in one] == [_silent(step) for step in other]


def _silent(step: Step) -> Step:
    return step.model_copy(update={"check_in": False})


def part_named(flow: Flow, part_id: str) -> Part:
    """The part with this id; raises `BadFlow`."""
    for part in flow.parts:
        if part.id == part_id:
            return part
    raise BadFlow(FieldProblem("part_id", "no_such_part", id=part_id))


Steps = tuple[Step, ...]


def _with(part: Part, fields: dict[str, Any]) -> Part:
    return Part(**{**dict(part), **fields})


def _edited(steps: Steps, edit: ChangeStep | MoveStep | InsertStep | RemoveStep) -> Steps:
    at = edit.at if isinstance(edit, InsertStep) else edit.step
    if at > len(steps) - (0 if isinstance(edit, InsertStep) else 1):
        raise BadFlow(FieldProblem("step", "no_such_step", number=at + 1))
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
