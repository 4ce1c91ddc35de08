"""The planning question: which regions may claim minutes, with what weight and between which bounds."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Literal

from mellow_tide.core.care.restrictions import Restrictions, restrict
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Slot
from mellow_tide.core.catalogue.rules import Closing, Consent, Kind, Opening
from mellow_tide.core.flow.brief import Brief, ClientFacts, wished_depth
from mellow_tide.core.planner.arc import capacity
from mellow_tide.core.planner.minutes import Share
from mellow_tide.core.planner.repertoire import Touch, arc_options
from mellow_tide.core.planner.rituals import ROUSING_SECONDS, can_rouse
from mellow_tide.core.planner.way import Way, halved, homes
from mellow_tide.core.refusal import DoesNotFit, FieldProblem, NoSession
from mellow_tide.core.timing.run_sheet import TOLERATED, hands_on_seconds
from mellow_tide.core.timing.step_seconds import passes_seconds
from mellow_tide.core.timing.tempo import Tempo

GRAIN = 15
"""Seconds per side to which minutes are rounded."""

FOCUS_FACTOR = 1.8
"""How much more a focus region weighs than its neutral share of the body's surface (from experience)."""


Absence = Literal["no_consent", "declined", "excluded", "not_in_school", "position_barred", "health"]


@dataclass(frozen=True)
class Question:
    """What the planner solves. `shares[id]` are the candidates; `must` are the wished ones.

    `absent` says why a region that is not left out by wish is no candidate. `hands_on` are the hands-on seconds;
    the closing's share is `close`.
    """

    shares: dict[str, Share]
    must: frozenset[str]
    absent: dict[str, Absence]
    close: Share
    hands_on: int
    way: Way
    restrictions: Restrictions


def pose(
    brief: Brief,
    client: ClientFacts,
    catalogue: Catalogue,
    tempo: Tempo,
    focus_factors: Mapping[str, float] | None = None,
) -> Question:
    """The question that `brief` asks for `client`; assumes `check_brief` has passed.

    `focus_factors` say how much more each focus weighs than its neutral share, where it is not the usual factor.

    Raises `NoSession` for a stop sign, `DoesNotFit` where a focus may not be worked or nothing is left to work.
    """
    restrictions = restrict(client, catalogue)
    if restrictions.refer:
        raise NoSession(
            *(FieldProblem("conditions", reason.name, reason.says) for reason in restrictions.refer)
        )
    _refuse_impossible(brief, restrictions, catalogue)
    way = _way(brief, restrictions, catalogue, tempo)
    kind = catalogue.kinds[brief.kind]
    area = next((area.regions for area in kind.areas if area.id == brief.area), tuple(catalogue.regions))
    factors = focus_factors or {}
    shares: dict[str, Share] = {}
    absent: dict[str, Absence] = {}
    for id in area:
        if id in brief.leave_out:
            continue
        why = _why_absent(id, brief, client, restrictions, way, catalogue)
        if why:
            absent[id] = why
            continue
        touch = touch_on(id, brief, client, restrictions, catalogue)
        share = _share(id, brief, touch, way, catalogue, tempo, factors.get(id, FOCUS_FACTOR))
        if share:
            shares[id] = share
        else:
            absent[id] = "health"
    _refuse_focus(brief, absent, restrictions, catalogue)
    if not shares:
        raise DoesNotFit(_nothing_left(restrictions))
    return Question(
        shares=shares,
        must=frozenset(brief.focus),
        absent=absent,
        close=_close(brief, catalogue, tempo),
        hands_on=hands_on_seconds(brief, catalogue),
        way=way,
        restrictions=restrictions,
    )


