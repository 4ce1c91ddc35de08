"""Backups: whole, read back, encrypted, aged out, and restored without those who were erased since."""

import shutil
import threading
from datetime import UTC, datetime, timedelta
from pathlib import Path
from uuid import uuid4

import psycopg
import pytest

from launcher.backups import Source, aged_out, back_up, restore
from launcher.cluster import Cluster
from launcher.drill import compare, digest, drill
from launcher.say import Trouble
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_ID, demo_id
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.clients import erase, merge
from mellow_tide.store.people import SignedIn
from mellow_tide.store.upgrade.migrate import migrate
from tests.conftest import NOW


@pytest.fixture(scope="module")
def spare(tmp_path_factory):
    """A cluster with nothing in it."""
    fresh = Cluster(Path("/var/tmp") / f"tide-spare-{uuid4().hex[:8]}", durable=False)
    fresh.start()
    fresh.ensure_roles()
    yield fresh
    fresh.stop()
    shutil.rmtree(fresh.folder)


def no_migration(dsn: str) -> None:
    """The backup is as new as the product."""


def names(cluster: Cluster, database: str) -> set[str]:
    return set(cluster.psql(database, "SELECT name FROM client").splitlines())


def test_a_backup_restored_into_a_fresh_cluster_is_the_same_row_by_row(
    cluster, database_name, spare, tmp_path
):
    made = back_up(Source(cluster, database_name), tmp_path, None, NOW)
    assert oct(made.file.stat().st_mode)[-3:] == "600"
    restore(spare, "whole", made.file, None, no_migration)
    rows = compare(digest(Source(cluster, database_name)), digest(Source(spare, "whole")))
    assert rows["client"] == 13
    assert rows["run_event"] > 50
    linnet = demo_id("client linnet")
    spare.psql("whole", f"UPDATE client SET name = 'Someone Else' WHERE client_id = '{linnet}'")
    with pytest.raises(Trouble, match="the table client differs"):
        compare(digest(Source(cluster, database_name)), digest(Source(spare, "whole")))


def test_what_is_restored_can_be_read_at_once(cluster, database_name, spare, tmp_path):
    """PostgreSQL knows what there is: else it reads whole tables for every row, as long as nothing told it."""
    made = back_up(Source(cluster, database_name), tmp_path, None, NOW)
    restore(spare, "known", made.file, None, no_migration)
    known = "SELECT DISTINCT tablename FROM pg_stats WHERE tablename IN ('client', 'run_event') ORDER BY 1"
    assert spare.psql("known", known).split() == ["client", "run_event"]


def test_what_is_written_meanwhile_is_in_it_whole_or_not_at_all(cluster, database_name, spare, tmp_path):
    """Two rows of every transaction, written as fast as they can be; a drill looks at the moment of its backup."""
    superuser = cluster.dsn("postgres", database_name)
    with psycopg.connect(superuser) as db:
        db.execute("CREATE TABLE pair (id serial, half int)")
    begun, done = threading.Event(), threading.Event()

    def work() -> None:
        with psycopg.connect(superuser) as db:
            while not done.is_set():
                for half in (1, 2):
                    db.execute("INSERT INTO pair (half) VALUES (%s)", [half])
                db.commit()
                begun.set()

    worker = threading.Thread(target=work)
    worker.start()
    begun.wait()
    try:
        made = back_up(Source(cluster, database_name), tmp_path, None, NOW)
        drilled = drill(cluster, database_name, spare, None)
    finally:
        done.set()
        worker.join()
    restore(spare, "meanwhile", made.file, None, no_migration)
    ones, twos = spare.psql("meanwhile", "SELECT count(*) FROM pair GROUP BY half ORDER BY half").split()
    assert ones == twos
    assert drilled.rows["pair"] > int(ones) + int(twos)
    assert drilled.rows["client"] == 13
    with psycopg.connect(superuser) as db:
        db.execute("DROP TABLE pair")


def test_an_erased_client_never_comes_back(cluster, database_name, db, spare, tmp_path):
    """Known from the database that is replaced, and, where that is lost, from what lies beside the backups."""
    before = back_up(Source(cluster, database_name), tmp_path, None, NOW)
    isolde = demo_id("client isolde")
    erase(Desk.of(db, SignedIn(PRACTICE_ID, THERAPIST_ID), load_catalogue()), isolde, "Isolde Kelpworth")
    assert restore(cluster, "lost", before.file, None, no_migration) == 0
    assert "Isolde Kelpworth" in names(cluster, "lost")
    back_up(Source(cluster, database_name), tmp_path, None, NOW + timedelta(hours=1))
    assert restore(cluster, "lost", before.file, None, no_migration) == 1
    assert names(cluster, "lost") == names(cluster, database_name)
    # Restored again from a copy that lies alone, over the database that knows.
    alone = tmp_path / "alone"
    alone.mkdir()
    shutil.copy(before.file, alone)
    assert restore(cluster, "lost", alone / before.file.name, None, no_migration) == 1
    assert "Isolde Kelpworth" not in names(cluster, "lost")
    cluster.psql("postgres", "DROP DATABASE lost WITH (FORCE)")


