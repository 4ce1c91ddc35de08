"""What a client's health forbids, limits and advises, as one value. The strictest wins; nothing is averaged."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import date
from typing import Literal

from mellow_tide.core.care.pregnancy import (
    SECOND_TRIMESTER,
    TERM_DAYS,
    THIRD_TRIMESTER,
    day_of,
)
from mellow_tide.core.catalogue.catalogue import Catalogue, check_known
from mellow_tide.core.catalogue.records import Depth, Record, Stroke
from mellow_tide.core.catalogue.rules import THERE, Condition, Limits, PregnancyRule
from mellow_tide.core.flow.brief import ClientFacts, Excluded, Place, Side
from mellow_tide.core.phrases.book import say
from mellow_tide.core.phrases.times import say_weeks
from mellow_tide.core.refusal import FieldProblem, PlaceMissing, UnknownReference

DEEPEST = 5


class Reason(Record):
    """Why something is restricted: the condition's name, how grave it is, and what it means in plain words."""

    name: str
    level: Literal["refer", "ask", "adapt"]
    says: str
    in_pregnancy: bool = False
    by_house: bool = False


class Cap(Record):
    """The most depth on a region, and why."""

    region: str
    depth: Depth
    because: str
    in_pregnancy: bool = False


class Barred(Record):
    """Something that may not be, by its id, and why."""

    id: str
    because: str
    in_pregnancy: bool = False
    declined: bool = False


class BarredStrokes(Record):
    """Strokes or families of them (or, outward, whatever runs away from the heart) that may not be `on` a region."""

    strokes: tuple[str, ...] = ()
    outward: bool = False
    on: str
    because: str

    def bars(self, stroke: Stroke, region: str, direction: str) -> bool:
        """Whether this stroke may not be there, in this direction."""
        named = stroke.id in self.strokes or stroke.family in self.strokes
        outward = self.outward and direction == "away"
        return self.on in ("all", region) and (named or outward)


class MostMinutes(Record):
    """Hands-on minutes at most, and why."""

    minutes: int
    because: str


class Unplaced(Record):
    """A condition of which nobody has told where it is, by id, with its name."""

    condition: str
    name: str


class Restrictions(Record):
    """All that health, pregnancy, consents and excluded places take away, each with its reason.

    `caps`: most depth by region. `positions`, `regions`, `heat` (on regions), `ingredients` (of the lubricant) and
    `strokes` may not be; `unless_asked` are regions that only a focus brings in. `excluded` are places to keep away
    from. `most_minutes`: hands-on at most. `raise_head`: why the head end is raised; empty where it is not. `unplaced`:
    conditions that limit nothing at their place, because nobody has told where that is.
    """

    reasons: tuple[Reason, ...] = ()
    caps: tuple[Cap, ...] = ()
    positions: tuple[Barred, ...] = ()
    regions: tuple[Barred, ...] = ()
    heat: tuple[Barred, ...] = ()
    ingredients: tuple[Barred, ...] = ()
    unless_asked: tuple[Barred, ...] = ()
    strokes: tuple[BarredStrokes, ...] = ()
    most_minutes: MostMinutes | None = None
    raise_head: str = ""
    excluded: tuple[Excluded, ...] = ()
    unplaced: tuple[Unplaced, ...] = ()

    def capped(self, region: str) -> Cap | None:
        """What limits the depth on a region, or None."""
        return next((cap for cap in self.caps if cap.region == region), None)

    def cap(self, region: str) -> int:
        """The most depth allowed on a region; 5 where nothing limits it."""
        capped = self.capped(region)
        return capped.depth if capped else DEEPEST

    def why_no_stroke(self, stroke: Stroke, region: str, direction: str | None = None) -> str | None:
        """Why a stroke may not be done on a region, in its usual `direction` or another; None if health allows it.

        Heat is told by `avoid_heat`.
        """
        way = direction or stroke.direction
        return next((barred.because for barred in self.strokes if barred.bars(stroke, region, way)), None)

    def avoid_heat(self, region: str) -> tuple[Barred, ...]:
        """All that forbids heat on a region."""
        return tuple(barred for barred in self.heat if barred.id in ("all", region))

    def allows(self, stroke: Stroke, region: str) -> bool:
        """Whether health allows a stroke on a region at all, at some depth."""
        return (
            self.why_no_stroke(stroke, region) is None
            and stroke.depth[0] <= self.cap(region)
            and not (stroke.heat and self.avoid_heat(region))
        )

    def why_not(self, position: str) -> str | None:
        """Why the client may not lie so, or None if they may."""
        return next((barred.because for barred in self.positions if barred.id == position), None)

    def kept_off(self, region: str, side: Side) -> Excluded | None:
        """The excluded place that takes all of a region's side, or None; a zone alone does not."""
        return next((x for x in self.excluded if x.zone is None and x.holds(region, side)), None)

    @property
    def refer(self) -> tuple[Reason, ...]:
        """Reasons for which there is no session."""
        return tuple(reason for reason in self.reasons if reason.level == "refer")


