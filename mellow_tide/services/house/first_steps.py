"""What a new practice has still to do: a few things, in any order, each gone when it is done or skipped."""

from typing import Literal, get_args

from mellow_tide.core.catalogue.records import Record
from mellow_tide.services.desk import Desk
from mellow_tide.store.house import list_steps_behind, skip_step

FirstStep = Literal["room", "hours", "house", "client"]
"""What is in the room; when one works; how; the first client."""


class FirstSteps(Record):
    """The steps still ahead, in the order in which they are offered."""

    ahead: tuple[FirstStep, ...]


def list_first_steps(desk: Desk) -> FirstSteps:
    """What the practice has still to do."""
    rules = desk.shipped.house_rules.values()
    room = [f"rules.{rule.id}" for rule in rules if rule.about == "room"]
    bottles = [f"lubricants.{id}" for id in desk.catalogue.lubricants]
    with desk.reading() as t:
        behind = list_steps_behind(t, desk.person_id, [*room, *bottles])
    return FirstSteps(ahead=tuple(step for step in get_args(FirstStep) if step not in behind))


def skip_first_step(desk: Desk, step: FirstStep) -> None:
    """Do without a step."""
    with desk.writing() as t:
        skip_step(t, step)
