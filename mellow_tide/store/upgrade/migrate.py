"""Brings a database up to the newest migration."""

from collections.abc import Iterator
from contextlib import contextmanager
from importlib import resources
from pathlib import Path

import psycopg
from yoyo import get_backend, read_migrations

MIGRATING = 0x7469_6465
"""The number of the advisory lock that migrations hold."""


def migrate(owner_dsn: str, folder: Path | None = None) -> int:
    """Apply what is missing, as the role that owns the tables; how many were applied.

    `owner_dsn` is a postgresql:// address, `folder` where the migrations are, if not in the package. Each migration is
    all or nothing. Two starters wait for one another; one that is killed leaves nothing that the next one waits for.
    """
    backend = get_backend(owner_dsn.replace("postgresql://", "postgresql+psycopg://", 1))
    migrations = read_migrations(str(folder or resources.files("mellow_tide.store") / "migrations"))
    with _taking_turns(owner_dsn):
        missing = backend.to_apply(migrations)
        backend.apply_migrations(missing)
        return len(missing)


@contextmanager
def _taking_turns(owner_dsn: str) -> Iterator[None]:
    """Hold a lock that dies with its connection, unlike a row in a table."""
    with psycopg.connect(owner_dsn, autocommit=True) as connection:
        connection.execute("SELECT pg_advisory_lock(%s)", [MIGRATING])
        yield
