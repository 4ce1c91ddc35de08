"""What all tests share: the catalogue, and a real PostgreSQL with a fresh database for each test module."""

import fcntl
import os
import re
from collections.abc import Iterator
from datetime import datetime

import pytest
from hypothesis import HealthCheck, settings

from launcher.cluster import APP, OWNER, Cluster
from launcher.places import settle
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.demo.load import ensure_demo
from mellow_tide.store.database import Database
from mellow_tide.store.upgrade.migrate import migrate
from tests.as_shipped import keep_as_shipped
from tests.settings import CATALOGUE

# A busy machine is no finding.
settings.register_profile("any machine", deadline=None, suppress_health_check=[HealthCheck.too_slow])
settings.load_profile("any machine")

NOW = datetime.fromisoformat(os.environ.get("TIDE_TEST_NOW", "2026-05-04T08:00:00+00:00"))
"""When the tests take place."""


def _test_cluster() -> Cluster:
    return Cluster(settle().state / "test-postgres", durable=False)


def pytest_unconfigure(config: pytest.Config) -> None:
    """The controlling process stops the database that the workers shared."""
    if not hasattr(config, "workerinput"):
        _test_cluster().stop()


@pytest.fixture(scope="session")
def catalogue() -> Catalogue:
    return CATALOGUE


@pytest.fixture(scope="session")
def cluster() -> Cluster:
    shared = _test_cluster()
    shared.folder.mkdir(parents=True, exist_ok=True)
    with (shared.folder.parent / "test.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        shared.start()
        shared.ensure_roles()
    return shared


@pytest.fixture(scope="session")
def template(cluster: Cluster) -> str:
    """A database with the migrations and the demo of 4 May 2026, made once for each worker."""
    name = f"template_{os.environ.get('PYTEST_XDIST_WORKER', 'only')}"
    cluster.psql("postgres", f"DROP DATABASE IF EXISTS {name} WITH (FORCE)")
    cluster.psql("postgres", f"CREATE DATABASE {name} OWNER {OWNER}")
    migrate(cluster.dsn(OWNER, name))
    with Database(cluster.dsn(OWNER, name), most_connections=1, now=lambda: NOW) as db:
        ensure_demo(db, NOW)
    keep_as_shipped(cluster.dsn("postgres", name))
    return name


@pytest.fixture(scope="module")
def database_name(cluster: Cluster, template: str, request: pytest.FixtureRequest) -> Iterator[str]:
    name = re.sub(r"\W+", "_", request.module.__name__).lower()[-50:] + template.removeprefix("template")
    cluster.psql("postgres", f"DROP DATABASE IF EXISTS {name} WITH (FORCE)")
    cluster.psql("postgres", f"CREATE DATABASE {name} TEMPLATE {template} OWNER {OWNER}")
    yield name
    cluster.psql("postgres", f"DROP DATABASE {name} WITH (FORCE)")


@pytest.fixture(scope="module")
def app_dsn(cluster: Cluster, database_name: str) -> str:
    return cluster.dsn(APP, database_name)


@pytest.fixture(scope="module")
def owner_dsn(cluster: Cluster, database_name: str) -> str:
    return cluster.dsn(OWNER, database_name)


@pytest.fixture(scope="module")
def superuser_dsn(cluster: Cluster, database_name: str) -> str:
    return cluster.dsn("postgres", database_name)


@pytest.fixture(scope="module")
def db(app_dsn: str) -> Iterator[Database]:
    with Database(app_dsn, most_connections=2, now=lambda: NOW) as database:
        yield database
