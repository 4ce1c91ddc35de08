"""The planning question: which regions may claim minutes, with what weight and between which bounds."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from statistics import median
from typing import Literal

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Slot
from mellow_tide.core.catalogue.rules import Closing, Opening
from mellow_tide.core.flow.brief import Place
from mellow_tide.core.planner.minutes.minutes import Share, allot
from mellow_tide.core.planner.order.way import SchoolWay, halved
from mellow_tide.core.planner.points import measure_points, plannable_points
from mellow_tide.core.planner.question.absent import (
    Absence,
    explain_absent,
    nothing_left,
    refuse_focus,
    refuse_impossible,
    refuse_unready,
)
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.strokes.arc import capacity
from mellow_tide.core.planner.strokes.repertoire import arc_options
from mellow_tide.core.planner.strokes.rituals import ROUSING_SECONDS, can_rouse
from mellow_tide.core.refusal import DoesNotFit
from mellow_tide.core.timing.run_sheet import TOLERATED, hands_on_seconds
from mellow_tide.core.timing.step_seconds import Ground, pass_seconds, whole
from mellow_tide.core.timing.tempo import Tempo

GRAIN = 15
"""Seconds per side to which minutes are rounded."""

FOCUS_FACTOR = 1.8
"""How much more a focus region weighs than its neutral share of the body's surface (from experience)."""

MORE_OF_FOCUS = 1.25
"""How much more than its usual seconds a focus has before anything else comes in (from experience)."""

HELD, LATER = 500, 10
"""What it is worth that a session has a region which it is not without, more than all minutes together; and how much
less with each one named later."""

LEAVES = 120
"""What it costs that a region leaves that is there, or comes in, in seconds' worth."""

KEPT_OUT = 100_000
"""What it costs to have a region while those that a session is not without lack their usual seconds."""

CLOSE = "close"
"""Stands for the close where it is told among the regions."""


