"""Giving the other side of the body what one side has: a part, or all that is worked as one with it."""

from collections.abc import Sequence

from mellow_tide.core.designing.landing import Landing, find_best_landing
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.edits import CopySteps, Edit, apply, find_free_id, part_named, worked_alike

OTHER = {"left": "right", "right": "left"}


def find_other_side(trial: Trial, part_id: str) -> Landing | None:
    """How the other side comes to the same strokes: its part gets them, or a new part does where it costs least.

    None where there is no other side, it has the very same, or it can be put nowhere. Raises `BadFlow`.
    """
    flow = trial.case.flow
    part = part_named(flow, part_id)
    if part.role != "work" or part.side not in OTHER:
        return None
    at = flow.parts.index(part)
    mates = [
        other
        for other in flow.parts
        if (other.role, other.region, other.side) == ("work", part.region, OTHER[part.side])
    ]
    if mates:
        if any(worked_alike(mate.steps, part.steps) for mate in mates):
            return None
        edits: tuple[Edit, ...] = (CopySteps(part_id=mates[0].id, like=part.id),)
        tried = trial.of_edits(edits)
        return Landing(
            at=flow.parts.index(mates[0]),
            position=mates[0].position,
            why_not=tried.why_not,
            warns=tried.warns,
            seconds=tried.seconds,
            edits=edits,
        )
    mirrored = part.model_copy(
        update={"id": find_free_id(flow, f"{part.region}-{OTHER[part.side]}"), "side": OTHER[part.side]}
    )
    return find_best_landing(trial, mirrored, at + 1)


def find_passage_other_side(trial: Trial, part_ids: Sequence[str]) -> Landing | None:
    """How the other side comes to all that parts worked as one have, each in its turn; as `find_other_side`."""
    first: Landing | None = None
    edits: tuple[Edit, ...] = ()
    here = trial
    for id in part_ids:
        step = find_other_side(here, id)
        if step is None or step.why_not:
            # What cannot be given stays away; the rest of the passage is given all the same.
            continue
        first = first or step
        edits += step.edits
        here = Trial.of(apply(trial.case.flow, edits), trial.case.setting)
    if first is None:
        return None
    tried = trial.of_edits(edits)
    return first.model_copy(
        update={
            "why_not": tried.why_not,
            "warns": tried.warns,
            "seconds": tried.seconds,
            "edits": () if tried.why_not else edits,
        }
    )
