"""The passages of a flow, by name and by the clock."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import Case
from mellow_tide.core.flow.flow import Part


class WorkedPassage(Record):
    """Parts that are worked as one: by id, in order; at least two.

    `start` is when the first of them begins, `seconds` what all of them take, without the ways there; both whole
    seconds.
    """

    id: str
    name: str
    parts: tuple[str, ...]
    start: int
    seconds: int


def find_passages(case: Case) -> tuple[WorkedPassage, ...]:
    """The passages of more than one part, in order."""
    found = []
    for places in case.passages:
        if len(places) < 2:
            continue
        parts = [case.flow.parts[at] for at in places]
        ids = {part.id for part in parts}
        own = [entry for entry in case.sheet.entries if entry.part_id in ids and entry.working]
        found.append(
            WorkedPassage(
                id=parts[0].id,
                name=_name(parts, case.catalogue),
                parts=tuple(part.id for part in parts),
                start=own[0].start,
                seconds=sum(entry.seconds for entry in own),
            )
        )
    return tuple(found)


def _name(parts: list[Part], catalogue: Catalogue) -> str:
    """`right leg, behind`, `left arm`; where both sides lie under one cover `back`."""
    regions = {part.region for part in parts}
    passage = next(p for p in catalogue.passages.values() if regions <= set(p.regions))
    sides = {part.side for part in parts}
    return passage.name if len(sides) > 1 or "mid" in sides else f"{parts[0].side} {passage.name}"