def _refuse_impossible(brief: Brief, restrictions: Restrictions, catalogue: Catalogue) -> None:
    """Raise `DoesNotFit` where a wish of the brief collides with a rule whatever is planned."""
    problems = []
    lubricant = catalogue.lubricants[brief.lubricant]
    for barred in restrictions.ingredients:
        if barred.id in lubricant.contains:
            what = f"{lubricant.name} contains {barred.id} ({barred.because})"
            problems.append(FieldProblem("lubricant", what, "choose another lubricant"))
    allowed = catalogue.choice("strength").ceilings["relaxation"]
    if brief.ceiling > allowed:
        what = f"easing off only at {brief.ceiling} of 10 is more than this house allows"
        problems.append(FieldProblem("ceiling", what, f"use {allowed} or less"))
    kind = catalogue.kinds[brief.kind]
    outside = [
        id for area in kind.areas if area.id == brief.area for id in brief.focus if id not in area.regions
    ]
    for id in outside:
        what = f"{catalogue.regions[id].whole} do not belong to the part that was chosen"
        problems.append(FieldProblem("focus", what, "take them out of the focus, or choose another part"))
    if kind.areas and brief.area is None:
        names = ", ".join(area.id for area in kind.areas)
        problems.append(FieldProblem("area", "which part of the body is not said", f"use one of: {names}"))
    if brief.first_position is not None and brief.first_position not in kind.positions:
        what = f"a {kind.name} session does not begin there"
        problems.append(FieldProblem("first_position", what, f"use one of: {', '.join(kind.positions)}"))
    if brief.finish == "bright" and kind.surface != "chair":
        what = "only a chair session ends bright"
        problems.append(FieldProblem("finish", what, "let it end calm"))
    if problems:
        raise DoesNotFit(*problems)


def _why_absent(
    id: str,
    brief: Brief,
    client: ClientFacts,
    restrictions: Restrictions,
    way: Way,
    catalogue: Catalogue,
) -> Absence | None:
    has_place = any(id in b.regions() for b in catalogue.schools[way.school].blocks)
    asked = _asked(id, catalogue.kinds[brief.kind], catalogue)
    forbidden = any(x.id == id for x in restrictions.regions)
    # In pregnancy the belly is worked by hand and by wish only, never by a plan.
    belly = id == "abdomen" and client.gestation_days is not None
    whys: tuple[tuple[Absence, bool], ...] = (
        ("declined", any(c.id in client.declined for c in asked)),
        ("health", forbidden or belly),
        ("excluded", any(x.region == id and x.zone is None for x in restrictions.excluded)),
        ("no_consent", any(c.needs_yes(brief.kind) and c.id not in client.consents for c in asked)),
        ("not_in_school", not has_place),
        ("position_barred", id not in homes(way, catalogue)),
    )
    return next((why for why, holds in whys if holds), None)


def _asked(id: str, kind: Kind, catalogue: Catalogue) -> list[Consent]:
    """The consents that working the region in this kind of session takes."""
    return [
        c
        for c in catalogue.consents.values()
        if c.region == id and not c.strokes and not (c.bare_only and kind.clothed)
    ]


def _nothing_left(restrictions: Restrictions) -> FieldProblem:
    if restrictions.positions:
        reasons = ", ".join(sorted({barred.because for barred in restrictions.positions}))
        return FieldProblem(
            "kind", f"no position of this session is allowed ({reasons})", "work lying on the side"
        )
    return FieldProblem("leave_out", "no region is left to work on", "leave out fewer regions")


def _way(brief: Brief, restrictions: Restrictions, catalogue: Catalogue, tempo: Tempo) -> Way:
    barred = frozenset(barred.id for barred in restrictions.positions)
    way = Way(brief.school, brief.close_with, barred, brief.first_position)
    openings = (
        _ritual_seconds(catalogue.openings[b.position], "open", 1, catalogue, tempo)
        for b in way.blocks(catalogue)
    )
    return replace(way, opening_seconds=tuple(openings))


