"""Holds and long strokes between the parts, that bring attention back to the whole: they follow what they followed."""

from mellow_tide.core.flow.flow import Flow, Part


def drop_rests(flow: Flow) -> Flow:
    """The flow without them, if anything else is worked in it."""
    return flow.model_copy(update={"parts": tuple(part for part in flow.parts if part.role != "integrate")})


def keep_rests(flow: Flow, like: Flow) -> Flow:
    """The flow with the rests of `like`, each after the part that it follows there, if that is still worked."""
    follows: dict[str, list[Part]] = {}
    before = like.parts[0].id
    for part in like.parts:
        if part.role == "integrate":
            follows.setdefault(before, []).append(part)
        else:
            before = part.id
    parts: list[Part] = []
    for part in flow.parts:
        parts += [part, *(rest for rest in follows.get(part.id, ()) if rest.position == part.position)]
    return flow.model_copy(update={"parts": tuple(parts)})
