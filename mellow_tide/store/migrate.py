"""Brings a database up to the newest migration."""

from importlib import resources

from yoyo import get_backend, read_migrations


def migrate(owner_dsn: str) -> int:
    """Apply what is missing, as the role that owns the tables; how many were applied.

    `owner_dsn` is a postgresql:// address. Two starters wait for one another.
    """
    backend = get_backend(owner_dsn.replace("postgresql://", "postgresql+psycopg://", 1))
    folder = resources.files("mellow_tide.store") / "migrations"
    migrations = read_migrations(str(folder))
    with backend.lock():
        missing = backend.to_apply(migrations)
        backend.apply_migrations(missing)
        return len(missing)
