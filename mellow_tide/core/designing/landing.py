"""Where a part may be put in the order of a flow, and why it may not go elsewhere."""

from collections.abc import Iterator, Sequence
from itertools import takewhile

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import Case
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.edits import ChangePart, Edit, InsertPart, MovePart, part_named
from mellow_tide.core.flow.flow import Part
from mellow_tide.core.phrases.book import say


class Landing(Record):
    """A place in the order: before place `at` of what is left, in `position`, by `edits`.

    `why_not` is the reason why the part may not go there, or empty; `warns` what it should not go there without
    knowing. `seconds`: how much longer everything between the strokes becomes. `here`: where it is now.
    """

    at: int
    position: str
    why_not: str = ""
    warns: str = ""
    seconds: int = 0
    here: bool = False
    edits: tuple[Edit, ...] = ()


def find_landings(trial: Trial, part_id: str) -> tuple[Landing, ...]:
    """Every place in the order for a part of the flow, from the first to the last. Raises `BadFlow`."""
    flow = trial.case.flow
    part = part_named(flow, part_id)
    now = flow.parts.index(part)
    rest = tuple(other for other in flow.parts if other is not part)
    found = []
    for at in range(len(rest) + 1):
        if at == now:
            found.append(Landing(at=at, position=part.position, here=True))
            continue
        if part.role in ("open", "close"):
            what = (
                say("designing.first_contact_first") if part.role == "open" else say("designing.close_last")
            )
            found.append(Landing(at=at, position=part.position, why_not=what))
            continue
        position, why_not = _position(trial.case, part, rest, at)
        move = MovePart(part_id=part_id, to=at)
        found.append(_tried(trial, at, position, why_not, (move, *turn_part(trial.case, part, position))))
    return tuple(found)


def find_passage_landings(trial: Trial, part_ids: Sequence[str]) -> tuple[Landing, ...]:
    """Every place in the order for parts that are worked as one, and stay so; as `find_landings`."""
    flow = trial.case.flow
    parts = [part_named(flow, id) for id in part_ids]
    rest = tuple(other for other in flow.parts if other not in parts)
    now = flow.parts.index(parts[0])
    found = []
    for at in range(len(rest) + 1):
        if at == now:
            found.append(Landing(at=at, position=parts[0].position, here=True))
            continue
        position, why_not = _position(trial.case, parts[0], rest, at)
        for part in parts:
            if not why_not and not can_reach(trial.case, part, position):
                why_not = say_unreached(trial.case, part, position)
        # One after the other is taken out and put behind the one before.
        back = at < now
        moves = [
            MovePart(part_id=part.id, to=at + (i if back else len(parts) - 1)) for i, part in enumerate(parts)
        ]
        turns = [edit for part in parts for edit in turn_part(trial.case, part, position)]
        found.append(_tried(trial, at, position, why_not, (*moves, *turns)))
    return tuple(found)


def find_best_landing(trial: Trial, part: Part, near: int) -> Landing | None:
    """The place where a new part costs the fewest seconds and breaks least, the closest to place `near` first."""
    tried = [landing for landing in _new(trial, part) if not landing.why_not]
    return min(tried, key=lambda x: (bool(x.warns), x.seconds, abs(x.at - near)), default=None)


def _new(trial: Trial, part: Part) -> Iterator[Landing]:
    parts = trial.case.flow.parts
    for at in range(len(parts) + 1):
        position, why_not = _position(trial.case, part, parts, at)
        window = trial.case.catalogue.regions[part.region].window_in(position)
        placed = part.model_copy(update={"position": position, "window": window})
        yield _tried(trial, at, position, why_not, (InsertPart(at=at, part=placed),))


def turn_part(case: Case, part: Part, position: str) -> tuple[Edit, ...]:
    """The edit that works a part in another position, through the window it has there; none if it is in it."""
    if position == part.position:
        return ()
    covered = part.medium == "clothed" and part.window == "none"
    window = "none" if covered else case.catalogue.regions[part.region].window_in(position)
    return (ChangePart(part_id=part.id, position=position, window=window),)


def can_reach(case: Case, part: Part, position: str) -> bool:
    """Whether a part can be worked as it is in `position`, as far as the client may lie so."""
    region = case.catalogue.regions[part.region]
    fits = position in region.positions and case.catalogue.positions[position].reaches(part.side)
    in_reach = (region.has_in_reach(position, x.zone, case.stroke(x)) for x in part.steps)
    return fits and all(in_reach) and case.restrictions.why_not(position) is None


def _tried(trial: Trial, at: int, position: str, why_not: str, edits: tuple[Edit, ...]) -> Landing:
    if why_not:
        return Landing(at=at, position=position, why_not=why_not)
    tried = trial.of_edits(edits)
    return Landing(
        at=at,
        position=position,
        why_not=tried.why_not,
        warns=tried.warns,
        seconds=tried.seconds,
        edits=() if tried.why_not else edits,
    )


def _position(case: Case, part: Part, rest: Sequence[Part], at: int) -> tuple[str, str]:
    """The position a part would be worked in before place `at`, and why it cannot be, if so."""
    if at < _opened(rest):
        return part.position, say("designing.first_contact_first")
    if at == len(rest) and rest and rest[-1].role == "close":
        return part.position, say("designing.close_last")
    beside = [other.position for other in rest[max(at - 1, 0) : at + 1]]
    # Where it may stay as it is, it does.
    wanted = [part.position, *beside] if part.position in beside else beside
    for position in wanted:
        if can_reach(case, part, position):
            return position, ""
    return beside[0], say_unreached(case, part, beside[0])


def say_unreached(case: Case, part: Part, position: str) -> str:
    """That a part cannot be worked in a position, in words."""
    return say(
        "designing.out_of_reach", place=case.place(part), position=case.catalogue.positions[position].name
    )


def _opened(parts: Sequence[Part]) -> int:
    """How many parts at the beginning open the session."""
    return sum(1 for _ in takewhile(lambda part: part.role == "open", parts))
