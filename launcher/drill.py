"""Whether a backup made now could be restored: done, in a database of its own, and compared row by row."""

import subprocess
import tempfile
import time
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from launcher.backups import Source, back_up, restore
from launcher.cluster import Cluster
from launcher.debian import POSTGRES_BIN
from launcher.say import Trouble

Digests = Mapping[str, tuple[int, str]]
"""By table: how many rows, and a digest of all that is in them."""


@dataclass(frozen=True)
class Drilled:
    """A backup that was restored and is the same: rows by table, its bytes, and the seconds that each half took."""

    rows: dict[str, int]
    size: int
    wrote: float
    restored: float


def drill(cluster: Cluster, database: str, spare: Cluster, passphrase: Path | None) -> Drilled:
    """Back up, restore into another cluster, and compare row by row with the moment of the backup.

    People may go on working meanwhile. Raises `Trouble` naming the first table that differs.
    """
    with tempfile.TemporaryDirectory(prefix="tide-drill-") as folder, _snapshot(cluster, database) as moment:
        began = time.monotonic()
        made = back_up(moment, Path(folder), passphrase, datetime.now(UTC))
        written = time.monotonic()
        restore(spare, database, made.file, passphrase, lambda dsn: None)
        done = time.monotonic()
        rows = compare(digest(moment), digest(Source(spare, database)))
    return Drilled(rows, made.size, written - began, done - written)


def compare(here: Digests, there: Digests) -> dict[str, int]:
    """Rows by table, the same in both; raises `Trouble` naming the first table that differs."""
    for table in sorted(here.keys() | there.keys()):
        if here.get(table) != there.get(table):
            raise Trouble(f"the table {table} differs after restoring", "keep the backup and look into it")
    return {table: rows for table, (rows, _) in here.items()}


def digest(source: Source) -> Digests:
    """What a database holds."""
    tables = source.cluster.psql(
        source.database, "SELECT tablename FROM pg_tables WHERE schemaname = 'public'"
    ).split()
    at = f"SET TRANSACTION SNAPSHOT '{source.snapshot}';" if source.snapshot else ""
    content = "md5(coalesce(string_agg(t::text, E'\n' ORDER BY t::text), ''))"
    each = "".join(f"SELECT '{table}', count(*), {content} FROM \"{table}\" t;" for table in tables)
    told = source.cluster.psql(source.database, f"BEGIN ISOLATION LEVEL REPEATABLE READ; {at} {each} COMMIT;")
    rows = (line.split("|") for line in told.splitlines())
    return {table: (int(count), told) for table, count, told in rows}


@contextmanager
def _snapshot(cluster: Cluster, database: str) -> Iterator[Source]:
    """A moment of a database, at which others may look as long as this lasts."""
    with subprocess.Popen(
        [str(POSTGRES_BIN / "psql"), "-XtAq"],
        env=cluster.as_superuser(database),
        stdin=subprocess.PIPE,
        stdout=subprocess.PIPE,
        text=True,
    ) as holding:
        assert holding.stdin
        assert holding.stdout
        print(
            "BEGIN ISOLATION LEVEL REPEATABLE READ; SELECT pg_export_snapshot();",
            file=holding.stdin,
            flush=True,
        )
        yield Source(cluster, database, holding.stdout.readline().strip())
