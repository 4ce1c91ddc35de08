"""What simulated devices have sent."""

from uuid import UUID

from psycopg import Connection

from mellow_tide.store.database import Row
from mellow_tide.store.queries import query


def add_press(c: Connection[Row], practice_id: UUID, person_id: UUID, key: str) -> int:
    """Keep a press of the foot switch for a minute; its number."""
    values = {"practice_id": practice_id, "person_id": person_id, "key": key}
    return int(c.execute(query("add_press"), values).fetchall()[0][0])


def presses_after(
    c: Connection[Row], practice_id: UUID, person_id: UUID, after: int
) -> list[tuple[int, str]]:
    """Number and key of every press with a number above `after`, in order."""
    values = {"practice_id": practice_id, "person_id": person_id, "after": after}
    return [(number, key) for number, key in c.execute(query("presses_after"), values).fetchall()]


def last_press(c: Connection[Row], practice_id: UUID, person_id: UUID) -> int:
    """The number of the last press that is kept, 0 if there is none."""
    row = c.execute(query("last_press"), {"practice_id": practice_id, "person_id": person_id}).fetchone()
    return int(row[0]) if row else 0
