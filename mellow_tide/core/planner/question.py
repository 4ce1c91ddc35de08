"""The planning question: which regions may claim minutes, with what weight and between which bounds."""

from dataclasses import dataclass
from typing import Literal

from mellow_tide.core.care.restrictions import Restrictions, restrict
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Block, Closing, SecondsRange
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.arc import capacity
from mellow_tide.core.planner.minutes import Share
from mellow_tide.core.planner.order import Way
from mellow_tide.core.planner.repertoire import Touch
from mellow_tide.core.refusal import DoesNotFit, FieldProblem, NoSession
from mellow_tide.core.timing.run_sheet import hands_on_seconds
from mellow_tide.core.timing.step_seconds import step_seconds

GRAIN = 15
"""Seconds per side to which minutes are rounded."""

FOCUS_FACTOR = 1.8
"""How much more a focus region weighs than its neutral share of the body's surface (from experience)."""


Absence = Literal["no_consent", "not_in_school", "position_barred", "health"]


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


def pose(brief: Brief, client: ClientFacts, catalogue: Catalogue) -> Question:
    """The question that `brief` asks for `client`; assumes `check_brief` has passed.

    Raises `NoSession` for a stop sign, `DoesNotFit` where a focus may not be worked or nothing is left to work.
    """
    restrictions = restrict(client, catalogue)
    if restrictions.refer:
        raise NoSession(
            *(FieldProblem("conditions", reason.name, reason.says) for reason in restrictions.refer)
        )
    barred = frozenset(position for position, _ in restrictions.no_positions)
    way = Way(brief.school, brief.close_with, barred)
    blocks = way.blocks(catalogue)
    shares: dict[str, Share] = {}
    absent: dict[str, Absence] = {}
    for id in catalogue.regions:
        if id in brief.leave_out:
            continue
        share = _share(id, brief, client, restrictions, catalogue)
        why = _why_absent(id, client, share, way, catalogue)
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
        work_seconds=hands_on_seconds(brief, catalogue) - ritual_seconds(blocks, client, catalogue),
        way=way,
        blocks=blocks,
        closing=closing,
        restrictions=restrictions,
    )


def _why_absent(
    id: str, client: ClientFacts, share: Share | None, way: Way, catalogue: Catalogue
) -> Absence | None:
    homes = [b.position for b in catalogue.schools[way.school].blocks if id in b.regions()]
    if catalogue.regions[id].needs_consent and id not in client.consents:
        return "no_consent"
    if not homes:
        return "not_in_school"
    if way.barred.issuperset(homes):
        return "position_barred"
    return None if share else "health"


def _nothing_left(restrictions: Restrictions) -> FieldProblem:
    if restrictions.no_positions:
        reasons = ", ".join(sorted({because for _, because in restrictions.no_positions}))
        return FieldProblem(
            "kind", f"no position of this session is allowed ({reasons})", "work lying on the side"
        )
    return FieldProblem("leave_out", "no region is left to work on", "leave out fewer regions")


def ritual_seconds(blocks: tuple[Block, ...], client: ClientFacts, catalogue: Catalogue) -> int:
    """Whole seconds of the opening in the first position that is worked."""
    opening = catalogue.openings[next(b.position for b in blocks if b.rows)]
    region = catalogue.regions[opening.region]
    total = 0
    for s in opening.strokes:
        stroke = catalogue.strokes[s.stroke]
        passes = s.passes or stroke.slots["open"][1]
        total += step_seconds(stroke, region, stroke.depth[0], passes, client.height_cm, catalogue.pace)
    return total


def _refuse_focus(
    brief: Brief, absent: dict[str, Absence], restrictions: Restrictions, catalogue: Catalogue
) -> None:
    words = {
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


def _share(
    id: str, brief: Brief, client: ClientFacts, restrictions: Restrictions, catalogue: Catalogue
) -> Share | None:
    """What the region may claim; None where strokes that are light enough cannot fill its least time."""
    region = catalogue.regions[id]
    touch = Touch(brief.pressure, restrictions.cap(id))
    least, most = capacity(id, touch, catalogue, client.height_cm)
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
