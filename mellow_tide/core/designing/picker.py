"""Every stroke for a part: those that fit it now, and why the others do not."""

from mellow_tide.core.catalogue.records import SLOTS, Record, Slot, Stroke
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.brief import wished_depth
from mellow_tide.core.flow.edits import Edit, InsertStep, find_alike, part_named
from mellow_tide.core.flow.flow import Part, Step
from mellow_tide.core.phrases.book import say
from mellow_tide.core.planner.strokes.repertoire import LIGHT, bearable_there, most_depth

WORKED: tuple[Slot, ...] = tuple(slot for slot in SLOTS if slot not in ("open", "close"))


class Pick(Record):
    """A stroke in one slot of a part, and the edits that put it there, and on the other side if that is worked alike.

    `why_not` says why it does not fit, or is empty; `warns` what it should not be taken without knowing.
    """

    stroke: str
    slot: Slot
    why_not: str = ""
    warns: str = ""
    edits: tuple[Edit, ...] = ()


def pick_strokes(trial: Trial, part_id: str) -> tuple[Pick, ...]:
    """All strokes for a part, by slot and then as the catalogue has them; one that fits nowhere comes once.

    Raises `BadFlow`.
    """
    part = part_named(trial.case.flow, part_id)
    slots = slots_of(part)
    found = []
    for stroke in trial.case.catalogue.strokes.values():
        here = [slot for slot in slots if slot in stroke.slots]
        why_not = misfit(trial, part, stroke)
        if why_not:
            found.append(Pick(stroke=stroke.id, slot=next(iter(stroke.slots)), why_not=why_not))
        else:
            found += [_pick(trial, part, stroke, slot) for slot in here]
    return tuple(sorted(found, key=lambda pick: (bool(pick.why_not), SLOTS.index(pick.slot))))


def step_of(trial: Trial, part: Part, stroke: Stroke, slot: Slot) -> Step:
    """The stroke as it would usually stand in a slot of a part: its first zone and easiest tool, as deep as wished."""
    case = trial.case
    wished = min(
        wished_depth(case.region(part), case.flow.brief, case.client), case.restrictions.cap(part.region)
    )
    light = slot in ("open", "spread", "flush", "settle", "close")
    wished = min(wished, LIGHT) if stroke.act else wished
    tools = case.catalogue.planned_strokes[stroke.id].tools
    kept_off = {x.zone for x in case.restrictions.excluded if x.holds(part.region, part.side)}
    zones = [
        zone
        for zone in stroke.zones.get(part.region, ())
        if zone not in kept_off and bearable_there(stroke, part.region, zone, case.catalogue)
    ]
    zone = zones[0] if zones else None
    return Step(
        stroke=stroke.id,
        slot=slot,
        tool=tools[0] if stroke.act else min(tools, key=lambda tool: case.catalogue.tools[tool].load_rank),
        zone=zone,
        depth=stroke.depth_near(1 if light else min(wished, most_depth(part.region, zone, case.catalogue))),
        passes=stroke.slots[slot][1],
        support=part.region in stroke.lifts_head,
    )


def place_for(part: Part, slot: Slot) -> int:
    """Where in a part's steps one of `slot` goes: after all that come before it in the arc."""
    before = [i for i, step in enumerate(part.steps) if SLOTS.index(step.slot) <= SLOTS.index(slot)]
    return before[-1] + 1 if before else 0


def _pick(trial: Trial, part: Part, stroke: Stroke, slot: Slot) -> Pick:
    step = step_of(trial, part, stroke, slot)
    at = place_for(part, slot)
    edits = tuple(
        InsertStep(part_id=other.id, at=at, step=step) for other in find_alike(trial.case.flow, part)
    )
    tried = trial.of_edits(edits)
    return Pick(stroke=stroke.id, slot=slot, why_not=tried.why_not, warns=tried.warns, edits=edits)


def slots_of(part: Part) -> tuple[Slot, ...]:
    """The places of the arc that a part of its role has."""
    return (part.role,) if part.role in ("open", "close") else WORKED


def misfit(trial: Trial, part: Part, stroke: Stroke) -> str:
    """Why a stroke cannot stand in a part, whoever the client is; empty if it can."""
    region = trial.case.catalogue.regions[part.region]
    if part.region not in stroke.regions:
        return say("designing.not_for", region=region.name)
    if not set(slots_of(part)) & set(stroke.slots):
        return (
            say("designing.only_to_open_or_close")
            if part.role == "work"
            else say("designing.not_to_open_or_close")
        )
    if "any" in stroke.medium or part.medium in stroke.medium:
        return ""
    if part.medium == "lubricated" and "dry" in stroke.medium:
        return "" if "dry" in stroke.slots else say("designing.wants_dry_skin")
    return {"clothed": say("designing.not_through_clothing"), "dry": say("designing.wants_oil_on_skin")}.get(
        part.medium, say("designing.only_over_cloth")
    )
