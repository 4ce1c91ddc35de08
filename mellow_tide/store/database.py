"""The connection pool, and transactions that see only what they were opened for."""

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any, Self
from uuid import UUID

from psycopg import Connection
from psycopg_pool import ConnectionPool

from mellow_tide.store.errors import translated
from mellow_tide.store.queries import query

Row = tuple[Any, ...]


@dataclass(frozen=True)
class Sight:
    """What a transaction may see: one practice's rows, one person's own, or who holds an e-mail or token hash."""

    practice: UUID | None = None
    person: UUID | None = None
    email: str | None = None
    token_hash: bytes | None = None


class Database:
    """A pool of connections under the application's role; `dsn` is a libpq connection string."""

    def __init__(self, dsn: str, most_connections: int = 10) -> None:
        self._pool = ConnectionPool(dsn, min_size=1, max_size=most_connections, open=False, timeout=5)

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

    @contextmanager
    def transaction(self, sight: Sight) -> Iterator[Connection[Row]]:
        """A transaction that commits at the end, or changes nothing if anything is raised."""
        with translated(), self._pool.connection() as connection, connection.transaction():
            look_through(connection, sight)
            yield connection


def look_through(connection: Connection[Row], sight: Sight) -> None:
    """Set what the present transaction may see."""
    connection.execute(
        query("set_sight"),
        {
            "practice": str(sight.practice or ""),
            "person": str(sight.person or ""),
            "email": sight.email or "",
            "token": sight.token_hash.hex() if sight.token_hash else "",
        },
    )
