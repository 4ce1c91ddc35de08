"""Where a stop may be put in the order of a flow, and why it may not go elsewhere."""

from collections.abc import Iterator, Sequence
from itertools import takewhile

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import Case
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.edits import ChangeStop, Edit, InsertStop, MoveStop, stop_named
from mellow_tide.core.flow.flow import Stop


class Landing(Record):
    """A place in the order: before place `at` of what is left, in `position`, by `edits`.

    `why_not` is the reason why the stop may not go there, or empty; `warns` what it should not go there without
    knowing. `seconds`: how much longer everything between the strokes becomes. `here`: where it is now.
    """

    at: int
    position: str
    why_not: str = ""
    warns: str = ""
    seconds: int = 0
    here: bool = False
    edits: tuple[Edit, ...] = ()


def landings(trial: Trial, stop_id: str) -> tuple[Landing, ...]:
    """Every place in the order for a stop of the flow, from the first to the last. Raises `BadFlow`."""
    flow = trial.case.flow
    stop = stop_named(flow, stop_id)
    now = flow.stops.index(stop)
    rest = tuple(other for other in flow.stops if other is not stop)
    found = []
    for at in range(len(rest) + 1):
        if at == now:
            found.append(Landing(at=at, position=stop.position, here=True))
            continue
        if stop.role in ("open", "close"):
            what = "the first contact comes first" if stop.role == "open" else "the close comes last"
            found.append(Landing(at=at, position=stop.position, why_not=what))
            continue
        position, why_not = _position(trial.case, stop, rest, at)
        move = MoveStop(stop_id=stop_id, to=at)
        found.append(_tried(trial, at, position, why_not, (move, *turned(trial.case, stop, position))))
    return tuple(found)


def best_landing(trial: Trial, stop: Stop, near: int) -> Landing | None:
    """The place where a new stop costs the fewest seconds and breaks least, the closest to place `near` first."""
    tried = [landing for landing in _new(trial, stop) if not landing.why_not]
    return min(tried, key=lambda x: (bool(x.warns), x.seconds, abs(x.at - near)), default=None)


def _new(trial: Trial, stop: Stop) -> Iterator[Landing]:
    stops = trial.case.flow.stops
    for at in range(len(stops) + 1):
        position, why_not = _position(trial.case, stop, stops, at)
        window = trial.case.catalogue.regions[stop.region].window_in(position)
        placed = stop.model_copy(update={"position": position, "window": window})
        yield _tried(trial, at, position, why_not, (InsertStop(at=at, stop=placed),))


def turned(case: Case, stop: Stop, position: str) -> tuple[Edit, ...]:
    """The edit that works a stop in another position, through the window it has there; none if it is in it."""
    if position == stop.position:
        return ()
    window = case.catalogue.regions[stop.region].window_in(position)
    return (ChangeStop(stop_id=stop.id, position=position, window=window),)


def reached(case: Case, stop: Stop, position: str) -> bool:
    """Whether a stop's region and side can be worked in `position`, as far as the client may lie so."""
    region = case.catalogue.regions[stop.region]
    fits = position in region.positions and case.catalogue.positions[position].reaches(stop.side)
    return fits and case.restrictions.why_not(position) is None


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
        edits=edits,
    )


def _position(case: Case, stop: Stop, rest: Sequence[Stop], at: int) -> tuple[str, str]:
    """The position a stop would be worked in before place `at`, and why it cannot be, if so."""
    if at < _opened(rest):
        return stop.position, "the first contact comes first"
    if at == len(rest) and rest and rest[-1].role == "close":
        return stop.position, "the close comes last"
    beside = [other.position for other in rest[max(at - 1, 0) : at + 1]]
    # Where it may stay as it is, it does.
    wanted = [stop.position, *beside] if stop.position in beside else beside
    for position in wanted:
        if reached(case, stop, position):
            return position, ""
    return beside[0], unreached(case, stop, beside[0])


def unreached(case: Case, stop: Stop, position: str) -> str:
    """That a stop cannot be worked in a position, in words."""
    return (
        f"the {case.place(stop)} cannot be worked with the client {case.catalogue.positions[position].name}"
    )


def _opened(stops: Sequence[Stop]) -> int:
    """How many stops at the beginning open the session."""
    return sum(1 for _ in takewhile(lambda stop: stop.role == "open", stops))
