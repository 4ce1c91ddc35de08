"""The planning question: which regions may claim minutes, with what weight and between which bounds."""

from dataclasses import dataclass

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Closing, School, SecondsRange
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.arc import capacity
from mellow_tide.core.planner.minutes import Share
from mellow_tide.core.refusal import DoesNotFit, FieldProblem
from mellow_tide.core.timing.run_sheet import hands_on_seconds
from mellow_tide.core.timing.step_seconds import step_seconds

GRAIN = 15
"""Seconds per side to which minutes are rounded."""

FOCUS_FACTOR = 1.8
"""How much more a focus region weighs than its neutral share of the body's surface (from experience)."""


@dataclass(frozen=True)
class Question:
    """What the planner solves. `shares[id]` are the candidates; `must` are the wished ones.

    `work_seconds` is H less the opening; the closing's share is `close`.
    """

    shares: dict[str, Share]
    must: frozenset[str]
    not_consented: tuple[str, ...]
    not_in_school: tuple[str, ...]
    close: Share
    work_seconds: int
    school: School
    closing: Closing


def pose(brief: Brief, client: ClientFacts, catalogue: Catalogue) -> Question:
    """The question that `brief` asks for `client`; assumes `check_brief` has passed.

    Raises `DoesNotFit` where a focus may not be worked or nothing is left to work.
    """
    school, closing = catalogue.schools[brief.school], catalogue.closings[brief.close_with]
    offered = {id for block in school.blocks for id in block.regions()}
    left = [id for id in catalogue.regions if id not in brief.leave_out]
    refused = tuple(id for id in left if catalogue.regions[id].needs_consent and id not in client.consents)
    outside = tuple(id for id in left if id not in offered and id not in refused)
    _refuse_focus(brief, refused, outside, catalogue)
    shares = {
        id: _share(id, brief, client, catalogue) for id in sorted(offered) if id in left and id not in refused
    }
    if not shares:
        raise DoesNotFit(FieldProblem("leave_out", "no region is left to work on", "leave out fewer regions"))
    opening_seconds = ritual_seconds(brief, client, catalogue)
    return Question(
        shares=shares,
        must=frozenset(brief.focus),
        not_consented=refused,
        not_in_school=outside,
        close=_as_share(closing.seconds, 1, closing.share),
        work_seconds=hands_on_seconds(brief, catalogue) - opening_seconds,
        school=school,
        closing=closing,
    )


def ritual_seconds(brief: Brief, client: ClientFacts, catalogue: Catalogue) -> int:
    """Whole seconds of the opening in the school's first position."""
    opening = catalogue.openings[catalogue.schools[brief.school].first_position]
    region = catalogue.regions[opening.region]
    total = 0
    for s in opening.strokes:
        stroke = catalogue.strokes[s.stroke]
        passes = s.passes or stroke.slots["open"][1]
        total += step_seconds(stroke, region, stroke.depth[0], passes, client.height_cm, catalogue.pace)
    return total


def _refuse_focus(
    brief: Brief, refused: tuple[str, ...], outside: tuple[str, ...], catalogue: Catalogue
) -> None:
    problems = []
    for id in brief.focus:
        name = catalogue.regions[id].whole
        if id in refused:
            problems.append(
                FieldProblem(
                    "focus", f"{name} needs the client's consent", "ask first, or take it out of the focus"
                )
            )
        elif id in outside:
            problems.append(
                FieldProblem("focus", f"{name} is not worked in this school", "take it out of the focus")
            )
    if problems:
        raise DoesNotFit(*problems)


def _share(id: str, brief: Brief, client: ClientFacts, catalogue: Catalogue) -> Share:
    region = catalogue.regions[id]
    least, most = capacity(id, brief.pressure, catalogue, client.height_cm)
    bounds = SecondsRange(
        least=max(region.seconds.least, -(-least // GRAIN) * GRAIN),
        most=min(region.seconds.most, most // GRAIN * GRAIN),
        saturation=region.seconds.saturation,
    )
    weight = region.share * catalogue.schools[brief.school].weights.get(id, 1.0)
    if id in brief.focus:
        # A school that thinks little of a region does not talk a client out of it.
        weight = max(weight, region.share) * FOCUS_FACTOR
    return _as_share(bounds, region.side_count, weight)


def _as_share(seconds: SecondsRange, count: int, weight: float) -> Share:
    return Share(count, weight, seconds.saturation, seconds.least, seconds.most)
