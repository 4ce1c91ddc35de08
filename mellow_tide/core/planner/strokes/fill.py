"""From an order and minutes to a flow: strokes along the arc of every part, and a close that makes up the rest."""

from collections import Counter
from collections.abc import Mapping, Sequence

from mellow_tide.core.flow.flow import Flow, Part, Setup, Step
from mellow_tide.core.hands.spread import STRONG
from mellow_tide.core.phrases.book import say
from mellow_tide.core.planner.order.order import Order
from mellow_tide.core.planner.points import keep_points
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import PlanQuestion
from mellow_tide.core.planner.strokes.arc import StrokesWorked, after, worked_as
from mellow_tide.core.planner.strokes.compose import as_filled, compose
from mellow_tide.core.planner.strokes.present import PresentSteps, find_joined
from mellow_tide.core.planner.strokes.refit import refit_span
from mellow_tide.core.planner.strokes.repertoire import Touch
from mellow_tide.core.planner.strokes.rituals import LAST, end_on_time, make_ritual_steps, opened_dry
from mellow_tide.core.planner.strokes.site import Site, find_site
from mellow_tide.core.planner.strokes.span import DryBounds, Span, SpanArc
from mellow_tide.core.planner.strokes.spans import SpanPlace, list_spans
from mellow_tide.core.planner.strokes.thumbs import give_thumbs
from mellow_tide.core.timing.step_seconds import step_seconds
from mellow_tide.core.timing.timed import part_seconds

LONG_ENOUGH = 45
"""Booked minutes from which a session has some thumb work."""

BEGUN_DRY, HOUR = "back", 60
"""What begins through the sheet, or dry, in a session of so many booked minutes and more."""

DRY, DRY_FROM = (60, 180), 180
"""For how many seconds at least and at most (common practice), where it has so many per side."""

LONG, FIRM_WORK = 270, 0.85
"""Seconds from which a region keeps its depth all the same; the share of a shorter one after which it only settles."""

MAKES_GOOD = 5
"""Seconds per side by which a part may make good what those before it missed."""


def fill_flow(
    asked: Asked, question: PlanQuestion, order: Order, minutes: Mapping[str, int], present: PresentSteps
) -> Flow:
    """The flow of `order` in which each region gets its `minutes` (whole seconds per side).

    A region that is there already keeps its strokes as far as the minutes and the client's health let it.
    """
    filling = _Filling(asked, question, order, minutes, present)
    steps = filling.steps()
    parts = [_part(setup, steps, asked) for setup in order.setups]
    taken = order.seconds + filling.taken + part_seconds(parts[-1], asked.catalogue, asked.tempo)
    flow = keep_points(Flow(brief=asked.brief, parts=tuple(parts)), question.points, asked)
    return end_on_time(flow, question.hands_on - taken, asked)


