"""Where the hands rest first and last, for a client who cannot be touched where that is usual."""

from collections.abc import Mapping
from functools import lru_cache

from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.rules import Closing, Opening, RitualStroke

ELSEWHERE = (
    "foot",
    "hand",
    "shoulders",
    "arm",
    "back",
    "thigh_front",
    "thigh_back",
    "lower_leg_back",
    "scalp",
    "neck",
    "lower_leg_front",
    "side_body",
)
"""Where hands may rest instead, the best first (common practice); nothing that wants a yes of its own."""

STILL = "resting_hold"
RESTS_FOR = 4
"""Breaths that an opening elsewhere rests for."""

Rests = tuple[tuple[str, str, tuple[str, ...]], ...]
"""Of each ritual that changes: its id, its region, and the strokes of it that stay; none: a still hold."""


def bearable_rituals(
    restrictions: Restrictions, unwanted: frozenset[str], positions: tuple[str, ...], catalogue: Catalogue
) -> Catalogue:
    """The catalogue with every opening and closing at a place, and of strokes, that the client may have.

    Strokes that are `unwanted` are not in them, but what is held still stays, and what alone is there. `positions` are
    those of the kind of session: a closing takes place in whichever comes last. A region may not be rested on where it
    is forbidden or declined, or where any of it is to be left alone. Where no place at all is left the ritual stays as
    it is, and the checks refuse it.
    """
    lain = tuple(position for position in positions if restrictions.why_not(position) is None)
    openings = _changed(catalogue.openings, restrictions, unwanted, catalogue, None)
    closings = _changed(catalogue.closings, restrictions, unwanted, catalogue, lain)
    return _with_rests(openings, closings, catalogue) if openings or closings else catalogue


def _changed(
    rituals: Mapping[str, Opening] | Mapping[str, Closing],
    restrictions: Restrictions,
    unwanted: frozenset[str],
    catalogue: Catalogue,
    positions: tuple[str, ...] | None,
) -> Rests:
    """The rituals that change; `positions` are those that must reach the place, None: the one it is called by."""
    found = []
    for id, ritual in rituals.items():
        region = catalogue.regions[ritual.region]
        allowed = tuple(
            s.stroke for s in ritual.strokes if restrictions.allows(catalogue.strokes[s.stroke], region.id)
        )
        stay = tuple(id for id in allowed if id not in unwanted or catalogue.strokes[id].family == "hold")
        stay = stay or allowed
        if may_rest(region.id, restrictions) and stay:
            if len(stay) < len(ritual.strokes):
                found.append((id, region.id, stay))
            continue
        reached_from = (id,) if positions is None else positions
        elsewhere = next(
            (
                other
                for other in ELSEWHERE
                if set(reached_from) <= set(catalogue.regions[other].positions)
                and may_rest(other, restrictions)
                and restrictions.allows(catalogue.strokes[STILL], other)
            ),
            None,
        )
        if elsewhere:
            found.append((id, elsewhere, ()))
    return tuple(found)


def may_rest(region: str, restrictions: Restrictions) -> bool:
    """Whether hands may rest on a region, through the sheet."""
    forbidden = any(barred.id == region for barred in restrictions.regions)
    return not forbidden and not any(place.region == region for place in restrictions.excluded)


@lru_cache(maxsize=256)
def open_for(booked_minutes: int, catalogue: Catalogue) -> Catalogue:
    """The catalogue with the openings that a session of so many booked minutes has."""
    longer = {
        id: opening.model_copy(update={"strokes": (*opening.strokes, *opening.longer)})
        for id, opening in catalogue.openings.items()
        if opening.longer and booked_minutes >= opening.longer_from
    }
    if not longer:
        return catalogue
    return catalogue.changed(("opened", tuple(longer)), openings={**catalogue.openings, **longer})


@lru_cache(maxsize=256)
def _with_rests(openings: Rests, closings: Rests, catalogue: Catalogue) -> Catalogue:
    """The catalogue with these rituals. The same ones give the very same value."""

    def strokes(
        ritual: Opening | Closing, stay: tuple[str, ...], passes: int | None
    ) -> tuple[RitualStroke, ...]:
        kept = tuple(s for s in ritual.strokes if s.stroke in stay)
        return kept or (RitualStroke(stroke=STILL, passes=passes),)

    opened = {
        id: catalogue.openings[id].model_copy(
            update={"region": region, "strokes": strokes(catalogue.openings[id], stay, RESTS_FOR)}
        )
        for id, region, stay in openings
    }
    closed = {
        id: catalogue.closings[id].model_copy(
            update={"region": region, "strokes": strokes(catalogue.closings[id], stay, None)}
        )
        for id, region, stay in closings
    }
    return catalogue.changed(
        ("rests", openings, closings),
        openings={**catalogue.openings, **opened},
        closings={**catalogue.closings, **closed},
    )
