"""The smallest changes of a brief that cannot be met that make it one that can."""

from collections.abc import Iterable, Iterator
from itertools import combinations

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import LONGEST_BOOKING, SHORTEST_BOOKING
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.phrases.book import say
from mellow_tide.core.planner.choice.chosen import choose
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.refusal import DoesNotFit, Offer, Refused
from mellow_tide.core.setting import Setting

MOST_OFFERED, MOST_TOGETHER = 4, 3
"""How many offers are made, and how many changes one of them may hold."""

MINUTES_STEP = 5
"""Bookings are offered in steps of so many minutes."""

LIES_OTHERWISE = (("side_lying", "side_by_side"), ("prenatal", "left_side_first"))
"""Kinds, with a school, for a client who may not lie face down or face up."""


def find_offers(
    refused: DoesNotFit,
    brief: Brief,
    setting: Setting,
) -> tuple[Offer, ...]:
    """The changes that would do for a `brief` that was `refused`: all that are single, else the fewest together.

    Each has been tried: with it, there is a plan.
    """

    def would_do(together: Iterable[Offer]) -> bool:
        changed = brief.model_copy(update={k: v for offer in together for k, v in offer.change.items()})
        try:
            choose(Asked.of(changed, setting), deadline=lambda: True)
        except Refused:
            return False
        return True

    candidates = [*_of_minutes(brief), *_of_wishes(refused, brief, setting.catalogue)]
    for size in range(1, MOST_TOGETHER + 1):
        found: list[Offer] = []
        for together in combinations(candidates, size):
            if len(found) < MOST_OFFERED and _apart(together) and not _more_than(together, found):
                found += [_joined(together)] if would_do(together) else []
        if found:
            return tuple(found)
    return ()


def _apart(together: tuple[Offer, ...]) -> bool:
    """Whether the changes touch different fields."""
    fields = [field for offer in together for field in offer.change]
    return len(set(fields)) == len(fields)


def _more_than(together: tuple[Offer, ...], found: list[Offer]) -> bool:
    """Whether less of the same would do: minutes nearer to what was booked, or a focus that keeps more."""
    change = _joined(together).change
    for offer in found:
        if "booked_minutes" in change and "booked_minutes" in offer.change:
            return True
        kept = offer.change.get("focus")
        less = change.get("focus")
        if isinstance(kept, tuple) and isinstance(less, tuple) and set(kept).issuperset(less):
            return True
    return False


def _joined(together: tuple[Offer, ...]) -> Offer:
    first, *others = (offer.says for offer in together)
    words = " and ".join([first, *(says[0].lower() + says[1:] for says in others)])
    return Offer(words, {k: v for offer in together for k, v in offer.change.items()})


def _of_minutes(brief: Brief) -> Iterator[Offer]:
    """Other bookings, those nearest to what was booked first."""
    for away in range(MINUTES_STEP, LONGEST_BOOKING, MINUTES_STEP):
        low = (brief.booked_minutes - away) // MINUTES_STEP * MINUTES_STEP + MINUTES_STEP
        high = (brief.booked_minutes + away) // MINUTES_STEP * MINUTES_STEP
        for minutes in (high, low):
            if SHORTEST_BOOKING <= minutes <= LONGEST_BOOKING and minutes != brief.booked_minutes:
                yield Offer(say("designing.book_minutes", minutes=minutes), {"booked_minutes": minutes})


def _of_wishes(refused: DoesNotFit, brief: Brief, catalogue: Catalogue) -> Iterator[Offer]:
    """What could be changed of the wishes that the refusal names."""
    fields = {problem.field for problem in refused.problems}
    if fields & {"focus", "booked_minutes"}:
        yield from _of_focus(brief, catalogue)
    if "leave_out" in fields:
        for id in brief.leave_out:
            back = tuple(other for other in brief.leave_out if other != id)
            yield Offer(say("offers.work_after_all", region=catalogue.regions[id].whole), {"leave_out": back})
    yield from (offer for field, offer in _plain(catalogue) if field in fields)
    if fields & {"area", "focus"}:
        for area in catalogue.kinds[brief.kind].areas:
            if area.id != brief.area and set(brief.focus) <= set(area.regions):
                yield Offer(
                    say("offers.choose_area", area=area.name), {"area": area.id, "close_with": area.closing}
                )
    yield from _of_ways(fields, brief, catalogue)


def _of_focus(brief: Brief, catalogue: Catalogue) -> Iterator[Offer]:
    """A smaller focus, what keeps most of it first."""
    for size in range(1, len(brief.focus) + 1):
        for gone in combinations(brief.focus, size):
            names = " and ".join(catalogue.regions[id].whole for id in gone)
            kept = tuple(id for id in brief.focus if id not in gone)
            yield Offer(say("offers.out_of_focus", regions=names), {"focus": kept})


def _plain(catalogue: Catalogue) -> Iterator[tuple[str, Offer]]:
    """By field, what always does there."""
    for lubricant in catalogue.lubricants.values():
        if lubricant.in_stock and not lubricant.contains:
            yield (
                "lubricant",
                Offer(say("offers.use_lubricant", lubricant=lubricant.name), {"lubricant": lubricant.id}),
            )
    allowed = catalogue.choice("strength").ceilings["relaxation"]
    yield "ceiling", Offer(say("repairs.ease_off_at", allowed=allowed), {"ceiling": allowed})
    yield "finish", Offer(say("offers.end_calm"), {"finish": "calm"})
    yield "first_position", Offer(say("offers.begin_as_school_does"), {"first_position": None})


def _of_ways(fields: set[str], brief: Brief, catalogue: Catalogue) -> Iterator[Offer]:
    """Other schools, and other ways to lie."""
    for school in catalogue.schools.values() if "focus" in fields else ():
        if school.kind == brief.kind and school.offered and school.id != brief.school:
            yield Offer(
                say("offers.work_school", school=school.name), {"school": school.id, "first_position": None}
            )
    if fields & {"kind", "focus"} and brief.kind in ("full_body", "side_lying"):
        for kind, school_id in LIES_OTHERWISE:
            if kind != brief.kind:
                change = {"kind": kind, "school": school_id, "first_position": None, "close_with": "head"}
                yield Offer(say("offers.plan_kind", kind=catalogue.kinds[kind].name), change)