class _Filling:
    """Fills span by span: what one misses the next makes good, and what one strained rests in the next.

    `taken` are the whole seconds of all that is filled.
    """

    def __init__(
        self,
        asked: Asked,
        question: PlanQuestion,
        order: Order,
        minutes: Mapping[str, int],
        present: PresentSteps,
    ) -> None:
        self._asked, self._question, self._order, self._setups = asked, question, order, order.setups
        self._minutes, self._present = minutes, present
        self._steps: dict[str, tuple[Step, ...]] = {}
        self._used: Counter[str] = Counter()
        self._owed = 0.0
        self.taken = 0
        self._before: StrokesWorked = ()
        self._fresh: list[str] = []

    def steps(self) -> dict[str, tuple[Step, ...]]:
        """By region, the steps of each of its sides."""
        oiled: int | None = None
        for place in list_spans(self._setups, self._site, self._asked.catalogue):
            for one in place.one_by_one() if self._were_apart(place) else (place,):
                oiled = self._fill(one, oiled if one.goes_on else None)
        return self._with_thumbs()

    def _were_apart(self, place: SpanPlace) -> bool:
        """Whether the regions of a span are there already, each with an arc of its own."""
        return all(id in self._present and find_joined(self._present, (id,)) == {id} for id in place.regions)

    def _stays(self, span: Span) -> bool:
        """Whether a span is there already with the same regions."""
        return all(self._present.get(id) for id in span.regions) and all(
            find_joined(self._present, (id,)) == set(span.regions) for id in span.regions
        )

    def _with_thumbs(self) -> dict[str, tuple[Step, ...]]:
        """The steps, with thumbs where a session long enough on oiled skin can use them."""
        asked = self._asked
        if asked.kind.clothed or asked.brief.booked_minutes < LONG_ENOUGH:
            return self._steps
        catalogue = asked.catalogue
        sides = Counter(setup.region for setup in self._setups if setup.role == "work")
        taken = {
            (id, i): sides[id]
            * step_seconds(
                step, catalogue.strokes[step.stroke], catalogue.regions[id], catalogue, asked.tempo
            )
            for id, steps in self._steps.items()
            for i, step in enumerate(steps)
        }
        touches = {id: asked.touch(id) for id in self._steps}
        return give_thumbs(self._steps, taken, self._fresh, touches, catalogue)

    def _site(self, region: str, position: str) -> Site:
        return find_site(
            region, position, self._asked.touch(region), self._asked.catalogue, self._asked.tempo
        )

    def _fill(self, place: SpanPlace, oiled: int | None) -> int | None:
        """Give the regions of a span their steps; says how old the oil is then."""
        sites = []
        for id in place.regions:
            touch = after(self._before, id, self._touch(id), self._asked.catalogue)
            sites.append(find_site(id, place.position, touch, self._asked.catalogue, self._asked.tempo))
        sides = sum(place.sides) * place.times
        owes = max(-MAKES_GOOD, min(MAKES_GOOD, round(self._owed / sides)))
        wanted = [self._minutes[id] for id in place.regions]
        targets = [
            self._target(id, seconds + owes) for id, seconds in zip(place.regions, wanted, strict=True)
        ]
        span = Span(tuple(sites), place.sides, self._bound_dry(place, targets[0]))
        arc = self._arc(span, targets, wanted, oiled)
        self._steps.update(arc.steps)
        asked_for = sum(t * n for t, n in zip(wanted, place.sides, strict=True))
        self._owed += place.times * (asked_for - arc.seconds)
        self.taken += place.times * arc.seconds
        for id in place.regions:
            self._used.update({step.stroke for step in arc.steps[id]})
        self._before = worked_as(step for id in place.regions for step in arc.steps[id])
        return arc.oiled_after

    def _touch(self, region: str) -> Touch:
        """How a region is worked: calm where it comes last, no great load is carried and nobody wished otherwise."""
        asked = self._asked
        touch = asked.touch(region)
        wished = any(wish.region == region for wish in asked.client.wishes)
        if wished or asked.catalogue.regions[region].firm_depth >= STRONG or not self._lies_late(region):
            return touch
        return touch.calm

    def _lies_late(self, region: str) -> bool:
        """Whether firm work on a region would come, on its last side, in a session's last minutes on the table."""
        if self._asked.kind.surface != "table":
            return False
        worked = [self._minutes[setup.region] for setup in self._setups if setup.role == "work"]
        regions = [setup.region for setup in self._setups if setup.role == "work"]
        after = worked[len(regions) - regions[::-1].index(region) :]
        between = self._order.seconds / len(self._setups)
        close = self._question.hands_on - self._order.seconds - sum(worked)
        own = self._minutes[region]
        to_go = (1 - FIRM_WORK) * own + between + sum(seconds + between for seconds in after) + close
        return own < LONG and to_go <= LAST

    def _bound_dry(self, place: SpanPlace, seconds: int) -> DryBounds | None:
        """How much dry work a span begins with, besides what the opening has done there."""
        asked = self._asked
        begun = place.regions[0] == BEGUN_DRY and asked.brief.booked_minutes >= HOUR and seconds >= DRY_FROM
        if not begun or asked.kind.clothed:
            return None
        opening = self._setups[0]
        at_once = not self._steps and opening.role == "open" and opening.region == BEGUN_DRY
        opened = opened_dry(opening, asked) if at_once else 0
        return max(0, DRY[0] - opened), max(0, DRY[1] - opened)

    def _target(self, region: str, seconds: int) -> int:
        """The seconds to fill, within a region's bounds. What keeps its strokes may miss them, so its least holds."""
        share = self._question.shares[region]
        least = share.least if region in self._present else 0
        return int(min(share.most, max(least, seconds)))

    def _arc(self, span: Span, targets: Sequence[int], wanted: Sequence[int], oiled: int | None) -> SpanArc:
        if self._stays(span):
            here = [self._present[id] for id in span.regions]
            kept = refit_span(span, here, targets, wanted, oiled)
            if kept is not None:
                return kept
        self._fresh += span.regions
        found = compose(span, targets, self._used, oiled)
        if found is None and any(site.touch.varied for site in span.sites):
            plain = tuple(
                find_site(s.region.id, s.position, s.touch.plain, s.catalogue, s.tempo) for s in span.sites
            )
            span = Span(plain, span.sides, span.dry)
            found = compose(span, targets, self._used, oiled)
        return found or as_filled(span, targets, self._used, oiled)


def _part(setup: Setup, steps: Mapping[str, tuple[Step, ...]], asked: Asked) -> Part:
    if setup.role != "work":
        return Part.at(setup, setup.role, make_ritual_steps(setup, asked))
    id = setup.region if setup.side == "mid" else f"{setup.region}-{setup.side}"
    part = Part.at(setup, id, steps[setup.region])
    if asked.catalogue.regions[setup.region].only is None:
        return part
    return part.model_copy(update={"reason": say("plan.other_side_left_alone")})