def test_a_backup_from_before_a_merging_brings_no_half_of_an_erased_client_back(
    cluster, database_name, db, tmp_path
):
    desk = Desk.of(db, SignedIn(PRACTICE_ID, THERAPIST_ID), load_catalogue())
    before = back_up(Source(cluster, database_name), tmp_path, None, NOW)
    assert {"Corin Foghollow", "Bram Lanternby"} <= names(cluster, database_name)
    corin, bram = (demo_id(f"client {name}") for name in ("corin", "bram"))
    merge(desk, bram, corin)
    erase(desk, bram, "Bram Lanternby")
    back_up(Source(cluster, database_name), tmp_path, None, NOW + timedelta(hours=1))
    restore(cluster, "halves", before.file, None, no_migration)
    assert not {"Corin Foghollow", "Bram Lanternby"} & names(cluster, "halves")
    cluster.psql("postgres", "DROP DATABASE halves WITH (FORCE)")


def test_an_older_backup_is_brought_up_to_the_newest_schema(cluster, spare, tmp_path):
    before = back_up(Source(cluster, "postgres"), tmp_path, None, NOW)
    restore(spare, "older", before.file, None, lambda dsn: migrate(dsn) and None)
    assert spare.psql("older", "SELECT count(*) FROM client").strip() == "0"


def test_with_a_passphrase_nothing_can_be_read_without_it(cluster, database_name, spare, tmp_path):
    words = tmp_path / "passphrase"
    words.write_text("four boats in the slack water\n")
    made = back_up(Source(cluster, database_name), tmp_path / "sealed", words, NOW)
    assert b"Linnet" not in made.file.read_bytes()
    assert b"client" not in made.file.read_bytes()
    restore(spare, "sealed", made.file, words, no_migration)
    compare(digest(Source(cluster, database_name)), digest(Source(spare, "sealed")))
    other = tmp_path / "other"
    other.write_text("five boats\n")
    with pytest.raises(Trouble, match="gpg") as refused:
        restore(spare, "sealed", made.file, other, no_migration)
    assert "look at the passphrase" in refused.value.do
    with pytest.raises(Trouble, match="is encrypted"):
        restore(spare, "sealed", made.file, None, no_migration)
    compare(digest(Source(cluster, database_name)), digest(Source(spare, "sealed")))


def test_a_broken_backup_is_refused_before_anything_is_replaced(cluster, database_name, spare, tmp_path):
    made = back_up(Source(cluster, database_name), tmp_path, None, NOW)
    restore(spare, "kept", made.file, None, no_migration)
    content = made.file.read_bytes()
    made.file.write_bytes(content[: len(content) // 2])
    with pytest.raises(Trouble, match="pg_restore"):
        restore(spare, "kept", made.file, None, no_migration)
    compare(digest(Source(cluster, database_name)), digest(Source(spare, "kept")))
    with pytest.raises(Trouble, match="there is no backup"):
        restore(spare, "kept", tmp_path / "nothing.dump", None, no_migration)


def test_a_backup_that_fails_leaves_no_file_behind(cluster, tmp_path):
    with pytest.raises(Trouble, match="pg_dump"):
        back_up(Source(cluster, "no_such_database"), tmp_path, None, NOW)
    assert list(tmp_path.iterdir()) == []


def test_a_year_of_nights_leaves_days_weeks_and_months():
    """Seven days, five weeks and twelve months; what is no backup is left alone, by having no such name."""
    now = datetime(2026, 11, 28, 3, tzinfo=UTC)
    nights = [now - timedelta(days=days) for days in range(500)]
    files = [Path(night.strftime("mellow-tide-%Y-%m-%dT%H-%M-%SZ.dump")) for night in nights]
    gone = set(aged_out(files, now))
    kept = [night for night, file in zip(nights, files, strict=True) if file not in gone]
    assert kept[:7] == nights[:7]
    assert len(kept) <= 7 + 5 + 12
    assert {night.strftime("%Y-%m") for night in kept} >= {
        f"2026-{month:02}" for month in range(1, 13) if month < 12
    }
    assert min(kept) > now - timedelta(days=366)
    # Run again with what is left, nothing more goes.
    assert aged_out([file for file in files if file not in gone], now) == []
