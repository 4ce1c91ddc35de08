"""Which regions a plan does not work, and what working them would cost the others."""

from typing import Literal

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.planner.choice.choice import Chooser, ChosenSet
from mellow_tide.core.planner.choice.chosen import Chosen, round_minutes
from mellow_tide.core.planner.question.absent import Absence
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import GRAIN, PlanQuestion


class Give(Record):
    """What a region would lose (seconds, all sides, negative) were another one worked; `gone` if all of it."""

    region: str
    seconds: int
    gone: bool


class LeftOut(Record):
    """A region the plan does not work, and why.

    `wish`: the brief leaves it out. `no_consent`: it needs a yes that is not on record. `not_wished`: a yes to it is no
    wish, and nobody has wished it. `declined`: the client said no. `excluded`: it is to be left alone. `not_in_school`:
    the school has no place for it. `position_barred`: the client may not lie so that it is reached. `health`: it cannot
    be worked as lightly as it must. `no_time`: the minutes do more good elsewhere; `gives` says what it would cost
    whom. `never_fits`: its least time does not fit beside the musts.
    """

    region: str
    reason: Literal["wish", "no_time", "never_fits"] | Absence
    gives: tuple[Give, ...] = ()


def explain_left_out(asked: Asked, chosen: Chosen) -> tuple[LeftOut, ...]:
    """Every region that could have been asked for and is not worked, in the catalogue's order."""
    question = chosen.question
    found = [LeftOut(region=id, reason="wish") for id in asked.brief.leave_out]
    found += [LeftOut(region=id, reason=why) for id, why in question.absent.items()]
    for id in question.shares:
        if id in chosen.choice.regions:
            continue
        forced = chosen.chooser.best(also=id) or _beside_less(id, asked, chosen)
        if forced is None:
            found.append(LeftOut(region=id, reason="never_fits"))
        else:
            gives = _gives(question, chosen.minutes, forced)
            found.append(LeftOut(region=id, reason="no_time", gives=gives))
    place = {id: i for i, id in enumerate(asked.catalogue.regions)}
    return tuple(sorted(found, key=lambda left: place[left.region]))


def _beside_less(id: str, asked: Asked, chosen: Chosen) -> ChosenSet | None:
    """The best set with a region, were what the session is not without to have less than its usual seconds."""
    return Chooser(chosen.posed, asked.catalogue).best(also=id) if chosen.posed.usual else None


def _gives(question: PlanQuestion, minutes: dict[str, int], forced: ChosenSet) -> tuple[Give, ...]:
    """Who gives at least a grain, the greatest giver first."""
    then = round_minutes(question, forced)
    gives = []
    for id, seconds in minutes.items():
        change = question.shares[id].count * (then.get(id, 0) - seconds)
        if change <= -GRAIN:
            gives.append(Give(region=id, seconds=change, gone=id not in then))
    return tuple(sorted(gives, key=lambda give: give.seconds))
