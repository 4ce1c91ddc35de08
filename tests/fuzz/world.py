"""A real server over a demo of its own, for whoever is signed in."""

import os
import secrets
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import UTC, datetime, timedelta
from pathlib import Path

from launcher.cluster import APP, OWNER, Cluster
from mellow_tide.demo.load import ensure_demo
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_ID
from mellow_tide.services.people.tokens import hash_token
from mellow_tide.store.accounts import NewSignIn, add_sign_in
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.upgrade.migrate import migrate
from tests.as_shipped import keep_as_shipped, put_back
from tests.browser.serving import LiveServer
from tests.conftest import NOW


@contextmanager
def serve_demo(cluster: Cluster, folder: Path) -> Iterator[tuple[LiveServer, str, Callable[[], None]]]:
    """The server, the token of a sign-in, and what makes the demo whole again."""
    name = f"fuzz_{os.getpid()}"
    cluster.psql("postgres", f"DROP DATABASE IF EXISTS {name} WITH (FORCE)")
    cluster.psql("postgres", f"CREATE DATABASE {name} OWNER {OWNER}")
    token = secrets.token_urlsafe(32)
    try:
        migrate(cluster.dsn(OWNER, name))
        with Database(cluster.dsn(OWNER, name), most_connections=1, now=lambda: NOW) as owner:
            ensure_demo(owner, NOW)
            with owner.transaction(Sight(PRACTICE_ID, THERAPIST_ID)) as t:
                who = SignedIn(PRACTICE_ID, THERAPIST_ID)
                add_sign_in(t, who, NewSignIn(hash_token(token), NOW, NOW + timedelta(days=30)))
        keep_as_shipped(cluster.dsn("postgres", name))
        server = LiveServer(cluster.dsn(APP, name), folder / "log", NOW - datetime.now(UTC))
        server.start()
        try:
            yield server, token, lambda: put_back(cluster.dsn("postgres", name))
        finally:
            server.close()
    finally:
        cluster.psql("postgres", f"DROP DATABASE {name} WITH (FORCE)")
