"""Which regions and how long each: the best choice that gives every focus its due."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from mellow_tide.core.planner.choice.choice import Chooser, ChosenSet, Deadline
from mellow_tide.core.planner.minutes.minutes import round_down_and_share
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.impossible import explain_impossible
from mellow_tide.core.planner.question.question import FOCUS_FACTOR, GRAIN, PlanQuestion, pose_question
from mellow_tide.core.refusal import DoesNotFit

FOCUS_TRIES = 14
"""How often the weight of a focus may grow until it gets its neutral share of the work."""


MUCH = (1.5, 1.25)
"""Where much more of a region is wanted: how many times what it would get as a focus, the second where the first does
not fit (from experience)."""


@dataclass(frozen=True)
class Chosen:
    """A question with its answer: the best set, and whole seconds per side by region.

    `posed` is the question as it was asked, `question` the one that was answered: what the session is not without has
    its usual seconds in it, or nothing else comes in.
    """

    posed: PlanQuestion
    question: PlanQuestion
    chooser: Chooser
    choice: ChosenSet
    minutes: dict[str, int]


Held = Callable[[PlanQuestion], PlanQuestion]
"""The question with what is there already held where it is."""


def not_held(question: PlanQuestion) -> PlanQuestion:
    """The question as it is: nothing is there yet."""
    return question


def choose(asked: Asked, deadline: Deadline, held: Held = not_held) -> Chosen:
    """The best choice in which no focus falls short of its neutral share; each focus weighs more until that is so.

    A region of which much more is wanted gets so many times what it would get as a focus, as far as that fits.
    Raises as `pose_question` does, and `DoesNotFit` where no set of regions meets the minutes.
    """
    found = _choose(asked, deadline, held, {})
    if isinstance(found, DoesNotFit):
        raise found
    much = [id for id in asked.brief.focus if asked.brief.wants_much(id)]
    for times in MUCH if much else ():
        more = _choose(asked, deadline, held, {id: round(times * found.minutes[id]) for id in much})
        if isinstance(more, Chosen):
            return more
    return found


def _choose(asked: Asked, deadline: Deadline, held: Held, least: Mapping[str, int]) -> Chosen | DoesNotFit:
    """The best choice with at least so many seconds per side, or why there is none."""
    factors, tried = dict.fromkeys(asked.brief.focus, FOCUS_FACTOR), 0
    while True:
        posed = held(pose_question(asked, factors)).with_least(least)
        question, chooser, choice = _answer(posed, asked, deadline)
        if choice is None:
            return explain_impossible(asked, question, chooser)
        minutes = round_minutes(question, choice)
        short = _short(asked, question, minutes)
        tried += 1
        if tried == FOCUS_TRIES or not short or deadline():
            return Chosen(posed, question, chooser, choice, minutes)
        factors |= {id: factors[id] * max(1.03, lacking**1.3) for id, lacking in short.items()}


def _answer(
    posed: PlanQuestion, asked: Asked, deadline: Deadline
) -> tuple[PlanQuestion, Chooser, ChosenSet | None]:
    """The best choice in which what the session is not without has its usual seconds, if there is one.

    Else the best with nothing else beside it, each of them between its least and its most.
    """
    if posed.usual:
        question = posed.at_usual()
        chooser = Chooser(question, asked.catalogue)
        choice = chooser.best(deadline=deadline)
        if choice is not None:
            return question, chooser, choice
    question = posed.without_others() if posed.usual else posed
    chooser = Chooser(question, asked.catalogue)
    return question, chooser, chooser.best(deadline=deadline)


def round_minutes(question: PlanQuestion, choice: ChosenSet) -> dict[str, int]:
    """Seconds per side by region, multiples of 15; what is over goes to the close."""
    shares = [question.shares[id] for id in choice.regions]
    free = question.hands_on - choice.transition_seconds - choice.close_seconds
    rounded = round_down_and_share(shares, choice.seconds, free, GRAIN)
    return dict(zip(choice.regions, rounded, strict=True))


def _short(asked: Asked, question: PlanQuestion, minutes: dict[str, int]) -> dict[str, float]:
    """The focus regions that get less, for their size, than what was not asked for.

    Each with how many times what it has that would be; half a grain on each side is not missed. What was set by hand
    is as long as it was meant to be, and nothing is measured by it.
    """
    brief, catalogue = asked.brief, asked.catalogue
    focus = [id for id in brief.focus if id not in asked.by_hand]
    weights = catalogue.schools[brief.school].weights
    worked = {id: question.shares[id].count * seconds for id, seconds in minutes.items()}
    size = {
        id: catalogue.regions[id].share * catalogue.regions[id].side_count * weights.get(id, 1.0)
        for id in minutes
    }
    others = [id for id in minutes if id not in brief.focus and id not in asked.by_hand]
    if not others:
        return {}
    part = sum(worked[id] for id in others) / sum(size[id] for id in others)
    spared = {id: GRAIN * question.shares[id].count / 2 for id in minutes}
    return {
        id: part * size[id] / worked[id]
        for id in focus
        if worked[id] + spared[id] < part * size[id] and minutes[id] <= question.shares[id].most - GRAIN
    }
