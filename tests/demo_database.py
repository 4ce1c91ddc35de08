"""A database of its own with the demo as shipped, for pictures and measurements."""

from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime

from launcher.cluster import APP, OWNER, Cluster
from launcher.places import settle
from mellow_tide.demo.load import reset_demo
from mellow_tide.store.database import Database
from mellow_tide.store.upgrade.migrate import migrate


@contextmanager
def demo_database(name: str, now: datetime | None = None, lived: bool = False) -> Iterator[str]:
    """The application's address for a fresh database called `name`, gone afterwards; its demo is of `now`.

    `lived`: with three months behind it.
    """
    cluster = Cluster(settle().state / "test-postgres", durable=False)
    cluster.start()
    cluster.ensure_roles()
    try:
        cluster.psql("postgres", f"DROP DATABASE IF EXISTS {name} WITH (FORCE)")
        cluster.psql("postgres", f"CREATE DATABASE {name} OWNER {OWNER}")
        migrate(cluster.dsn(OWNER, name))
        moment = now or datetime.now(UTC)
        with Database(cluster.dsn(OWNER, name), most_connections=1, now=lambda: moment) as owner:
            reset_demo(owner, moment, (lambda how_far: None) if lived else None)
        yield cluster.dsn(APP, name)
        cluster.psql("postgres", f"DROP DATABASE {name} WITH (FORCE)")
    finally:
        cluster.stop()


def look_over(name: str) -> None:
    """Tell PostgreSQL how much the filled database called `name` holds, as it finds out by itself in time."""
    Cluster(settle().state / "test-postgres", durable=False).psql(name, "ANALYZE")
