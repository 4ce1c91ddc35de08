"""Which regions a plan does not work, and what working them would cost the others."""

from typing import Literal

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.choice import Choice, Chooser
from mellow_tide.core.planner.minutes import round_down_and_share
from mellow_tide.core.planner.question import GRAIN, Absence, Question


class Give(Record):
    """What a region would lose (seconds, all sides, negative) were another one worked; `gone` if all of it."""

    region: str
    seconds: int
    gone: bool


class LeftOut(Record):
    """A region the plan does not work, and why.

    `wish`: the brief leaves it out. `no_consent`: it needs a yes that is not on record.
    `declined`: the client said no. `excluded`: it is to be left alone. `not_in_school`: the school has no
    place for it. `position_barred`: the client may not lie so that it is reached. `health`: it cannot be worked as
    lightly as it must. `no_time`: the minutes do more good elsewhere; `gives` says what it would cost whom.
    `never_fits`: its least time does not fit beside the musts.
    """

    region: str
    reason: Literal["wish", "no_time", "never_fits"] | Absence
    gives: tuple[Give, ...] = ()


def rounded(question: Question, choice: Choice) -> dict[str, int]:
    """Seconds per side by region, multiples of 15; what is over goes to the close."""
    shares = [question.shares[id] for id in choice.regions]
    free = question.hands_on - choice.transition_seconds - choice.close_seconds
    rounded = round_down_and_share(shares, choice.seconds, free, GRAIN)
    return dict(zip(choice.regions, rounded, strict=True))


def left_out(
    brief: Brief,
    question: Question,
    chooser: Chooser,
    choice: Choice,
    minutes: dict[str, int],
    catalogue: Catalogue,
) -> tuple[LeftOut, ...]:
    """Every region that could have been asked for and is not worked, in the catalogue's order."""
    found = [LeftOut(region=id, reason="wish") for id in brief.leave_out]
    found += [LeftOut(region=id, reason=why) for id, why in question.absent.items()]
    for id in question.shares:
        if id in choice.regions:
            continue
        forced = chooser.best(also=id)
        if forced is None:
            found.append(LeftOut(region=id, reason="never_fits"))
        else:
            found.append(LeftOut(region=id, reason="no_time", gives=_gives(question, minutes, forced)))
    place = {id: i for i, id in enumerate(catalogue.regions)}
    return tuple(sorted(found, key=lambda left: place[left.region]))


def _gives(question: Question, minutes: dict[str, int], forced: Choice) -> tuple[Give, ...]:
    """Who gives at least a grain, the greatest giver first."""
    then = rounded(question, forced)
    gives = []
    for id, seconds in minutes.items():
        change = question.shares[id].count * (then.get(id, 0) - seconds)
        if change <= -GRAIN:
            gives.append(Give(region=id, seconds=change, gone=id not in then))
    return tuple(sorted(gives, key=lambda give: give.seconds))
