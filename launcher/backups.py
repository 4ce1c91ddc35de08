"""Backups with PostgreSQL's own tools, encrypted by gpg if a passphrase is given, and how they are restored."""

import json
import os
import subprocess
import tempfile
from collections.abc import Callable, Iterable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import BinaryIO

from launcher.cluster import OWNER, Cluster
from launcher.debian import POSTGRES_BIN
from launcher.say import Trouble

STAMP = "mellow-tide-%Y-%m-%dT%H-%M-%SZ"
PLAIN, SEALED = ".dump", ".dump.gpg"
ERASED = "erased.json"
"""Beside the backups: whom the product has erased, by id, for backups that are older than that."""

RECENT = timedelta(days=2)
DAYS, WEEKS, MONTHS = 7, 5, 12
"""All recent backups are kept, then the newest of so many days, weeks and months."""


@dataclass(frozen=True)
class Backup:
    """A backup that was read back after it was written: where, and how many bytes."""

    file: Path
    size: int


@dataclass(frozen=True)
class Source:
    """A database, now or at the moment of a `snapshot`."""

    cluster: Cluster
    database: str
    snapshot: str = ""


def back_up(source: Source, folder: Path, passphrase: Path | None, now: datetime) -> Backup:
    """Write the whole database as it stands at one moment, while others go on working, and read it back.

    Raises `Trouble`; a file that could not be read back is not kept. Backups that have aged out are deleted.
    """
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    file = folder / (now.astimezone(UTC).strftime(STAMP) + (SEALED if passphrase else PLAIN))
    fresh = file.with_name(file.name + ".new")
    fresh.touch(mode=0o600)
    dump = [
        str(POSTGRES_BIN / "pg_dump"),
        "--format=custom",
        *([f"--snapshot={source.snapshot}"] if source.snapshot else []),
    ]
    env = source.cluster.as_superuser(source.database)
    try:
        with fresh.open("wb") as out, _sealing(passphrase) as seal:
            _pipe(
                [dump, *([[*seal, "--symmetric", "--cipher-algo", "AES256"]] if seal else [])], env, out=out
            )
            out.flush()
            os.fsync(out.fileno())
        read_back(fresh, passphrase)
    except Trouble:
        fresh.unlink()
        raise
    fresh.replace(file)
    _remember_erased(folder, list_erased(source.cluster, source.database))
    for old in aged_out(sorted(_backups(folder)), now):
        old.unlink()
    return Backup(file, file.stat().st_size)


def restore(
    cluster: Cluster, database: str, file: Path, passphrase: Path | None, migrate: Callable[[str], None]
) -> int:
    """Put what `file` holds in the place of the database, newly migrated, without the clients erased since.

    How many erasures were replayed. Until all of that is done the database stays as it is. Raises `Trouble`.
    """
    read_back(file, passphrase)
    erased = _erased_beside(file.parent)
    there = cluster.psql("postgres", f"SELECT true FROM pg_database WHERE datname = '{database}'")
    if there.strip():
        erased = _together(erased, list_erased(cluster, database))
    fresh = f"{database}_restored"
    cluster.psql("postgres", f"DROP DATABASE IF EXISTS {fresh} WITH (FORCE)")
    cluster.psql("postgres", f"CREATE DATABASE {fresh} OWNER {OWNER}")
    try:
        load = [str(POSTGRES_BIN / "pg_restore"), "--exit-on-error", "--single-transaction", "-d", fresh]
        with _opened(file, passphrase) as (steps, source):
            _pipe([*steps, load], cluster.as_superuser(fresh), source=source)
        migrate(cluster.dsn(OWNER, fresh))
        _erase_again(cluster, fresh, erased)
        # Until PostgreSQL knows how much there is it reads whole tables for every row, and is stopped as too slow.
        cluster.psql(fresh, "ANALYZE")
    except Trouble:
        cluster.psql("postgres", f"DROP DATABASE {fresh} WITH (FORCE)")
        raise
    replaced = f"{database}_replaced"
    cluster.psql("postgres", f"DROP DATABASE IF EXISTS {replaced} WITH (FORCE)")
    away = f"ALTER DATABASE {database} RENAME TO {replaced};" if there.strip() else ""
    quiet = (
        f"SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname IN ('{fresh}', '{database}')"
    )
    cluster.psql("postgres", quiet)
    # Both at once, or neither: at no moment is there no database.
    cluster.psql("postgres", f"BEGIN; {away} ALTER DATABASE {fresh} RENAME TO {database}; COMMIT;")
    cluster.psql("postgres", f"DROP DATABASE IF EXISTS {replaced} WITH (FORCE)")
    return len(erased)


def aged_out(files: Sequence[Path], now: datetime) -> list[Path]:
    """The backups that are neither recent nor the newest of a day, week or month that is kept."""
    made = {file: _made_at(file) for file in files}
    kept = {file for file, at in made.items() if at > now.astimezone(UTC) - RECENT}
    for span, most in (("%Y-%m-%d", DAYS), ("%G-%V", WEEKS), ("%Y-%m", MONTHS)):
        newest = {at.strftime(span): file for file, at in sorted(made.items(), key=lambda one: one[1])}
        kept.update(newest[key] for key in sorted(newest)[-most:])
    return [file for file in files if file not in kept]


def list_erased(cluster: Cluster, database: str) -> list[dict[str, object]]:
    """The erasures that a database knows of, each a row of its table; none where it is older than that."""
    known = cluster.psql(
        database,
        "SELECT true FROM information_schema.columns WHERE table_name = 'erasure' AND column_name = 'client_id'",
    )
    if not known.strip():
        return []
    sql = "SELECT coalesce(jsonb_agg(to_jsonb(e)), '[]') FROM erasure e WHERE client_id IS NOT NULL"
    return list(json.loads(cluster.psql(database, sql)))


