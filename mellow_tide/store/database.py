"""The connection pool, and transactions that see only what they were opened for."""

from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Self, TypeVar
from uuid import UUID

from psycopg import Connection
from psycopg.rows import class_row
from psycopg.sql import Composed
from psycopg_pool import ConnectionPool

from mellow_tide.store.clock import Clock, read_machine_clock
from mellow_tide.store.errors import PracticeShut, translated
from mellow_tide.store.queries import query

Stored = TypeVar("Stored")

LIMITS = "-c statement_timeout=30s -c lock_timeout=10s -c idle_in_transaction_session_timeout=60s"
"""No statement, lock or forgotten transaction holds the others up for longer."""


@dataclass(frozen=True)
class Sight:
    """What a transaction may see: one practice's rows, one person's own, or who holds an e-mail or token hash."""

    practice: UUID | None = None
    person: UUID | None = None
    email: str | None = None
    token_hash: bytes | None = None


class Transaction:
    """A transaction and its sight. Every named query gets `practice_id` and `person_id` from it."""

    def __init__(
        self, connection: Connection[tuple[Any, ...]], sight: Sight, now: datetime | None = None
    ) -> None:
        self._connection = connection
        self._sight = sight
        look_through(connection, sight, now)

    def run(self, name: str, /, **values: Any) -> int:
        """Run a query; how many rows it touched."""
        return self._connection.execute(query(name), self._given(values)).rowcount

    def run_composed(self, statement: Composed, values: Mapping[str, Any]) -> int:
        """Run a statement whose columns are those of a record; how many rows it touched."""
        return self._connection.execute(statement, self._given(values)).rowcount

    def run_each(self, name: str, values: Sequence[Mapping[str, Any]]) -> None:
        """Run a query once for each of `values`, in order."""
        with self._connection.cursor() as cursor:
            cursor.executemany(query(name), [self._given(one) for one in values])

    def value(self, name: str, /, **values: Any) -> Any:
        """The first column of the first row; None if there is no row."""
        row = self._connection.execute(query(name), self._given(values)).fetchone()
        return row[0] if row else None

    def column(self, name: str, /, **values: Any) -> list[Any]:
        """The first column of all rows."""
        return [row[0] for row in self._connection.execute(query(name), self._given(values)).fetchall()]

    def one(self, record: type[Stored], name: str, /, **values: Any) -> Stored | None:
        """The first row as a record whose fields are the columns; None if there is no row."""
        with self._connection.cursor(row_factory=class_row(record)) as cursor:
            return cursor.execute(query(name), self._given(values)).fetchone()

    def all(self, record: type[Stored], name: str, /, **values: Any) -> list[Stored]:
        """All rows as records."""
        with self._connection.cursor(row_factory=class_row(record)) as cursor:
            return cursor.execute(query(name), self._given(values)).fetchall()

    def _given(self, values: Mapping[str, Any]) -> dict[str, Any]:
        return {"practice_id": self._sight.practice, "person_id": self._sight.person, **values}


class Database:
    """A pool of connections under the application's role; `dsn` is a libpq connection string, `now` the time.

    Nobody enters the practices that are `shut`; `limits` are PostgreSQL's settings for every connection.
    """

    def __init__(
        self,
        dsn: str,
        most_connections: int = 10,
        now: Clock = read_machine_clock,
        shut: frozenset[UUID] = frozenset(),
        limits: str = LIMITS,
    ) -> None:
        self.now = now
        self.shut = shut
        self._pool = ConnectionPool(
            dsn,
            kwargs={"options": limits},
            min_size=1,
            max_size=most_connections,
            open=False,
            timeout=5,
            check=ConnectionPool.check_connection,
            # A pool that goes on trying waits longer and longer; whoever asks next makes it try at once.
            reconnect_timeout=1,
        )

    def open(self) -> None:
        """Connect; raises `StoreUnavailable` if PostgreSQL does not answer within 5 s."""
        with translated():
            self._pool.open(wait=True, timeout=5)

    def close(self) -> None:
        """Give all connections back."""
        self._pool.close()

    def __enter__(self) -> Self:
        """Connect for the length of a with block."""
        self.open()
        return self

    def __exit__(self, *raised: object) -> None:
        """Give all connections back."""
        self.close()

    def ask(self) -> None:
        """Raise `StoreUnavailable` where PostgreSQL does not answer."""
        with translated(), self._pool.connection(timeout=2) as connection:
            connection.execute("SELECT 1")

    @contextmanager
    def transaction(self, sight: Sight) -> Iterator[Transaction]:
        """A transaction that commits at the end, or changes nothing if anything is raised.

        Raises `PracticeShut` for one that is shut.
        """
        if sight.practice in self.shut:
            raise PracticeShut
        with translated(), self._pool.connection() as connection, connection.transaction():
            yield Transaction(connection, sight, self.now())


def look_through(connection: Connection[tuple[Any, ...]], sight: Sight, now: datetime | None = None) -> None:
    """Set what the present transaction may see, and what time it takes it to be: the database's own if not said."""
    connection.execute(
        query("set_sight"),
        {
            "practice": str(sight.practice or ""),
            "person": str(sight.person or ""),
            "email": sight.email or "",
            "token": sight.token_hash.hex() if sight.token_hash else "",
            "now": now.isoformat() if now else "",
        },
    )