def refuse_unplaced(restrictions: Restrictions) -> None:
    """Raise `PlaceMissing` where a condition is somewhere, and nobody has told where."""
    problems = [
        FieldProblem(f"condition_places.{one.condition}", "place_missing", condition=one.name)
        for one in restrictions.unplaced
    ]
    if problems:
        raise PlaceMissing(*problems)


def restrict(client: ClientFacts, catalogue: Catalogue) -> Restrictions:
    """Everything that `client`'s conditions, pregnancy, consents and excluded places restrict.

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
        positions=_barred(limits, "no_positions"),
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
        strokes=tuple(_barred_strokes(limits)),
        most_minutes=_most_minutes(limits),
        raise_head=next((limit.name for limit in limits if limit.limits.raise_head), ""),
        excluded=(*client.excluded, *_left_alone(client, catalogue)),
        unplaced=tuple(
            Unplaced(condition=condition.id, name=condition.name)
            for condition in _conditions(client, catalogue)
            if condition.needs_place and _places(condition, client) is None
        ),
    )


class Threshold(Record):
    """A day of a pregnancy, on the calendar and in weeks, from which something changes, and what."""

    on: date
    weeks: str
    says: str


def list_thresholds(due: date, after_days: int, catalogue: Catalogue) -> tuple[Threshold, ...]:
    """What is still to change in a pregnancy that is `after_days` old, in order; trimesters as ACOG counts them."""
    known = [
        (SECOND_TRIMESTER, say("care.second_trimester")),
        (THIRD_TRIMESTER, say("care.third_trimester")),
        *((rule.from_day, rule.says) for rule in catalogue.pregnancy_rules if _holds(rule, catalogue)),
        *(
            (rule.until_day + 1, say("care.no_longer", says=rule.says))
            for rule in catalogue.pregnancy_rules
            if _holds(rule, catalogue) and rule.until_day < TERM_DAYS
        ),
    ]
    return tuple(
        Threshold(on=day_of(due, days), weeks=say_weeks(days), says=says)
        for days, says in sorted(known)
        if days > after_days
    )


def _holds(rule: PregnancyRule, catalogue: Catalogue) -> bool:
    return all(catalogue.chosen[id] == choice for id, choice in rule.when.items())


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
        *(check_known(c.regions, x.region, "excluded", "region") for x in client.excluded),
        *(
            check_known(c.conditions, x.condition, "condition_places", "condition")
            for x in client.condition_places
        ),
        *(
            check_known(c.regions, place.region, f"condition_places.{x.condition}", "region")
            for x in client.condition_places
            for place in x.places
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
    located = (place for one in client.condition_places for place in one.places)
    for field, x in (
        *(("excluded", place) for place in client.excluded),
        *(("condition_places", place) for place in located),
    ):
        zones = c.regions[x.region].zones if x.region in c.regions else ()
        if x.zone is not None and zones and x.zone not in zones:
            problems.append(FieldProblem(field, "unknown_zone", region=x.region, zone=x.zone, known=zones))
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
        if _holds(rule, catalogue) and rule.from_day <= days <= rule.until_day:
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


def _most_minutes(limits: Iterable[Limit]) -> MostMinutes | None:
    found = (
        MostMinutes(minutes=limit.limits.most_minutes, because=limit.name)
        for limit in limits
        if limit.limits.most_minutes is not None
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