@dataclass(frozen=True)
class PlanQuestion:
    """What the planner solves. `shares[id]` are the candidates; `must` are the wished ones.

    `absent` says why a region that is not left out by wish is no candidate. `hands_on` are the hands-on seconds;
    the closing's share is `close`. `points` are the sore points that have their own seconds, which `hands_on` has not.
    `usual` are the seconds per side that what the session is not without gets before anything else comes in.
    """

    shares: dict[str, Share]
    must: frozenset[str]
    absent: dict[str, Absence]
    close: Share
    hands_on: int
    way: SchoolWay
    points: tuple[Place, ...] = ()
    usual: Mapping[str, int] = field(default_factory=dict)

    def at_usual(self) -> "PlanQuestion":
        """The question in which what the session is not without has its usual seconds, and must be there."""
        raised = {
            id: replace(self.shares[id], least=max(self.shares[id].least, seconds))
            for id, seconds in self.usual.items()
        }
        return replace(self, shares={**self.shares, **raised}, must=self.must | raised.keys())

    def with_least(self, least: Mapping[str, int]) -> "PlanQuestion":
        """The question in which these regions have at least so many seconds per side, or their most."""
        raised = {
            id: replace(share, least=min(share.most, max(share.least, -(-least[id] // GRAIN) * GRAIN)))
            for id, share in self.shares.items()
            if id in least
        }
        return replace(self, shares={**self.shares, **raised})

    def find_level(self, now: Mapping[str, float]) -> float:
        """The water level of `now` (seconds per side by region and for the close) at those that could take or give.

        What has its usual seconds says nothing of it.
        """
        shares = {**self.at_usual().shares, CLOSE: self.close}
        known = [(shares[id], t) for id, t in now.items() if id in shares]
        exact = allot([s for s, _ in known], sum(s.count * t for s, t in known)) or [t for _, t in known]
        reached = [((s.saturation + t) / s.weight, s, t) for (s, _), t in zip(known, exact, strict=True)]
        free = [level for level, s, t in reached if s.least < t < s.most]
        return free[0] if free else median(level for level, _, _ in reached)

    def without_others(self) -> "PlanQuestion":
        """The question in which nothing comes in beside what is wished or there, or the session is not without."""
        shares = {
            id: replace(share, bonus=share.bonus - KEPT_OUT)
            if id not in self.usual and id not in self.must and not share.pull
            else share
            for id, share in self.shares.items()
        }
        return replace(self, shares=shares)


def pose_question(asked: Asked, focus_factors: Mapping[str, float] | None = None) -> PlanQuestion:
    """The question that is asked. Assumes that the brief has been checked.

    `focus_factors` say how much more each focus weighs than its neutral share, where it is not the usual factor.

    Raises `NoSession` for a stop sign, `PlaceMissing` for a condition of unknown place,
    `DoesNotFit` where a focus may not be worked or nothing is left to work.
    """
    refuse_unready(asked)
    refuse_impossible(asked)
    brief, catalogue = asked.brief, asked.catalogue
    way = _way(asked)
    area = next((a.regions for a in asked.kind.areas if a.id == brief.area), tuple(catalogue.regions))
    factors = focus_factors or {}
    shares: dict[str, Share] = {}
    absent: dict[str, Absence] = {}
    for id in area:
        if id in brief.leave_out:
            continue
        why = explain_absent(id, asked, way)
        share = None if why else _share(id, asked, way, factors.get(id, FOCUS_FACTOR))
        if share:
            shares[id] = share
        else:
            absent[id] = why or "health"
    for place, id in enumerate(asked.kind.held_in(brief.booked_minutes)):
        if id in shares:
            shares[id] = replace(shares[id], bonus=HELD - LATER * place)
    refuse_focus(absent, asked)
    points = plannable_points(asked, shares)
    for id in {point.region for point in points}:
        # What a point takes counts for its region, too.
        taken = measure_points([point for point in points if point.region == id], asked)
        shares[id] = replace(shares[id], most=max(shares[id].least, shares[id].most - taken))
    if not shares:
        raise DoesNotFit(nothing_left(asked))
    return PlanQuestion(
        shares=shares,
        must=frozenset((*brief.focus, *(point.region for point in points))),
        absent=absent,
        close=_close(asked),
        hands_on=hands_on_seconds(brief, catalogue) - measure_points(points, asked),
        way=way,
        points=points,
        usual=_usual(shares, asked),
    )


def _usual(shares: Mapping[str, Share], asked: Asked) -> dict[str, int]:
    """Usual seconds per side of what the session is not without, more for a focus, never above the most."""
    usual = {}
    for id in asked.kind.held_in(asked.brief.booked_minutes):
        seconds = asked.kind.seconds_of(asked.catalogue.regions[id]).usual
        if id in shares and seconds is not None:
            wanted = seconds * MORE_OF_FOCUS if id in asked.brief.focus else seconds
            usual[id] = int(min(wanted, shares[id].most))
    return usual


def _way(asked: Asked) -> SchoolWay:
    catalogue = asked.catalogue
    barred = frozenset(barred.id for barred in asked.restrictions.positions)
    way = SchoolWay(asked.brief.school, asked.brief.close_with, barred, asked.brief.first_position)
    openings = (
        _ritual_seconds(catalogue.openings[b.position], "open", 1, catalogue, asked.tempo)
        for b in way.blocks(catalogue)
    )
    return replace(way, opening_seconds=tuple(openings))


def _close(asked: Asked) -> Share:
    """What the closing may claim: never less than its strokes take; a bright end needs its own first."""
    brief, catalogue, tempo = asked.brief, asked.catalogue, asked.tempo
    closing = catalogue.closings[brief.close_with]
    bright = brief.finish == "bright" and can_rouse(closing.region, asked)
    more = ROUSING_SECONDS if bright else 0
    seconds = closing.seconds
    shortest = _ritual_seconds(closing, "close", 0, catalogue, tempo)
    longest = _ritual_seconds(closing, "close", 2, catalogue, tempo)
    # The last hold must still be able to grow, and to shrink, by what the parts before it miss.
    least = max(seconds.least, shortest + TOLERATED) + more
    most = max(least, min(seconds.most, longest - TOLERATED) + more)
    return Share(1, closing.share, seconds.saturation, least, most)


def _ritual_seconds(
    ritual: Opening | Closing, slot: Slot, which: Literal[0, 1, 2], catalogue: Catalogue, tempo: Tempo
) -> int:
    """Whole seconds of a ritual; of passes that it leaves open the least (0), the usual (1) or the most (2)."""
    region = catalogue.regions[ritual.region]
    total = 0
    for s in ritual.strokes:
        stroke = catalogue.planned_strokes[s.stroke]
        passes = s.passes or stroke.slots[slot][which]
        ground = Ground(region, None, stroke.depth[0])
        total += whole(passes * pass_seconds(stroke, ground, catalogue, tempo))
    return total


def _share(id: str, asked: Asked, way: SchoolWay, focus_factor: float) -> Share | None:
    """What the region may claim; None where strokes that are light enough cannot fill its least time."""
    brief, catalogue, touch = asked.brief, asked.catalogue, asked.touch(id)
    region = catalogue.regions[id]
    if not arc_options(id, touch, catalogue):
        return None
    # Half of a mid-line region has half of its bounds, of its weight and of what satisfies.
    half = 2 if halved(id, way, catalogue) else 1
    seconds = asked.kind.seconds_of(region)
    least, most = capacity(id, touch, catalogue, asked.tempo)
    least = max(-(-seconds.least // (half * GRAIN)) * GRAIN, -(-least // GRAIN) * GRAIN)
    most = min(seconds.most // half, most) // GRAIN * GRAIN
    if least > most:
        return None
    weight = region.share * catalogue.schools[brief.school].weights.get(id, 1.0)
    if id in brief.focus:
        # A school that thinks little of a region does not talk a client out of it.
        weight = max(weight, region.share) * focus_factor
    return Share(region.side_count * half, weight / half, seconds.saturation / half, least, most)
