"""What earlier sessions left for this one, each at its stage, and ticked off there."""

from typing import Literal
from uuid import UUID

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.run.log import FollowUpKind
from mellow_tide.services.desk import Desk
from mellow_tide.store.logs import FollowUpRow, FollowUpTick, list_follow_ups, tick_follow_up
from mellow_tide.store.sessions import find_session

FollowUpStage = Literal["meet", "plan", "work"]

STAGES: dict[FollowUpKind, FollowUpStage] = {"question": "meet", "wish": "plan", "point": "work"}
"""Where each kind turns up: what is to be asked, what is to be planned, what is to be felt for."""


class LeftForNow(Record):
    """One thing that the session `made_in` left, and at which stage of this one it turns up."""

    made_in: UUID
    number: int
    kind: FollowUpKind
    stage: FollowUpStage
    words: str
    made_at: AwareDatetime
    done_at: AwareDatetime | None
    done_by: str | None


def read_follow_ups(desk: Desk, session_id: UUID) -> tuple[LeftForNow, ...]:
    """What earlier sessions of the client left for this one, the oldest first. Raises `NotThere`."""
    with desk.reading() as t:
        find_session(t, session_id)
        rows = list_follow_ups(t, session_id)
    return tuple(_left(row) for row in rows)


def tick(desk: Desk, session_id: UUID, ticked: FollowUpTick) -> tuple[LeftForNow, ...]:
    """Tick one off, or open it again. Raises `NotThere`."""
    with desk.writing() as t:
        tick_follow_up(t, session_id, ticked, desk.name(t))
    return read_follow_ups(desk, session_id)


def _left(row: FollowUpRow) -> LeftForNow:
    return LeftForNow(
        made_in=row.session_id,
        number=row.number,
        kind=row.kind,
        stage=STAGES[row.kind],
        words=row.words,
        made_at=row.made_at,
        done_at=row.done_at,
        done_by=row.done_by,
    )
