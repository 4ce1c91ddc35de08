"""From facts to what they restrict: conditions at their places, the pregnancy, consents, places to keep off."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import Literal

from mellow_tide.core.care.restrictions import (
    DEEPEST,
    Barred,
    BarredStrokes,
    Cap,
    MostMinutes,
    Reason,
    Restrictions,
    Unplaced,
)
from mellow_tide.core.care.thresholds import holds
from mellow_tide.core.catalogue.catalogue import Catalogue, check_known
from mellow_tide.core.catalogue.house.room import WARMER
from mellow_tide.core.catalogue.rules import THERE, Condition, Limits
from mellow_tide.core.flow.brief import ClientFacts, Excluded, Place, check_places
from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import FieldProblem, UnknownReference


def restrict(client: ClientFacts, catalogue: Catalogue) -> Restrictions:
    """Everything that `client`'s conditions, pregnancy, consents and excluded places restrict, and what the room lacks.

    Raises `UnknownReference` for a condition, consent, region or zone that the catalogue does not know.
    """
    _refuse_unknown(client, catalogue)
    limits = list(_limits(client, catalogue))
    declined = [catalogue.consents[id] for id in sorted(client.declined)]
    return Restrictions(
        reasons=tuple(
            Reason(
                name=x.name,
                level=x.level,
                says=x.limits.says,
                in_pregnancy=x.in_pregnancy,
                by_house=x.by_house,
            )
            for x in limits
        ),
        caps=_caps(limits, catalogue),
        positions=(
            *_barred(limits, "no_positions"),
            *_never_flat(limits, catalogue),
            *_without_support(catalogue),
        ),
        regions=(
            *_barred(limits, "forbid"),
            *(
                Barred(id=c.region, because=say("care.declined", consent=c.name), declined=True)
                for c in declined
                if not c.strokes
            ),
        ),
        heat=_barred(limits, "avoid_heat"),
        ingredients=_barred(limits, "no_ingredients"),
        unless_asked=_barred(limits, "unless_asked"),
        strokes=(*_barred_strokes(limits), *_without_warmer(catalogue)),
        most_minutes=_most_minutes(limits, "most_minutes"),
        flat_minutes=_most_minutes(limits, "flat_minutes"),
        raise_head=next((limit.name for limit in limits if limit.limits.raise_head), ""),
        excluded=(*client.excluded, *_left_alone(client, catalogue)),
        unplaced=tuple(
            Unplaced(condition=condition.id, name=condition.name)
            for condition in _conditions(client, catalogue)
            if condition.needs_place and _places(condition, client) is None
        ),
    )


def for_minutes(restrictions: Restrictions, seconds: int, catalogue: Catalogue) -> Restrictions:
    """What is restricted in a session of so many seconds hands-on.

    A client who may lie flat for some minutes does so only in a session that is no longer: nobody is moved about in
    the middle of the hour to keep a limit.
    """
    flat = restrictions.flat_minutes
    if flat is None or seconds <= 60 * flat.minutes:
        return restrictions
    return restrictions.model_copy(
        update={"positions": (*restrictions.positions, *_flat(flat.because, catalogue))}
    )


@dataclass(frozen=True, slots=True)
class Limit:
    """The limits of one condition or of the pregnancy, with its name and how grave it is."""

    name: str
    level: Literal["refer", "ask", "adapt"]
    limits: Limits
    in_pregnancy: bool = False
    by_house: bool = False


def _refuse_unknown(client: ClientFacts, c: Catalogue) -> None:
    sheeted = {id: consent for id, consent in c.consents.items() if consent.through_cloth}
    problems: list[FieldProblem | None] = [
        *(check_known(c.conditions, id, "conditions", "condition") for id in sorted(client.conditions)),
        *(check_known(c.consents, id, "consents", "consent") for id in sorted(client.consents)),
        *(check_known(c.consents, id, "declined", "consent") for id in sorted(client.declined)),
        *(check_known(sheeted, id, "through_cloth", "consent") for id in sorted(client.through_cloth)),
        *check_places(client.excluded, "excluded", c),
        *(
            check_known(c.conditions, x.condition, "condition_places", "condition")
            for x in client.condition_places
        ),
        *(
            problem
            for x in client.condition_places
            for problem in check_places(x.places, f"condition_places.{x.condition}", c)
        ),
        *(check_known(c.regions, x.region, "wishes", "region") for x in client.wishes),
        *(
            check_known({**c.strokes, **c.tools}, id, "likes", "stroke or tool")
            for id in sorted(client.likes)
        ),
        *(
            check_known({**c.strokes, **c.tools}, id, "dislikes", "stroke or tool")
            for id in sorted(client.dislikes)
        ),
    ]
    missing = [problem for problem in problems if problem]
    if missing:
        raise UnknownReference(*missing)


def _limits(client: ClientFacts, catalogue: Catalogue) -> Iterator[Limit]:
    for condition in _conditions(client, catalogue):
        limits = _at_places(condition, _places(condition, client) or ())
        yield Limit(condition.name, condition.level, limits, condition.in_pregnancy)
    days = client.gestation_days
    if days is None:
        return
    for rule in catalogue.pregnancy_rules:
        if holds(rule, catalogue) and rule.from_day <= days <= rule.until_day:
            name = say("care.pregnant", days=days)
            yield Limit(name, "refer" if rule.no_session else "adapt", rule, True, bool(rule.when))


def _conditions(client: ClientFacts, catalogue: Catalogue) -> Iterator[Condition]:
    return (one for one in catalogue.conditions.values() if one.id in client.conditions)


def _places(condition: Condition, client: ClientFacts) -> tuple[Place, ...] | None:
    """Where a condition is, as far as that was told: empty is nowhere that is worked, None is not told."""
    told = (one.places for one in client.condition_places if one.condition == condition.id)
    return next(told, None)


def _at_places(condition: Condition, places: tuple[Place, ...]) -> Limits:
    """The limits with regions for `there`; what is left alone there is no region but a place."""
    if not condition.needs_place:
        return condition
    cap = {id: depth for id, depth in condition.cap.items() if id != THERE}
    if THERE in condition.cap:
        cap |= {place.region: condition.cap[THERE] for place in places}
    return condition.model_copy(
        update={"cap": cap, "forbid": tuple(id for id in condition.forbid if id != THERE)}
    )


def _left_alone(client: ClientFacts, catalogue: Catalogue) -> Iterator[Excluded]:
    for condition in _conditions(client, catalogue):
        if THERE in condition.forbid:
            for place in _places(condition, client) or ():
                yield Excluded(**dict(place), because=condition.name)


def _barred(limits: Iterable[Limit], field: str) -> tuple[Barred, ...]:
    return tuple(
        Barred(id=id, because=limit.name, in_pregnancy=limit.in_pregnancy)
        for limit in limits
        for id in getattr(limit.limits, field)
    )


def _barred_strokes(limits: Iterable[Limit]) -> Iterator[BarredStrokes]:
    for limit in limits:
        for one in limit.limits.no_strokes:
            yield from (BarredStrokes(strokes=one.strokes, on=id, because=limit.name) for id in one.on)
        for id in limit.limits.no_outward:
            yield BarredStrokes(outward=True, on=id, because=limit.name)


def _without_support(catalogue: Catalogue) -> Iterator[Barred]:
    """Positions that take a support which is not there, and for which nothing else does."""
    for position in catalogue.positions.values():
        for id in position.supports:
            if id in catalogue.lacks and not catalogue.supports[id].instead:
                yield Barred(id=position.id, because=say("care.not_here", thing=catalogue.supports[id].name))


def _without_warmer(catalogue: Catalogue) -> Iterator[BarredStrokes]:
    if WARMER in catalogue.lacks:
        hot = tuple(stroke.id for stroke in catalogue.strokes.values() if stroke.heat)
        yield BarredStrokes(strokes=hot, on="all", because=say("care.not_here", thing=say("care.warmer")))


def _never_flat(limits: Iterable[Limit], catalogue: Catalogue) -> Iterator[Barred]:
    for limit in limits:
        if limit.limits.flat_minutes == 0:
            yield from _flat(limit.name, catalogue)


def _flat(because: str, catalogue: Catalogue) -> Iterator[Barred]:
    """Lying on the back and face down, barred."""
    lying = (id for id, position in catalogue.positions.items() if position.on_back_or_face)
    return (Barred(id=id, because=because) for id in lying)


def _most_minutes(
    limits: Iterable[Limit], field: Literal["most_minutes", "flat_minutes"]
) -> MostMinutes | None:
    found = (
        MostMinutes(minutes=minutes, because=limit.name)
        for limit in limits
        if (minutes := getattr(limit.limits, field))
    )
    return min(found, key=lambda one: one.minutes, default=None)


def _caps(limits: Iterable[Limit], catalogue: Catalogue) -> tuple[Cap, ...]:
    strictest: dict[str, Cap] = {}
    for limit in limits:
        cap = limit.limits.cap
        for region in catalogue.regions:
            depth = min(cap.get("all", DEEPEST), cap.get(region, DEEPEST))
            if depth < DEEPEST and (region not in strictest or depth < strictest[region].depth):
                strictest[region] = Cap(
                    region=region, depth=depth, because=limit.name, in_pregnancy=limit.in_pregnancy
                )
    return tuple(strictest.values())
