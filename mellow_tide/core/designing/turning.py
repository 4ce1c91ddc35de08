"""Turning the client in the middle of what was one position."""

from collections.abc import Iterator
from itertools import takewhile

from mellow_tide.core.designing.landing import can_reach, say_unreached, turn_part
from mellow_tide.core.designing.suggestion import Suggestion
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.edits import part_named
from mellow_tide.core.phrases.book import say


def turns_after(trial: Trial, part_id: str) -> Iterator[Suggestion]:
    """For every other position of the kind: all that follows in the present position worked in that one.

    Raises `BadFlow`.
    """
    case, parts = trial.case, trial.case.flow.parts
    part = part_named(case.flow, part_id)
    later = parts[parts.index(part) + 1 :]
    following = list(takewhile(lambda other: other.position == part.position, later))
    for position in case.kind.positions:
        if position == part.position or not following:
            continue
        name = case.catalogue.positions[position].name
        says = say("designing.turn_after", place=case.place(part), position=name)
        barred = [other for other in following if not can_reach(case, other, position)]
        if barred:
            yield Suggestion(says=says, why_not=say_unreached(case, barred[0], position))
            continue
        edits = tuple(edit for other in following for edit in turn_part(case, other, position))
        yield Suggestion.of_edits(says, trial, edits)
