"""A part made longer or shorter by hand, with the other side; the rest of the session makes room."""

from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.flow import Flow, Part
from mellow_tide.core.flow.passages import split_into_passages
from mellow_tide.core.planner.adjust import adjust
from mellow_tide.core.planner.choice.choice import Deadline, no_deadline
from mellow_tide.core.planner.plan import Plan, mark_by_hand
from mellow_tide.core.planner.points import drop_points, keep_points, plannable_points
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.strokes.refit import stretch
from mellow_tide.core.planner.strokes.rituals import stretch_close
from mellow_tide.core.planner.strokes.site import find_site
from mellow_tide.core.refusal import BadFlow, DoesNotFit, FieldProblem
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import TOLERATED, lay_out
from mellow_tide.core.timing.worked import part_seconds_in


class Pull(Record):
    """A part of a flow by its id, and the seconds it is to take; `alone`: without the other side of its region.

    `passage`: the seconds are those of all that is worked as one with it, each part its share of them.
    """

    part_id: Annotated[str, Field(max_length=80)]
    seconds: Annotated[int, Field(ge=15, le=3600)]
    alone: bool = False
    passage: bool = False


def reshape_part(
    present: Plan,
    pull: Pull,
    setting: Setting,
    deadline: Deadline = no_deadline,
) -> Plan:
    """The plan with a part that takes as near to the pulled seconds as whole passes of its strokes allow.

    The other side of its region gets the same, unless it is pulled alone. What that adds or frees is shared out with
    the least change; where it cannot be, the flow stays over or under and says so by a finding.

    Raises `BadFlow` for a part that is not there, or is no work.
    """
    asked = Asked.of(present.flow.brief, setting)
    part = next((s for s in present.flow.parts if s.id == pull.part_id and s.role == "work"), None)
    if part is None:
        raise BadFlow(FieldProblem("part_id", "no_part_to_reshape", id=pull.part_id))
    now = part_seconds_in(lay_out(present.flow, asked.catalogue, asked.tempo))
    bare = drop_points(present.flow)
    pulled = _pulled(bare, next(s for s in bare.parts if s.id == part.id), pull, asked)
    whole = sum(now[one.id] for one in pulled)
    steps = {}
    for one in pulled:
        place = find_site(one.region, one.position, asked.touch(one.region), asked.catalogue, asked.tempo)
        more = round((pull.seconds - whole) * now[one.id] / whole)
        steps[one.id] = stretch(place, one.steps, more)
    changed = tuple(
        s.model_copy(update={"steps": next(steps[one.id] for one in pulled if _follows(s, one, pull.alone))})
        if any(_follows(s, one, pull.alone) for one in pulled)
        else s
        for s in bare.parts
    )
    flow = keep_points(
        bare.model_copy(update={"parts": changed}), plannable_points(asked, asked.catalogue.regions), asked
    )
    over = lay_out(flow, asked.catalogue, asked.tempo).over
    flow = stretch_close(flow, -over, asked.catalogue, asked.tempo)
    made = mark_by_hand(present, flow)
    if (
        asked.kind.open_ended
        or pull.alone
        or abs(lay_out(flow, asked.catalogue, asked.tempo).over) <= TOLERATED
    ):
        return made
    return _shared_out(made, flow, setting, deadline)


def _pulled(flow: Flow, part: Part, pull: Pull, asked: Asked) -> list[Part]:
    """The parts that share the pulled seconds."""
    if not pull.passage:
        return [part]
    setups = [other.setup for other in flow.parts]
    at = flow.parts.index(part)
    places = next(places for places in split_into_passages(setups, asked.catalogue) if at in places)
    return [flow.parts[place] for place in places]


def _follows(other: Part, part: Part, alone: bool) -> bool:
    """Whether a part is given what `part` is given."""
    return other.role == "work" and (other.id == part.id if alone else other.region == part.region)


def _shared_out(
    made: Plan,
    flow: Flow,
    setting: Setting,
    deadline: Deadline,
) -> Plan:
    try:
        return adjust(made, flow.brief, setting, deadline=deadline)
    except DoesNotFit:
        return made
