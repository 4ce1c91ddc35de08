"""A stop made longer or shorter by hand, with the other side; the rest of the session makes room."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import DEFAULTS, House
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.flow import Flow, Stop
from mellow_tide.core.planner.adjust import adjust
from mellow_tide.core.planner.asked import Asked
from mellow_tide.core.planner.choice import Deadline, no_deadline
from mellow_tide.core.planner.place import place_at
from mellow_tide.core.planner.plan import Plan, worked_by_hand
from mellow_tide.core.planner.refit import nearest_to
from mellow_tide.core.planner.rituals import closed
from mellow_tide.core.refusal import BadFlow, DoesNotFit, FieldProblem
from mellow_tide.core.timing.run_sheet import TOLERATED, lay_out
from mellow_tide.core.timing.tempo import OwnPace


def reshaped(
    present: Plan,
    stop_id: str,
    seconds: int,
    client: ClientFacts,
    catalogue: Catalogue,
    house: House = DEFAULTS,
    pace: OwnPace | None = None,
    alone: bool = False,
    deadline: Deadline = no_deadline,
) -> Plan:
    """The plan with a stop that takes as near to `seconds` as whole passes of its strokes allow.

    The other side of its region gets the same, unless it is `alone`. What that adds or frees is shared out with the
    least change; where it cannot be, the flow stays over or under and says so by a finding. Raises `BadFlow` for a stop
    that is not there, or is no work.
    """
    asked = Asked.of(present.flow.brief, client, catalogue, house, pace)
    stop = next((s for s in present.flow.stops if s.id == stop_id and s.role == "work"), None)
    if stop is None:
        raise BadFlow(
            FieldProblem("stop_id", f"there is no stop “{stop_id}” to reshape", "choose another stop")
        )
    place = place_at(stop.region, stop.position, asked.touch(stop.region), asked.catalogue, asked.tempo)
    steps = nearest_to(place, stop.steps, seconds)
    changed = tuple(
        s.model_copy(update={"steps": steps}) if _follows(s, stop, alone) else s for s in present.flow.stops
    )
    flow = present.flow.model_copy(update={"stops": changed})
    over = lay_out(flow, asked.catalogue, asked.tempo).over
    flow = closed(flow, -over, asked.catalogue, asked.tempo)
    made = worked_by_hand(present, flow)
    if asked.kind.open_ended or alone or abs(lay_out(flow, asked.catalogue, asked.tempo).over) <= TOLERATED:
        return made
    return _shared_out(made, flow, client, catalogue, house, pace, deadline)


def _follows(other: Stop, stop: Stop, alone: bool) -> bool:
    """Whether a stop is given what `stop` is given."""
    return other.role == "work" and (other.id == stop.id if alone else other.region == stop.region)


def _shared_out(
    made: Plan,
    flow: Flow,
    client: ClientFacts,
    catalogue: Catalogue,
    house: House,
    pace: OwnPace | None,
    deadline: Deadline,
) -> Plan:
    try:
        return adjust(made, flow.brief, client, catalogue, house, pace, deadline=deadline)
    except DoesNotFit:
        return made
