"""Adding by typing: “calf knead 3”, “calf 4 min”, “no feet”, “no knuckling”, “75 min”, “turn”."""

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import islice
from typing import Literal

from pydantic import ValidationError

from mellow_tide.core.catalogue.records import LONGEST_BOOKING, SHORTEST_BOOKING, Region, Slot, Stroke
from mellow_tide.core.designing.meant import Meant, read_meanings
from mellow_tide.core.designing.picker import misfit, place_for, slots_of, step_of
from mellow_tide.core.designing.suggestion import NewLength, SuggestedBrief, Suggestion
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.designing.turning import turns_after
from mellow_tide.core.designing.typed import Typed, read_typed
from mellow_tide.core.flow.edits import InsertStep
from mellow_tide.core.flow.flow import Part, Step
from mellow_tide.core.phrases.book import say
from mellow_tide.core.phrases.times import say_span

MOST = 6
"""Suggestions at a time."""


def suggest_edits(trial: Trial, line: str, selected: str | None) -> tuple[Suggestion, ...]:
    """What `line` could mean, the likeliest first, at most six; `selected` is the part at which it was typed, if any.

    What cannot be done is there with its reason. An unknown word gives none.
    """
    typed = read_typed(line)
    parts = trial.case.flow.parts
    here = next((part for part in parts if part.id == selected), None)
    if typed.wish == "turn":
        # Without a place to turn at, after the middle of the session's first position.
        at = here or parts[sum(part.position == parts[0].position for part in parts) // 2]
        return tuple(islice(turns_after(trial, at.id), MOST))
    if not typed.words:
        return tuple(_booking(trial, typed))
    found: dict[str, Suggestion] = {}
    region, everywhere = here.region if here else None, typed.wish is not None
    for meant in read_meanings(typed.words, region, everywhere, trial.case.catalogue)[:MOST]:
        for suggestion in _meant(trial, typed, meant, here):
            found.setdefault(suggestion.says, suggestion)
    return tuple(sorted(found.values(), key=lambda one: bool(one.why_not)))[:MOST]


def _booking(trial: Trial, typed: Typed) -> Iterator[Suggestion]:
    minutes = typed.seconds // 60 if typed.seconds else typed.number
    if minutes is not None and SHORTEST_BOOKING <= minutes <= LONGEST_BOOKING:
        yield Suggestion(
            says=say("designing.book_minutes", minutes=minutes), brief=SuggestedBrief(booked_minutes=minutes)
        )


def _meant(trial: Trial, typed: Typed, meant: Meant, here: Part | None) -> Iterator[Suggestion]:
    if meant.stroke and typed.wish:
        if meant.region is None and typed.wish != "turn":
            yield _stroke_of_session(trial, meant.stroke, typed.wish)
        return
    region = meant.region or (trial.case.catalogue.regions[here.region] if here else None)
    if region is None:
        return
    if meant.stroke:
        yield from _strokes(_Asked(trial, typed, meant), meant.stroke, region, here)
    elif typed.wish == "out":
        yield _left_out(trial, region)
    elif not _parts(trial, region, typed):
        yield _brought_in(trial, region)
    elif typed.seconds:
        for part in _parts(trial, region, typed)[:1]:
            says = (
                say("designing.time_a_side", region=region.whole, seconds=typed.seconds)
                if region.side_count > 1
                else ""
            )
            says = says or f"{_cap(region.name)}: {say_span(typed.seconds)}"
            yield Suggestion(says=says, reshape=NewLength(part_id=part.id, seconds=typed.seconds))
    elif region.id not in trial.case.flow.brief.focus:
        yield _brought_in(trial, region)


def _left_out(trial: Trial, region: Region) -> Suggestion:
    brief = trial.case.flow.brief
    says = say("designing.leave_out", region=region.whole)
    if region.id in brief.leave_out:
        return Suggestion(says=says, why_not=say("designing.left_out_already"))
    focus = tuple(id for id in brief.focus if id != region.id)
    return Suggestion(says=says, brief=SuggestedBrief(leave_out=(*brief.leave_out, region.id), focus=focus))


def _stroke_of_session(trial: Trial, stroke: Stroke, wish: Literal["out", "more"]) -> Suggestion:
    """A stroke that the whole session is to do without, or to have wherever it can be done."""
    brief = trial.case.flow.brief
    wanted = tuple(id for id in brief.with_strokes if id != stroke.id)
    unwanted = tuple(id for id in brief.without_strokes if id != stroke.id)
    if wish == "out":
        says, there = say("designing.without_stroke", stroke=stroke.name), unwanted != brief.without_strokes
        unwanted = (*unwanted, stroke.id)
    else:
        says, there = say("designing.with_stroke", stroke=stroke.name), wanted != brief.with_strokes
        wanted = (*wanted, stroke.id)
    if there:
        return Suggestion(says=says, why_not=say("designing.asked_already"))
    return Suggestion(says=says, brief=SuggestedBrief(with_strokes=wanted, without_strokes=unwanted))


def _brought_in(trial: Trial, region: Region) -> Suggestion:
    brief = trial.case.flow.brief
    there = any(part.region == region.id for part in trial.case.worked())
    says = (
        say("designing.more_time_for", region=region.whole)
        if there
        else say("designing.bring_in", region=region.whole)
    )
    leave_out = tuple(id for id in brief.leave_out if id != region.id)
    return Suggestion(
        says=say("designing.rest_makes_room", says=says),
        brief=SuggestedBrief(focus=(*brief.focus, region.id), leave_out=leave_out),
    )


@dataclass(frozen=True)
class _Asked:
    """A typed line, one of its meanings, and the flow in which it is meant."""

    trial: Trial
    typed: Typed
    meant: Meant


def _strokes(asked: _Asked, stroke: Stroke, region: Region, here: Part | None) -> Iterator[Suggestion]:
    """The stroke in each slot that it may stand in, at all the parts that are meant."""
    trial, typed, meant = asked.trial, asked.typed, asked.meant
    named = [here] if here and meant.region is None and typed.side is None else _parts(trial, region, typed)
    says = say("designing.stroke_on", stroke=stroke.name, places=_places(trial, named, region))
    if typed.stand:
        says = say("designing.from_end", says=says, end=typed.stand)
    if not named:
        yield Suggestion(says=says, why_not=say("designing.not_in_session", region=region.name))
        return
    why_not = (
        misfit(trial, named[0], stroke) or _too_deep(typed, stroke) or _out_of_place(trial, named[0], typed)
    )
    if why_not:
        yield Suggestion(says=says, why_not=why_not)
        return
    for slot in slots_of(named[0]):
        if slot not in stroke.slots:
            continue
        try:
            steps = [_step(asked, part, stroke, slot) for part in named]
        except ValidationError:
            yield Suggestion(says=says, why_not=say("designing.amount_impossible"))
            return
        edits = [
            InsertStep(part_id=part.id, at=place_for(part, slot), step=step)
            for part, step in zip(named, steps, strict=True)
        ]
        what_for = say(f"slots.{slot}")
        yield Suggestion.of_edits(f"{says}, {_often(steps[0], stroke)}, {what_for}", trial, edits)


def _too_deep(typed: Typed, stroke: Stroke) -> str:
    low, high = stroke.depth
    fits = typed.depth is None or low <= typed.depth <= high
    return "" if fits else say("designing.depth_range", stroke=stroke.name, low=low, high=high)


def _out_of_place(trial: Trial, part: Part, typed: Typed) -> str:
    """Why nobody stands at the end that was typed; nothing where one may."""
    position = trial.case.catalogue.positions[part.position]
    stands = typed.stand is None or typed.stand in position.ends
    return "" if stands else say("designing.no_such_end", end=typed.stand, position=position.name)


def _step(asked: _Asked, part: Part, stroke: Stroke, slot: Slot) -> Step:
    usual, typed = step_of(asked.trial, part, stroke, slot), asked.typed
    own = {
        "zone": asked.meant.zone,
        "passes": typed.number,
        "seconds": typed.seconds,
        "depth": typed.depth,
        "stand": typed.stand,
    }
    given = {name: value for name, value in own.items() if value is not None}
    return Step(**{**dict(usual), **given})


def _parts(trial: Trial, region: Region, typed: Typed) -> list[Part]:
    """The parts that a region and a side name: every one of them, if no side is named."""
    sides = (typed.side,) if typed.side in ("left", "right") else ("left", "right", "mid")
    return [s for s in trial.case.worked() if s.region == region.id and s.side in sides]


def _places(trial: Trial, parts: list[Part], region: Region) -> str:
    return trial.case.place(parts[0]) if len(parts) == 1 else region.whole


def _often(step: Step, stroke: Stroke) -> str:
    if step.seconds:
        return say_span(step.seconds)
    phrase = "designing.breaths" if stroke.passing.kind == "breaths" else "designing.passes"
    return say(phrase, count=step.passes)


def _cap(words: str) -> str:
    return words[0].upper() + words[1:]
