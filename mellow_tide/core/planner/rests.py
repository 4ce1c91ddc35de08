"""Holds and long strokes between the stops, that bring attention back to the whole: they follow what they followed."""

from mellow_tide.core.flow.flow import Flow, Stop


def without_rests(flow: Flow) -> Flow:
    """The flow without them, if anything else is worked in it."""
    return flow.model_copy(update={"stops": tuple(stop for stop in flow.stops if stop.role != "integrate")})


def with_rests(flow: Flow, like: Flow) -> Flow:
    """The flow with the rests of `like`, each after the stop that it follows there, if that is still worked."""
    follows: dict[str, list[Stop]] = {}
    before = like.stops[0].id
    for stop in like.stops:
        if stop.role == "integrate":
            follows.setdefault(before, []).append(stop)
        else:
            before = stop.id
    stops: list[Stop] = []
    for stop in flow.stops:
        stops += [stop, *(rest for rest in follows.get(stop.id, ()) if rest.position == stop.position)]
    return flow.model_copy(update={"stops": tuple(stops)})
