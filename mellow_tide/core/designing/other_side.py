"""Giving the other side of the body what one side has."""

from mellow_tide.core.designing.landing import Landing, best_landing
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.edits import CopySteps, Edit, stop_named
from mellow_tide.core.flow.flow import Flow, Stop

OTHER = {"left": "right", "right": "left"}


def other_side(trial: Trial, stop_id: str) -> Landing | None:
    """How the other side comes to the same strokes: its stop gets them, or a new stop does where it costs least.

    None where there is no other side, it has the very same, or it can be put nowhere. Raises `BadFlow`.
    """
    flow = trial.case.flow
    stop = stop_named(flow, stop_id)
    if stop.role != "work" or stop.side not in OTHER:
        return None
    at = flow.stops.index(stop)
    mates = [
        other
        for other in flow.stops
        if (other.role, other.region, other.side) == ("work", stop.region, OTHER[stop.side])
    ]
    if mates:
        if any(mate.steps == stop.steps for mate in mates):
            return None
        edits: tuple[Edit, ...] = (CopySteps(stop_id=mates[0].id, like=stop.id),)
        tried = trial.of_edits(edits)
        return Landing(
            at=flow.stops.index(mates[0]),
            position=mates[0].position,
            why_not=tried.why_not,
            warns=tried.warns,
            seconds=tried.seconds,
            edits=edits,
        )
    mirrored = stop.model_copy(update={"id": free_id(flow, stop), "side": OTHER[stop.side]})
    return best_landing(trial, mirrored, at + 1)


def free_id(flow: Flow, stop: Stop) -> str:
    """An id for a further stop of a region, that no stop of the flow has."""
    taken = {other.id for other in flow.stops}
    wanted = f"{stop.region}-{OTHER.get(stop.side, 'more')}"
    return next(id for id in (wanted, *(f"{wanted}-{n}" for n in range(2, 99))) if id not in taken)
