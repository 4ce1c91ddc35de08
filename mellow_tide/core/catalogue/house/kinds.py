"""The kinds of session as a house offers them: which, for how long, and what of a booking is not hands-on."""

from collections.abc import Collection, Iterator, Mapping

from mellow_tide.core.catalogue.catalogue import Entries
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.rules import Kind
from mellow_tide.core.refusal import FieldProblem

MINUTES = {"before": "before_minutes", "after": "after_minutes", "first_visit": "first_visit_before_minutes"}
"""How a house calls the minutes of a kind."""


def kinds_in(
    house: House, lacks: Collection[str], on_mat: bool, kinds: Mapping[str, Kind]
) -> dict[str, Kind]:
    """The kinds; what lies on a table is not offered where there is none, and is worked on a mat where that serves."""
    return {id: kind.model_copy(update=_changes(house, lacks, on_mat, kind)) for id, kind in kinds.items()}


def _changes(house: House, lacks: Collection[str], on_mat: bool, kind: Kind) -> dict[str, object]:
    minutes = {field: house.minutes.get(f"{kind.id}.{name}") for name, field in MINUTES.items()}
    return {
        **{field: value for field, value in minutes.items() if value is not None},
        "usual_minutes": house.bookings.get(kind.id, kind.usual_minutes),
        "offered": kind.id not in house.kinds and kind.surface not in lacks,
        "surface": "mat" if on_mat and kind.surface == "table" else kind.surface,
    }


def kind_problems(house: House, c: Entries) -> Iterator[FieldProblem]:
    """What the house names of kinds that do not exist, or that have no minutes to meet."""
    named = {
        **{f"kinds.{id}": id for id in house.kinds},
        **{f"bookings.{id}": id for id in house.bookings},
        **{f"minutes.{name}": name.rpartition(".")[0] for name in house.minutes},
    }
    for item, id in named.items():
        if id not in c.kinds:
            yield FieldProblem(item, "unknown_id", noun="kind of session", id=id, known=tuple(c.kinds))
    for name in house.minutes:
        which = name.rpartition(".")[2]
        if which not in MINUTES:
            yield FieldProblem(
                f"minutes.{name}", "unknown_id", noun="minutes", id=which, known=tuple(MINUTES)
            )
    for id in house.bookings:
        if id in c.kinds and c.kinds[id].open_ended:
            yield FieldProblem(f"bookings.{id}", "open_ended_kind", kind=c.kinds[id].name)
