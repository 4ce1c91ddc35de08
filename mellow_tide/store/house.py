"""How a practice works, and what was changed of that, by whom."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere


@dataclass(frozen=True)
class HouseChangeRow:
    """One change: of a rule or of a transition's seconds (`item`); None where it was, or is, as usual."""

    changed_at: datetime
    person_name: str
    item: str
    before: str | None
    after: str | None


def find_house(t: Transaction) -> House:
    """What the practice has chosen where schools differ; raises `NotThere`."""
    return _house(t.value("house_of_practice"))


def lock_house(t: Transaction) -> House:
    """The same, kept from others until the transaction ends."""
    return _house(t.value("lock_house"))


@dataclass(frozen=True)
class NewHouseChange:
    """A change that is being made."""

    person_name: str
    item: str
    before: str | None
    after: str | None


def put_house(t: Transaction, house: House, change: NewHouseChange) -> None:
    """Work otherwise from now on, with what was changed and by whom."""
    t.run("put_house", house=Jsonb(house.model_dump()))
    t.run("insert_house_change", **vars(change))


def list_newest_changes(t: Transaction) -> list[HouseChangeRow]:
    """The newest change of each item that was ever changed."""
    return t.all(HouseChangeRow, "newest_house_changes")


def list_house_changes_since_plan(t: Transaction, session_id: UUID) -> list[HouseChangeRow]:
    """What was changed after a session's standing plan was made, the oldest first."""
    return t.all(HouseChangeRow, "house_changes_since_plan", session_id=session_id)


def list_steps_behind(t: Transaction, person_id: UUID, room_items: Iterable[str]) -> list[str]:
    """The first steps that a person has done or skipped; `room_items` are what of a house is about the room."""
    return list(t.value("steps_behind", person_id=person_id, room_items=list(room_items)) or [])


def skip_step(t: Transaction, step: str) -> None:
    """Do without a first step."""
    t.run("skip_step", step=step)


def _house(stored: dict[str, Any] | None) -> House:
    if stored is None:
        raise NotThere("practice")
    return House.model_validate(stored)
