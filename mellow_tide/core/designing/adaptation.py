"""A flow made for somebody else, or for nobody, as the start for a client: each change with its reason."""

from typing import Literal

from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief, wished_depth
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.adjust import adjust
from mellow_tide.core.planner.choice.choice import Deadline, no_deadline
from mellow_tide.core.planner.difference import Difference, compare_flows
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.planner.question.absent import Absence
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.setting import Setting

WORTH_SAYING = 60
"""Seconds by which a session must be longer or shorter for that to be the reason of a change."""


class NamedChange(Record):
    """A region of the flow that is not worked as it was there, and why.

    `reason` is why it is left out, `position` that the client may not lie as the flow needs, `depth` that it may not
    be worked as deep, `wish` that the client wishes it lighter, `less_time` and `more_time` that the whole is shorter
    or longer than the flow is at the client's pace, and `others` that what changes elsewhere changes this too.
    """

    region: str
    reason: Absence | Literal["position", "depth", "wish", "less_time", "more_time", "others"]
    because: str = ""


class Adapted(Record):
    """The plan for the client, what sets it apart from the flow, and the reason of each change."""

    plan: Plan
    difference: Difference
    named: tuple[NamedChange, ...]


def adapt_flow(
    flow: Flow,
    brief: Brief,
    setting: Setting,
    deadline: Deadline = no_deadline,
) -> Adapted:
    """The flow, in the minutes of `brief`'s booking, as close as the client's restrictions let it be.

    Raises as `plan` does.
    """
    visit = {
        "booked_minutes": brief.booked_minutes,
        "first_visit": brief.first_visit,
        "points": brief.points,
    }
    wanted = flow.brief.model_copy(update=visit)
    start = Plan(flow=flow, left_out=(), proof=None)
    made = adjust(start, wanted, setting, deadline=deadline)
    apart = compare_flows(flow, made.flow, (), setting)
    asked = Asked.of(wanted, setting)
    gained = setting.lay_out(made.flow).seconds - setting.lay_out(flow).seconds
    changed = dict.fromkeys((*(change.region for change in apart.changes), *_eased(flow, made.flow)))
    return Adapted(
        plan=made,
        difference=apart,
        named=tuple(_named(id, flow, made, asked) or _by_time(id, gained) for id in changed),
    )


def _eased(before: Flow, after: Flow) -> list[str]:
    """The regions whose deepest stroke has become lighter."""
    now = _deepest(after)
    return [id for id, depth in _deepest(before).items() if now.get(id, depth) < depth]


def _deepest(flow: Flow) -> dict[str, int]:
    found: dict[str, int] = {}
    for part in flow.parts:
        if part.role == "work":
            found[part.region] = max(found.get(part.region, 0), *(step.depth for step in part.steps))
    return found


def _named(region: str, flow: Flow, made: Plan, asked: Asked) -> NamedChange | None:
    """What of the client changes the region; None if nothing does."""
    left = next((left for left in made.left_out if left.region == region), None)
    limits = asked.restrictions
    if left and left.reason not in ("no_time", "never_fits"):
        return NamedChange(region=region, reason=left.reason, because=_because(region, limits))
    there = [part for part in flow.parts if part.role == "work" and part.region == region]
    barred = next((why for part in there if (why := limits.why_not(part.position))), None)
    if barred:
        return NamedChange(region=region, reason="position", because=barred)
    deepest = _deepest(flow).get(region, 0)
    cap = limits.capped(region)
    if cap and cap.depth < deepest:
        return NamedChange(region=region, reason="depth", because=cap.because)
    wished = wished_depth(asked.catalogue.regions[region], asked.brief, asked.client)
    if region in _eased(flow, made.flow) and wished < deepest:
        return NamedChange(region=region, reason="wish")
    return None


def _by_time(region: str, gained: int) -> NamedChange:
    if abs(gained) < WORTH_SAYING:
        return NamedChange(region=region, reason="others")
    return NamedChange(region=region, reason="more_time" if gained > 0 else "less_time")


def _because(region: str, limits: Restrictions) -> str:
    barred = next((barred.because for barred in limits.regions if barred.id == region), "")
    return barred or next((place.because for place in limits.excluded if place.region == region), "")