def _erase_again(cluster: Cluster, database: str, erased: Iterable[dict[str, object]]) -> None:
    rows = json.dumps(list(erased)).replace("'", "''")
    cluster.psql(
        database,
        f"""
        BEGIN;
        CREATE TEMP TABLE gone ON COMMIT DROP AS
            SELECT e.* FROM jsonb_populate_recordset(NULL::erasure, '{rows}') e JOIN practice USING (practice_id);
        DO $$ DECLARE one record; BEGIN
            FOR one IN SELECT * FROM gone LOOP
                PERFORM set_config('tide.practice', one.practice_id::text, true);
                PERFORM erase_client(one.client_id);
            END LOOP;
        END $$;
        INSERT INTO erasure SELECT * FROM gone ON CONFLICT DO NOTHING;
        COMMIT;
        """,
    )


def note_restored(cluster: Cluster, database: str, file: Path) -> None:
    """Write down in the database that it was restored, and from when."""
    try:
        what = f"backup of {_made_at(file):%F %H:%M}"
    except ValueError:
        what = "backup of another name"
    cluster.psql(
        database, f"INSERT INTO security_event (at, kind, what) VALUES (now(), 'restored', '{what}')"
    )


def _together(*lists: Iterable[dict[str, object]]) -> list[dict[str, object]]:
    return list({one["erasure_id"]: one for several in lists for one in several}.values())


def _erased_beside(folder: Path) -> list[dict[str, object]]:
    file = folder / ERASED
    return list(json.loads(file.read_text(encoding="utf-8"))) if file.exists() else []


def _remember_erased(folder: Path, erased: list[dict[str, object]]) -> None:
    fresh = folder / (ERASED + ".new")
    fresh.touch(mode=0o600)
    fresh.write_text(json.dumps(_together(_erased_beside(folder), erased)), encoding="utf-8")
    fresh.replace(folder / ERASED)


def _backups(folder: Path) -> Iterator[Path]:
    for file in folder.iterdir():
        try:
            _made_at(file)
        except ValueError:
            continue
        yield file


def _made_at(file: Path) -> datetime:
    return datetime.strptime(file.name.removesuffix(".gpg").removesuffix(PLAIN), STAMP).replace(tzinfo=UTC)


def read_back(file: Path, passphrase: Path | None) -> None:
    """Read a backup from end to end, as a restoring would. Raises `Trouble` for one that cannot be."""
    if not file.exists():
        raise Trouble(f"there is no backup {file}", "name a file that ./tide backup has written")
    with _opened(file, passphrase) as (steps, source):
        _pipe(
            [*steps, [str(POSTGRES_BIN / "pg_restore"), "-f", "/dev/null"]], dict(os.environ), source=source
        )


@contextmanager
def _opened(file: Path, passphrase: Path | None) -> Iterator[tuple[list[list[str]], int]]:
    """What must run before a backup can be read, and the file to begin with."""
    sealed = file.name.removesuffix(".new").endswith(SEALED)
    if sealed and passphrase is None:
        raise Trouble(f"{file} is encrypted", "name the passphrase's file: --passphrase FILE")
    with file.open("rb") as source, _sealing(passphrase if sealed else None) as seal:
        yield [[*seal, "--decrypt"]] if seal else [], source.fileno()


@contextmanager
def _sealing(passphrase: Path | None) -> Iterator[list[str]]:
    """How gpg is called, in a home of its own for the time; empty where nothing is to be encrypted."""
    if passphrase is None:
        yield []
        return
    if not passphrase.is_file() or not passphrase.read_text(encoding="utf-8").strip():
        raise Trouble(
            f"{passphrase} holds no passphrase", "write one line into it, and keep it elsewhere too"
        )
    with tempfile.TemporaryDirectory(prefix="tide-gpg-", dir="/tmp") as home:
        try:
            how = ["gpg", "--homedir", home, "--batch", "--quiet", "--pinentry-mode", "loopback"]
            yield [*how, "--passphrase-file", str(passphrase)]
        finally:
            subprocess.run(["gpgconf", "--homedir", home, "--kill", "all"], capture_output=True)


def _pipe(
    commands: Sequence[list[str]],
    env: dict[str, str],
    source: int = subprocess.DEVNULL,
    out: int | BinaryIO = subprocess.DEVNULL,
) -> None:
    """Run commands, each reading what the one before writes. Raises `Trouble` with what went wrong."""
    running: list[subprocess.Popen[bytes]] = []
    with tempfile.TemporaryFile() as errors:
        for index, command in enumerate(commands):
            last = index == len(commands) - 1
            before = running[-1].stdout if running else source
            running.append(
                subprocess.Popen(
                    command, env=env, stdin=before, stdout=out if last else subprocess.PIPE, stderr=errors
                )
            )
        for process in running:
            # Whoever is written to must see the end when its writer is gone.
            if process.stdout:
                process.stdout.close()
        failed = [str(one.args[0]) for one in running if one.wait() != 0]  # type: ignore[index]
        errors.seek(0)
        told = errors.read().decode(errors="replace").strip()
    if failed:
        tail = "\n".join("    " + line for line in told.splitlines()[-6:])
        what = f"“{Path(failed[-1]).name}” could not do it:\n{tail}"
        raise Trouble(what, "look at the passphrase, the file and the room on the disk; nothing was changed")