def _close(brief: Brief, catalogue: Catalogue, tempo: Tempo) -> Share:
    """What the closing may claim: never less than its strokes take; a bright end needs its own first."""
    closing = catalogue.closings[brief.close_with]
    bright = brief.finish == "bright" and can_rouse(closing.region, catalogue)
    more = ROUSING_SECONDS if bright else 0
    seconds = closing.seconds
    shortest = _ritual_seconds(closing, "close", 0, catalogue, tempo)
    longest = _ritual_seconds(closing, "close", 2, catalogue, tempo)
    least = max(seconds.least, shortest) + more
    # The last hold must still be able to grow by what the stops before it miss.
    most = max(least, min(seconds.most, longest - TOLERATED) + more)
    return Share(1, closing.share, seconds.saturation, least, most)


def _ritual_seconds(
    ritual: Opening | Closing, slot: Slot, which: Literal[0, 1, 2], catalogue: Catalogue, tempo: Tempo
) -> int:
    """Whole seconds of a ritual; of passes that it leaves open the least (0), the usual (1) or the most (2)."""
    region = catalogue.regions[ritual.region]
    total = 0
    for s in ritual.strokes:
        stroke = catalogue.strokes[s.stroke]
        passes = s.passes or stroke.slots[slot][which]
        total += passes_seconds(stroke, region, stroke.depth[0], passes, catalogue.pace, tempo)
    return total


def _refuse_focus(
    brief: Brief, absent: dict[str, Absence], restrictions: Restrictions, catalogue: Catalogue
) -> None:
    words = {
        "declined": ("has been declined", "take it out of the focus"),
        "excluded": ("is to be left alone", "take it out of the focus"),
        "no_consent": ("needs the client's consent", "ask first, or take it out of the focus"),
        "not_in_school": ("is not worked in this school", "take it out of the focus"),
        "position_barred": ("cannot be reached in a position that is allowed", "take it out of the focus"),
        "health": ("cannot be worked as lightly as it must", "take it out of the focus"),
    }
    problems = []
    for id in brief.focus:
        if id in absent:
            what, remedy = words[absent[id]]
            problems.append(FieldProblem("focus", f"{catalogue.regions[id].whole} {what}", remedy))
    if problems:
        raise DoesNotFit(*problems)


def touch_on(
    id: str, brief: Brief, client: ClientFacts, restrictions: Restrictions, catalogue: Catalogue
) -> Touch:
    """How the region may be worked for this client."""
    zones = {x.zone for x in restrictions.excluded if x.region == id and x.zone}
    if client.gestation_days is not None and catalogue.chosen["prenatal_points"] != "disregard":
        zones.update(zone for point in catalogue.prenatal_points.values() for zone in point.zones.get(id, ()))
    return Touch(
        wished_depth(id, brief, client),
        restrictions.cap(id),
        frozenset(zones),
        frozenset(x.id for x in restrictions.families),
        catalogue.kinds[brief.kind].clothed,
        client.likes,
        client.dislikes,
    )


def _share(
    id: str,
    brief: Brief,
    touch: Touch,
    way: Way,
    catalogue: Catalogue,
    tempo: Tempo,
    focus_factor: float,
) -> Share | None:
    """What the region may claim; None where strokes that are light enough cannot fill its least time."""
    region = catalogue.regions[id]
    if not arc_options(id, touch, catalogue):
        return None
    # Half of a mid-line region has half of its bounds, of its weight and of what satisfies.
    half = 2 if halved(id, way, catalogue) else 1
    seconds = catalogue.kinds[brief.kind].seconds_of(region)
    least, most = capacity(id, touch, catalogue, tempo)
    least = max(-(-seconds.least // (half * GRAIN)) * GRAIN, -(-least // GRAIN) * GRAIN)
    most = min(seconds.most // half, most) // GRAIN * GRAIN
    if least > most:
        return None
    weight = region.share * catalogue.schools[brief.school].weights.get(id, 1.0)
    if id in brief.focus:
        # A school that thinks little of a region does not talk a client out of it.
        weight = max(weight, region.share) * focus_factor
    return Share(region.side_count * half, weight / half, seconds.saturation / half, least, most)
