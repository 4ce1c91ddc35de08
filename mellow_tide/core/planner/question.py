"""The planning question: which regions may claim minutes, with what weight and between which bounds."""

from dataclasses import dataclass
from typing import Literal

from mellow_tide.core.care.restrictions import Restrictions, restrict
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import SecondsRange
from mellow_tide.core.catalogue.rules import Block, Closing
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.arc import capacity
from mellow_tide.core.planner.minutes import Share
from mellow_tide.core.planner.order import Way
from mellow_tide.core.planner.repertoire import Touch, arc_options
from mellow_tide.core.refusal import DoesNotFit, FieldProblem, NoSession
from mellow_tide.core.timing.run_sheet import hands_on_seconds
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

    `absent` says why a region that is not left out by wish is no candidate. `work_seconds` is H less the
    opening; the closing's share is `close`.
    """

    shares: dict[str, Share]
    must: frozenset[str]
    absent: dict[str, Absence]
    close: Share
    work_seconds: int
    way: Way
    blocks: tuple[Block, ...]
    closing: Closing
    restrictions: Restrictions


def pose(brief: Brief, client: ClientFacts, catalogue: Catalogue, tempo: Tempo) -> Question:
    """The question that `brief` asks for `client`; assumes `check_brief` has passed.

    Raises `NoSession` for a stop sign, `DoesNotFit` where a focus may not be worked or nothing is left to work.
    """
    restrictions = restrict(client, catalogue)
    if restrictions.refer:
        raise NoSession(
            *(FieldProblem("conditions", reason.name, reason.says) for reason in restrictions.refer)
        )
    _refuse_impossible(brief, restrictions, catalogue)
    barred = frozenset(barred.id for barred in restrictions.positions)
    way = Way(brief.school, brief.close_with, barred)
    blocks = way.blocks(catalogue)
    shares: dict[str, Share] = {}
    absent: dict[str, Absence] = {}
    for id in catalogue.regions:
        if id in brief.leave_out:
            continue
        share = _share(id, brief, touch_on(id, brief, client, restrictions, catalogue), catalogue, tempo)
        why = _why_absent(id, brief, client, restrictions, share, way, catalogue)
        if why:
            absent[id] = why
        elif share:
            shares[id] = share
    _refuse_focus(brief, absent, restrictions, catalogue)
    if not shares:
        raise DoesNotFit(_nothing_left(restrictions))
    closing = catalogue.closings[brief.close_with]
    return Question(
        shares=shares,
        must=frozenset(brief.focus),
        absent=absent,
        close=_as_share(closing.seconds, 1, closing.share),
        work_seconds=hands_on_seconds(brief, catalogue) - ritual_seconds(blocks, tempo, catalogue),
        way=way,
        blocks=blocks,
        closing=closing,
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
    if catalogue.kinds[brief.kind].id != "full_body":
        what = f"{catalogue.kinds[brief.kind].name} sessions are not planned by themselves yet"
        problems.append(FieldProblem("kind", what, "lay the stops out by hand, or plan a full body"))
    if problems:
        raise DoesNotFit(*problems)


def _why_absent(
    id: str,
    brief: Brief,
    client: ClientFacts,
    restrictions: Restrictions,
    share: Share | None,
    way: Way,
    catalogue: Catalogue,
) -> Absence | None:
    homes = [b.position for b in catalogue.schools[way.school].blocks if id in b.regions()]
    forbidden = next((x for x in restrictions.regions if x.id == id), None)
    # In pregnancy the belly is worked by hand and by wish only, never by a plan.
    belly = id == "abdomen" and client.gestation_days is not None
    whys: tuple[tuple[Absence, bool], ...] = (
        ("declined", forbidden is not None and forbidden.declined),
        ("health", forbidden is not None or belly),
        ("excluded", any(x.region == id and x.zone is None for x in restrictions.excluded)),
        ("no_consent", not _agreed(id, brief.kind, client, catalogue)),
        ("not_in_school", not homes),
        ("position_barred", way.barred.issuperset(homes)),
        ("health", share is None),
    )
    return next((why for why, holds in whys if holds), None)


def _agreed(id: str, kind: str, client: ClientFacts, catalogue: Catalogue) -> bool:
    """Whether the region may be worked uncovered as far as the client's answers go."""
    asked = [c for c in catalogue.consents.values() if c.region == id and not c.strokes]
    return all(c.id in client.consents or not (c.needs_yes(kind) or c.id in client.declined) for c in asked)


def _nothing_left(restrictions: Restrictions) -> FieldProblem:
    if restrictions.positions:
        reasons = ", ".join(sorted({barred.because for barred in restrictions.positions}))
        return FieldProblem(
            "kind", f"no position of this session is allowed ({reasons})", "work lying on the side"
        )
    return FieldProblem("leave_out", "no region is left to work on", "leave out fewer regions")


def ritual_seconds(blocks: tuple[Block, ...], tempo: Tempo, catalogue: Catalogue) -> int:
    """Whole seconds of the opening in the first position that is worked."""
    opening = catalogue.openings[next(b.position for b in blocks if b.rows)]
    region = catalogue.regions[opening.region]
    total = 0
    for s in opening.strokes:
        stroke = catalogue.strokes[s.stroke]
        passes = s.passes or stroke.slots["open"][1]
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
    families = frozenset(x.id for x in restrictions.families)
    return Touch(brief.pressure, restrictions.cap(id), frozenset(zones), families)


def _share(id: str, brief: Brief, touch: Touch, catalogue: Catalogue, tempo: Tempo) -> Share | None:
    """What the region may claim; None where strokes that are light enough cannot fill its least time."""
    region = catalogue.regions[id]
    if not arc_options(id, touch, catalogue):
        return None
    least, most = capacity(id, touch, catalogue, tempo)
    least = max(region.seconds.least, -(-least // GRAIN) * GRAIN)
    most = min(region.seconds.most, most // GRAIN * GRAIN)
    if least > most:
        return None
    bounds = SecondsRange(least=least, most=most, saturation=region.seconds.saturation)
    weight = region.share * catalogue.schools[brief.school].weights.get(id, 1.0)
    if id in brief.focus:
        # A school that thinks little of a region does not talk a client out of it.
        weight = max(weight, region.share) * FOCUS_FACTOR
    return _as_share(bounds, region.side_count, weight)


def _as_share(seconds: SecondsRange, count: int, weight: float) -> Share:
    return Share(count, weight, seconds.saturation, seconds.least, seconds.most)
